/** Easing functions by name. A new one is a file in `easings/` and a line in this registry. */
import type { Parsed } from '../page/index.ts';
import type { Ease, EasingDefinition } from './easing-definition.ts';
import { cubicBezier } from './easings/cubic-bezier.ts';
import { linear } from './easings/linear.ts';
import { steps } from './easings/steps.ts';

export const EASINGS: readonly EasingDefinition[] = [linear, cubicBezier, steps];

const identity: Ease = (t) => t;

/** Reads an `<easing-function>`. Errors name what was not understood. */
export function parseEasing(css: string): Parsed<Ease> {
  const text = css.trim().toLowerCase();
  if (text === 'linear') return { ok: true, value: identity };
  for (const e of EASINGS) {
    const keyword = e.keywords[text];
    if (keyword) return { ok: true, value: keyword() };
    const inner =
      text.startsWith(`${e.name}(`) && text.endsWith(')') ? text.slice(e.name.length + 1, -1) : null;
    if (inner === null) continue;
    const value = e.parse(inner.split(',').map((a) => a.trim()));
    return value
      ? { ok: true, value }
      : { ok: false, error: `“${css}” has arguments that ${e.name}() does not take` };
  }
  return { ok: false, error: `“${css}” is not an easing: use linear, cubic-bezier(), steps() or linear()` };
}

/** Words that are easings by themselves, and names of easing functions. */
export const EASING_WORDS: readonly string[] = EASINGS.flatMap((e) => [e.name, ...Object.keys(e.keywords)]);

export const isLinear = (ease: Ease): boolean => ease === identity;
