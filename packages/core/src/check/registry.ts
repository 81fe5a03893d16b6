/** All checks. A new one is a file in this folder and a line here. */
import type { CheckContext, CheckDefinition, Finding } from './finding.ts';
import { caughtByScroller } from './caught-by-scroller.ts';
import { missingFill } from './missing-fill.ts';
import { neverFinishes } from './never-finishes.ts';
import { startsPartWay } from './starts-part-way.ts';
import { tooFewFrames } from './too-few-frames.ts';

export const CHECKS: readonly CheckDefinition[] = [
  neverFinishes,
  startsPartWay,
  tooFewFrames,
  missingFill,
  caughtByScroller,
];

/** Findings of every check, in the order of the registry and the document. One per check and motion. */
export function findingsOf(context: CheckContext): Finding[] {
  const figures = new Map(context.trial?.figures.map((f) => [`${f.motion} ${f.element}`, f]));
  const found: Finding[] = [];
  for (const check of CHECKS) {
    const seen = new Set<string>();
    for (const instance of check.look ? context.take.instances : []) {
      const { motion, element } = instance;
      if (seen.has(motion.id)) continue;
      const one = check.look!(instance, context, figures.get(`${motion.id} ${element}`) ?? null);
      if (!one) continue;
      seen.add(motion.id);
      found.push({ ...one, check: check.id, about: motion.id, element });
    }
    for (const { element = -1, ...one } of check.survey?.(context) ?? [])
      found.push({ ...one, check: check.id, element });
  }
  return found;
}
