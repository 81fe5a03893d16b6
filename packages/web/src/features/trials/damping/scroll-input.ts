/** The page that lies under the hand, and how its motions follow there. */
import { createStore } from 'zustand/vanilla';
import { isScrubbed } from '@lyvek/core';
import type { Damping, Motion, MotionDocument } from '@lyvek/core';

export const handStore = createStore<{
  /** where it lies on the screen; null: it is not shown */
  place: { left: number; top: number; width: number } | null;
  /** how its motions follow, instead of as they do; null: as they do */
  how: Damping | null;
}>(() => ({ place: null, how: null }));

/** Motions that a setting is tried on: those that follow, or, where none does, all that hang on the scroll. */
export function triedOn(d: Pick<MotionDocument, 'motions'>): Motion[] {
  const scrubbed = d.motions.filter((m) => m.on && isScrubbed(m.driver));
  const damping = scrubbed.filter((m) => m.damping.kind !== 'none');
  return damping.length > 0 ? damping : scrubbed;
}

/** The document with these motions following in another way. */
export function withDamping(d: MotionDocument, how: Damping): MotionDocument {
  const ids = new Set(triedOn(d).map((m) => m.id));
  return { ...d, motions: d.motions.map((m) => (ids.has(m.id) ? { ...m, damping: how } : m)) };
}
