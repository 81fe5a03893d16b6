/** What one element plays under all conditions of its page, as slots of a document; the reason where a document cannot say it. */
import { itemAt, lastItem, present } from '../../assert/index.ts';
import type { Element } from 'domhandler';
import type { Cascade, Environment } from '../cascade/cascade.ts';
import type { DraftList, DraftOf, Obstacle } from '../animations/draft.ts';
import type { Drafts } from '../animations/drafts.ts';
import type { Left } from '../claims/left.ts';
import { listMistakes } from '../diagnostics/mistakes.ts';
import type { Mistake } from '../diagnostics/mistakes.ts';
import { MAX_CONDITIONS } from '../cascade/page-conditions.ts';
import type { PageConditions } from '../cascade/page-conditions.ts';
import { declaresMotion, namesMotion } from '../cascade/rules.ts';
import { isDrawn } from '../source/elements.ts';
import type { ReadRule, ReadRules } from '../cascade/rules.ts';
import { agrees, readReducedMotion, listSlots, wholeOverride } from './slots.ts';
import type { PageMedia, AnimationSlot, StillList } from './slots.ts';

/** Conditions under which more than this many would have to be tried are left to the page. */
const MAX_MEDIA = 12;

export type Played =
  | { kind: 'moving'; slots: AnimationSlot[]; key: string }
  | { kind: 'still' }
  | { kind: 'other'; reason: string };

const at = (queries: Iterable<string>, reducedMotion = false): Environment => ({
  queries: new Set(queries),
  reducedMotion,
});
const ANYWHERE = at([]);
const listQueries = (some: readonly PageMedia[]) => some.flatMap((m) => m.queries);

/** An element whose motions cannot be read. */
class Unreadable extends Error {
  constructor(
    reason: string,
    readonly rule: ReadRule | null = null,
  ) {
    super(reason);
  }
}

export class Player {
  readonly mistakes: Mistake[] = [];
  private indices: Map<ReadRule, number> | undefined;

  constructor(
    private readonly rules: ReadRules,
    private readonly cascade: Cascade,
    private readonly drafts: Drafts,
    private readonly conditions: PageConditions,
    private readonly left: Left,
  ) {}

  /** Where a rule stands among all. */
  indexOf(rule: ReadRule): number {
    this.indices ??= new Map(this.rules.rules.map((r, i) => [r, i]));
    return this.indices.get(rule) ?? -1;
  }

  played(element: Element): Played {
    const rules = this.cascade.listRules(element).filter(declaresMotion);
    try {
      return this.readAll(element, rules);
    } catch (error) {
      if (!(error instanceof Unreadable)) throw error;
      const rule = error.rule ?? rules.find(namesMotion) ?? rules[0];
      if (rule) this.left.add(rule, error.message, [element]);
      return { kind: 'other', reason: error.message };
    }
  }

  private readAll(element: Element, rules: readonly ReadRule[]): Played {
    const relevant = this.conditions.media.filter(
      (m) => rules.some((r) => m.queries.some((q) => r.media.queries.includes(q))) || this.framesUnder(m),
    );
    const under = (...some: PageMedia[]) => this.holding(relevant, some);
    const moving = [ANYWHERE, ...relevant.map((m) => at(listQueries(under(m))))];
    for (const env of moving) this.note(element, env);
    if (rules.some((r) => this.conditions.isBeyond(r.media.queries)))
      throw new Unreadable(`the page moves things under more than ${MAX_CONDITIONS} media conditions`);
    if (!moving.some((env) => this.scrolls(element, env))) return { kind: 'still' };

    const [base, ...lists] = moving.slice(0, 1 + MAX_MEDIA).map((env) => this.drafts.of(element, env)) as [
      DraftList,
      ...DraftList[],
    ];
    const reducedMotion = this.drafts.of(element, at([], true));
    const [own, ...others] = [base, ...lists, reducedMotion].map(readable);
    if (relevant.length > MAX_MEDIA) throw new Unreadable('it differs under too many media conditions');
    const slots = listSlots(
      present(own),
      relevant.map((media, i) => ({
        media,
        below: relevant.filter((m) => this.conditions.implies(media, m)).map((m) => m.key),
        list: itemAt(others, i),
      })),
    );
    if (!slots) throw new Unreadable('under a media condition the order of its animations changes');
    if (slots.length === 0) return { kind: 'still' };
    this.tryTogether(element, relevant, slots);
    const stillLists: StillList[] = [
      { keys: [], list: lastItem(others) },
      ...relevant.map((m) => ({
        keys: under(m).map((one) => one.key),
        list: readable(this.drafts.of(element, at(listQueries(under(m)), true))),
      })),
    ];
    if (!readReducedMotion(slots, stillLists))
      throw new Unreadable('for readers who want reduced motion it plays something else');
    return { kind: 'moving', slots, key: this.toKey(element, [...moving, at([], true)], slots) };
  }

  /** What holds together: a document says of each part the last condition that has it. */
  private tryTogether(
    element: Element,
    relevant: readonly PageMedia[],
    slots: readonly AnimationSlot[],
  ): void {
    const { conditions } = this;
    for (const [i, a] of relevant.entries())
      for (const b of relevant.slice(i + 1)) {
        const both = this.holding(relevant, [a, b]);
        if (conditions.implies(a, b) || conditions.implies(b, a) || !conditions.canHold(listQueries(both)))
          continue;
        const list = this.drafts.of(element, at(listQueries(both)));
        const keys = both.map((m) => m.key);
        if (!('drafts' in list) || !agrees(slots, keys, list.drafts))
          throw new Unreadable(
            'where two media conditions match together it plays what neither of them sets',
          );
      }
  }

  /** All conditions that hold where these do. */
  private holding(relevant: readonly PageMedia[], some: readonly PageMedia[]): PageMedia[] {
    return relevant.filter((m) => some.includes(m) || some.some((s) => this.conditions.implies(s, m)));
  }

  /** Elements with one key may be targets of one motion. Rules that never win anything make no difference. */
  private toKey(element: Element, envs: readonly Environment[], slots: readonly AnimationSlot[]): string {
    const winning = new Set(
      envs.flatMap((env) => [...this.drafts.winners(element, env).values()].map((w) => this.indexOf(w.rule))),
    );
    return JSON.stringify([
      isDrawn(element) ? element.name : '',
      [...winning].sort((a, b) => a - b),
      slots.map((s) => [
        s.on,
        [...s.overrides].map(([media, o]) => [media, wholeOverride(s, o)]),
        s.reducedMotion,
        s.of.draft.name,
      ]),
    ]);
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
    for (const m of listMistakes({ won, element, cascade: this.cascade, env }))
      if (!this.mistakes.some((k) => k.key === m.key)) this.mistakes.push(m);
  }
}

function readable(list: DraftList): DraftOf[] {
  if ('drafts' in list) return list.drafts;
  const { reason, rule }: Obstacle = list.obstacle;
  throw new Unreadable(reason, rule);
}
