/** What people read: range points, meetings and motions in words. */
import {
  elementName,
  isEndless,
  isPointed,
  SEQUENCE,
  VIDEO,
  isMeeting,
  parseMeeting,
  parsePhasePoint,
  plainPercent,
  toMeeting,
  toPhase,
} from '@lyvek/core';
import type { Driver, Geometry, Motion, RangePoint } from '@lyvek/core';
import { DRIVER_WORDS } from './drivers/words.ts';

const trim = (n: number, digits = 1) => String(Number(n.toFixed(digits)) + 0);

const edgeWord = (e: number) =>
  e === 0 ? 'its top' : e === 1 ? 'its bottom' : e === 0.5 ? 'its middle' : `its ${trim(e * 100)} % point`;
const lineWord = (v: number) =>
  v === 0
    ? 'the top of the viewport'
    : v === 1
      ? 'the bottom of the viewport'
      : v === 0.5
        ? 'the middle of the viewport'
        : `${trim(v * 100)} % of the viewport`;

/** “its middle meets the middle of the viewport” */
export const meetingWords = (m: { edge: number; line: number }): string =>
  `${edgeWord(round(m.edge))} meets ${lineWord(round(m.line))}`;
const round = (n: number) => Number(n.toFixed(3));

/** The stored notation, as the sentence shows it. */
export function pointWords(point: RangePoint, side: 'start' | 'end', driver: Driver['kind']): string {
  if (isMeeting(point)) {
    const m = parseMeeting(point);
    return m.ok ? meetingWords(m.value) : 'an unreadable meeting';
  }
  const parsed = parsePhasePoint(point, side);
  if (!parsed.ok) return point;
  const p = plainPercent(parsed.value.offset);
  const { extent } = DRIVER_WORDS[driver];
  if (extent) {
    if (p === null) return `${point} into ${extent.of}`;
    return p === 0 ? extent.start : p === 100 ? extent.end : `${trim(p)} % of ${extent.of}`;
  }
  if (parsed.value.phase === 'scroll' && p !== null)
    return p === 0 ? 'the top of the page' : p === 100 ? 'the end of the page' : `${trim(p)} % of the page`;
  return p === null ? point : `${parsed.value.phase ?? 'cover'} ${trim(p)} %`;
}

/** The other notation, for the open chip and the readout. */
export function otherWords(point: RangePoint, side: 'start' | 'end', g: Geometry, offset: number): string {
  if (isMeeting(point)) {
    const at = toPhase(offset, g, 'entry');
    return `${at.phase} ${trim(at.share * 100)} %`;
  }
  const m = toMeeting(point, g, side);
  return m ? meetingWords(m) : '';
}

/** Short form for the gutter: “entry 10 %”, “top 22 %”. */
export function gutterWords(point: RangePoint, side: 'start' | 'end', driver: Driver['kind']): string {
  if (!isMeeting(point))
    return pointWords(point, side, driver).replace(/^the (top|start|end) of the (page|pin)$/, '$2 $1');
  const m = parseMeeting(point);
  return m.ok
    ? `${edgeWord(round(m.value.edge)).replace('its ', '').replace(' point', ' at')} ${trim(m.value.line * 100)} %`
    : '';
}

const ends = (m: Motion, property: string) => {
  const list = m.keyframes[property] ?? [];
  return [list[0]?.value ?? '', list.at(-1)?.value ?? ''] as const;
};

/** What a motion does, in a word or two: “rise 72 px”, “fade”, “grow”. */
export function effectWords(m: Motion): string {
  if (isEndless(m.driver)) return `runs ${Math.abs(m.driver.speed)} px/s`;
  const names = Object.keys(m.keyframes);
  if (isPointed(m.driver) && names.includes('translate')) return driftWords(m);
  if (names.includes('translate')) {
    const [from, to] = ends(m, 'translate');
    if (/calc|cqw/.test(from + to)) return /^calc\([^)]*\) 0$|^0 0$/.test(to) ? 'travels' : 'parallax';
    const [x = 0, y = 0] = from.split(/\s+/).map(Number.parseFloat);
    const [x1 = 0, y1 = 0] = to.split(/\s+/).map(Number.parseFloat);
    const dy = y1 - y;
    const dx = x1 - x;
    if (names.includes('rotate')) return 'turn in';
    if (Math.abs(dy) >= Math.abs(dx) && dy)
      return `${dy < 0 ? 'rise' : 'drop'} ${trim(Math.abs(dy))} ${unit(from, to)}`;
    if (dx) return `slide from the ${dx > 0 ? 'left' : 'right'}`;
  }
  if (names.includes(VIDEO)) return 'scrubs the video';
  if (names.includes(SEQUENCE)) return 'goes through its pictures';
  if (names.includes('scale')) {
    const [from, to] = ends(m, 'scale').map(Number.parseFloat) as [number, number];
    return to >= from ? 'grow' : 'shrink';
  }
  if (names.includes('rotate')) return 'turn';
  if (names.includes('offset-distance')) return 'flies along a path';
  if (/^(polygon|path)\(/.test(m.keyframes['clip-path']?.[0]?.value ?? '')) return 'morph';
  if (names.includes('clip-path') || names.includes('mask-position')) return 'wipe';
  if (names.includes('stroke-dashoffset')) return 'draw';
  if (names.includes('perspective')) return 'perspective';
  if (names.includes('transform')) return 'transform';
  if (names.includes('filter')) return 'sharpen';
  if (names.length === 1 && names[0] === 'opacity') {
    const [from, to] = ends(m, 'opacity').map(Number) as [number, number];
    return to >= from ? 'fade in' : 'fade out';
  }
  return names.slice(0, 2).join(', ') || 'nothing yet';
}
/** “drifts 48 px”: from one edge of its area to the other. */
function driftWords(m: Motion): string {
  const [from, to] = ends(m, 'translate');
  const [x = 0, y = 0] = from.split(/\s+/).map(Number.parseFloat);
  const [x1 = 0, y1 = 0] = to.split(/\s+/).map(Number.parseFloat);
  return `drifts ${trim(Math.hypot(x1 - x, y1 - y))} ${unit(from, to)}`;
}
const unit = (...values: string[]) => {
  const found = values.join(' ').match(/(?<=\d)(%|[a-z]+)/g);
  return found?.find((u) => u !== 'px') ?? 'px';
};

/** A value as it stands now: at most two decimals, `0px` before another length left out. */
export const valueWords = (css: string): string =>
  css.replace(/-?\d+\.\d+/g, (n) => String(Number(Number(n).toFixed(2)))).replace(/^0px (?=\S)/, '');

export { elementName };
