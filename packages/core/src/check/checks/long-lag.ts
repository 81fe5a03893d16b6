import type { Damping } from '../../damping/index.ts';
import type { Instance } from '../../motion/index.ts';
import type { Px } from '../../page/index.ts';
import { findRide, framesWithin } from '../../trial/index.ts';
import { maxScrollFor, pxText } from '../finding.ts';
import type { CheckContext, CheckDefinition } from '../finding.ts';
import { tightened } from '../tightened.ts';

export const longLag: CheckDefinition = {
  id: 'long-lag',
  name: 'Lags longer than it lasts',
  group: 'damping',
  why: 'It lags so far behind the scroll that its place has passed before it arrives.',
  checkMotion(instance, context, figures) {
    const { motion, placed } = instance;
    const { limits, gesture } = context;
    if (!figures || motion.damping.kind === 'none' || gesture.leaps) return null;
    const stay = placed.end - placed.start;
    const isOver = figures.lag > limits.lag;
    if (!isOver && figures.lag <= stay) return null;
    return {
      severity: figures.lag > stay ? 'error' : 'warning',
      at: Math.max(0, placed.start),
      brief: `lags ${pxText(figures.lag)}`,
      sentence: `With ${gesture.name.toLowerCase()} it is up to ${pxText(figures.lag)} behind the scroll${isOver ? `; your limit is ${pxText(limits.lag)}` : `, which is more than the ${pxText(stay)} that it lasts`}.`,
      fix: {
        label: 'Damp less',
        motions: [{ ...motion, damping: dampLess(instance, context, 0.95 * Math.min(limits.lag, stay)) }],
      },
    };
  },
};

/** Steps of a tenth; after so many nothing is left of it. */
const STEP = 0.9;
const MAX_STEPS = 60;

/** The damping, so much less of it that it lags at most this far under the gesture. Lag does not go down in step with the half-life. */
function dampLess(instance: Instance, context: CheckContext, most: Px): Damping {
  const { motion, placed } = instance;
  const max = maxScrollFor(instance, context.timeline);
  const ride = findRide(context.gesture, max, context.clock, 'down', []);
  const near = framesWithin(ride.offsets, placed.start - 1, placed.end + 1);
  const findLag = (damping: Damping): Px => {
    const series = ride.damped(damping);
    let lag = 0;
    for (const [a, b] of near)
      for (let i = a; i < b; i++) lag = Math.max(lag, Math.abs((ride.offsets[i] ?? 0) - (series[i] ?? 0)));
    return lag;
  };
  let { damping } = motion;
  for (let n = 1; n <= MAX_STEPS && findLag(damping) > most; n++)
    damping = tightened(motion.damping, STEP ** n);
  return damping;
}
