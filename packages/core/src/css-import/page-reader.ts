/** Brings together what every element of a page plays: what can be read into motions, and what has to stay as it is. */
import { itemAt, present } from '../assert/index.ts';
import type { Element } from 'domhandler';
import type { MotionDocument } from '../motion/index.ts';
import { Cascade } from './cascade/cascade.ts';
import { claimsFor } from './claims/claims.ts';
import type { Share } from './claims/claims.ts';
import { readCodeStyle } from './compose/code-style.ts';
import { makeDocument } from './compose/compose.ts';
import type { Group } from './compose/compose.ts';
import { Drafts } from './animations/drafts.ts';
import { isDrawn } from './source/elements.ts';
import type { PageElements } from './source/elements.ts';
import { Left } from './claims/left.ts';
import type { Corrections, Mistake } from './diagnostics/mistakes.ts';
import { PageConditions } from './cascade/page-conditions.ts';
import { Player } from './compose/played.ts';
import type { Played } from './compose/played.ts';
import { declaresMotion, moves, namesMotion } from './cascade/rules.ts';
import type { ReadRule, ReadRules } from './cascade/rules.ts';
import type { Unsupported } from './source/source.ts';
import { MAX_ONLY } from './claims/take-out.ts';
import type { Claim } from './claims/take-out.ts';
import { Timelines } from './animations/timelines.ts';
import { boundByCarriers, spread } from './compose/together.ts';
import { Triggers } from './animations/triggers.ts';

/** Elements whose motions stay in the page, and why. */
export interface Refuted {
  selector: string;
  reason: string;
}

export class PageReader {
  private readonly cascade: Cascade;
  private readonly timelines: Timelines;
  private readonly conditions: PageConditions;
  private readonly player: Player;
  private readonly left = new Left();

  constructor(
    private readonly rules: ReadRules,
    private readonly elements: PageElements,
    corrections: Corrections,
  ) {
    this.cascade = new Cascade(rules, elements);
    this.timelines = new Timelines(this.cascade, rules.rules, elements);
    const triggers = new Triggers(this.cascade, rules.rules, this.timelines);
    const drafts = new Drafts(this.cascade, rules.keyframes, this.timelines, triggers, corrections);
    this.conditions = new PageConditions(rules, declaresMotion);
    this.player = new Player(rules, this.cascade, drafts, this.conditions, this.left);
  }

  /** media conditions under which the page moves something */
  get queries(): string[] {
    return [...new Set(this.conditions.media.flatMap((m) => m.queries))];
  }

  get mistakes(): readonly Mistake[] {
    return this.player.mistakes;
  }

  /** What was left in the page; known once it has been read. */
  get unsupported(): Unsupported[] {
    return this.left.list(this.elements, this.findElements, this.collectSelectors);
  }

  read(refuted: readonly Refuted[] = []): { document: MotionDocument; claims: Claim[] } {
    const moving = this.rules.rules.filter(declaresMotion);
    const played = this.playedBy(moving);
    this.refute(played, refuted);
    const undividable = moving.filter((r) => !isDividable(r));
    for (;;) {
      const bound = undividable.map((rule) => ({ rule, elements: this.findElements(rule) }));
      spread(played, [...bound, ...boundByCarriers(played, this.rules.rules, this.cascade)], this.left);
      const made = makeDocument(this.groups(played), {
        media: this.conditions.media,
        rules: this.rules,
        timelines: this.timelines,
        elements: this.elements,
        collectSelectors: this.collectSelectors,
      });
      for (const { group, reason } of made.left) {
        this.left.add(itemAt(group.rules, 0), reason, group.elements);
        for (const e of group.elements) played.set(e, { kind: 'other', reason });
      }
      if (made.left.length > 0) continue;
      const shares = new Map(moving.map((rule) => [rule, this.toShare(rule, played, made.targets)]));
      const long = moving.filter((rule) => shares.get(rule) === null);
      undividable.push(...long);
      if (long.length > 0) continue;
      return {
        document: { ...made.document, ...readCodeStyle(moving) },
        claims: claimsFor(this.rules, (rule) => shares.get(rule) ?? 'none', made.animated, made.frames),
      };
    }
  }

  /** What each element plays, whether it can be read together with others or not. */
  played(): ReadonlyMap<Element, Played> {
    return this.playedBy(this.rules.rules.filter(declaresMotion));
  }

  private playedBy(moving: readonly ReadRule[]): Map<Element, Played> {
    const played = new Map<Element, Played>();
    for (const rule of moving) {
      const elements = this.findElements(rule);
      for (const e of elements) if (!played.has(e)) played.set(e, this.player.played(e));
      const obstacle = rule.media.obstacle;
      if (obstacle !== null && !rule.media.never && namesMotion(rule)) {
        this.left.add(rule, obstacle);
        for (const e of elements) played.set(e, { kind: 'other', reason: '' });
      }
      for (const s of rule.selectors) if (s.obstacle && namesMotion(rule)) this.left.add(rule, s.obstacle);
      if (elements.length === 0 && namesMotion(rule) && rule.selectors.some((s) => !s.obstacle))
        this.left.add(rule, 'nothing in the page’s HTML has this selector; a script may make it later');
    }
    return played;
  }

  private refute(played: Map<Element, Played>, refuted: readonly Refuted[]): void {
    for (const { selector, reason } of refuted)
      for (const e of this.elements.all(selector) ?? []) {
        if (played.get(e)?.kind !== 'moving') continue;
        const rule = this.cascade.listRules(e).find((r) => declaresMotion(r) && namesMotion(r));
        if (rule) this.left.add(rule, reason, [e]);
        played.set(e, { kind: 'other', reason });
      }
  }

  private readonly findElements = (rule: ReadRule): readonly Element[] =>
    this.cascade.findElements.get(rule) ?? [];

  private readonly collectSelectors = (e: Element): string[] =>
    this.cascade
      .listRules(e)
      .flatMap((r) =>
        r.selectors.filter((s) => !s.obstacle && this.elements.matches(e, s.text)).map((s) => s.text),
      );

  /** What of a rule was read; null where the rule would have to be narrowed by too long a selector. */
  private toShare(
    rule: ReadRule,
    played: ReadonlyMap<Element, Played>,
    targets: readonly { selector: string; elements: readonly Element[] }[],
  ): Share | null {
    const all = new Set(this.findElements(rule));
    const read = [...all].filter((e) => played.get(e)?.kind === 'moving');
    if (read.length === 0) return 'none';
    if (read.length === all.size && rule.selectors.every((s) => !s.obstacle)) return 'all';
    // No selector takes pseudo-elements out of a rule.
    if (read.some(isDrawn)) return null;
    const only = targets.filter((t) => t.elements.some((e) => all.has(e))).map((t) => t.selector);
    const selector = [...new Set(only)].join(', ');
    return selector.length > MAX_ONLY ? null : { only: selector };
  }

  /** Elements with the same rules that play the same; what differs by equal steps is brought together later. */
  private groups(played: ReadonlyMap<Element, Played>): Group[] {
    const byKey = new Map<string, Group>();
    for (const e of this.elements.inOrder([...played.keys()])) {
      const p = present(played.get(e));
      if (p.kind !== 'moving') continue;
      const known = byKey.get(p.key);
      if (known) {
        known.elements.push(e);
        known.each.push(p.slots);
      } else
        byKey.set(p.key, {
          elements: [e],
          rules: this.cascade.listRules(e).filter(declaresMotion),
          each: [p.slots],
        });
    }
    const first = (g: Group) => this.player.indexOf(g.rules.find(namesMotion) ?? itemAt(g.rules, 0));
    return [...byKey.values()].sort((a, b) => first(a) - first(b));
  }
}

/** Whether a rule can go for some of its elements and stay for others: not where its names are those that the writer gives. */
const isDividable = (rule: ReadRule): boolean =>
  rule.inline === null && !rule.declarations.some((d) => moves(d.property) && /(^|\s)lv-/.test(d.value));
