/** The hand-off’s script: the plan as a module beside the page, which starts the runtime. */
import type { Plan } from './piece.ts';

export const RUNTIME_FILE = 'motion-runtime.js';

/** Null where CSS does everything. */
export function scriptText(plan: Plan, title: string): string | null {
  if (plan.follow.length + plan.signals.length === 0) return null;
  const follow = plan.follow.map(({ names, selector, how }) => ({ names, selector, how }));
  const signals = plan.signals.map(({ property, selector }) => ({ property, selector }));
  const played = { follow, ...(signals.length ? { signals } : {}) };
  return `/* ${title.replaceAll('*/', '')} */
import { start } from './${RUNTIME_FILE}';

start(document, ${JSON.stringify(played, null, 2)});
`;
}
