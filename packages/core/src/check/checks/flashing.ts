import { itemAt, lastItem } from '../../assert/index.ts';
import type { CheckDefinition } from '../finding.ts';

/** A change of opacity by this much and back counts as a flash. Chosen by us; WCAG 2.3.1 speaks of relative luminance. */
const DEEP = 0.3;

export const flashing: CheckDefinition = {
  id: 'flashing',
  name: 'Flashing',
  group: 'care',
  why: 'More than three flashes within a second can cause seizures (WCAG 2.2, 2.3.1).',
  checkMotion({ motion, placed }, { limits, clock }, figures) {
    const list = motion.keyframes.opacity;
    if (!list || !figures) return null;
    const values = list.map((k) => Number.parseFloat(k.value)).filter(Number.isFinite);
    let turns = 0;
    let way = 0;
    values.forEach((v, i) => {
      const by = i ? v - itemAt(values, i - 1) : 0;
      if (Math.abs(by) < DEEP) return;
      if (way !== 0 && Math.sign(by) !== way) turns++;
      way = Math.sign(by);
    });
    const flashes = Math.floor((turns + 1) / 2);
    const seconds = Math.max(1, figures.frames) / clock.refresh;
    const each = flashes / Math.max(1, seconds);
    if (flashes === 0 || each <= limits.flashes) return null;
    return {
      severity: 'error',
      at: Math.max(0, placed.start),
      brief: `flashes ${flashes} times`,
      sentence: `Under this gesture it flashes ${flashes} times within ${seconds.toFixed(1)} s; at most ${limits.flashes} in a second are safe.`,
      fix: {
        label: 'Keep its first and last keyframe',
        motions: [
          { ...motion, keyframes: { ...motion.keyframes, opacity: [itemAt(list, 0), lastItem(list)] } },
        ],
      },
    };
  },
};
