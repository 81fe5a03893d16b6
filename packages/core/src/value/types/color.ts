import { itemAt, present } from '../../assert/index.ts';
import { converter, formatCss, parse as parseTrusting } from 'culori';
import type { Color } from 'culori';
import { decimal } from '../value-type.ts';
import type { Form, ValueContext, ValueType } from '../value-type.ts';

/** Undefined for what is no colour. The library ends in an error for some texts that break off. */
function parse(css: string): Color | undefined {
  try {
    return parseTrusting(css);
  } catch {
    return undefined;
  }
}

/** Colour syntaxes that mix in gamma-encoded sRGB; any other pair mixes in Oklab (CSS Color 4, §12.1). */
const LEGACY = new Set(['rgb', 'hsl', 'hwb']);
const LEGACY_SYNTAX = /^(#|rgba?\(|hsla?\(|hwb\(|[a-z]+$)/i;

const toRgb = converter('rgb');
const toOklab = converter('oklab');

function read(css: string, c: ValueContext): { color: Color; legacy: boolean } | null {
  const text = css.trim().toLowerCase() === 'currentcolor' ? c.color : css.trim();
  const color = parse(text);
  return color ? { color, legacy: LEGACY.has(color.mode) && LEGACY_SYNTAX.test(text) } : null;
}

/** Whether a colour is in one of the old notations, which mix in sRGB among each other. */
export const isLegacyColor = (css: string): boolean =>
  /^currentcolor$/i.test(css.trim()) || (LEGACY_SYNTAX.test(css.trim()) && parse(css.trim()) !== undefined);

const readAlpha = (c: Color) => c.alpha ?? 1;
const byte = (n: number) => decimal(Math.round(Math.min(1, Math.max(0, n)) * 255));

/** Numbers are premultiplied components, then alpha. */
const srgb: Form = {
  write(n, i) {
    const a = Math.min(1, Math.max(0, itemAt(n, i + 3)));
    const un = (k: number) => byte(a === 0 ? 0 : itemAt(n, i + k) / a);
    return a === 1
      ? `rgb(${un(0)}, ${un(1)}, ${un(2)})`
      : `rgba(${un(0)}, ${un(1)}, ${un(2)}, ${decimal(a)})`;
  },
};
const oklab: Form = {
  write(n, i) {
    const alpha = Math.min(1, Math.max(0, itemAt(n, i + 3)));
    const un = (k: number) => (alpha === 0 ? 0 : itemAt(n, i + k) / alpha);
    return formatCss({ mode: 'oklab', l: un(0), a: un(1), b: un(2), ...(alpha < 1 ? { alpha } : {}) });
  },
};

const premultiplied = (parts: (number | undefined)[], alpha: number) => [
  ...parts.map((p) => (p ?? 0) * alpha),
  alpha,
];

/** Colours mix premultiplied. A fully transparent colour brings no hue of its own. */
export const color: ValueType = {
  name: 'color',
  example: '#3f7a4e',
  accepts: (css) => css.trim().toLowerCase() === 'currentcolor' || parse(css.trim()) !== undefined,
  pair(from, to, context) {
    const a = read(from, context);
    const b = read(to, context);
    if (!a || !b) return null;
    if (a.legacy && b.legacy) {
      const numbers = (c: Color) => {
        const { r, g, b: blue } = present(toRgb(c));
        return premultiplied([r, g, blue], readAlpha(c));
      };
      return { from: numbers(a.color), to: numbers(b.color), form: srgb };
    }
    const numbers = (c: Color) => {
      const lab = present(toOklab(c));
      return premultiplied([lab.l, lab.a, lab.b], readAlpha(c));
    };
    return { from: numbers(a.color), to: numbers(b.color), form: oklab };
  },
};
