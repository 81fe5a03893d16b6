/** Lengths, percentages and times as sums of multiples of units. */
import { itemAt, present } from '../../assert/index.ts';
import { parseLength } from '../../page/index.ts';
import type { LengthExpr } from '../../page/index.ts';
import { decimal } from '../../value/index.ts';

/** `calc(10% + 2 * 40px)` as `calc(10% + 80px)`; anything with min() and its kin as it stands. */
export function simpler(css: string): string {
  const terms = linearTerms(css);
  if (!terms || !/^calc\(/i.test(css)) return css;
  const parts = [...terms].filter(([, n]) => Math.abs(n) > 1e-9);
  if (parts.length === 0) return terms.has('%') || terms.size === 0 ? '0%' : `0${[...terms.keys()][0]}`;
  if (parts.length === 1) return `${decimal(itemAt(parts, 0)[1])}${itemAt(parts, 0)[0]}`;
  return `calc(${parts
    .map(([unit, n], i) =>
      i === 0 ? `${decimal(n)}${unit}` : `${n < 0 ? '-' : '+'} ${decimal(Math.abs(n))}${unit}`,
    )
    .join(' ')})`;
}

/** A length as a sum of multiples of units; null where it is not one. */
export function linearTerms(css: string): Map<string, number> | null {
  const parsed = parseLength(css);
  if (!parsed.ok) return null;
  const out = new Map<string, number>();
  const number = (e: LengthExpr): number | null => {
    switch (e.kind) {
      case 'number':
        return e.value;
      case 'inverse': {
        const n = number(e.of);
        return n === null || n === 0 ? null : 1 / n;
      }
      case 'sum':
        return e.terms.map(number).reduce((a, b) => (a === null || b === null ? null : a + b), 0);
      case 'product':
        return e.factors.map(number).reduce((a, b) => (a === null || b === null ? null : a * b), 1);
      default:
        return null;
    }
  };
  const add = (e: LengthExpr, factor: number): boolean => {
    switch (e.kind) {
      case 'number':
        return e.value === 0;
      case 'dimension':
        out.set(e.unit, (out.get(e.unit) ?? 0) + factor * e.value);
        return true;
      case 'sum':
        return e.terms.every((t) => add(t, factor));
      case 'product': {
        const sizes = e.factors.filter((f) => number(f) === null);
        const scale = e.factors
          .filter((f) => number(f) !== null)
          .reduce((n, f) => n * present(number(f)), factor);
        return sizes.length === 1 && add(itemAt(sizes, 0), scale);
      }
      default:
        return false;
    }
  };
  return add(parsed.value, 1) ? out : null;
}

export const toPercent = (css: string): number | null => {
  const m = /^(-?\d*\.?\d+)%$/.exec(css.trim()) ?? (/^0(px)?$/.test(css.trim()) ? ['', '0'] : null);
  return m ? Number(m[1]) : null;
};

/** ms of a time, calc() included; null where it is none. */
export function toMs(css: string): number | null {
  const m = /^([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)(m?s)$/i.exec(css.trim());
  if (m) return Number(m[1]) * (itemAt(m, 2).toLowerCase() === 's' ? 1000 : 1);
  if (!/^calc\(/i.test(css.trim())) return null;
  // Times count like lengths: seconds stand in as inches, which are 96 px, and are told apart again by their unit.
  const terms = linearTerms(css.replace(/(\d)ms\b/gi, '$1px').replace(/(\d)s\b/gi, '$1in'));
  if (!terms || [...terms.keys()].some((u) => u !== 'px' && u !== 'in')) return null;
  return (terms.get('px') ?? 0) + 1000 * (terms.get('in') ?? 0);
}
