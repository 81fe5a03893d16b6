import { present } from '../../assert/index.ts';
import { isEndless, isTriggered } from '../../drivers/index.ts';
import { computeTimes } from '../../motion/index.ts';
import { triggerLines } from '../../timeline/index.ts';
import type { CheckDefinition } from '../finding.ts';

/** WCAG 2.2, 2.2.2: what moves by itself for longer must be pausable. */
const LONG = 5000;

export const noPause: CheckDefinition = {
  id: 'no-pause',
  name: 'Moves on without a pause',
  group: 'care',
  why: 'Anything that moves on its own for more than five seconds must be pausable, or it keeps people from reading (WCAG 2.2, 2.2.2).',
  checkDocument({ document, timeline }) {
    const times = computeTimes(document.motions);
    return document.motions.flatMap((m) => {
      const { driver, time } = m;
      const isMarquee = isEndless(driver) && !driver.pauses;
      const duration = time ? Number.parseFloat(time.duration) : 0;
      const trigger = isTriggered(driver)
        ? document.triggers.find((g) => g.id === driver.trigger)
        : undefined;
      // What somebody starts does not move on its own.
      const isLong = times.has(m.id) && duration > LONG && !trigger?.event;
      if (!m.on || !(isMarquee || isLong)) return [];
      const lines = trigger && triggerLines(trigger, timeline.layout);
      const placed = timeline.instances.find((i) => i.motion.id === m.id)?.placed;
      return [
        {
          about: m.id,
          severity: 'warning' as const,
          at: Math.max(0, lines && 'down' in lines ? lines.down : (placed?.start ?? 0)),
          brief: isMarquee ? 'never rests' : `plays ${(duration / 1000).toFixed(1)} s`,
          sentence: isMarquee
            ? 'It moves forever and does not pause under the pointer or while something in it has focus.'
            : `It plays for ${(duration / 1000).toFixed(1)} s and cannot be paused.`,
          fix: isMarquee
            ? { label: 'Let it pause', motions: [{ ...m, driver: { ...driver, pauses: true } }] }
            : {
                label: 'Play it in 5 s',
                motions: [{ ...m, time: { ...present(time), duration: `${LONG}ms` } }],
              },
        },
      ];
    });
  },
};
