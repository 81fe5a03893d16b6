import type { Damping } from '../damping/index.ts';

/** A follow setting that lags and settles `share` as long. Both go with the half-life, and against the frequency. */
export function tightened(how: Damping, share: number): Damping {
  if (how.kind === 'half-life') return { ...how, halfLife: Math.max(1, Math.floor(how.halfLife * share)) };
  if (how.kind === 'spring')
    return { ...how, frequency: Math.min(30, Math.ceil((10 * how.frequency) / share) / 10) };
  return how;
}
