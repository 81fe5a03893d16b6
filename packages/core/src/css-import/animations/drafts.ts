/** The animation list of one element, each entry on its way to becoming a motion. */
import { itemAt, present } from '../../assert/index.ts';
import type { Element } from 'domhandler';
import type { Motion } from '../../motion/index.ts';
import { customSyntax, parseEasing } from '../../value/index.ts';
import type { Cascade, Environment, Winner } from '../cascade/cascade.ts';
import { isLoadDraft } from './draft.ts';
import type { DraftList, DraftOf, Longhands } from './draft.ts';
import { readFrames } from './keyframes.ts';
import { corrected, listMistakes } from '../diagnostics/mistakes.ts';
import type { Corrections } from '../diagnostics/mistakes.ts';
import { isOwn } from '../claims/claims.ts';
import { amongSiblings } from '../source/elements.ts';
import { SIBLING_INDEX } from '../../timeline/index.ts';
import { scrubbed, timed } from './one-animation.ts';
import { moves } from '../cascade/rules.ts';
import type { ReadKeyframes } from '../cascade/rules.ts';
import { splitTop } from '../../text/index.ts';
import { ANIMATION_LONGHANDS, INITIAL } from './shorthand.ts';
import type { Timelines } from './timelines.ts';
import type { Triggers } from './triggers.ts';

export class Drafts {
  private readonly frames = new Map<string, ReadKeyframes[]>();
  /** custom properties that keyframes set */
  private readonly animated = new Set<string>();

  constructor(
    private readonly cascade: Cascade,
    keyframes: readonly ReadKeyframes[],
    private readonly timelines: Timelines,
    private readonly triggers: Triggers,
    private readonly corrections: Corrections,
  ) {
    for (const k of keyframes)
      for (const { declarations } of k.keyframes)
        for (const { property } of declarations) if (property.startsWith('--')) this.animated.add(property);
    for (const k of keyframes) this.frames.set(k.name, [...(this.frames.get(k.name) ?? []), k]);
  }

  /** Declared animation longhands with what they override. */
  declared(element: Element, env: Environment): Map<string, Winner> {
    return this.cascade.declared(element, env, moves);
  }

  /** The same, with mistakes read as they were meant where that is wished. */
  winners(element: Element, env: Environment): Map<string, Winner> {
    const won = this.declared(element, env);
    if (this.corrections !== 'all' && this.corrections.size === 0) return won;
    return corrected(won, listMistakes({ won, element, cascade: this.cascade, env }), this.corrections);
  }

  of(element: Element, env: Environment): DraftList {
    const won = this.winners(element, env);
    const names = splitTop(won.get('animation-name')?.value ?? 'none');
    if (names.every((n) => n.toLowerCase() === 'none')) return { drafts: [] };
    const rule = present(won.get('animation-name')).rule;
    const odd = [...won].find(([, w]) => /\b(inherit|revert|revert-layer)\b/i.test(w.value));
    if (odd)
      return {
        obstacle: { reason: `its ${odd[0]} comes from elsewhere (${odd[1].value})`, rule: odd[1].rule },
      };
    const drafts: DraftOf[] = [];
    for (const [i, name] of names.entries()) {
      if (name.toLowerCase() === 'none') continue;
      const values = Object.fromEntries(
        ANIMATION_LONGHANDS.map((p) => {
          const list = splitTop(won.get(p)?.value ?? INITIAL[p]);
          return [p, itemAt(list, i % list.length)];
        }),
      ) as Longhands;
      const made = this.draft(
        { ...values, 'animation-name': name.replace(/^["']|["']$/g, '') },
        element,
        env,
      );
      // An animation without keyframes plays nothing.
      if (made === null) continue;
      if ('obstacle' in made) return { obstacle: { reason: made.obstacle, rule } };
      drafts.push(made);
    }
    const counters = this.readCounters(element, env, won);
    if (counters) for (const one of drafts) one.counters = counters;
    return { drafts: joined(drafts) };
  }

  /** Custom properties that rules name where they say when it moves, and that are plain numbers here; and the place among siblings, from 0. */
  private readCounters(element: Element, env: Environment, won: ReadonlyMap<string, Winner>) {
    const said = ['animation-range-start', 'animation-range-end', 'animation-delay'].flatMap((p) => {
      const winner = won.get(p);
      return winner ? winner.rule.declarations.filter((d) => moves(d.property)).map((d) => d.value) : [];
    });
    const names = new Set(
      said.flatMap((css) => [...css.matchAll(/var\(\s*(--[\w-]+)/g)].map((m) => itemAt(m, 1))),
    );
    const frames = (name: string) => this.frames.has(name);
    const counted = [...names].flatMap((name): [string, number][] => {
      if (isOwn(name, frames)) return [];
      const css = this.cascade.substituted(`var(${name})`, element, env)?.trim() ?? '';
      return /^[+-]?\d*\.?\d+$/.test(css) ? [[name, Number(css)]] : [];
    });
    if (said.some((css) => css.includes(SIBLING_INDEX)))
      counted.push([SIBLING_INDEX, amongSiblings(element).index - 1]);
    return counted.length ? Object.fromEntries(counted) : null;
  }

  /** Whether a value keeps the page’s own custom properties: each element has its own, and nothing animates them. */
  private staysVariable(text: string, property: string): boolean {
    const names = [...text.matchAll(/var\(\s*(--[\w-]+)/g)].map((m) => itemAt(m, 1));
    return (
      names.length > 0 &&
      !property.startsWith('--') &&
      !/\bsibling-/i.test(text) &&
      !names.some((n) => n.startsWith('--lv-') || this.animated.has(n))
    );
  }

  private listFrames(name: string, env: Environment): ReadKeyframes | { obstacle: string } | null {
    const all = this.frames.get(name) ?? [];
    const unsure = all.find((k) => k.media.obstacle !== null);
    if (unsure) return { obstacle: `@keyframes ${name}: ${unsure.media.obstacle}` };
    return all
      .filter(
        (k) =>
          !k.media.never &&
          (k.media.reducedMotion === null || k.media.reducedMotion === env.reducedMotion) &&
          k.media.queries.every((q) => env.queries.has(q)),
      )
      .reduce<ReadKeyframes | null>((best, k) => (best && best.layer > k.layer ? best : k), null);
  }

  private draft(v: Longhands, element: Element, env: Environment): DraftOf | { obstacle: string } | null {
    const frames = this.listFrames(v['animation-name'], env);
    if (frames === null || 'obstacle' in frames) return frames;
    if (v['animation-play-state'].toLowerCase() !== 'running')
      return { obstacle: 'it is paused until something else runs it' };
    const composition = v['animation-composition'].toLowerCase();
    const timing = v['animation-timing-function'];
    if (!parseEasing(timing).ok) return { obstacle: `“${timing}” is not an easing known here` };
    const read = readFrames(frames, timing.toLowerCase(), (text, property) => {
      const put = this.cascade.substituted(text, element, env);
      return put !== null && this.staysVariable(text, property) ? text : put;
    });
    if ('obstacle' in read) return read;
    // A document registers what can mix, so that it glides; the page lets it flip half-way.
    const flips = Object.entries(read.keyframes).find(
      ([name, keyframes]) => this.cascade.isUnregistered(name) && customSyntax(keyframes.map((s) => s.value)),
    );
    if (flips) return { obstacle: `${flips[0]} is not registered with @property, so it flips halfway here` };
    const fill = v['animation-fill-mode'].toLowerCase() as Motion['fill'];
    const common = { name: v['animation-name'], fill, composite: composition as Motion['composite'] };
    const attached = v['animation-trigger'].trim();
    const timeline = this.timelines.of(v['animation-timeline'], element, env);
    if ('obstacle' in timeline) return timeline;
    if (timeline.kind === 'none') return { obstacle: 'its timeline is none' };
    if (timeline.kind === 'auto') {
      const trigger = attached === 'none' ? null : this.triggers.of(attached, element, env);
      return trigger && 'obstacle' in trigger ? trigger : timed(v, read, common, trigger);
    }
    if (attached !== 'none')
      return { obstacle: 'it has a trigger and a scroll timeline, which browsers do not play together' };
    return scrubbed(v, read, common, timeline);
  }
}

/**
 * Blocks that the writer has made of one motion, because CSS keeps one easing per stop, become one again: `rise`, `rise_2` with nothing else
 * between them but their properties. A block that several motions share is called after the first of them, so it goes with what stands before it.
 */
function joined(list: readonly DraftOf[]): DraftOf[] {
  const out: DraftOf[] = [];
  for (const one of list) {
    const { name, keyframes, ...rest } = one.draft;
    const block = name.replace(/_\d+$/, '');
    const stems = isLoadDraft(one.draft) ? [block, block.replace(/-intro$/, '')] : [block];
    const fits = ({ draft, owner }: DraftOf): boolean => {
      const { name: other, keyframes: known, ...others } = draft;
      return (
        other !== name &&
        owner === one.owner &&
        JSON.stringify(others) === JSON.stringify(rest) &&
        Object.keys(keyframes).every((p) => !(p in known))
      );
    };
    const named = out.findIndex((o) => stems.includes(o.draft.name) && fits(o));
    const isShared = named < 0 && block !== name && out.length > 0 && fits(itemAt(out, out.length - 1));
    const at = isShared ? out.length - 1 : named;
    if (at < 0) out.push(one);
    else {
      const { draft } = itemAt(out, at);
      out[at] = { ...itemAt(out, at), draft: { ...draft, keyframes: { ...draft.keyframes, ...keyframes } } };
    }
  }
  return out;
}
