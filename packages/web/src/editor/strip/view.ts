/** The one vertical scale of strip, ruler, lanes and playhead: scroll offsets in px against rows of the screen. */
import type { Px } from '@lyvek/core';

export interface View {
  /** scroll offset at the first row */
  top: Px;
  /** page px per screen px */
  per: number;
}

/** Free rows above scroll 0 and below the end. */
export const PAD = 8;

export const toRow = (offset: Px, view: View): number => PAD + (offset - view.top) / view.per;
export const offsetAt = (row: number, view: View): Px => view.top + (row - PAD) * view.per;

/** The whole page from the first to the last row. */
export const fitView = (pageHeight: Px, rows: number): View => ({
  top: 0,
  per: Math.max(1, pageHeight / Math.max(1, rows - 2 * PAD)),
});

/** Keeps the view on the page and the scale between the whole page and 1:1. */
export function clampView(view: View, pageHeight: Px, rows: number): View {
  const fit = fitView(pageHeight, rows).per;
  const per = Math.min(fit, Math.max(1, view.per));
  const shown = (rows - 2 * PAD) * per;
  return { per, top: Math.min(Math.max(0, pageHeight - shown), Math.max(0, view.top)) };
}

/** Zooms so that the offset at `row` stays where it is. */
export function zoomView(view: View, factor: number, row: number, pageHeight: Px, rows: number): View {
  const at = offsetAt(row, view);
  const per = clampView({ ...view, per: view.per / factor }, pageHeight, rows).per;
  return clampView({ per, top: at - (row - PAD) * per }, pageHeight, rows);
}

/** The least of 1, 2 and 5 times a power of ten that is not below `x`. */
export function roundStep(x: Px): Px {
  const power = 10 ** Math.floor(Math.log10(x));
  return [1, 2, 5].map((k) => k * power).find((step) => step >= x) ?? 10 * power;
}

/** Labelled offsets at least 28 rows apart, with minor ticks between them. */
export function computeTicks(
  view: View,
  rows: number,
  max: Px,
): { offset: Px; major: boolean; bold: boolean }[] {
  const step = Math.max(10, roundStep(28 * view.per));
  const minor = step / 5;
  const out: { offset: Px; major: boolean; bold: boolean }[] = [];
  const first = Math.max(0, Math.floor(view.top / minor) * minor);
  const last = Math.min(max, offsetAt(rows, view));
  for (let o = first; o <= last + 1e-6; o += minor) {
    const major = Math.abs(o % step) < 1e-6;
    out.push({ offset: o, major, bold: major && Math.abs(o % (step * 2)) < 1e-6 });
  }
  return out;
}

/** 2412 → “2,412”, with the narrow grouping used on the ruler. */
export const grouped = (n: number): string => english.format(Math.round(n));
/** The same where there is little room: millions as “1.2 M”. */
export const shortGrouped = (n: number): string => (n < 1e6 ? grouped(n) : `${Math.round(n) / 1e6} M`);
const english = new Intl.NumberFormat('en');
