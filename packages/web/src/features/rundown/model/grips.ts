/** Values changed by pulling the element itself: units stay as written, what is no px or number gets a calc(). */
import { keyframeOffset, itemAt, present } from '@lyvek/core';
import type { Keyframe } from '@lyvek/core';

/** Splits a value at its outer spaces. */
export function splitParts(css: string): string[] {
  const out: string[] = [''];
  let depth = 0;
  for (const c of css.trim()) {
    if (c === '(') depth++;
    if (c === ')') depth--;
    if (c === ' ' && depth === 0) out.push('');
    else out[out.length - 1] += c;
  }
  return out.filter(Boolean);
}

const PX = /^-?[\d.]+(px)?$/;
const plus = (css: string, px: number): string => {
  if (px === 0) return css;
  if (PX.test(css)) return `${Math.round(Number.parseFloat(css) + px)}px`;
  const calc = /^calc\((.*) \+ (-?[\d.]+)px\)$/.exec(css);
  const [inner, known] = calc
    ? [itemAt(calc, 1), Number(calc[2])]
    : [css.replace(/^calc\((.*)\)$/s, '($1)'), 0];
  return `calc(${inner} + ${Math.round(known + px)}px)`;
};

/** A translation so many px further. */
export function pulledTranslate(css: string, dx: number, dy: number): string {
  const [x = '0', y = '0', ...rest] = css === 'none' ? [] : splitParts(css);
  return [plus(x, Math.round(dx)), plus(y, Math.round(dy)), ...rest].join(' ');
}

const rounded = (n: number, digits: number) => String(Number(n.toFixed(digits)));

/** A scale so many times larger; never less than 0.01. */
export const pulledScale = (css: string, factor: number): string =>
  (css === 'none' ? ['1'] : splitParts(css))
    .map((p) => {
      const n = Number.parseFloat(p) * factor;
      return p.endsWith('%') ? `${rounded(Math.max(1, n), 1)}%` : rounded(Math.max(0.01, n), 3);
    })
    .join(' ');

const TURN: Record<string, number> = { deg: 1, turn: 1 / 360, rad: Math.PI / 180, grad: 400 / 360 };

/** A rotation so many degrees further, in the unit that it has; about its own axis. */
export function pulledRotate(css: string, degrees: number): string {
  if (css === 'none') return `${Math.round(degrees)}deg`;
  return css.replace(/(-?[\d.]+)(deg|turn|rad|grad)/, (_, n: string, unit: string) => {
    const value = Number(n) + degrees * present(TURN[unit]);
    return `${unit === 'deg' ? Math.round(value) : rounded(value, 3)}${unit}`;
  });
}

/** The stop nearest to where the motion stands. */
export const nearestKeyframe = (keyframes: readonly Keyframe[], progress: number): number =>
  keyframes.reduce(
    (best, s, i) =>
      Math.abs(keyframeOffset(s.at) - progress) <
      Math.abs(keyframeOffset(itemAt(keyframes, best).at) - progress)
        ? i
        : best,
    0,
  );
