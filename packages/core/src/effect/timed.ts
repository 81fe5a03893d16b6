/** Effects that play in time: on a trigger, or as soon as the page is there. */
import { itemAt } from '../assert/index.ts';
import { splitPart } from '../page/index.ts';
import type { Trigger, Motion } from '../motion/index.ts';
import {
  adjust,
  between,
  listChildren,
  factsAt,
  fragment,
  motionOn,
  nameAt,
  subjectFor,
} from './effect-definition.ts';
import type { EffectContext, EffectDefinition } from './effect-definition.ts';
import { shorten } from '../text/index.ts';

const SOFT = 'cubic-bezier(0.2, 0.6, 0.3, 1)';

const newTrigger = (c: EffectContext, subject: string, name: string): Trigger => ({
  id: c.newId('g'),
  name: shorten(name, 120),
  on: true,
  subject: splitPart(subject)[0],
  down: { edge: '50%', line: '78%' },
  up: { edge: '0%', line: '100%' },
  plays: 'each-time',
  back: 'returns',
});

const timed = (driver: Motion['driver'], delay: number, duration: number): Partial<Motion> => ({
  driver,
  time: { delay: `${delay}ms`, duration: `${duration}ms` },
  easing: SOFT,
  fill: 'both',
});

export const titlePair: EffectDefinition = {
  id: 'title-pair',
  name: 'Title pair',
  needsElement: true,
  what: 'Two lines meet, one from each side.',
  words: 'heading trigger time two parts',
  group: 'time',
  driver: 'trigger',
  lifts: true,
  unfit: (c) =>
    listChildren(c.layout, c.element).length < 2
      ? 'Choose the container of the two lines: it has fewer than two parts.'
      : null,
  compose(c) {
    const e = factsAt(c);
    const trigger = newTrigger(c, e.selector, `${nameAt(c)} appears`);
    const on = { kind: 'trigger' as const, trigger: trigger.id };
    const motions = listChildren(c.layout, c.element)
      .slice(0, 2)
      .map((part, i) =>
        motionOn(c, itemAt(c.layout.elements, part).selector, nameAt(c, part), {
          ...timed(on, i * 90, 620),
          keyframes: { opacity: between('0', '1'), translate: between(`${i ? 90 : -90}px 0`, '0 0') },
        }),
      );
    return fragment({
      triggers: [trigger],
      motions,
      // The line from the right must not let the page scroll sideways.
      adjustments: [adjust(c, e.selector, { 'overflow-x': 'clip' }, motions)],
    });
  },
};

export const pulse: EffectDefinition = {
  id: 'pulse',
  name: 'Appear, timed',
  what: 'Plays once its line is reached.',
  words: 'trigger once reveal trigger',
  group: 'time',
  driver: 'trigger',
  compose(c) {
    const e = factsAt(c);
    const trigger: Trigger = {
      ...newTrigger(c, subjectFor(c, e.selector) ?? e.selector, `${nameAt(c)} appears`),
      plays: 'once',
      up: null,
    };
    return fragment({
      triggers: [trigger],
      motions: [
        motionOn(c, e.selector, `${nameAt(c)} appears`, {
          ...timed({ kind: 'trigger', trigger: trigger.id }, 0, 480),
          keyframes: { opacity: between('0', '1'), translate: between('0 40px', '0 0') },
        }),
      ],
    });
  },
};

export const intro: EffectDefinition = {
  id: 'intro',
  name: 'Intro',
  what: 'Plays as soon as the page has loaded.',
  words: 'load start opening',
  group: 'time',
  driver: 'load',
  compose: (c) =>
    fragment({
      motions: [
        motionOn(c, factsAt(c).selector, `${nameAt(c)} intro`, {
          ...timed({ kind: 'load' }, 120, 700),
          keyframes: { opacity: between('0', '1'), translate: between('0 32px', '0 0') },
        }),
      ],
    }),
};
