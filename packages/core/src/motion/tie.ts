/**
 * Ties: an end that hangs on a cue, or on an end of another motion, a length away. The range keeps the plain point that the tie amounts to,
 * so that everything else works with ranges alone; `withTies` writes it anew whenever what it hangs on has moved.
 */
import * as z from 'zod';
import { cuesAt, measureKey } from '../drivers/index.ts';
import type { Driver } from '../drivers/index.ts';
import { parseMeeting, parsePhasePoint } from '../timeline/index.ts';
import type { RangePoint } from '../timeline/index.ts';
import { id, length, name } from './parts.ts';

export const CueSchema = z.strictObject({
  id,
  name,
  /** the pin it is a place of; null: the whole page */
  pin: id.nullable(),
  /** a share of the pin’s distance or of all that can be scrolled, or a length from its start */
  at: length,
  /** id by which links of the page lead there; of cues on pins that are held by their top */
  link: z
    .string()
    .regex(/^[A-Za-z][\w-]{0,60}$/, 'a letter, then letters, digits, - or _')
    .optional(),
});
export type Cue = z.infer<typeof CueSchema>;

export const TieSchema = z.discriminatedUnion('to', [
  z.strictObject({ to: z.literal('cue'), cue: id, offset: length }),
  z.strictObject({ to: z.literal('motion'), motion: id, side: z.enum(['start', 'end']), offset: length }),
]);
export type Tie = z.infer<typeof TieSchema>;
export const TiesSchema = z.strictObject({ start: TieSchema.optional(), end: TieSchema.optional() });

interface Tied {
  id: string;
  targets: { selector: string };
  driver: Driver;
  range: { start: RangePoint; end: RangePoint };
  ties?: z.infer<typeof TiesSchema> | undefined;
}
type Side = 'start' | 'end';

/** Two motions measure alike when a range point means the same offset to both: then one may hang on the other. */
export function measuresAlike(
  a: Pick<Tied, 'driver' | 'targets'>,
  b: Pick<Tied, 'driver' | 'targets'>,
): boolean {
  const key = measureKey(a.driver, a.targets.selector);
  return key !== null && key === measureKey(b.driver, b.targets.selector);
}

export const cueSuits = (cue: Pick<Cue, 'pin'>, driver: Driver): boolean => cuesAt(driver) === cue.pin;

const isZero = (css: string) => /^[+-]?0(?:\.0+)?(?:px|%|vh|em|rem)?$/.test(css.trim());
const inner = (css: string) => css.replace(/^calc\((.*)\)$/s, '($1)');

/** A point a length further on. A meeting becomes the phase point that it stands for, in viewport units. */
export function further(point: RangePoint, offset: string, side: Side): RangePoint {
  if (isZero(offset)) return point;
  if (typeof point !== 'string') {
    const m = parseMeeting(point);
    if (!m.ok) return point;
    const rest = Number((100 * (1 - m.value.line)).toFixed(4));
    return `entry-crossing calc(${point.edge} + ${rest}vh + ${inner(offset)})`;
  }
  const word = /^[a-z-]+(?![\w(-])/.exec(point.trim())?.[0] ?? '';
  const parsed = parsePhasePoint(point, side);
  const own = point.trim().slice(word.length).trim() || (side === 'start' ? '0%' : '100%');
  if (!parsed.ok) return point;
  return `${word} calc(${inner(own)} + ${inner(offset)})`.trim();
}

/** What a tie amounts to, or null where it hangs on nothing that measures alike. */
function toPoint(
  m: Tied,
  side: Side,
  byId: ReadonlyMap<string, Tied>,
  cues: ReadonlyMap<string, Cue>,
  trail: readonly string[],
): RangePoint | null {
  const tie = m.ties?.[side];
  if (!tie) return m.range[side];
  if (tie.to === 'cue') {
    const cue = cues.get(tie.cue);
    return cue && cueSuits(cue, m.driver) ? further(cue.at, tie.offset, side) : null;
  }
  const other = byId.get(tie.motion);
  const key = `${tie.motion} ${tie.side}`;
  if (!other || trail.includes(key) || !measuresAlike(m, other)) return null;
  const base = toPoint(other, tie.side, byId, cues, [...trail, key]);
  return base === null ? null : further(base, tie.offset, side);
}

const same = (a: RangePoint, b: RangePoint) => JSON.stringify(a) === JSON.stringify(b);

/** The document with every tied end where its tie has it; the same object where nothing has moved. Ties to nothing are cut. */
export function withTies<M extends Tied, D extends { motions: M[]; cues: Cue[] }>(d: D): D {
  if (!d.motions.some((m) => m.ties)) return d;
  const byId = new Map<string, Tied>(d.motions.map((m) => [m.id, m]));
  const cues = new Map(d.cues.map((c) => [c.id, c]));
  let changed = false;
  const motions = d.motions.map((m): M => {
    if (!m.ties) return m;
    const range = { ...m.range };
    const ties = { ...m.ties };
    for (const side of ['start', 'end'] as const) {
      if (!ties[side]) continue;
      const point = toPoint(m, side, byId, cues, [`${m.id} ${side}`]);
      if (point === null) delete ties[side];
      else range[side] = point;
    }
    const left = Object.keys(ties).length;
    const cut = left !== Object.keys(m.ties).length;
    if (!cut && same(range.start, m.range.start) && same(range.end, m.range.end)) return m;
    changed = true;
    const next: M = { ...m, range, ties };
    if (left === 0) delete next.ties;
    return next;
  });
  return changed ? { ...d, motions } : d;
}

/** Ties that lead in a circle or nowhere, by the motion’s place in the list. */
export function tieProblems(
  motions: readonly Tied[],
  cues: readonly Cue[],
): [index: number, side: Side, message: string][] {
  if (!motions.some((m) => m.ties)) return [];
  const byId = new Map(motions.map((m) => [m.id, m]));
  return motions.flatMap((m, i) =>
    (['start', 'end'] as const).flatMap((side): [number, Side, string][] => {
      if (!m.ties?.[side]) return [];
      const seen = new Set<string>();
      let at: Tied | undefined = m;
      let which: Side = side;
      for (let tie = at.ties?.[which]; tie; tie = at?.ties?.[which]) {
        if (tie.to === 'cue') {
          const cue = cues.find((c) => c.id === (tie as { cue: string }).cue);
          if (!cue) return [[i, side, `no cue has the id ${tie.cue}`]];
          return cueSuits(cue, at.driver) ? [] : [[i, side, `${cue.name} is no place on this driver`]];
        }
        const key = `${at.id} ${which}`;
        if (seen.has(key)) return [[i, side, 'these ends are attached to each other in a circle']];
        seen.add(key);
        const next: Tied | undefined = byId.get(tie.motion);
        if (!next) return [[i, side, `no motion has the id ${tie.motion}`]];
        if (!measuresAlike(at, next))
          return [[i, side, 'an end can only be attached to a motion with the same driver']];
        at = next;
        which = tie.side;
      }
      return [];
    }),
  );
}
