/** What a dragged end catches on, within six rows of the screen. */
import { phaseSpans, toPhase } from '@lyvek/core';
import type { Geometry, Phase, Px } from '@lyvek/core';

export interface Catch {
  offset: Px;
  /** why it caught, for the readout */
  what: string;
}

export interface Catching {
  geometry: Geometry | null;
  /** the phase that the point is written in; null for a whole-page driver */
  phase: Phase | null;
  max: Px;
  /** ends of other motions */
  ends: readonly Px[];
  /** tops of sections, as scroll offsets */
  sections: readonly Px[];
  /** page px that six rows stand for */
  reach: Px;
  /** catch viewport lines instead of phases; the point of the element that meets them */
  meetings?: number | null;
}

const PHASES: Phase[] = ['entry', 'contain', 'exit'];

const nearest = (offset: Px, candidates: readonly Catch[], reach: Px): Catch | null => {
  let best: Catch | null = null;
  for (const c of candidates)
    if (
      Math.abs(c.offset - offset) <= reach &&
      (!best || Math.abs(c.offset - offset) < Math.abs(best.offset - offset))
    )
      best = c;
  return best;
};

/** In this order: edges of phases, 5 % steps of a phase, other motions' ends, section edges. Null where nothing is near. */
export function catchAt(offset: Px, c: Catching): Catch | null {
  for (const kind of [edges, steps, ends, sections]) {
    const hit = nearest(offset, kind(offset, c), c.reach);
    if (hit) return hit;
  }
  return null;
}

function edges(_offset: Px, { geometry, max, meetings }: Catching): Catch[] {
  const page = [
    { offset: 0, what: 'top of the page' },
    { offset: max, what: 'end of the page' },
  ];
  if (!geometry || meetings != null) return page;
  const spans = phaseSpans(geometry);
  return [
    ...page,
    ...PHASES.flatMap((p) => [
      { offset: spans[p].start, what: `${p} 0 %` },
      { offset: spans[p].end, what: `${p} 100 %` },
    ]),
  ];
}

function steps(offset: Px, { geometry, phase, max, meetings, reach }: Catching): Catch[] {
  if (!geometry) return max > 0 ? [at5((Math.round((offset / max) * 20) / 20) * max, '5 % of the page')] : [];
  if (meetings != null) {
    const line = Math.round(((geometry.top + meetings * geometry.size - offset) / geometry.port) * 20) / 20;
    return [
      {
        offset: geometry.top + meetings * geometry.size - line * geometry.port,
        what: `line at ${Math.round(line * 100)} %`,
      },
    ];
  }
  const here = toPhase(offset, geometry, phase && PHASES.includes(phase) ? phase : (phase ?? 'entry'));
  // Outside of the view progress there are no shares to stop at.
  if (here.share < 0 || here.share > 1) return [];
  const span = phaseSpans(geometry)[here.phase];
  const length = span.end - span.start;
  // Steps closer together than the catch would leave no free place.
  if (length / 20 < reach * 0.8) return [];
  return [at5(span.start + (Math.round(here.share * 20) / 20) * length, `${here.phase}, 5 % step`)];
}
const at5 = (offset: Px, what: string): Catch => ({ offset, what });

const ends = (_offset: Px, c: Catching): Catch[] => c.ends.map((offset) => ({ offset, what: 'another end' }));
const sections = (_offset: Px, c: Catching): Catch[] =>
  c.sections.map((offset) => ({ offset, what: 'edge of a section' }));
