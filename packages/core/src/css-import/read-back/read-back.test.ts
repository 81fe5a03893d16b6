import { describe, expect, test } from '@jest/globals';
import { itemAt, present } from '../../assert/index.ts';
import { handOffCss } from '../../format/index.ts';
import { collectSelectors, emptyDocument, readDocument } from '../../motion/index.ts';
import type { Motion, MotionDocument } from '../../motion/index.ts';
import { layoutOfPage } from '../../testing/page-layout.ts';
import { readBack } from './read-back.ts';

const HTML = `<!doctype html><html><body><main>
<section id="hero"><h1 class="title">Harbour</h1></section>
<ul class="cards"><li class="card">One</li><li class="card late">Two</li><li class="card">Three</li></ul>
<section id="stage"><p class="line">Held</p></section>
</main></body></html>`;

const rise = {
  opacity: [
    { at: '0%', value: '0' },
    { at: '100%', value: '1' },
  ],
  translate: [
    { at: '0%', value: '0 40px' },
    { at: '100%', value: '0 0' },
  ],
};
const view = { kind: 'view', subject: 'self', axis: 'block', insets: ['0px', '0px'] };
const base = (over: object) => ({
  ...{ on: true, driver: view, range: { start: 'entry 0%', end: 'cover 40%' }, keyframes: rise },
  ...{
    easing: 'linear',
    fill: 'both',
    composite: 'replace',
    damping: { kind: 'none' },
    reducedMotion: 'drop',
  },
  ...over,
});
const read = (json: object): MotionDocument => {
  const parsed = readDocument({ ...emptyDocument(), ...json });
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems));
  return parsed.document;
};
const DOCUMENT = read({
  media: [{ id: 'q_narrow', name: 'narrow', query: '(width < 600px)' }],
  motions: [
    base({ id: 'm_title', name: 'Title', targets: { selector: '.title' } }),
    base({
      ...{ id: 'm_cards', name: 'Cards', targets: { selector: '.card' } },
      stagger: { step: '24px', order: 'page' },
    }),
    base({
      ...{ id: 'm_meets', name: 'Meets', targets: { selector: '#hero' } },
      range: { start: { edge: '0%', line: '90%' }, end: { edge: '50%', line: '50%' } },
      keyframes: { scale: [{ at: '0%', value: '0.8' }] },
      conditions: [{ media: 'q_narrow', on: false }],
    }),
    base({
      ...{ id: 'm_held', name: 'Held', targets: { selector: '.line' } },
      ...{ driver: { kind: 'pin', pin: 'p_stage' }, range: { start: '0%', end: '100%' } },
      keyframes: { rotate: [{ at: '100%', value: '20deg' }] },
    }),
  ],
  pins: [
    {
      ...{ id: 'p_stage', name: 'Stage', on: true, stage: '#stage', sticky: { by: 'top', inset: '0px' } },
      ...{ distance: { kind: 'length', value: '150vh' }, overlap: ['0px', '0px'], layer: null },
    },
  ],
  adjustments: [{ id: 'a_ul', selector: '.cards', declarations: { overflow: 'clip' }, for: ['m_cards'] }],
});
const LAYOUT = layoutOfPage(HTML, collectSelectors(DOCUMENT));
const CSS = handOffCss(DOCUMENT, LAYOUT, 'T').css;
const back = (edit: (css: string) => string, document = DOCUMENT) => {
  const edited = edit(CSS);
  expect(edited).not.toBe(CSS);
  return readBack(document, CSS, edited, { layout: LAYOUT });
};
const find = (d: MotionDocument, id: string): Motion => present(d.motions.find((m) => m.id === id));
/** All but what a motion is expected to have become. */
const others = (d: MotionDocument, id: string) => d.motions.filter((m) => m.id !== id);

describe('code that was edited, read back', () => {
  test('nothing changes where only the form does', () => {
    const reformatted = CSS.replace(/\{\s+/g, '{ ').replace(/;\s+/g, '; ');
    expect(readBack(DOCUMENT, CSS, reformatted, { layout: LAYOUT })).toEqual({
      document: DOCUMENT,
      changed: [],
      unsupported: [],
    });
  });

  test.each([
    [
      'an end of a range',
      'm_title',
      /entry 0% cover 40%/,
      'entry 0% cover 55%',
      { range: { start: 'entry 0%', end: 'cover 55%' } },
    ],
    ['a fill', 'm_meets', /lv-meets linear both/, 'lv-meets linear backwards', { fill: 'backwards' }],
    ['the step of a stagger', 'm_cards', /\* 24px/g, '* 30px', { stagger: { step: '30px', order: 'page' } }],
    [
      'a distance',
      'm_held',
      /rotate: 20deg/,
      'rotate: 35deg',
      { keyframes: { rotate: [{ at: '100%', value: '35deg' }] } },
    ],
  ])('%s', (_, id, from, to, expected) => {
    const { document, changed, unsupported } = back((css) => css.replace(from, to));
    expect([changed, unsupported]).toEqual([[id], []]);
    expect(find(document, id)).toMatchObject(expected);
    expect(others(document, id)).toEqual(others(DOCUMENT, id));
  });

  test('keyframes that two motions share change for both', () => {
    const { document, changed } = back((css) => css.replace('translate: 0 40px', 'translate: 0 80px'));
    expect(changed.sort()).toEqual(['m_cards', 'm_title']);
    for (const id of changed)
      expect(itemAt(present(find(document, id).keyframes.translate), 0).value).toBe('0 80px');
  });

  test('a meeting stays one, and its conditions stay', () => {
    const { document } = back((css) => css.replace('exit-crossing 50%', 'exit-crossing 75%'));
    expect(find(document, 'm_meets').range).toEqual({
      start: { edge: '0%', line: '90%' },
      end: { edge: '75%', line: '50%' },
    });
    expect(find(document, 'm_meets').conditions).toEqual([{ media: 'q_narrow', on: false }]);
  });

  test('what is written under a media condition is read for that condition', () => {
    const { document } = back((css) =>
      css.replace('animation: none;', 'animation-range: entry 0% cover 20%;'),
    );
    expect(find(document, 'm_meets').conditions?.[0]).toMatchObject({ media: 'q_narrow' });
    expect(find(document, 'm_meets').conditions?.[0]?.on).not.toBe(false);
  });

  test('the height of a track is the distance of its pin; a declaration is its adjustment', () => {
    const longer = back((css) => css.replace('height: 150vh', 'height: 220vh')).document;
    expect(itemAt(longer.pins, 0).distance).toEqual({ kind: 'length', value: '220vh' });
    const hidden = back((css) => css.replace('overflow: clip', 'overflow: hidden')).document;
    expect(itemAt(hidden.adjustments, 0).declarations).toEqual({ overflow: 'hidden' });
    expect(back((css) => css.replace('overflow: clip;', '')).document.adjustments).toEqual([]);
  });

  test('an animation that is taken out is a motion less; a new one is a motion more', () => {
    const less = back((css) => css.replace('.title,\n', ''));
    expect(less.document.motions.map((m) => m.id)).toEqual(['m_cards', 'm_meets', 'm_held']);
    const more = back((css) =>
      css.replace(
        '@keyframes',
        '#stage { animation: sink linear both; animation-timeline: view(); animation-range: exit }\n@keyframes sink { to { opacity: 0 } }\n@keyframes',
      ),
    );
    expect(more.document.motions).toHaveLength(5);
    expect(more.document.motions.at(-1)).toMatchObject({
      name: 'Sink',
      targets: { selector: '#stage' },
      range: { start: 'exit 0%', end: 'exit 100%' },
    });
  });

  test('what no document says is given back as text, with the conditions around it, and nothing else is lost', () => {
    const { document, unsupported } = back((css) =>
      css.replace('#hero {', '#hero { color: teal;').replace('entry 0% cover 40%', 'entry 0% cover 50%'),
    );
    expect(find(document, 'm_title').range.end).toBe('cover 50%');
    expect(unsupported).toHaveLength(1);
    expect(itemAt(unsupported, 0).text).toContain('color: teal;');
    expect(itemAt(unsupported, 0).text).toMatch(/^@supports \(animation-timeline: view\(\)\) \{/);
  });

  test('one of several alike elements that plays something else, and a range along a pin, stay as they are', () => {
    const apart = back((css) =>
      css.replace('@keyframes', '.card.late { animation-fill-mode: none }\n@keyframes'),
    );
    expect(apart.document).toEqual(DOCUMENT);
    expect(itemAt(apart.unsupported, 0)).toMatchObject({
      text: expect.stringContaining('animation-fill-mode: none'),
    });
    const pinned = back((css) =>
      css.replace(/(\.line \{[^}]*animation-range: )[^;]*/, '$1entry-crossing 0% entry-crossing 90vh'),
    );
    expect(pinned.document).toEqual(DOCUMENT);
    expect(itemAt(pinned.unsupported, 0).reason).toContain('counted along a pin');
  });

  test('in a layer, with selectors nested, it is read alike', () => {
    const layered = {
      ...DOCUMENT,
      ...{ layer: 'motion', nested: true },
      motions: DOCUMENT.motions.map((m) =>
        m.id === 'm_meets' ? { ...m, targets: { selector: '#stage > .line' } } : m,
      ),
    };
    const css = handOffCss(layered, LAYOUT, 'T').css;
    const edit = (from: string | RegExp, to: string) => {
      const edited = css.replace(from, to);
      expect(edited).not.toBe(css);
      return readBack(layered, css, edited, { layout: LAYOUT });
    };
    expect(edit(/entry 0% cover 40%/, 'entry 0% cover 55%')).toMatchObject({
      changed: ['m_title'],
      unsupported: [],
    });
    expect(itemAt(edit('height: 150vh', 'height: 220vh').document.pins, 0).distance).toMatchObject({
      value: '220vh',
    });
    const { unsupported } = edit('.title,', '.title { color: teal; b { top: 0; } }\n.title,');
    expect(unsupported.map((u) => u.text.replace(/\s+/g, ' '))).toEqual([
      expect.stringMatching(/^@layer motion \{ @supports .*\.title \{ color: teal; \}/),
      expect.stringMatching(/\.title b \{ top: 0; \}/),
    ]);
  });
});
