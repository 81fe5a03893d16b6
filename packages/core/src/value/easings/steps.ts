import { present } from '../../assert/index.ts';
import type { EasingDefinition } from '../easing-definition.ts';

/** How many jumps a step function has, and whether one lies at its start (CSS Easing 2, §2.4). */
const TERMS: Record<string, { extra: number; atStart: boolean }> = {
  'jump-start': { extra: 0, atStart: true },
  start: { extra: 0, atStart: true },
  'jump-end': { extra: 0, atStart: false },
  end: { extra: 0, atStart: false },
  'jump-none': { extra: -1, atStart: false },
  'jump-both': { extra: 1, atStart: true },
};

export const steps: EasingDefinition = {
  name: 'steps',
  keywords: {
    'step-start': () => stairs(1, present(TERMS.start)),
    'step-end': () => stairs(1, present(TERMS.end)),
  },
  parse(args) {
    if (!args || args.length < 1 || args.length > 2) return null;
    const count = Number(args[0]);
    const term = TERMS[args[1]?.trim().toLowerCase() ?? 'end'];
    if (!term || !Number.isInteger(count) || count < 1 || count + term.extra < 1) return null;
    return stairs(count, term);
  },
};

function stairs(count: number, term: { extra: number; atStart: boolean }): (t: number) => number {
  const jumps = count + term.extra;
  return (t) => {
    let step = Math.floor(t * count + 1e-12) + (term.atStart ? 1 : 0);
    // Just below 0 stands for “not yet begun”: no jump has been taken, but none backwards either.
    if (t > -1e-6 && step < 0) step = 0;
    if (t <= 1 && step > jumps) step = jumps;
    return step / jumps;
  };
}
