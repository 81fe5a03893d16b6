import { partsAt } from '../../trial/index.ts';
import { pxText } from '../finding.ts';
import type { CheckDefinition } from '../finding.ts';

/** Of hot places nearer to each other than this only the hottest is told, px. */
const APART = 600;
const MOST = 6;

export const hotSpot: CheckDefinition = {
  id: 'hot-spot',
  name: 'Hot spot',
  group: 'budget',
  why: 'Here a frame costs more time than it has, so the page stutters under the hand.',
  survey({ trial, clock, document }) {
    if (!trial) return [];
    const budget = 1000 / clock.refresh;
    const { frames, charges } = trial;
    const hot = frames.y
      .map((y, i) => ({ y, cost: partsAt(frames, i) }))
      .filter((f) => f.cost > budget)
      .sort((a, b) => b.cost - a.cost);
    const told: typeof hot = [];
    for (const f of hot)
      if (told.length < MOST && told.every((o) => Math.abs(o.y - f.y) > APART)) told.push(f);
    return told.map(({ y, cost }) => {
      const here = charges.filter((c) => c.start < y && c.end > y).sort((a, b) => b.total - a.total);
      const dearest = here[0];
      const name = document.motions.find((m) => m.id === dearest?.motion)?.name;
      return {
        about: dearest?.motion ?? '',
        element: dearest?.element ?? -1,
        severity: 'wrong' as const,
        at: y,
        brief: `costs ${cost.toFixed(0)} ms a frame`,
        sentence: `At ${pxText(y)} a frame is predicted to cost ${cost.toFixed(1)} ms of ${budget.toFixed(1)} ms${name ? `; ${here.length > 1 ? `of ${here.length} motions “${name}” costs` : 'it costs'} most, ${dearest!.total.toFixed(1)} ms` : ''}.`,
        fix: null,
      };
    });
  },
};
