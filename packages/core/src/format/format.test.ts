import { itemAt, lastItem } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { makeDocument, element, makeLayout, motion, fadeAndRise } from '../testing/index.ts';
import { hasSheetsInBody, insertFirstInHead, insertLastInHead, toTitle } from './html/html.ts';
import { handOffCss } from './css/join-css.ts';
import { previewCss } from './css/piece.ts';
import { indent } from './css/rule.ts';
import { cssNames, slug, stylesheetPath } from './selectors/names.ts';
import { rangeCss } from './css/range-css.ts';
import { writeCss } from './css/write-css.ts';
import { computeGeometry } from '../page/index.ts';

const layout = makeLayout([element({ selector: '#a' }), element({ selector: '#b' })]);
const write = (...motions: ReturnType<typeof motion>[]) =>
  writeCss(makeDocument(...motions), layout, 'full-motion');
const text = (...motions: ReturnType<typeof motion>[]) =>
  write(...motions)
    .pieces.map(previewCss)
    .join('\n');

describe('the writer', () => {
  test('puts the shorthand first, since it resets timeline and range', () => {
    const css = text(motion());
    expect(css.indexOf('animation:')).toBeLessThan(css.indexOf('animation-timeline:'));
    expect(css.indexOf('animation-timeline:')).toBeLessThan(css.indexOf('animation-range:'));
    expect(css).toContain('animation: lv-card linear both;');
    expect(css).toContain('animation-timeline: view();');
  });

  test('two motions of one element share lists; a motion alone keeps its own block', () => {
    const css = text(
      motion(),
      motion({ id: 'm_b', name: 'Leave', fill: 'forwards' }),
      motion({ id: 'm_c', name: 'Other', targets: { selector: '#b' } }),
    );
    expect(css).toContain('lv-card linear both,\n    lv-leave linear forwards;');
    expect(css).toMatch(/#b \{\n {2}animation: lv-other linear both;/);
  });

  test('selectors that overlap get a block for their intersection, more specific than both', () => {
    const both = { ...layout, matches: { '.card': [0, 1], '#b': [1] } };
    const { pieces } = writeCss(
      makeDocument(
        motion({ targets: { selector: '.card' } }),
        motion({ id: 'm_b', name: 'Last', targets: { selector: '#b' } }),
      ),
      both,
      'full-motion',
    );
    expect(lastItem(pieces).rules).toContain(':is(.card):is(#b) {');
    expect(lastItem(pieces).rules).toContain('lv-card');
    expect(lastItem(pieces).rules).toContain('lv-last');
  });

  test('a pseudo-element stands outside of :is(), is driven by what draws it, and keeps its pseudo-element behind a mark', () => {
    const parts = ['#a', '#b'].map((s) => element({ selector: `${s}::after`, tag: '::after' }));
    const drawn = {
      ...makeLayout([...layout.elements, ...parts.map((e, i) => ({ ...e, parent: i }))]),
      matches: { '.card::after': [2, 3], '#b::after': [3], '.card': [0, 1], '#b': [1] },
    };
    const document = makeDocument(
      motion({ targets: { selector: '.card::after' } }),
      motion({ id: 'm_b', name: 'Last', targets: { selector: '#b::after' } }),
      motion({ id: 'm_c', name: 'Whole', targets: { selector: '#b' } }),
    );
    const css = writeCss(document, drawn, 'full-motion').pieces.map(previewCss).join('\n');
    expect(css).toContain(':is(.card):is(#b)::after {');
    expect(css).not.toMatch(/:is\([^)]*::/);
    expect(css).toMatch(/\.card \{\n {2}view-timeline: --lv-card;/);
    expect(css).not.toContain('timeline-scope');
    // The element itself moves by itself.
    expect(css).toMatch(/#b \{\n {2}animation: lv-whole linear both;/);
    const marked = writeCss(document, { ...drawn, marked: ['.card'] }, 'full-motion');
    expect(marked.pieces.map(previewCss).join('\n')).toMatch(/\[data-lv~="card-\w+"\]::after \{/);
  });

  test('another element’s view progress becomes a named timeline that the root scopes', () => {
    const css = text(
      motion({ driver: { kind: 'view', subject: '#b', axis: 'block', insets: ['0px', '0px'] } }),
    );
    expect(css).toContain('timeline-scope: --lv-b;');
    expect(css).toContain('#b {\n  view-timeline: --lv-b;');
    expect(css).toContain('animation-timeline: --lv-b;');
  });

  test('properties whose easings disagree at a stop get keyframes of their own', () => {
    const css = text(
      motion({
        keyframes: {
          opacity: [
            { at: '0%', value: '0', easing: 'ease-in' },
            { at: '100%', value: '1' },
          ],
          scale: [
            { at: '0%', value: '0.5' },
            { at: '100%', value: '1' },
          ],
        },
      }),
    );
    expect(css).toContain('@keyframes lv-card {');
    expect(css).toContain('@keyframes lv-card_2 {');
  });

  test('reduced motion: fades keep opacity only, dropped ones are gone, kept ones stay', () => {
    const parts = {
      opacity: [
        { at: '0%', value: '0' },
        { at: '100%', value: '1' },
      ],
      translate: [
        { at: '0%', value: '0 9px' },
        { at: '100%', value: '0 0' },
      ],
    };
    const css = writeCss(
      makeDocument(
        motion({ keyframes: parts }),
        motion({ id: 'm_b', name: 'Drop', targets: { selector: '#b' }, reducedMotion: 'drop' }),
      ),
      layout,
      'reduced-motion',
    )
      .pieces.map(previewCss)
      .join('\n');
    expect(css).toContain('lv-card-still');
    expect(css).not.toContain('translate');
    expect(css).not.toContain('drop');
  });

  test('muted motions are not written', () => expect(write(motion({ on: false })).pieces).toEqual([]));
});

describe('ranges', () => {
  const g = computeGeometry(layout, 0, 'block');
  const driver = {
    kind: 'view' as const,
    subject: 'self',
    axis: 'block' as const,
    insets: ['0px', '0px'] as [string, string],
  };

  test('two meetings become insets and crossings', () =>
    expect(
      rangeCss({ start: { edge: '0%', line: '90%' }, end: { edge: '50%', line: '50%' } }, driver, [g]),
    ).toEqual({
      insets: ['50%', '10%'],
      range: 'entry-crossing 0% exit-crossing 50%',
      assumesViewport: false,
    }));
  test('a phase beside a meeting is exact while the element is short', () =>
    expect(rangeCss({ start: 'entry 10%', end: { edge: '50%', line: '50%' } }, driver, [g])).toEqual({
      insets: ['50%', '0px'],
      range: 'entry-crossing 10% exit-crossing 50%',
      assumesViewport: false,
    }));
  test('and says that it assumes the viewport where it is tall somewhere', () => {
    const css = rangeCss({ start: 'entry 10%', end: { edge: '50%', line: '50%' } }, driver, [
      g,
      { ...g, size: 1200 },
    ]);
    expect(css).toEqual({
      insets: ['0px', '0px'],
      range: 'entry 10% entry-crossing calc(50% + 50vh)',
      assumesViewport: true,
    });
  });
  test('the page’s ends hang on no inset', () =>
    expect(
      rangeCss({ start: 'scroll 0%', end: { edge: '50%', line: '50%' } }, driver, [g]).assumesViewport,
    ).toBe(false));
  test('insets that would leave nothing are never written', () => {
    fc.assert(
      fc.property(fc.integer({ min: -20, max: 120 }), fc.integer({ min: -20, max: 120 }), (a, b) => {
        const { insets, assumesViewport } = rangeCss(
          { start: { edge: '0%', line: `${a}%` }, end: { edge: '100%', line: `${b}%` } },
          driver,
          [g],
        );
        if (!assumesViewport)
          expect(insets.map(Number.parseFloat).reduce((x, y) => x + y) * 8).toBeLessThan(800 + g.size);
      }),
    );
  });
});

describe('the hand-off', () => {
  test('holds the preview’s very text, indented, inside its guards', () => {
    const rising = motion({ keyframes: fadeAndRise('0 40px'), reducedMotion: 'drop' });
    const { css } = handOffCss(makeDocument(rising), layout, 'Title */ x');
    for (const piece of write(rising).pieces) {
      expect(css).toContain(indent(piece.rules, '    '));
      expect(css).toContain(piece.keyframes);
    }
    expect(css).toMatch(/^\/\* Title {2}x \*\//);
    expect(css).toContain('@supports (animation-timeline: view())');
    expect(css).toContain('@media screen and (prefers-reduced-motion: no-preference)');
  });

  test('numbers that are to be tuned stand at the top of the block', () => {
    const { css } = handOffCss(
      makeDocument(motion({ keyframes: fadeAndRise('0 40px'), tunable: true })),
      layout,
      't',
    );
    expect(css).toContain(
      '--lv-card-start: entry 0%;\n      --lv-card-end: contain 50%;\n      --lv-card-distance: 40px;\n      animation:'.replaceAll(
        '\n      ',
        '\n      ',
      ),
    );
    expect(css).toContain('from { opacity: 0; translate: 0 var(--lv-card-distance); }');
  });

  test('what is the same for all readers is written once', () => {
    const { css } = handOffCss(makeDocument(motion({ reducedMotion: 'keep' })), layout, 't');
    expect(css.match(/animation-timeline: view\(\);/g)).toHaveLength(1);
    expect(css).not.toContain('prefers-reduced-motion');
  });

  test('line marks point at the rules', () => {
    const out = handOffCss(makeDocument(motion()), layout, 't');
    const { from, to } = itemAt(out.lines, 0);
    expect(
      out.css
        .split('\n')
        .slice(from - 1, to)
        .join('\n'),
    ).toBe(indent(itemAt(out.lines, 0).piece.rules, '    '));
  });

  test('names are readable and unique', () => {
    expect(slug('Échelle — Card 2!')).toBe('echelle-card-2');
    expect(slug('***')).toBe('motion');
    expect([...cssNames([motion(), motion({ id: 'm_b' })]).values()]).toEqual(['lv-card', 'lv-card-2']);
    expect(stylesheetPath('site/index.html', 'My Page')).toEqual({
      path: 'site/my-page.motion.css',
      href: 'my-page.motion.css',
    });
  });
});

describe('HTML', () => {
  const link = '<link rel="stylesheet" href="x.css">';
  test('the link goes last into the head, everything else stays', () => {
    const html =
      '<!doctype html>\n<html>\n  <head>\n    <title>T</title>\n  </head>\n  <body>x</body>\n</html>\n';
    const out = insertLastInHead(html, link);
    expect(out.html).toBe(html.replace('  </head>', `    ${link}\n  </head>`));
    expect(itemAt(out.html.split('\n'), out.line - 1).trim()).toBe(link);
  });
  test.each(['<p>no head</p>', '<title>T</title><p>x', '<!doctype html><body>x', '', '<html><body>x'])(
    'finds a place in %j',
    (html) => {
      const out = insertLastInHead(html, link).html;
      expect(out.replace(/\n?<link[^>]*>\n?/, '')).toBe(html);
      expect(insertFirstInHead(html, '<script></script>').replace('<script></script>', '')).toBe(html);
    },
  );
  test('the probe stands before a policy of the page', () => {
    const html =
      '<!doctype html><html><head><meta http-equiv="Content-Security-Policy" content="x"></head></html>';
    expect(insertFirstInHead(html, '<script>')).toContain('<head><script><meta');
  });
  test('knows style sheets that come later than the head', () => {
    expect(hasSheetsInBody('<head><style>a{}</style></head><body><p>x')).toBe(false);
    expect(hasSheetsInBody('<body><div><style>a{}</style></div>')).toBe(true);
    expect(hasSheetsInBody('<body><p>x<link rel="stylesheet" href="b.css">')).toBe(true);
  });
  test('reads the title', () =>
    expect([toTitle('<title> A \n B </title>'), toTitle('<p>')]).toEqual(['A B', null]));
});
