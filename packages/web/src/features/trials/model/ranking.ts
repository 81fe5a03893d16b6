/** Motions by how smoothly they go, the roughest first. */
import type { Motion, MotionFigures } from '@lyvek/core';

export interface Ranked {
  motion: Motion;
  /** those of the target that goes worst */
  figures: MotionFigures;
  /** targets that it moves */
  targets: number;
}

export function rank(motions: readonly Motion[], figures: readonly MotionFigures[]): Ranked[] {
  const byId = new Map(motions.map((m) => [m.id, m]));
  const worst = new Map<string, Ranked>();
  for (const f of figures) {
    const motion = byId.get(f.motion);
    if (!motion) continue;
    const known = worst.get(f.motion);
    if (!known) worst.set(f.motion, { motion, figures: f, targets: 1 });
    else {
      known.targets++;
      if (isRougher(f, known.figures)) known.figures = f;
    }
  }
  return [...worst.values()].sort((a, b) =>
    isRougher(a.figures, b.figures) ? -1 : isRougher(b.figures, a.figures) ? 1 : 0,
  );
}

const isRougher = (a: MotionFigures, b: MotionFigures) =>
  a.smoothness !== b.smoothness ? a.smoothness < b.smoothness : a.peakStep > b.peakStep;
