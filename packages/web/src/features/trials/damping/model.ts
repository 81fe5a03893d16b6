/** Responses of follow settings to one push of the hand, made ready for drawing. */
import { clockById, HAND_INPUTS, respond } from '@lyvek/core';
import type { Damping, HandInput, MotionDocument, Response } from '@lyvek/core';

export const DISTANCE = 600;

/** The rates that are laid beside each other: the chosen one, and the one that differs most from it. */
export const ratesFor = (clock: string): [string, string] =>
  clock === '120' || clock === '60' ? ['60', '120'] : ['60', clock];

export const computeResponse = (how: Damping, input: HandInput['id'], clock: string): Response =>
  respond(how, HAND_INPUTS[input](DISTANCE), clockById(clock), DISTANCE, 1000);

/** How far apart what is shown at two rates is at most, px, at the times that both have a frame. */
export function apart(a: Response, b: Response): number {
  let most = 0;
  const at = new Map(b.times.map((t, i) => [Math.round(t * 100), b.shown[i]!]));
  a.times.forEach((t, i) => {
    const other = at.get(Math.round(t * 100));
    if (other !== undefined) most = Math.max(most, Math.abs(other - a.shown[i]!));
  });
  return most;
}

/** Settings that the take uses, the most frequent first. */
export function listDampings(d: MotionDocument): Damping[] {
  const known = new Map<string, { how: Damping; count: number }>();
  for (const { damping, on } of d.motions) {
    if (!on || damping.kind === 'none') continue;
    const key = JSON.stringify(damping);
    known.set(key, { how: damping, count: (known.get(key)?.count ?? 0) + 1 });
  }
  return [...known.values()].sort((a, b) => b.count - a.count).map((k) => k.how);
}
