import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { adjust, fragment } from '../../effect/effect-definition.ts';
import { emptyDocument } from '../../motion/index.ts';
import type { MotionDocument, Pin } from '../../motion/index.ts';
import { makeDocument, element, makeLayout, motion } from '../../testing/index.ts';
import { toRuleMark } from '../selectors/marks.ts';
import { handOffCss, toMark, patchHtml, makePatch } from '../index.ts';

const pin = (over: Partial<Pin> = {}): Pin => ({
  id: 'p_dome',
  name: 'Dome opens',
  on: true,
  stage: '#dome',
  sticky: { by: 'top', inset: '0px' },
  distance: { kind: 'length', value: '800px' },
  overlap: ['0px', '0px'],
  layer: null,
  ...over,
});
const withPin = (d: MotionDocument, ...pins: Pin[]): MotionDocument => ({ ...d, pins });

const PAGE = `<!doctype html>
<main>
  <section id=one><h2>One</h2></section>
  <section id="dome" class='x'><h2>Dome</h2><p>text
  <section><h2>Three</h2></section>
</main>`;

describe('the patch of the source', () => {
  test('wraps the stage and leaves every other byte', () => {
    const { html, changes } = patchHtml(PAGE, makePatch(withPin(emptyDocument(), pin())));
    expect(html).toContain(`<div class="lv-hold-dome-opens"><section id="dome" class='x'>`);
    expect(html.replace('<div class="lv-hold-dome-opens">', '').replace('</div>', '')).toBe(PAGE);
    expect(changes.map((c) => c.line)).toEqual([4, 6]);
  });

  test('marks what a selector would no longer find, and nothing else', () => {
    const lost = 'main > section:nth-of-type(2) > h2';
    const document = withPin(makeDocument(motion({ targets: { selector: lost } })), pin());
    const { html } = patchHtml(PAGE, makePatch(document));
    expect(html).toContain(`<h2 data-lv="${toMark(lost)}">Dome</h2>`);
    expect(html.match(/data-lv/g)).toHaveLength(1);
  });

  test('adds an attribute to drawings, once', () => {
    const page = '<svg><path d="M0 0h9"/><path pathLength="4" d="M0 0h9"></path></svg>';
    const a = adjust({ newId: () => 'a_1' } as never, 'path', { 'stroke-dasharray': '1' }, [], {
      pathLength: '1',
    });
    const { html } = patchHtml(page, makePatch({ ...emptyDocument(), ...fragment({ adjustments: [a] }) }));
    expect(html).toBe('<svg><path d="M0 0h9" pathLength="1"/><path pathLength="4" d="M0 0h9"></path></svg>');
  });

  test('says what it could not find, and breaks nothing', () => {
    const { html, notes } = patchHtml(PAGE, makePatch(withPin(emptyDocument(), pin({ stage: '#nowhere' }))));
    expect(html).toBe(PAGE);
    expect(notes[0]).toContain('#nowhere');
    expect(patchHtml(PAGE, makePatch(withPin(emptyDocument(), pin({ stage: 'a[[' })))).notes).toHaveLength(2);
  });

  test('without pins and attributes there is nothing to do', () => {
    expect(makePatch(makeDocument(motion()))).toMatchObject({ wraps: [], attributes: [] });
    expect(makePatch(withPin(emptyDocument(), pin({ on: false })))).toMatchObject({
      wraps: [],
      attributes: [],
    });
    fc.assert(
      fc.property(fc.string(), (html) => {
        expect(patchHtml(html, makePatch(makeDocument(motion()))).html).toBe(html);
      }),
    );
  });
});

describe('pins as CSS', () => {
  const layout = makeLayout([
    element({ selector: '#dome', box: { x: 0, y: 2000, width: 1000, height: 800 } }),
    element({ selector: '#a', parent: 0 }),
    element({ selector: '#strip', parent: 0, box: { x: 0, y: 2100, width: 2600, height: 300 } }),
  ]);
  const driver = { kind: 'pin' as const, pin: 'p_dome' };
  const css = (p: Pin, range = { start: '25%', end: 'calc(50% + 40px)' }) =>
    handOffCss(withPin(makeDocument(motion({ driver, range })), p), layout, 'T').css;

  test.each([
    [
      pin(),
      [
        'top: 0px;',
        '::after',
        '--lv-dome-opens-held 0px 100%',
        'entry-crossing 200px entry-crossing calc(0% + ((0.5 * 800px) + 40px))',
      ],
    ],
    [
      pin({ sticky: { by: 'bottom', inset: '5vh' } }),
      ['bottom: 5vh;', '::before', '--lv-dome-opens-held 0px 5vh', 'entry-crossing calc(100% - 600px)'],
    ],
    [
      pin({ sticky: { by: 'top', inset: '10%' }, overlap: ['40px', '0px'], layer: 3 }),
      ['--lv-dome-opens-held 10% calc(100% - (10%))', 'margin-top: calc(-1 * (40px));', 'z-index: 3;'],
    ],
    [
      pin({ distance: { kind: 'travel', strip: '#strip', rate: 2 } }),
      ['height: max(0px, 1300px - 50vw);', 'entry-crossing calc(0% + 0.25 * max(0px, 1300px - 50vw))'],
    ],
  ])('%#', (p, expected) => {
    for (const text of expected) expect(css(p)).toContain(text);
  });

  test('nothing is held with reduced motion, and its motions are not written there', () => {
    const text = css(pin());
    const reducedMotion = text.slice(text.indexOf('prefers-reduced-motion: reduce'));
    expect(reducedMotion.includes('sticky') && text.includes('prefers-reduced-motion: reduce')).toBe(false);
  });

  test('a rule of the page that would miss its section is kept with its weight', () => {
    const kept = [{ selector: 'main > section', css: 'padding: 8px;', within: ['@media (width < 900px)'] }];
    const text = handOffCss(withPin(emptyDocument(), pin()), { ...layout, kept }, 'T').css;
    expect(text).toContain('@media (width < 900px) {');
    expect(text).toContain(
      `:is(main > section, :where([data-lv~="${toRuleMark('main > section', 'missed')}"])):where([data-lv~="${toRuleMark('main > section', 'missed')}"]) { padding: 8px; }`,
    );
  });
});
