import { isEndless, isTriggered } from '../../drivers/index.ts';
import { timesOf } from '../../motion/index.ts';
import { gateLines } from '../../timeline/index.ts';
import type { CheckDefinition } from '../finding.ts';

/** WCAG 2.2, 2.2.2: what moves by itself for longer must be pausable. */
const LONG = 5000;

export const noPause: CheckDefinition = {
  id: 'no-pause',
  name: 'Moves on without a pause',
  group: 'care',
  why: 'What moves by itself for more than five seconds must be pausable, or it keeps people from reading (WCAG 2.2, 2.2.2).',
  survey({ document, take }) {
    const times = timesOf(document.motions);
    return document.motions.flatMap((m) => {
      const { driver, time } = m;
      const isBelt = isEndless(driver) && !driver.rests;
      const duration = time ? Number.parseFloat(time.duration) : 0;
      if (!m.on || !(isBelt || (times.has(m.id) && duration > LONG))) return [];
      const gate = isTriggered(driver) ? document.gates.find((g) => g.id === driver.gate) : undefined;
      const lines = gate && gateLines(gate, take.layout);
      const placed = take.instances.find((i) => i.motion.id === m.id)?.placed;
      return [
        {
          about: m.id,
          severity: 'doubtful' as const,
          at: Math.max(0, lines && 'down' in lines ? lines.down : (placed?.start ?? 0)),
          brief: isBelt ? 'never rests' : `plays ${(duration / 1000).toFixed(1)} s`,
          sentence: isBelt
            ? 'It moves for ever and does not rest under the pointer or while something in it has the focus.'
            : `It plays for ${(duration / 1000).toFixed(1)} s with no way to pause it.`,
          fix: isBelt
            ? { label: 'Let it rest', motions: [{ ...m, driver: { ...driver, rests: true } }] }
            : { label: 'Play it in 5 s', motions: [{ ...m, time: { ...time!, duration: `${LONG}ms` } }] },
        },
      ];
    });
  },
};
