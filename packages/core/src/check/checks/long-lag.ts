import { pxText } from '../finding.ts';
import type { CheckDefinition } from '../finding.ts';
import { tightened } from '../tightened.ts';

export const longLag: CheckDefinition = {
  id: 'long-lag',
  name: 'Lags longer than it lasts',
  group: 'damping',
  why: 'It lags so far behind the scroll that its place has passed before it arrives.',
  checkMotion({ motion, placed }, { limits, gesture }, figures) {
    if (!figures || motion.damping.kind === 'none' || gesture.leaps) return null;
    const stay = placed.end - placed.start;
    const isOver = figures.lag > limits.lag;
    if (!isOver && figures.lag <= stay) return null;
    const wanted = 0.9 * Math.min(limits.lag, stay);
    return {
      severity: figures.lag > stay ? 'error' : 'warning',
      at: Math.max(0, placed.start),
      brief: `lags ${pxText(figures.lag)}`,
      sentence: `With ${gesture.name.toLowerCase()} it is up to ${pxText(figures.lag)} behind the scroll${isOver ? `; your limit is ${pxText(limits.lag)}` : `, which is more than the ${pxText(stay)} that it lasts`}.`,
      fix: {
        label: 'Damp less',
        motions: [{ ...motion, damping: tightened(motion.damping, wanted / figures.lag) }],
      },
    };
  },
};
