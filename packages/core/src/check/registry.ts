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

/** Findings of every check on every placed motion, in the order of the registry and the document. One per check and motion. */
export function findingsOf(context: CheckContext): Finding[] {
  const found: Finding[] = [];
  for (const check of CHECKS) {
    const seen = new Set<string>();
    for (const instance of context.take.instances) {
      if (seen.has(instance.motion.id)) continue;
      const finding = check.look(instance, context);
      if (!finding) continue;
      seen.add(instance.motion.id);
      found.push(finding);
    }
  }
  return found;
}
