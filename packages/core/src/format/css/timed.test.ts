import { itemAt, present } from '../../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import type { Trigger, Motion, MotionDocument } from '../../motion/index.ts';
import { computeTimes } from '../../motion/index.ts';
import { makeDocument, element, makeLayout, motion } from '../../testing/index.ts';
import { handOffCss, scriptText } from '../index.ts';
import { splitRange } from './split-range.ts';
import { stepped, steppedRange } from './stagger-css.ts';

const layout = {
  ...makeLayout([
    element({ selector: '#a' }),
    element({ selector: 'li:nth-of-type(1)', box: { x: 300, y: 100, width: 90, height: 90 } }),
    element({ selector: 'li:nth-of-type(2)', box: { x: 100, y: 100, width: 90, height: 90 } }),
    element({ selector: 'li:nth-of-type(3)', box: { x: 200, y: 100, width: 90, height: 90 } }),
  ]),
  matches: { '#a': [0], li: [1, 2, 3] },
};
const trigger = (over: Partial<Trigger> = {}): Trigger => ({
  id: 'g_a',
  name: 'Tally',
  on: true,
  subject: '#a',
  down: { edge: '50%', line: '80%' },
  up: null,
  plays: 'each-time',
  back: 'returns',
  ...over,
});
const part = (over: Partial<Motion> = {}) =>
  motion({
    driver: { kind: 'trigger', trigger: 'g_a' },
    time: { delay: '20ms', duration: '300ms' },
    ...over,
  });
const css = (d: MotionDocument) => handOffCss(d, layout, 'T').css;
const withTrigger = (g: Trigger, ...motions: Motion[]): MotionDocument => ({
  ...makeDocument(...motions),
  triggers: [g],
});

describe('triggers as CSS', () => {
  test.each([
    [
      trigger(),
      'timeline-trigger: --lv-tally-passed view(0px 20%) entry-crossing 50% cover 1000%;',
      'play reset',
    ],
    [trigger({ back: 'plays-back' }), 'entry-crossing 50% cover 1000%;', 'play-forwards play-backwards'],
    [trigger({ back: 'keeps-end' }), 'cover 1000%;', 'replay none'],
    [trigger({ plays: 'once' }), 'cover 1000%;', '--lv-tally-passed play-once'],
    [
      trigger({ up: { edge: '0%', line: '100%' } }),
      '/ entry-crossing calc(0% - 0.2 * 100vh) cover 1000%;',
      'play reset',
    ],
    [
      trigger({ down: 'entry 60%', up: 'entry 0%' }),
      'view() entry 60% cover 1000% / entry 0% cover 1000%;',
      'play reset',
    ],
    [
      trigger({ up: 'entry 0%' }),
      'view() entry-crossing calc(50% + 0.2 * 100vh) cover 1000% / entry 0% cover 1000%;',
      'play reset',
    ],
    [
      trigger({ past: { edge: '100%', line: '0%' } }),
      'view(0px 20%) entry-crossing 50% entry-crossing calc(100% + 0.8 * 100vh);',
      'play reset',
    ],
    [
      trigger({ down: 'entry 60%', up: 'entry 0%', past: 'exit 100%', insets: ['10px', '5%'] }),
      'view(10px 5%) entry 60% exit 100% / entry 0% exit 100%;',
      'play reset',
    ],
  ])('%#', (g, trigger, actions) => {
    const text = css(withTrigger(g, part()));
    expect(text).toContain(trigger);
    expect(text).toContain(actions);
    expect(text).toContain('lv-card 300ms linear 20ms both');
  });

  test('a repeat is what CSS has for it; a duration is that of one time', () => {
    const repeat = { count: 3, alternate: true };
    expect(css(withTrigger(trigger(), part({ repeat })))).toContain(
      'lv-card 300ms linear 20ms 3 alternate both',
    );
    const scrubbed = css(makeDocument(motion({ repeat })));
    expect(scrubbed).toContain('lv-card linear 3 alternate both');
    // A script that damps knows the progress over the whole range only, so there it is written out.
    const damped = css(makeDocument(motion({ repeat, damping: { kind: 'half-life', halfLife: 90 } })));
    expect(damped).not.toContain('alternate');
    expect(damped).toContain('66.6667%');
  });

  test('a trigger that is off, or without parts, is not written', () => {
    expect(css(withTrigger(trigger({ on: false }), part()))).not.toContain('lv-card');
    expect(css(withTrigger(trigger()))).not.toContain('timeline-trigger');
  });

  test('parts count from the end of another; circles count from the trigger', () => {
    const times = computeTimes([
      part({ id: 'm_a' }),
      part({ id: 'm_b', time: { delay: '40ms', duration: '100ms', after: 'm_a' } }),
      part({ id: 'm_c', time: { delay: '5ms', duration: '10ms', after: 'm_c' } }),
    ]);
    expect([...times.values()]).toEqual([
      { start: 20, end: 320 },
      { start: 360, end: 460 },
      { start: 5, end: 15 },
    ]);
  });
});

describe('an intro', () => {
  const intro = motion({
    id: 'm_i',
    name: 'Intro',
    driver: { kind: 'load' },
    time: { delay: '0ms', duration: '700ms' },
  });
  test('alone runs to its own end', () => {
    expect(css(makeDocument(intro))).toMatch(/@keyframes lv-intro \{[^@]*to \{ opacity: 1; \}/);
  });
  test('beside a scrubbed motion loses its last stop and comes after it', () => {
    const text = css(makeDocument(intro, motion()));
    expect(text).toMatch(/@keyframes lv-intro-intro \{\s*from \{ opacity: 0; \}\s*\}/);
    expect(text.indexOf('lv-card linear both')).toBeLessThan(
      text.indexOf('lv-intro-intro 700ms linear backwards'),
    );
  });
});

describe('staggers as CSS', () => {
  test('number each target in its order, and count with it', () => {
    const text = css(
      makeDocument(motion({ targets: { selector: 'li' }, stagger: { step: '40px', order: 'across' } })),
    );
    expect(text).toMatch(/li:nth-of-type\(1\) \{\s*--lv-step: 2;/);
    expect(text).toMatch(/li:nth-of-type\(3\) \{\s*--lv-step: 1;/);
    expect(text).not.toMatch(/li:nth-of-type\(2\) \{\s*--lv-step/);
    expect(text).toContain(
      'entry calc(var(--lv-step, 0) * 40px) contain calc(50% + var(--lv-step, 0) * 40px)',
    );
  });
  test('delay timed parts', () => {
    const text = css(
      withTrigger(trigger(), part({ targets: { selector: 'li' }, stagger: { step: '60ms', order: 'page' } })),
    );
    expect(text).toContain('300ms linear calc(20ms + var(--lv-step, 0) * 60ms) both');
  });
  test.each([
    ['entry 10% cover 60%', ['entry 10%', 'cover 60%']],
    ['calc(10% + 4px) 100%', ['calc(10% + 4px)', '100%']],
    ['entry-crossing calc(50% - (1 * 2px)) exit', ['entry-crossing calc(50% - (1 * 2px))', 'exit']],
    ['0% scroll 100%', ['0%', 'scroll 100%']],
  ])('%s has two points', (range, points) => expect(splitRange(range)).toEqual(points));
  const BY_I = { property: '--i', css: 'var(--i, 0)' };
  test.each([
    ['10px', '10px', 'calc(sibling-index() * 10px)'],
    ['calc(100% + 10px)', '10px', 'calc(100% + sibling-index() * 10px)'],
    ['calc(100% + 110px)', '10px', 'calc(100% + 110px + (sibling-index() - 1) * 10px)'],
    ['0%', '4%', 'calc((sibling-index() - 1) * 4%)'],
    ['60ms', '60ms', 'calc(sibling-index() * 60ms)'],
  ])('%s, %s later for each sibling', (css, step, expected) =>
    expect(stepped(css, step, { property: null, css: '(sibling-index() - 1)' })).toBe(expected),
  );
  test('nested sums stay sums', () => {
    expect(stepped('calc(10% + 4px)', 'calc(1vh + 2px)', BY_I)).toBe(
      'calc(10% + 4px + var(--i, 0) * (1vh + 2px))',
    );
    expect(steppedRange('10% contain', '5px', BY_I)).toMatch(/ contain calc\(100% \+ /);
    expect(steppedRange('entry exit 20%', '5px', BY_I)).toBe(
      'entry calc(var(--i, 0) * 5px) exit calc(20% + var(--i, 0) * 5px)',
    );
  });
});

describe('the script', () => {
  test('is written only where something is damped, and without ids of the workbench', () => {
    const reducedMotion = handOffCss(makeDocument(motion()), layout, 'T');
    expect(scriptText(reducedMotion.plan, 'T')).toBeNull();
    const moved = handOffCss(
      makeDocument(motion({ damping: { kind: 'half-life', halfLife: 90 } })),
      layout,
      'T',
    );
    const text = present(scriptText(moved.plan, 'A */ title'));
    expect(text).toContain('"halfLife": 90');
    expect(text).toContain('"lv-card"');
    expect(text).not.toContain('m_a');
    expect(text.split('\n')[0]).toBe('/* A  title */');
  });
});

describe('where timelines are not known', () => {
  const intro = motion({
    id: 'm_i',
    name: 'Intro',
    driver: { kind: 'load' },
    time: { delay: '0ms', duration: '700ms' },
  });
  const before = (text: string) => itemAt(text.split('@supports'), 0);

  test('an intro stands before the guard, whole, and after it only where it differs', () => {
    const alone = css(makeDocument(intro));
    expect(before(alone)).toContain('lv-intro 700ms linear both');
    expect(alone).not.toContain('@supports');
    const beside = css(makeDocument(intro, motion()));
    expect(before(beside)).toContain('lv-intro 700ms linear both');
    expect(before(beside)).not.toContain('lv-card');
    expect(beside.slice(beside.indexOf('@supports'))).toContain('lv-intro-intro 700ms linear backwards');
  });

  test('its adjustments come with it, those of others stay behind the guard', () => {
    const adjusted: MotionDocument = {
      ...makeDocument(intro, motion({ id: 'm_o', name: 'Other' })),
      adjustments: [
        { id: 'a_i', selector: '#a', declarations: { 'transform-origin': '0 0' }, for: ['m_i'] },
        { id: 'a_o', selector: '#a', declarations: { perspective: '900px' }, for: ['m_o'] },
        // Cards that a pin lays over each other would hide each other where nothing is held.
        { id: 'a_p', selector: '#b', declarations: { position: 'absolute' }, for: ['p_a'] },
      ],
      pins: [
        {
          ...{ id: 'p_a', name: 'Deck', on: true, stage: '#a', layer: null },
          sticky: { by: 'top', inset: '0px' },
          distance: { kind: 'length', value: '100vh' },
          overlap: ['0px', '0px'],
        },
      ],
    };
    const text = css(adjusted);
    expect(before(text)).not.toContain('position: absolute');
    expect(text.match(/position: absolute/g)).toHaveLength(1);
    expect(before(text)).toContain('transform-origin: 0 0');
    expect(before(text)).not.toContain('perspective');
    expect(text.match(/perspective: 900px/g)).toHaveLength(1);
  });

  test('with a fallback script it stands behind the guard: the script plays it', () => {
    const text = handOffCss(makeDocument(intro), layout, 'T', [], { fallback: true }).css;
    expect(before(text)).not.toContain('lv-intro');
  });
});
