/** The hand-off’s script: the plan as a module beside the page, which starts the runtime. */
import type { Plan } from './piece.ts';
import { isEmptyPlan } from './plan.ts';

export const RUNTIME_FILE = 'motion-runtime.js';

/** Null where CSS does everything. */
export function scriptText(plan: Plan, title: string): string | null {
  if (isEmptyPlan(plan)) return null;
  const follow = plan.follow.map(({ names, selector, how }) => ({ names, selector, how }));
  const signals = plan.signals.map(({ property, selector }) => ({ property, selector }));
  const belts = plan.belts.map(({ motion: _, ...belt }) => belt);
  const { media } = plan;
  const played = {
    ...(media?.length ? { media } : {}),
    follow,
    ...(signals.length ? { signals } : {}),
    ...(belts.length ? { belts } : {}),
  };
  return `/* ${title.replaceAll('*/', '')} */
import { start } from './${RUNTIME_FILE}';

start(document, ${JSON.stringify(played, null, 2)});
`;
}
