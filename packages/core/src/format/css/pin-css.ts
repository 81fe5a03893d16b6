/** Pins as CSS: a track longer than its stage, a sticky stage, and the timeline of the stretch for which it is held. */
import { itemAt, present } from '../../assert/index.ts';
import { refersTo } from '../../drivers/index.ts';
import type { PinnedLayout, PinnedSpan, LengthExpr, Px } from '../../page/index.ts';
import { parseLength, plainPercent, computeTravel } from '../../page/index.ts';
import type { MotionDocument, Pin } from '../../motion/index.ts';
import { parsePhasePoint } from '../../timeline/index.ts';
import type { Range, RangePoint } from '../../timeline/index.ts';
import { decimal } from '../../value/index.ts';
import { writtenSelector } from '../selectors/marks.ts';
import { anchorClass, linkedCues, trackClasses } from '../html/patch.ts';
import { toPiece } from './piece.ts';
import type { Piece } from './piece.ts';

/**
 * The distance as a CSS length. A strip’s travel is a length of the strip less the width of the window, by how much the measured
 * widths say; with a single measurement the strip is taken to keep its width.
 */
export function distanceCss(pin: Pin, layouts: readonly PinnedLayout[]): string {
  if (pin.distance.kind === 'length') return pin.distance.value;
  const { strip, rate } = pin.distance;
  const at = layouts.map((l) => ({ width: l.viewport.width, travel: computeTravel(l, strip) }));
  const [a, b] = [itemAt(at, 0), at.find((x) => x.width !== itemAt(at, 0).width)];
  const slope = b && a.travel > 0 && b.travel > 0 ? (a.travel - b.travel) / (a.width - b.width) : -1;
  const rest = a.travel - slope * a.width;
  const vw = decimal(Number(((slope * 100) / rate).toFixed(3)));
  if (slope === 0) return `${decimal(rest / rate)}px`;
  return `max(0px, ${decimal(Number((rest / rate).toFixed(3)))}px ${slope < 0 ? '-' : '+'} ${vw.replace('-', '')}vw)`;
}

/**
 * Why a strip’s travel, as `distanceCss` writes it, need not hold at every width; null where it is a length of its own, or where at least two
 * measured widths agree.
 */
export function travelDoubt(pin: Pin, layouts: readonly PinnedLayout[]): string | null {
  if (pin.distance.kind !== 'travel') return null;
  const { strip, rate } = pin.distance;
  const at = layouts.map((l) => ({ width: l.viewport.width, travel: computeTravel(l, strip) }));
  const [a] = at as [(typeof at)[number]];
  const b = at.find((x) => x.width !== a.width && x.travel > 0);
  if (!b || a.travel <= 0)
    return `How far its strip travels was measured at ${a.width} px only, and is assumed to shrink by as much as the window grows. Open the page at another width too, such as 390 px.`;
  const slope = (a.travel - b.travel) / (a.width - b.width);
  const off = at
    .map((x) => ({ ...x, by: Math.max(0, a.travel + slope * (x.width - a.width)) - x.travel }))
    .filter((x) => Math.abs(x.by) > 2)
    .sort((x, y) => Math.abs(y.by) - Math.abs(x.by))[0];
  return off
    ? `How far its strip travels does not follow one rule at all widths: at ${off.width} px it is pinned ${Math.abs(Math.round(off.by / rate))} px too ${off.by > 0 ? 'long' : 'briefly'}. Give that width a condition of its own.`
    : null;
}

/** Track and stage. `stays`: it is part of the page while it is measured. */
export function pinPieces(
  document: MotionDocument,
  layouts: readonly PinnedLayout[],
  prefix?: string,
): Piece[] {
  const classes = trackClasses(document, prefix);
  const [layout] = layouts as [PinnedLayout];
  return document.pins.flatMap((pin) => {
    if (!pin.on || !layout.pinnedSpans.some((h) => h.id === pin.id)) return [];
    const track = `.${present(classes.get(pin.id))}`;
    const [before, after] = pin.overlap;
    const links = linkedCues(document, pin);
    const distance = distanceCss(pin, layouts);
    const frame = {
      ...(isNone(before) ? {} : { 'margin-top': `calc(-1 * (${before}))` }),
      ...(isNone(after) ? {} : { 'margin-bottom': `calc(-1 * (${after}))` }),
      ...(pin.layer === null && links.length === 0 ? {} : { position: 'relative' }),
      ...(pin.layer === null ? {} : { 'z-index': String(pin.layer) }),
    };
    const top = pin.sticky.by === 'top';
    return [
      toPiece({
        id: `pin:${pin.id}`,
        motions: document.motions.filter((m) => refersTo(m.driver, pin.id)).map((m) => m.id),
        stays: true,
        styles: [
          { selector: track, set: frame },
          {
            selector: `${track}::${top ? 'after' : 'before'}`,
            set: { content: '""', display: 'block', height: distance },
          },
          {
            selector: writtenSelector(pin.stage, layout),
            set: {
              position: 'sticky',
              [top ? 'top' : 'bottom']: pin.sticky.inset,
              [top ? 'bottom' : 'top']: 'auto',
            },
          },
          ...links.map((cue) => ({
            selector: `.${anchorClass(cue.link, prefix)}`,
            set: { position: 'absolute', top: cuePlace(cue.at, pin, distance) },
          })),
        ],
      }),
    ];
  });
}

/** Where a link has to lead so that the stage has been held for just so long: its track begins an inset below. */
function cuePlace(at: string, pin: Pin, distance: string): string {
  const parsed = parseLength(at);
  const along = parsed.ok ? alongCss(parsed.value, distance) : '0px';
  return isNone(pin.sticky.inset)
    ? / [*+-] /.test(along)
      ? `calc(${along})`
      : along
    : `calc(${along} - (${pin.sticky.inset}))`;
}

const isNone = (css: string) => {
  const parsed = parseLength(css);
  return parsed.ok && 'value' in parsed.value && parsed.value.value === 0;
};

/**
 * Insets that put `entry-crossing 0%` of the track at the offset where its stage begins to be held by its top, or `entry-crossing 100%` where
 * it lets go that is held by its bottom: an edge of the track meets the line where the stage is held. No size enters, so it is exact at every
 * width.
 */
export const pinInsets = ({ sticky: { by, inset } }: Pin): [string, string] =>
  by === 'top' ? [inset, isNone(inset) ? '100%' : `calc(100% - (${inset}))`] : ['0px', inset];

/** A range on a pin: shares of its distance and lengths, counted from where it begins to be held; by its bottom that is a distance before the track’s end. */
export function pinRange(range: Range, pin: Pin, distance: string): string {
  const byTop = pin.sticky.by === 'top';
  const point = (p: RangePoint, side: 'start' | 'end') => {
    const parsed = typeof p === 'string' ? parsePhasePoint(p, side) : null;
    if (!parsed?.ok) throw new SyntaxError('a pin has no element that could meet a line');
    const along = alongCss(parsed.value.offset, distance);
    if (!byTop) {
      if (along === distance) return 'entry-crossing 100%';
      const [gone, whole] = [plainPx(along), plainPx(distance)];
      return gone !== null && whole !== null
        ? `entry-crossing calc(100% - ${decimal(whole - gone)}px)`
        : `entry-crossing calc(100% - ${bracketed(distance)}${along === '0px' ? '' : ` + ${along}`})`;
    }
    if (along === '0px') return 'entry-crossing 0%';
    return /[*+]| - /.test(along) ? `entry-crossing calc(0% + ${along})` : `entry-crossing ${along}`;
  };
  return `${point(range.start, 'start')} ${point(range.end, 'end')}`;
}

const plainPx = (css: string): Px | null => {
  const m = /^(-?\d+(?:\.\d+)?)px$/.exec(css.trim());
  return m ? Number(m[1]) : null;
};

/** A length in which percentages have become shares of the distance. */
function alongCss(offset: LengthExpr, distance: string): string {
  const percent = plainPercent(offset);
  const [, size, unit] = /^(\d+(?:\.\d+)?)([a-z]+)$/.exec(distance.trim()) ?? [];
  if (percent !== null) {
    if (percent === 0) return '0px';
    if (size !== undefined) return `${decimal((percent / 100) * Number(size))}${unit}`;
    return percent === 100 ? distance : `${decimal(percent / 100)} * ${bracketed(distance)}`;
  }
  return text(offset, distance);
}

const bracketed = (css: string) => (/^[\d.]+[a-z]+$/.test(css) || /^[a-z]+\(/.test(css) ? css : `(${css})`);

function text(e: LengthExpr, distance: string): string {
  switch (e.kind) {
    case 'number':
      return decimal(e.value);
    case 'dimension':
      return e.unit === '%'
        ? `(${decimal(e.value / 100)} * ${bracketed(distance)})`
        : `${decimal(e.value)}${e.unit}`;
    case 'sum':
      return `(${e.terms.map((t) => text(t, distance)).join(' + ')})`;
    case 'product':
      return `(${e.factors.map((f) => text(f, distance)).join(' * ')})`;
    case 'inverse':
      return `(1 / ${text(e.of, distance)})`;
    default:
      return `${e.kind}(${e.of.map((t) => text(t, distance)).join(', ')})`;
  }
}

export const findHold = (layout: PinnedLayout, pin: string): PinnedSpan | undefined =>
  layout.pinnedSpans.find((h) => h.id === pin);
