import { itemAt, present } from '../../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { parseLength, resolveLength, withPins } from '../../page/index.ts';
import { makeDocument, element, makeLayout, motion } from '../../testing/index.ts';
import { handOffCss, toLinear, fallbackPlan, scriptText } from '../index.ts';
import type { FallbackPlan } from '../index.ts';

const layout = withPins(
  makeLayout([
    element({ selector: '#a' }),
    element({ selector: '#b' }),
    element({ selector: '#c', tag: 'section' }),
  ]),
  [],
);
const linear = (css: string) => {
  const parsed = parseLength(css);
  if (!parsed.ok) throw new Error(parsed.error);
  return toLinear(parsed.value);
};

describe('lengths as sums', () => {
  test.each([
    ['40%', [40]],
    ['calc(50% + 10vh - 3px)', [50, -3, 10]],
    ['calc((20% + 4vw) * -2)', [-40, 0, 0, -8]],
    ['0', [0]],
    ['calc(1rem + 2em + 10dvh)', [0, 0, 10, 0, 2, 1]],
  ])('%s', (css, wanted) => expect(linear(css)).toEqual(wanted));
  test.each(['2ch', 'min(10px, 4vh)', 'calc(3px * 1em)'])('%s is no such sum', (css) => {
    const parsed = parseLength(css);
    expect(parsed.ok ? toLinear(parsed.value) : null).toBeNull();
  });
  test('mean what the length means, on every screen', () => {
    const n = fc.integer({ min: -300, max: 300 });
    fc.assert(
      fc.property(
        n,
        n,
        n,
        fc.integer({ min: 200, max: 4000 }),
        fc.integer({ min: 200, max: 3000 }),
        (pct, px, vh, width, height) => {
          const css = `calc(${pct}% + ${px}px + ${vh}vh)`;
          const [p, x = 0, h = 0, w = 0] = present(linear(css));
          const parsed = parseLength(css);
          if (!parsed.ok) throw new Error(parsed.error);
          const wanted = resolveLength(parsed.value, { percent: 700, viewport: { width, height } });
          expect(p * 7 + x + (h * height) / 100 + (w * width) / 100).toBeCloseTo(wanted, 6);
        },
      ),
    );
  });
});

const makePlan = (...motions: Parameters<typeof makeDocument>) =>
  fallbackPlan(makeDocument(...motions), layout);

test('a motion as data: frames as scripts name them, its range as numbers', () => {
  const { plan, notes } = makePlan(
    motion({
      range: { start: 'entry 10%', end: { edge: '50%', line: '60%' } },
      keyframes: {
        'background-color': [
          { at: '0%', value: 'red', easing: 'ease-in' },
          { at: '100%', value: 'blue' },
        ],
      },
    }),
  );
  expect(notes).toEqual([]);
  expect(plan.motions[0]).toMatchObject({
    selector: '#a',
    frames: [
      [
        { offset: 0, easing: 'ease-in', backgroundColor: 'red' },
        { offset: 1, easing: 'linear', backgroundColor: 'blue' },
      ],
    ],
    range: [
      ['entry', [10]],
      ['meets', 0.5, 0.6],
    ],
    on: {
      kind: 'view',
      subject: null,
      insets: [[0], [0]],
    },
    time: null,
  });
});

test('what is off is left out; what cannot be said in numbers is left out and noted', () => {
  const { plan, notes } = makePlan(
    motion({ id: 'm_off', on: false }),
    motion({ id: 'm_ch', range: { start: 'entry 2ch', end: 'exit 0%' } }),
    motion({ id: 'm_named', keyframes: { opacity: [{ at: 'entry 2ch', value: '0' }] } }),
  );
  expect(plan.motions).toEqual([]);
  expect(notes.map((n) => n.motion)).toEqual(['m_ch', 'm_named']);
});

test('keyframes that hang on places of the range carry them, and timed ones their name', () => {
  const named = motion({
    keyframes: {
      opacity: [
        { at: 'entry 0%', value: '0' },
        { at: 'contain calc(50% + 1em)', value: '1' },
      ],
    },
  });
  const timed = motion({
    id: 'm_in',
    name: 'Title in',
    driver: { kind: 'load' },
    time: { delay: '0ms', duration: '300ms' },
  });
  const { plan, notes } = makePlan(named, timed);
  expect(notes).toEqual([]);
  expect(itemAt(itemAt(plan.motions, 0).frames, 0).map((f) => f.offset)).toEqual([
    ['entry', [0]],
    ['contain', [50, 0, 0, 0, 1]],
  ]);
  expect([...new Set(plan.motions.map((m) => m.name))]).toEqual([undefined, 'lv-title-in']);
});

test('the least and the most of lengths are said as such', () => {
  const { plan } = makePlan(
    motion({ range: { start: 'entry min(20%, 60px)', end: 'exit clamp(1em, 4vh, 90px)' } }),
  );
  expect(itemAt(plan.motions, 0).range).toEqual([
    ['entry', ['min', [20], [0, 60]]],
    ['exit', ['max', [0, 0, 0, 0, 1], ['min', [0, 0, 4], [0, 90]]]],
  ]);
});

test('a motion that differs under a media condition is said once for each way', () => {
  const narrow = { id: 'q_n', name: 'Narrow', query: '(width < 600px)' };
  const d = makeDocument(
    motion({ conditions: [{ media: 'q_n', range: { start: 'entry 50%', end: 'exit 0%' } }] }),
    motion({ id: 'm_plain' }),
  );
  const { plan } = fallbackPlan({ ...d, media: [narrow] }, layout);
  expect(plan.motions.map((m) => [m.when, itemAt(m.range, 0)])).toEqual([
    ['(not (width < 600px))', ['entry', [0]]],
    ['(width < 600px)', ['entry', [50]]],
    [undefined, ['entry', [0]]],
  ]);
});

test('an intro hands over what the scroll moves too, and lies over it', () => {
  const load = motion({ id: 'm_in', driver: { kind: 'load' }, time: { delay: '50ms', duration: '300ms' } });
  const { plan } = makePlan(load, motion({ id: 'm_scroll' }));
  expect(plan.motions.map((m) => m.on.kind)).toEqual(['view', 'load', 'load']);
  const handing = present(plan.motions.find((m) => m.on.kind === 'load' && m.frames.length));
  expect([handing.fill, itemAt(handing.frames, 0).map((f) => f.offset), handing.time]).toEqual([
    'backwards',
    [0],
    [50, 300],
  ]);
});

test('the script asks the browser first, and fetches the other one only where timelines are missing', () => {
  const d = makeDocument(motion());
  const empty: FallbackPlan = { motions: [], triggers: [] };
  const out = handOffCss(d, layout, 'T', [], { fallback: true });
  expect(scriptText(out.plan, 'T')).toBeNull();
  const text = present(scriptText(out.plan, 'T */ x', empty));
  expect(text.startsWith('/* T  x */')).toBe(true);
  // It is fetched where it is played, and that is only where timelines are missing.
  expect(text).toMatch(/const play = async \(motions\) => \(await import\('\.\/motion-fallback\.js'\)\)/);
  const [known, missing] = text.slice(text.indexOf('CSS.supports')).split('} else {');
  expect([known?.includes('play('), missing?.includes('await play(all.motions)')]).toEqual([false, true]);
});

test('where timelines are known and triggers are not, the script plays what is triggered, and nothing else', () => {
  const on: FallbackPlan['motions'][number]['on'][] = [{ kind: 'trigger', trigger: 0 }, { kind: 'load' }];
  const plain = {
    selector: '#a',
    frames: [],
    fill: 'both',
    composite: 'replace',
    damping: { kind: 'none' },
    late: [],
  };
  const motions = on.map(
    (o) => ({ ...plain, on: o, range: [], time: [0, 100] }) as unknown as FallbackPlan['motions'][number],
  );
  const { plan } = handOffCss(makeDocument(motion()), layout, 'T', [], { fallback: true });
  const asks = "CSS.supports('animation-trigger: --t play')";
  expect(scriptText(plan, 'T', { motions, triggers: [] })).toContain(asks);
  expect(scriptText(plan, 'T', { motions: motions.slice(1), triggers: [] })).not.toContain(asks);
});

test('what motions need of the page stands outside of the feature’s guard only where a script may play', () => {
  const d = {
    ...makeDocument(motion()),
    adjustments: [{ id: 'a_c', selector: '#c', declarations: { perspective: '900px' }, for: ['m_a'] }],
  };
  const inside = handOffCss(d, layout, 'T').css;
  const outside = handOffCss(d, layout, 'T', [], { fallback: true }).css;
  expect(inside.indexOf('@supports')).toBeLessThan(inside.indexOf('perspective'));
  expect(outside.indexOf('perspective')).toBeLessThan(outside.indexOf('@supports'));
  expect(outside).toContain('@media screen and (scripting: enabled) {');
});
