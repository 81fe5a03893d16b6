import { itemAt, present } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import { parse } from 'parse5';
import { adapter } from 'parse5-htmlparser2-tree-adapter';
import { PageElements } from './source/elements.ts';
import { readPage, takenOut, withoutTaken } from './index.ts';
import type { ImportResult } from './index.ts';

const page = (css: string, body = '<div class="a">one</div><div class="a b">two</div>') =>
  `<!doctype html><html><head><style>${css}</style></head><body>${body}</body></html>`;
const FADE = '@keyframes fade { from { opacity: 0 } }';
const MOVED = 'animation: fade linear both; animation-timeline: view();';
const read = (css: string, body?: string, files: Record<string, string> = {}): ImportResult =>
  readPage('index.html', page(css, body), (p) => files[p] ?? null);
const only = (r: ImportResult) => {
  expect(r.document.motions).toHaveLength(1);
  return itemAt(r.document.motions, 0);
};

describe('reading a page that moves', () => {
  test('a rule becomes a motion with its selector, its range and what it does without reduced motion', () => {
    const m = only(read(`${FADE} .a { ${MOVED} animation-range: entry 10% cover 50% }`));
    expect(m).toMatchObject({
      name: 'Fade',
      targets: { selector: '.a' },
      driver: { kind: 'view', subject: 'self', axis: 'block', insets: ['0px', '0px'] },
      range: { start: 'entry 10%', end: 'cover 50%' },
      keyframes: { opacity: [{ at: '0%', value: '0' }] },
      reducedMotion: 'keep',
    });
  });

  test('elements that a later rule treats differently get a motion of their own', () => {
    const { motions } = read(`${FADE} .a { ${MOVED} } .a.b { animation-range: exit }`).document;
    expect(motions.map((m) => [m.targets.selector, m.range])).toEqual([
      ['.a:not(.a.b)', { start: 'cover 0%', end: 'cover 100%' }],
      ['.a.b', { start: 'exit 0%', end: 'exit 100%' }],
    ]);
  });

  test('the shorthand takes back a timeline that stood before it, says so, and is read as meant when asked', () => {
    const css = `${FADE} .a { animation-timeline: view(); animation: fade 2s linear both }`;
    const plain = read(css);
    expect(plain.document.motions).toEqual([]);
    expect(plain.mistakes.map((m) => m.kind)).toEqual(['shorthand-order']);
    expect(itemAt(plain.mistakes, 0).place).toMatchObject({ path: 'index.html', line: 1 });
    const source = page(css);
    const corrected = readPage('index.html', source, () => null, new Set([itemAt(plain.mistakes, 0).key]));
    expect(only(corrected).targets.selector).toBe('.a');
    expect(
      present(
        withoutTaken('index.html', source, () => null, corrected.document.importedRules).get('index.html'),
      ).text,
    ).not.toContain('animation');
  });

  test.each([
    ['zero-duration', 'animation-duration: 0s'],
    ['delay-on-scrub', 'animation-duration: 3s; animation-delay: 1s'],
    ['missing-fill', 'animation-fill-mode: none'],
  ])('%s is found at its line', (kind, extra) => {
    const { mistakes } = read(`${FADE}\n.a {\n ${MOVED}\n ${extra} }`);
    expect(mistakes.map((m) => [m.kind, m.place.line])).toEqual([[kind, 4]]);
  });

  test('an ancestor that hides its overflow catches a view progress', () => {
    const { mistakes } = read(
      `${FADE} .a { ${MOVED} } main { overflow: hidden }`,
      '<main><p class="a">x</p></main>',
    );
    expect(mistakes.map((m) => m.kind)).toEqual(['scroll-container']);
  });

  test('a delay on a scrubbed animation is a share of its range', () => {
    const m = only(
      read(
        `@keyframes k { from { opacity: 0 } to { opacity: 1 } } .a { animation: k 3s 1s linear both; animation-timeline: view() }`,
      ),
    );
    expect(m.keyframes.opacity).toEqual([
      { at: '0%', value: '0' },
      { at: '25%', value: '0' },
      { at: '100%', value: '1' },
    ]);
  });

  test('media conditions become conditions of the document, prefers-reduced-motion what is left of a motion', () => {
    const { document } = read(
      `${FADE} @media (prefers-reduced-motion: no-preference) { .a { ${MOVED} } @media (width < 600px) { .a { animation-range-end: cover 40% } } }`,
    );
    expect(document.media).toMatchObject([{ query: '(width < 600px)' }]);
    expect(document.motions[0]).toMatchObject({
      reducedMotion: 'drop',
      conditions: [{ media: itemAt(document.media, 0).id, range: { end: 'cover 40%' } }],
    });
  });

  test('a wider condition holds where a narrower one does: a range that only it changes is kept', () => {
    for (const [narrow, wide] of [
      ['(min-width: 768px)', '(min-width: 1024px)'],
      ['(width >= 48em)', '(width >= 64em)'],
    ]) {
      const { document } = read(
        `${FADE} @media ${narrow} { .a { ${MOVED} animation-range: entry 10% cover 40% } } @media ${wide} { .a { animation-range: entry 20% cover 50% } }`,
      );
      const [m] = document.motions;
      expect(document.media.map((q) => q.query)).toEqual([narrow, wide]);
      expect(present(m).conditions).toMatchObject([
        { on: true },
        { range: { start: 'entry 20%', end: 'cover 50%' } },
      ]);
    }
  });

  test('what only two conditions together would play is left to the page', () => {
    const r = read(
      `${FADE} @media (min-width: 768px) { .a { ${MOVED} } } @media (max-width: 1200px) { .a { animation-range: entry 20% cover 50% } }`,
    );
    expect([r.document.motions, takenOut(r.claims).size]).toEqual([[], 0]);
    expect(itemAt(r.unsupported, 0).reason).toContain('match together');
  });

  test('more conditions than a document has room for: the rest is left to the page', () => {
    const many = Array.from(
      { length: 30 },
      (_, i) => `@media (min-width: ${400 + i}px) { .a${i} { animation-range: entry ${i}% cover 50% } }`,
    );
    const body = Array.from({ length: 30 }, (_, i) => `<p class="a a${i}">x</p>`).join('');
    const r = read(
      `${FADE} ${many.map((q) => q.replace('{ animation', `{ ${MOVED} animation`)).join('')}`,
      body,
    );
    expect(r.document.media.length).toBeLessThanOrEqual(20);
    expect(r.document.motions.length).toBeGreaterThan(0);
    expect(r.unsupported.length).toBeGreaterThan(0);
  });

  test('a custom property that is not registered flips half-way, which no document says', () => {
    const css = (registered: string) =>
      `${registered} @keyframes up { from { --lift: 0px } to { --lift: 40px } } .a { animation: up linear both; animation-timeline: view() }`;
    expect(read(css('')).document.motions).toEqual([]);
    expect(itemAt(read(css('')).unsupported, 0).reason).toContain('--lift is not registered');
    const own = "@property --lift { syntax: '<length>'; inherits: false; initial-value: 0px }";
    expect(read(css(own)).document.motions).toHaveLength(1);
  });

  const findHold = (r: ImportResult, css: string, body?: string) => {
    const source = page(css, body);
    const text = present(
      withoutTaken('index.html', source, () => null, r.document.importedRules).get('index.html'),
    ).text;
    // What is left alone is left alone again, and no motion is read twice.
    expect(readPage('index.html', text, () => null).document.motions).toEqual([]);
    return text;
  };

  test('what stands under a condition that Lyvek does not know is left, element by element', () => {
    const css = `${FADE} .a { ${MOVED} } @container (width > 3px) { .b { animation: none } .b { animation-name: fade } }`;
    const r = read(css);
    expect(only(r).targets.selector).toBe('.a:not(.b)');
    expect(r.unsupported.map((u) => u.reason).join()).toContain('@container');
    expect(findHold(r, css)).toContain(
      `.a:not(:where(.a:not(.b))) { animation: fade linear both; animation-timeline: view(); }`,
    );
  });

  test('a rule that also moves elements in time goes on doing that', () => {
    const css = `${FADE} .a { color: red; animation: fade 1s both } .b { animation-timeline: view() }`;
    const r = read(css);
    expect(only(r).targets.selector).toBe('.b');
    const rest = findHold(r, css);
    expect(rest).toContain('.a:not(:where(.b)) { animation: fade 1s both; } .a { color: red; }');
    expect(rest).toContain(FADE);
    expect(rest).not.toContain('view()');
  });

  test('one value that cannot be read keeps one element of a shared rule, and says which', () => {
    const css = `@keyframes tint { from { color: var(--c) } } .a { ${MOVED} animation-name: tint } .a:not(.b) { --c: #f00 }`;
    const body = '<p class="a">1</p><p class="a b">2</p><p class="a">3</p>';
    const r = read(css, body);
    expect(only(r).targets.selector).toBe('.a:not(.b)');
    expect(r.unsupported).toHaveLength(1);
    expect(itemAt(r.unsupported, 0).what).toBe('.b (by .a)');
    expect(findHold(r, css, body)).toContain('@keyframes tint');
  });

  test('a pseudo-element that shares a rule with its element stays', () => {
    const css = `${FADE} .a, .a::after { ${MOVED} }`;
    const r = read(css);
    expect(only(r).targets.selector).toBe('.a');
    expect(findHold(r, css)).toContain('.a:not(:where(.a)), .a::after {');
  });

  test('a pseudo-element moves by the view progress of what draws it, and by that of nothing else', () => {
    const named = `${FADE} .a { view-timeline: --a } .a::after { ${MOVED} animation-timeline: --a }`;
    const m = only(read(named));
    expect([m.targets.selector, m.driver]).toMatchObject(['.a::after', { kind: 'view', subject: 'self' }]);
    expect(findHold(read(named), named).replace(/\s/g, '')).toBe(page('').replace(/\s/g, ''));
    const scrolled = `${FADE} .a:before { animation: fade linear both; animation-timeline: scroll(root) }`;
    expect(only(read(scrolled)).driver.kind).toBe('scroll');
    const own = read(`${FADE} .a::after { ${MOVED} }`);
    expect(own.document.motions).toEqual([]);
    expect(itemAt(own.unsupported, 0).reason).toContain('where the pseudo-element itself is');
  });

  test.each([
    ['@scope (.card) { p { MOVED } }', 'a b root'],
    ['@scope (.card) to (.slot) { p { MOVED } }', 'a root'],
    ['@scope (.card) to (:scope > .slot) { p { MOVED } }', 'a root'],
    ['@scope (.card) { :scope > p { MOVED } }', 'a'],
    ['@scope (.card, .other) { & p { MOVED } }', 'a b c'],
    ['@scope (#none) { p { MOVED } }', ''],
  ])('%s', (scope, ids) => {
    const body =
      '<div class="card"><p id="a">1</p><div class="slot"><p id="b">2</p></div></div><div class="other"><p id="c">3</p></div><p id="root" class="card">4</p>';
    const { document } = read(`${FADE} ${scope.replace('MOVED', MOVED)}`, body);
    const elements = new PageElements(parse(page('', body), { treeAdapter: adapter }));
    const found = document.motions.flatMap((m) => elements.all(m.targets.selector) ?? []);
    expect(found.map((e) => e.attribs.id).join(' ')).toBe(ids);
  });

  test('a scope keeps the weight of its selectors, and one that begins at its style element is left', () => {
    const weights = `${FADE} .a { ${MOVED} } @scope (#long .a) { :scope { animation-name: none } } p.a { animation-name: fade }`;
    expect(only(read(weights, '<div id="long"><p class="a">x</p></div>')).name).toBe('Fade');
    const left = read(`${FADE} @scope { .a { ${MOVED} } }`);
    expect(itemAt(left.unsupported, 0).reason).toContain('@scope');
  });

  test('what adds to other values, and what accumulates', () => {
    for (const how of ['add', 'accumulate'] as const) {
      const r = read(`${FADE} .a { ${MOVED} animation-composition: ${how} }`);
      expect(only(r).composite).toBe(how);
    }
  });

  test('rules in rules, and conditions in rules, are narrowed where they stand', () => {
    const body = '<main><p class="a">1</p><p class="a b">2</p></main>';
    const odd = '.b { animation-play-state: paused !important }';
    const nested = `${FADE} main { color: red; & > .a { ${MOVED} &:hover { color: blue } } } ${odd}`;
    expect(findHold(read(nested, body), nested, body)).toMatch(
      /main \{ color: red; & > \.a:not\(:where\([^{]+\)\) \{ animation: fade/,
    );
    const inside = `${FADE} .a { color: red; @supports (color: red) { ${MOVED} color: blue } } ${odd}`;
    expect(findHold(read(inside, body), inside, body)).toMatch(
      /@supports \(color: red\) \{ &:not\(:where\([^{]+\)\) \{ animation: fade/,
    );
  });

  test('what stays of a rule stays under its condition, also where nothing else stands there', () => {
    const css = `${FADE} .a { ${MOVED} } .b { animation-play-state: paused } @media (prefers-reduced-motion: reduce) { .a, .b { animation: none } }`;
    expect(findHold(read(css), css)).toMatch(
      /@media \(prefers-reduced-motion: reduce\) \{\s*\.a:not\([^{]+\{ animation: none; \}/,
    );
  });

  test('a timeline that one element carries for others keeps them together', () => {
    const r = read(
      `${FADE} main { view-timeline: --m } p { animation: fade linear both; animation-timeline: --m } .b { animation-play-state: paused }`,
      '<main><p>1</p><p class="b">2</p></main>',
    );
    expect(r.document.motions).toEqual([]);
    expect(takenOut(r.claims).size).toBe(0);
  });

  test('equal steps become a stagger; a trigger becomes a trigger; a carried timeline the view progress of the nearest carrier', () => {
    const steps = read(
      `${FADE} li { ${MOVED} animation-range: entry calc(var(--i) * 30px) entry calc(100% + var(--i) * 30px) }`,
      '<ul><li style="--i:0">a</li><li style="--i:1">b</li><li style="--i:2">c</li></ul>',
    );
    expect(only(steps).stagger).toEqual({ step: '30px', order: 'property', property: '--i' });
    const among = read(
      `${FADE} .a { ${MOVED} animation-range: entry calc(5% + (sibling-index() - 1) * 30px) exit calc(50% + sibling-index() * 30px) }`,
      '<h2>Three</h2><p class="a"></p><b></b><p class="a"></p><p class="a"></p>',
    );
    expect(only(among)).toMatchObject({
      range: { start: 'entry 5%', end: 'exit calc(50% + 30px)' },
      stagger: { step: '30px', order: 'siblings' },
    });
    const trigger = read(
      `${FADE} h2 { animation: fade 300ms both; timeline-trigger: --t view(block 0px 25%) entry-crossing 40% cover 1000%; animation-trigger: --t play-once }`,
      '<h2>x</h2>',
    );
    expect(trigger.document.triggers).toMatchObject([
      { subject: 'h2', down: { edge: '40%', line: '75%' }, up: null, plays: 'once' },
    ]);
    const carried = read(
      `${FADE} figure { view-timeline: --f } img { animation: fade linear both; animation-timeline: --f }`,
      '<figure><img></figure><figure><img></figure>',
    );
    expect(only(carried).driver).toMatchObject({ subject: 'figure' });
  });

  test('two crossings between insets are two meetings', () => {
    const m = only(
      read(
        `${FADE} .a { animation: fade linear both; animation-timeline: view(block 50% 30%); animation-range: entry-crossing 25% exit-crossing 75% }`,
      ),
    );
    expect(m.range).toEqual({ start: { edge: '25%', line: '70%' }, end: { edge: '75%', line: '50%' } });
  });

  test('custom properties that the page registers keep their registration', () => {
    const r = read(
      `@property --w { syntax: "<number>"; inherits: false; initial-value: 3 } @keyframes k { to { --w: 9 } } .a { animation: k linear both; animation-timeline: scroll() }`,
    );
    expect(r.document.properties).toEqual([
      { name: '--w', syntax: '<number>', inherits: false, initial: '3' },
    ]);
  });

  test('only what was read goes, from every file, and comments stay', () => {
    const files = {
      'a.css':
        '/* cards */\n.a {\n  color: red; /* warm */\n  animation: fade linear both;\n  animation-timeline: view();\n}\n@keyframes fade {\n  from { opacity: 0 }\n}\n@keyframes other { to { opacity: 0 } }\n',
    };
    const html = '<link rel=stylesheet href="a.css?v=3"><div class=a>x</div>';
    const r = readPage('index.html', html, (p) => files[p as 'a.css'] ?? null);
    const { text, lines } = present(takenOut(r.claims).get('a.css'));
    expect(text).toBe(
      '/* cards */\n.a {\n  color: red; /* warm */\n}\n@keyframes other { to { opacity: 0 } }\n',
    );
    expect(lines).toEqual([4, 5, 7, 8, 9]);
  });

  test.each([
    ['@layer motion { .a { MOVED } }', { layer: 'motion' }],
    ['@layer theme { @layer motion { .a { MOVED } } }', { layer: 'theme.motion' }],
    ['@layer motion { .a { MOVED } } .b { animation-range: exit }', {}],
    ['@layer { .a { MOVED } }', {}],
    ['div { &.a { MOVED } }', { nested: true }],
    ['.a { MOVED @media (width < 600px) { animation-range: exit } }', {}],
  ])('what moves is written again as its author did: %s', (css, style) => {
    const { document } = read(FADE + css.replace('MOVED', MOVED));
    expect(document.motions.length).toBeGreaterThan(0);
    expect({ layer: document.layer, nested: document.nested }).toEqual(style);
  });

  test('layers with odd names are layers', () => {
    const css = `@layer a., .b, , .; @layer a. { .a { ${MOVED} } } @layer . { .a { animation-range: exit } } ${FADE}`;
    expect(only(read(css)).range.start).toBe('exit 0%');
  });

  test('a byte order mark shifts nothing', () => {
    const plain = page(
      `${FADE} .a { color: red; ${MOVED} }`,
      '<div class="a" style="animation-range: entry">x</div>',
    );
    const marked = readPage('index.html', `\uFEFF${plain}`, () => null);
    expect(only(marked).range.start).toBe('entry 0%');
    const bare = present(takenOut(readPage('index.html', plain, () => null).claims).get('index.html')).text;
    expect(present(takenOut(marked.claims).get('index.html')).text).toBe(`\uFEFF${bare}`);
    expect(bare).toContain('<div class="a">x</div>');
  });

  test('broken CSS costs no more than itself', () => {
    expect(
      only(read(`.x { color: ; } } .y { { } } ${FADE} .a { ${MOVED} } @media { .z {`)).keyframes,
    ).toHaveProperty('opacity');
    expect(
      only(
        read(`${FADE} .x { animation-range: nonsense 3% } .a { ${MOVED} } .b { animation-timeline: soon }`),
      ).targets.selector,
    ).toBe('.a');
  });

  test('variables that refer to each other, or grow without end, end the value and nothing else', () => {
    const bomb = Array.from({ length: 40 }, (_, i) => `--v${i + 1}: var(--v${i}) var(--v${i});`).join('');
    const r = read(
      `:root { --v0: 1px; ${bomb} --x: var(--y); --y: var(--x) } ${FADE} .a { ${MOVED} animation-range: entry var(--x) } .b { animation-range: var(--v40) }`,
    );
    expect(r.document.motions.length).toBeGreaterThan(0);
  });
});
