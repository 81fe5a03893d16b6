/** Who points at whom in a document: one table, for every edit that removes, copies or renames. */
import { driverReferences } from '../drivers/index.ts';
import type { MotionDocument } from '../motion/index.ts';

export type ReferredList = 'motions' | 'pins' | 'triggers' | 'cues' | 'media';

export interface ReferenceAt {
  /** id of what points, or its place in the list where it has none */
  from: string;
  /** where in it, for messages */
  as: string;
  /** what it points at may be in any of these */
  to: readonly ReferredList[];
  id: string;
}

/** Every reference of a document. */
export function listReferences(d: MotionDocument): ReferenceAt[] {
  const out: ReferenceAt[] = [];
  const put = (from: string, as: string, to: readonly ReferredList[], id: string | null | undefined) => {
    if (id !== null && id !== undefined) out.push({ from, as, to, id });
  };
  for (const m of d.motions) {
    for (const { list, id } of driverReferences(m.driver)) put(m.id, 'driver', [list], id);
    put(m.id, 'time.after', ['motions'], m.time?.after);
    for (const side of ['start', 'end'] as const) {
      const tie = m.ties?.[side];
      if (tie?.to === 'cue') put(m.id, `ties.${side}`, ['cues'], tie.cue);
      if (tie?.to === 'motion') put(m.id, `ties.${side}`, ['motions'], tie.motion);
    }
    for (const c of m.conditions ?? []) put(m.id, 'conditions', ['media'], c.media);
  }
  for (const p of d.pins) for (const c of p.conditions ?? []) put(p.id, 'conditions', ['media'], c.media);
  for (const c of d.cues) put(c.id, 'pin', ['pins'], c.pin);
  for (const a of d.adjustments) for (const id of a.for) put(a.id, 'for', ['motions', 'pins'], id);
  return out;
}

/** References that lead nowhere. */
export function danglingReferences(d: MotionDocument): ReferenceAt[] {
  const ids: Record<ReferredList, Set<string>> = {
    motions: new Set(d.motions.map((x) => x.id)),
    pins: new Set(d.pins.map((x) => x.id)),
    triggers: new Set(d.triggers.map((x) => x.id)),
    cues: new Set(d.cues.map((x) => x.id)),
    media: new Set(d.media.map((x) => x.id)),
  };
  return listReferences(d).filter((r) => !r.to.some((list) => ids[list].has(r.id)));
}
