import { itemAt, lastItem, present } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import { compileTimeline, emptyDocument, readDocument } from '../motion/index.ts';
import { withPins } from '../page/index.ts';
import type { ElementFacts } from '../page/index.ts';
import { element, makeLayout } from '../testing/index.ts';
import { EFFECTS, effectById, isSeenAtOnce, sketch, withFragment } from './index.ts';
import type { EffectContext, EffectDefinition } from './index.ts';
import { thrownOrigin } from '../edit/index.ts';

const elements: ElementFacts[] = [
  element({ selector: '#card', text: '1,640 hours' }),
  element({ selector: '#first', box: { x: 0, y: 20, width: 1000, height: 200 } }),
  element({ selector: '#last', box: { x: 0, y: 9750, width: 300, height: 40 } }),
  element({ selector: '#scene', tag: 'section', box: { x: 0, y: 3000, width: 1000, height: 1800 } }),
  element({ selector: '#left', parent: 3, box: { x: 0, y: 3000, width: 480, height: 1800 } }),
  element({ selector: '#right', parent: 3, box: { x: 520, y: 3000, width: 480, height: 1500 } }),
  element({ selector: '#strip', parent: 3, box: { x: 0, y: 3200, width: 2600, height: 400 } }),
  element({ selector: '#art', tag: 'svg' }),
  element({ selector: '#plate1', parent: 6, box: { x: 0, y: 3200, width: 1200, height: 400 } }),
  element({ selector: '#film', tag: 'video', text: '', box: { x: 0, y: 5200, width: 640, height: 360 } }),
  element({
    selector: '#flip',
    tag: 'img',
    text: '',
    file: { src: 'flip/01.png' },
    box: { x: 0, y: 5700, width: 640, height: 360 },
  }),
  element({ selector: '#dot', text: '', box: { x: 0, y: 5600, width: 4, height: 4 } }),
  element({ selector: '#plate2', parent: 6, box: { x: 1300, y: 3200, width: 1300, height: 400 } }),
];
const layout = withPins(makeLayout(elements), []);
let ids = 0;
const on = (selector: string): EffectContext => ({
  layout,
  element: elements.findIndex((e) => e.selector === selector),
  document: emptyDocument(),
  newId: (kind) => `${kind}_${ids++}`,
});
const get = (id: string): EffectDefinition => present(effectById(id));

describe.each(EFFECTS.map((e) => [e.name, e] as const))('%s', (_name, effect) => {
  const suits = elements.map((e) => e.selector).filter((s) => !effect.unfit?.(on(s)));
  test('suits some element, and says why it does not suit the others', () => {
    expect(suits.length).toBeGreaterThan(0);
    for (const e of elements)
      if (!suits.includes(e.selector))
        expect(present(present(effect.unfit)(on(e.selector))).length).toBeGreaterThan(20);
  });
  test('gives a document that can be read and placed', () => {
    for (const selector of suits) {
      const document = withFragment(effect.compose(on(selector)))(emptyDocument());
      const read = readDocument(document);
      expect(read.ok ? [] : read.problems).toEqual([]);
      const reasons = compileTimeline(document, layout).unplaced.map((u) => u.reason);
      expect(reasons.filter((r) => !/^no element matches (#art :is|.* text-part$)/.test(r))).toEqual([]);
    }
  });
  test('is sketched from its own values', () => {
    const shown = [0, 0.5, 1].map((share) => JSON.stringify(sketch(effect, share)));
    expect(new Set(shown).size).toBe(3);
  });
});

describe('reveals', () => {
  test('end where the element is as the page shows it', () => {
    for (const effect of EFFECTS.filter((e) => e.group === 'reveal')) {
      const { motions } = effect.compose(on('#card'));
      for (const [property, keyframes] of Object.entries(itemAt(motions, 0).keyframes))
        expect([property, lastItem(keyframes).value]).toEqual([
          property,
          expect.stringMatching(
            /^(1|0 0|0deg|x 0deg|blur\(0px\)|inset\(0 0 0 0\)|0% 0%|0%|translateY\(0px\) skewY\(0deg\))$/,
          ),
        ]);
    }
  });
  test('play backwards on what stands high in the first screen, which can be seen from the start', () => {
    const { motions } = get('rise').compose(on('#first'));
    expect(isSeenAtOnce(itemAt(elements, 1), layout)).toBe(true);
    expect(present(itemAt(motions, 0).keyframes.opacity).map((s) => s.value)).toEqual(['1', '0']);
    expect(itemAt(motions, 0).name).toMatch(/leaves$/);
  });
  test('on what is fixed to the window they go with the page’s scroll, forwards', () => {
    const fixed = {
      ...layout,
      elements: [element({ selector: '#nav', fixed: true, box: { x: 0, y: 0, width: 1000, height: 60 } })],
    };
    for (const id of ['drop', 'fade', 'leave', 'fade-out']) {
      const fragment = get(id).compose({ ...on('#first'), layout: fixed, element: 0 });
      const { instances, unplaced } = compileTimeline(withFragment(fragment)(emptyDocument()), fixed);
      expect(unplaced).toEqual([]);
      expect(instances.map((i) => [i.placed.start, i.placed.end])).toEqual([[0, 320]]);
    }
  });
  test('in a strip that scrolls sideways only, they go by its way sideways, in its own px', () => {
    const strip = {
      ...layout,
      elements: [
        element({ selector: '#strip' }),
        element({ selector: '.seen', scroller: 1, box: { x: 20, y: 0, width: 300, height: 200 } }),
        element({ selector: '.later', scroller: 1, box: { x: 1600, y: 0, width: 300, height: 200 } }),
      ],
      scrollers: [
        itemAt(layout.scrollers, 0),
        { selector: '#strip', port: { width: 1000, height: 200 }, max: { block: 0, inline: 1400 } },
      ],
    };
    const made = (n: number) =>
      itemAt(get('rise').compose({ ...on('#first'), layout: strip, element: n }).motions, 0);
    expect(made(1)).toMatchObject({
      driver: { axis: 'inline' },
      range: { start: 'exit 0%', end: 'exit 100%' },
    });
    expect(made(2)).toMatchObject({
      driver: { axis: 'inline' },
      range: { start: 'entry 10%', end: { edge: '50%', line: '75%' } },
    });
  });
  test('near the page’s end are done when the page ends', () => {
    expect(itemAt(get('fade').compose(on('#last')).motions, 0).range.end).toBe('scroll 100%');
  });
  test('a slide from the right never widens the page, and says when it has no room', () => {
    expect(present(get('from-right').unfit)(on('#first'))).toMatch(/sideways/);
    expect(present(get('from-right').unfit)(on('#card'))).toBeNull();
  });
  test('a second writer of a property does not fill before its range', () => {
    const first = withFragment(get('fade').compose(on('#card')))(emptyDocument());
    const second = get('fade-out').compose({ ...on('#card'), document: first });
    expect(itemAt(second.motions, 0).fill).toBe('forwards');
  });
});

test('a thrown origin is the same each time and differs between elements', () => {
  expect(thrownOrigin('#a')).toBe(thrownOrigin('#a'));
  expect(thrownOrigin('#a')).not.toBe(thrownOrigin('#b'));
});

test('a stack gives every card but the first a way in, and every card but the last a way back', () => {
  const { motions, pins } = get('stack').compose(on('#scene'));
  expect(pins).toHaveLength(1);
  const cards = new Set(motions.map((m) => m.targets.selector));
  expect(motions).toHaveLength(2 * (cards.size - 1));
});
