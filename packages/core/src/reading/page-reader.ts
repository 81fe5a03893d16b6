/** Brings together what every element of a page plays: what can be read into motions, and what has to stay as it is. */
import type { Element } from 'domhandler';
import type { MotionDocument } from '../motion/index.ts';
import { Cascade } from './cascade.ts';
import type { Environment } from './cascade.ts';
import { claimsFor } from './claims.ts';
import type { Share } from './claims.ts';
import { documentOf } from './compose.ts';
import type { Group } from './compose.ts';
import type { DraftList, DraftOf } from './draft.ts';
import { Drafts } from './drafts.ts';
import type { PageElements } from './elements.ts';
import { mistakesOf } from './mistakes.ts';
import type { Mend, Mistake } from './mistakes.ts';
import { carries, moves } from './rules.ts';
import type { ReadRule, ReadRules } from './rules.ts';
import { MOST_CONDITIONS, PageConditions } from './page-conditions.ts';
import { agrees, reduced, slotsOf } from './slots.ts';
import type { PageMedia, Slot, StillList } from './slots.ts';
import { shortened } from './source.ts';
import type { Unread } from './source.ts';
import { MAX_ONLY } from './take-out.ts';
import type { Claim } from './take-out.ts';
import { Timelines } from './timelines.ts';
import { Triggers } from './triggers.ts';

/** Conditions under which more than this many would have to be tried are left to the page. */
const MOST_MEDIA = 12;

const has = (rule: ReadRule) => rule.declarations.some((d) => moves(d.property));
/** Declarations that say that something is played, as against how. */
const names = (rule: ReadRule) =>
  rule.declarations.some(
    (d) => /^animation(-name|-timeline)?$/.test(d.property) && !/^(none|initial|unset)$/i.test(d.value),
  );

/** What one element plays, everywhere; the reason where it cannot be read. */
type Played =
  { is: 'moving'; slots: Slot[]; key: string } | { is: 'still' } | { is: 'other'; reason: string };

/** Elements whose motions stay in the page, and why. */
export interface Refuted {
  selector: string;
  reason: string;
}

export class PageReader {
  private readonly elements: PageElements;
  private readonly cascade: Cascade;
  private readonly drafts: Drafts;
  private readonly timelines: Timelines;
  private readonly media: readonly PageMedia[];
  private readonly conditions: PageConditions;
  private indices: Map<ReadRule, number> | undefined;
  readonly unread: Unread[] = [];
  private readonly left = new Map<string, { rule: ReadRule; reason: string; elements: Set<Element> }>();
  readonly mistakes: Mistake[] = [];

  constructor(
    private readonly rules: ReadRules,
    elements: PageElements,
    mend: Mend,
  ) {
    this.elements = elements;
    this.cascade = new Cascade(rules, elements);
    this.timelines = new Timelines(this.cascade, rules.rules, elements);
    const triggers = new Triggers(this.cascade, rules.rules, this.timelines);
    this.drafts = new Drafts(this.cascade, rules.keyframes, this.timelines, triggers, mend);
    this.conditions = new PageConditions(rules, has);
    this.media = this.conditions.media;
  }

  /** media conditions under which the page moves something */
  get queries(): string[] {
    return [...new Set(this.media.flatMap((m) => m.queries))];
  }

  read(refuted: readonly Refuted[] = []): { document: MotionDocument; claims: Claim[] } {
    const moving = this.rules.rules.filter(has);
    const played = new Map<Element, Played>();
    for (const rule of moving) {
      const elements = this.elementsOf(rule);
      for (const e of elements) if (!played.has(e)) played.set(e, this.played(e));
      const obstacle = rule.media.obstacle;
      if (obstacle !== null && !rule.media.never && names(rule)) {
        this.leave(rule, obstacle);
        for (const e of elements) played.set(e, { is: 'other', reason: '' });
      }
      for (const s of rule.selectors) if (s.obstacle && names(rule)) this.leave(rule, s.obstacle);
      if (elements.length === 0 && names(rule) && rule.selectors.some((s) => !s.obstacle))
        this.leave(rule, 'nothing in the page’s HTML has this selector; a script may make it later');
    }
    for (const { selector, reason } of refuted)
      for (const e of this.elements.all(selector) ?? []) {
        if (played.get(e)?.is !== 'moving') continue;
        const rule = this.cascade.rulesOf(e).find((r) => has(r) && names(r));
        if (rule) this.leave(rule, reason, [e]);
        played.set(e, { is: 'other', reason });
      }
    const undividable = moving.filter((r) => !this.isDividable(r));
    for (;;) {
      this.spread(played, undividable);
      const made = documentOf(
        this.groups(played),
        this.media,
        this.rules,
        this.timelines,
        this.elements,
        this.selectorsOf,
      );
      for (const { group, reason } of made.left) {
        this.leave(group.rules[0]!, reason, group.elements);
        for (const e of group.elements) played.set(e, { is: 'other', reason });
      }
      if (made.left.length > 0) continue;
      const shares = new Map(moving.map((rule) => [rule, this.shareOf(rule, played, made.targets)]));
      const long = moving.filter((rule) => shares.get(rule) === null);
      if (long.length > 0) {
        undividable.push(...long);
        continue;
      }
      const claims = claimsFor(this.rules, (rule) => shares.get(rule) ?? 'none', made.animated);
      this.tell();
      return { document: made.document, claims };
    }
  }

  private elementsOf(rule: ReadRule): readonly Element[] {
    return this.cascade.elementsOf.get(rule) ?? [];
  }

  private readonly selectorsOf = (e: Element): string[] =>
    this.cascade
      .rulesOf(e)
      .flatMap((r) =>
        r.selectors.filter((s) => !s.obstacle && this.elements.matches(e, s.text)).map((s) => s.text),
      );

  /** Whether a rule can go for some of its elements and stay for others: not where its names are those that the writer gives. */
  private isDividable(rule: ReadRule): boolean {
    return (
      rule.inline === null && !rule.declarations.some((d) => moves(d.property) && /(^|\s)lv-/.test(d.value))
    );
  }

  /** What of a rule was read; null where the rule would have to be narrowed by too long a selector. */
  private shareOf(
    rule: ReadRule,
    played: ReadonlyMap<Element, Played>,
    targets: readonly { selector: string; elements: readonly Element[] }[],
  ): Share | null {
    const all = new Set(this.elementsOf(rule));
    const read = [...all].filter((e) => played.get(e)?.is === 'moving').length;
    if (read === 0) return 'none';
    if (read === all.size && rule.selectors.every((s) => !s.obstacle)) return 'all';
    const only = targets.filter((t) => t.elements.some((e) => all.has(e))).map((t) => t.selector);
    const selector = [...new Set(only)].join(', ');
    return selector.length > MAX_ONLY ? null : { only: selector };
  }

  private leave(rule: ReadRule, reason: string, elements: readonly Element[] = []): void {
    const key = `${rule.place.path} ${rule.place.from} ${reason}`;
    const known = this.left.get(key) ?? { rule, reason, elements: new Set() };
    this.left.set(key, known);
    for (const e of elements) known.elements.add(e);
  }

  /** What was left, element by element where others of the rule were read. */
  private tell(): void {
    for (const { rule, reason, elements } of this.left.values()) {
      const all = this.elementsOf(rule);
      const whole = rule.inline
        ? `style of <${rule.inline.name}>`
        : rule.selectors.map((s) => s.text).join(', ');
      const some = elements.size > 0 && elements.size < all.length;
      const which = some
        ? this.elements.naming(
            this.elements.inOrder(elements),
            [...elements].flatMap(this.selectorsOf),
            this.selectorsOf,
          )
        : null;
      this.unread.push({
        place: rule.place,
        what: shortened(which === null ? whole : `${which} (by ${whole})`),
        reason,
      });
    }
  }

  /**
   * What cannot be divided is taken out as a whole or not at all: elements that share such a rule stay together, and so do those whose
   * timelines one element carries.
   */
  private spread(played: Map<Element, Played>, rules: readonly ReadRule[]): void {
    const shared = [
      ...rules.map((rule) => ({ rule, elements: this.elementsOf(rule) })),
      ...this.carried(played),
    ];
    for (let changed = true; changed;) {
      changed = false;
      for (const { rule, elements } of shared) {
        const bad = elements.find((e) => played.get(e)?.is !== 'moving');
        if (!bad) continue;
        for (const e of elements) {
          if (played.get(e)?.is !== 'moving') continue;
          changed = true;
          const cause = played.get(bad)!;
          this.leave(
            rule,
            cause.is === 'other' && cause.reason
              ? `one of its elements could not be read: ${cause.reason}`
              : 'it also moves elements in time, without the scroll',
          );
          played.set(e, { is: 'other', reason: '' });
        }
      }
    }
  }

  /** Elements that listen to timelines and triggers of one element, by a rule that carries them. */
  private carried(played: ReadonlyMap<Element, Played>): { rule: ReadRule; elements: Element[] }[] {
    const users = new Map<string, Element[]>();
    for (const e of played.keys())
      for (const rule of this.cascade.rulesOf(e))
        for (const d of rule.declarations)
          if (moves(d.property))
            for (const name of d.value.match(/--[\w-]+/g) ?? [])
              users.set(name, [...(users.get(name) ?? []), e]);
    const byCarrier = new Map<Element, { rule: ReadRule; elements: Set<Element> }>();
    for (const rule of this.rules.rules)
      for (const d of rule.declarations.filter((one) => carries(one.property)))
        for (const carrier of this.cascade.elementsOf.get(rule) ?? []) {
          const known = byCarrier.get(carrier) ?? { rule, elements: new Set() };
          byCarrier.set(carrier, known);
          for (const name of d.value.match(/--[\w-]+/g) ?? [])
            for (const e of users.get(name) ?? []) known.elements.add(e);
        }
    return [...byCarrier.values()].map(({ rule, elements }) => ({ rule, elements: [...elements] }));
  }

  private played(element: Element): Played {
    const rules = this.cascade.rulesOf(element).filter(has);
    const env = (queries: Iterable<string>, still = false): Environment => ({
      queries: new Set(queries),
      still,
    });
    const relevant = this.media.filter(
      (m) => rules.some((r) => m.queries.some((q) => r.media.queries.includes(q))) || this.framesUnder(m),
    );
    const base = this.drafts.of(element, env([]));
    /** all conditions that hold where these do, and the queries of all of them */
    const under = (...some: PageMedia[]) =>
      relevant.filter((m) => some.includes(m) || some.some((s) => this.conditions.implies(s, m)));
    const queriesOf = (some: readonly PageMedia[]) => some.flatMap((m) => m.queries);
    const lists = relevant
      .slice(0, MOST_MEDIA)
      .map((media) => ({ media, list: this.drafts.of(element, env(queriesOf(under(media)))) }));
    const still = this.drafts.of(element, env([], true));
    const all = [base, ...lists.map((l) => l.list), still];
    for (const e of [env([]), ...relevant.map((m) => env(queriesOf(under(m))))]) this.note(element, e);
    if (rules.some((r) => this.conditions.isBeyond(r.media.queries))) {
      const reason = `the page moves things under more than ${MOST_CONDITIONS} media conditions`;
      this.leave(rules.find(names) ?? rules[0]!, reason, [element]);
      return { is: 'other', reason };
    }
    if (
      !this.scrolls(element, env([])) &&
      !relevant.some((m) => this.scrolls(element, env(queriesOf(under(m)))))
    )
      return { is: 'still' };
    const obstacle = all.find(
      (l): l is Extract<DraftList, { obstacle: unknown }> => 'obstacle' in l,
    )?.obstacle;
    const other = (reason: string): Played => {
      if (rules[0]) this.leave(obstacle?.rule ?? rules.find(names) ?? rules[0], reason, [element]);
      return { is: 'other', reason };
    };
    if (obstacle) return other(obstacle.reason);
    if (relevant.length > MOST_MEDIA) return other('it differs under too many media conditions');
    const draftsOf = (l: DraftList): DraftOf[] => ('drafts' in l ? l.drafts : []);
    const slots = slotsOf(
      draftsOf(base),
      lists.map(({ media, list }) => ({
        media,
        below: relevant.filter((m) => this.conditions.implies(media, m)).map((m) => m.key),
        list: draftsOf(list),
      })),
    );
    if (!slots) return other('under a media condition the order of its animations changes');
    if (slots.length === 0) return { is: 'still' };
    // What holds together was not looked at yet: a document says of each part the last condition that has it.
    for (const [i, a] of relevant.entries())
      for (const b of relevant.slice(i + 1)) {
        const both = under(a, b);
        if (
          this.conditions.implies(a, b) ||
          this.conditions.implies(b, a) ||
          !this.conditions.canHold(queriesOf(both))
        )
          continue;
        const list = this.drafts.of(element, env(queriesOf(both)));
        if (
          !('drafts' in list) ||
          !agrees(
            slots,
            both.map((m) => m.key),
            list.drafts,
          )
        )
          return other('where two media conditions hold together it plays what neither says');
      }
    const stillLists: StillList[] = [{ keys: [], list: draftsOf(still) }];
    for (const m of relevant) {
      const list = this.drafts.of(element, env(queriesOf(under(m)), true));
      if ('obstacle' in list) return other(list.obstacle.reason);
      stillLists.push({ keys: under(m).map((one) => one.key), list: list.drafts });
    }
    if (!reduced(slots, stillLists))
      return other('for readers who want reduced motion it plays something else');
    // Rules that never win anything make no difference.
    const winning = new Set(
      [env([]), ...relevant.map((m) => env(queriesOf(under(m)))), env([], true)].flatMap((e) =>
        [...this.drafts.winners(element, e).values()].map((w) => this.indexOf(w.rule)),
      ),
    );
    const key = JSON.stringify([
      [...winning].sort((a, b) => a - b),
      slots.map((s) => [s.on, [...s.overrides], s.reducedMotion, s.of.draft.name]),
    ]);
    return { is: 'moving', slots, key };
  }

  private indexOf(rule: ReadRule): number {
    this.indices ??= new Map(this.rules.rules.map((r, i) => [r, i]));
    return this.indices.get(rule) ?? -1;
  }

  private framesUnder(media: PageMedia): boolean {
    return this.rules.keyframes.some(
      (k) => k.media.queries.length > 0 && k.media.queries.every((q) => media.queries.includes(q)),
    );
  }

  private scrolls(element: Element, env: Environment): boolean {
    const won = this.drafts.winners(element, env);
    const name = won.get('animation-name')?.value ?? 'none';
    const timeline = won.get('animation-timeline')?.value ?? 'auto';
    const trigger = won.get('animation-trigger')?.value ?? 'none';
    return name !== 'none' && (/[(-]/.test(timeline) || /--/.test(trigger));
  }

  private note(element: Element, env: Environment): void {
    const won = this.drafts.declared(element, env);
    if ((won.get('animation-name')?.value ?? 'none') === 'none') return;
    for (const m of mistakesOf({ won, element, cascade: this.cascade, env }))
      if (!this.mistakes.some((k) => k.key === m.key)) this.mistakes.push(m);
  }

  /** Elements with the same rules that play the same; what differs by equal steps is brought together later. */
  private groups(played: ReadonlyMap<Element, Played>): Group[] {
    const byKey = new Map<string, Group>();
    for (const e of this.elements.inOrder([...played.keys()])) {
      const p = played.get(e)!;
      if (p.is !== 'moving') continue;
      const known = byKey.get(p.key);
      if (known) {
        known.elements.push(e);
        known.each.push(p.slots);
      } else byKey.set(p.key, { elements: [e], rules: this.cascade.rulesOf(e).filter(has), each: [p.slots] });
    }
    const first = (g: Group) => this.indexOf(g.rules.find(names) ?? g.rules[0]!);
    return [...byKey.values()].sort((a, b) => first(a) - first(b));
  }
}
