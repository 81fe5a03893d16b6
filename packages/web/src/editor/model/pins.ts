/** Pins in words, and changing how long they hold. */
import { findMatches, pageBox, parseLength, plainPercent, present } from '@lyvek/core';
import type { PinnedSpan, Layout, Pin } from '@lyvek/core';
import { grouped } from '../strip/view.ts';

const trim = (n: number, digits = 2) => String(Number(n.toFixed(digits)));

const screens = (css: string): number | null => {
  const m = /^(-?[\d.]+)[sld]?vh$/.exec(css.trim());
  return m ? Number(m[1]) / 100 : null;
};

/** Scroll offset where a muted pin would begin to hold, about: its stage’s upper edge at the top of the window. */
export function mutedAt(pin: Pin, layout: Layout): number {
  const stage = findMatches(layout, pin.stage)[0];
  return stage === undefined ? 0 : Math.max(0, pageBox(layout, stage).y);
}

/** “1,600 px”, “1.5 screens”, “as long as the strip’s travel” */
export function distanceWords(pin: Pin, hold: PinnedSpan | undefined): string {
  const px = hold ? `${grouped(hold.end - hold.start)} px` : '';
  if (pin.distance.kind === 'travel') return px || 'as long as its strip travels';
  return px || pin.distance.value;
}
export function distanceLabel(pin: Pin): string {
  if (pin.distance.kind === 'travel')
    return pin.distance.rate === 1
      ? 'as long as the strip’s travel'
      : `as long as the strip’s travel at ${trim(pin.distance.rate)}×`;
  const n = screens(pin.distance.value);
  if (n !== null) return n === 1 ? 'one screen' : `${trim(n)} screens`;
  return pin.distance.value.replace(/^(-?[\d.]+)px$/, '$1 px');
}

/** The line of the viewport that the held edge meets. */
export function insetLabel(pin: Pin): string {
  const parsed = parseLength(pin.sticky.inset);
  const percent = parsed.ok ? plainPercent(parsed.value) : null;
  const zero = parsed.ok && 'value' in parsed.value && parsed.value.value === 0;
  if (zero) return pin.sticky.by === 'top' ? 'the top of the viewport' : 'the bottom of the viewport';
  const edge = pin.sticky.by === 'top' ? 'below the top' : 'above the bottom';
  return `${percent === null ? pin.sticky.inset : `${trim(percent)} %`} ${edge}`;
}

/**
 * The pin holding for `now` px instead of `was`: screens stay screens, px stay px, and one that is as long as a strip’s travel gets another
 * rate, so that it goes on following the strip. `exact` keeps fractions.
 */
export function withDistance(
  pin: Pin,
  { was, now }: { was: number; now: number },
  viewportHeight: number,
  exact = false,
): Pin {
  const px = Math.max(0, now);
  if (pin.distance.kind === 'travel') {
    const wanted = (pin.distance.rate * was) / Math.max(1, px);
    const rate = Math.min(20, Math.max(0.05, Number(wanted.toFixed(exact ? 3 : 2))));
    return { ...pin, distance: { ...pin.distance, rate } };
  }
  const unit =
    screens(pin.distance.value) === null ? null : present(/[sld]?vh$/.exec(pin.distance.value.trim()))[0];
  const value = unit
    ? `${trim((px / viewportHeight) * 100, exact ? 2 : 0)}${unit}`
    : `${exact ? trim(px, 1) : Math.round(px / 10) * 10}px`;
  return { ...pin, distance: { kind: 'length', value } };
}
