/** The shape of an easing as people pull it: a curve with two handles, points joined by straight lines, or steps; and back to CSS. */
import { decimal } from './value-type.ts';
import type { Ease } from './easing-definition.ts';
import { listHandles } from './easings/cubic-bezier.ts';
import { bake } from './split.ts';
import { listPoints } from './easings/linear.ts';

export type EasingShape =
  | { kind: 'curve'; handles: [number, number, number, number] }
  /** progress and value, from 0 to 1 along the progress */
  | { kind: 'points'; points: [number, number][] }
  | { kind: 'steps' };

/** `linear` is two points; null for what is no easing. */
export function toShape(css: string): EasingShape | null {
  const text = css.trim().toLowerCase();
  if (text.startsWith('step')) return { kind: 'steps' };
  if (text === 'linear')
    return {
      kind: 'points',
      points: [
        [0, 0],
        [1, 1],
      ],
    };
  const handles = listHandles(text);
  if (handles) return { kind: 'curve', handles: [...handles] as [number, number, number, number] };
  const points = listPoints(text);
  return points && { kind: 'points', points };
}

const round = (n: number) => decimal(Number(n.toFixed(3)));
const share = (n: number) => `${decimal(Number((n * 100).toFixed(2)))}%`;

export function shapeCss(shape: Exclude<EasingShape, { kind: 'steps' }>): string {
  if (shape.kind === 'curve') return `cubic-bezier(${shape.handles.map(round).join(', ')})`;
  const { points } = shape;
  const straight = points.every(([t, v]) => Math.abs(t - v) < 5e-4);
  if (straight) return 'linear';
  return `linear(${points.map(([t, v]) => `${round(v)} ${share(t)}`).join(', ')})`;
}

/** What is left of a spring’s swing at the end. */
const LEFT = 0.002;

/**
 * A spring’s answer to a step over the whole duration: damping ratio from 0.05 to 1; at the end it has settled to within 0.2 %.
 */
export function springEase(ratio: number): Ease {
  const z = Math.min(0.999, Math.max(0.05, ratio));
  const omega = Math.log(1 / LEFT) / z;
  const damped = omega * Math.sqrt(1 - z * z);
  const at = (t: number) =>
    1 - Math.exp(-z * omega * t) * (Math.cos(damped * t) + ((z * omega) / damped) * Math.sin(damped * t));
  const end = at(1);
  return (t) => at(t) / end;
}

/** The same as `linear()`, to within 0.002. */
export const springCss = (ratio: number): string => bake(springEase(ratio), 0.0012);

let byCss: Map<string, number> | undefined;

/** The damping ratio, to two digits, of a spring as it is written here; null for any other easing. */
export function springRatio(css: string): number | null {
  if (!css.startsWith('linear(')) return null;
  byCss ??= new Map(
    Array.from({ length: 95 }, (_, i) => (i + 5) / 100).map((ratio) => [springCss(ratio), ratio]),
  );
  return byCss.get(css) ?? null;
}
