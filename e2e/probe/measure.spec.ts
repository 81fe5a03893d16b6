/** The probe’s measuring against the browser’s own view timelines, on awkward pages. */
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { LayoutSchema, itemAt } from '@lyvek/core';
import type { Layout } from '@lyvek/core';
import { oracleScript } from '../support/runtime.ts';

let script = '';
test.beforeAll(async () => {
  script = await oracleScript();
});

async function measured(page: Page, body: string, css = '', selectors: string[] = []): Promise<Layout> {
  await page.setViewportSize({ width: 1000, height: 800 });
  await page.setContent(
    `<!doctype html><html lang="en"><head><style>body{margin:0}${css}</style></head><body>${body}</body></html>`,
  );
  await page.evaluate(script);
  return LayoutSchema.parse(await page.evaluate(`oracle.measure(${JSON.stringify(selectors)})`));
}

const of = (layout: Layout, selector: string) => {
  const found = layout.elements.find((e) => e.selector === selector);
  if (!found)
    throw new Error(`${selector} was not measured: ${layout.elements.map((e) => e.selector).join(', ')}`);
  return found;
};

/** What the browser’s own timeline says of an element without transforms. */
const timeline = (page: Page, selector: string) =>
  page.evaluate((s) => {
    type Timeline = { startOffset: { value: number }; endOffset: { value: number } };
    const Make = (globalThis as unknown as { ViewTimeline: new (o: object) => Timeline }).ViewTimeline;
    const t = new Make({ subject: document.querySelector(s)!, axis: 'block', inset: '0px' });
    return {
      top: t.startOffset.value + innerHeight,
      height: t.endOffset.value - t.startOffset.value - innerHeight,
    };
  }, selector);

test('boxes ignore transforms of the element and of everything above it', async ({ page }) => {
  const layout = await measured(
    page,
    '<div style="height:1200.25px"></div><div style="transform:rotate(20deg) scale(.4)"><div id="in" style="height:150.5px;translate:30px 90px">x</div></div><div style="height:2000px"></div>',
  );
  const { box } = of(layout, '#in');
  expect(await timeline(page, '#in')).toEqual({ top: box.y, height: box.height });
  expect([box.x, box.width]).toEqual([0, 1000]);
});

test('the same boxes wherever the page stands', async ({ page }) => {
  const body =
    '<div style="height:900px"></div><div style="height:2400px"><div id="stick" style="position:sticky;top:40px;height:300px"><p id="inner" style="margin:0;padding-top:33px;height:60px">x</p><div style="overflow:hidden;height:90px"><p id="deep" style="margin:20px 0 0 30px;height:40px">x</p></div></div></div><div id="after" style="height:2000px">y</div>';
  const first = await measured(page, body);
  for (const y of [700, 1500, 2800, 4000]) {
    await page.evaluate((at) => scrollTo(0, at), y);
    const again = LayoutSchema.parse(await page.evaluate('oracle.measure([])'));
    for (const s of ['#stick', '#inner', '#deep', '#after'])
      expect([s, y, of(again, s).box, of(again, s).sticky]).toEqual([
        s,
        y,
        of(first, s).box,
        of(first, s).sticky,
      ]);
  }
  expect(of(first, '#stick').box.y).toBe(900);
  expect(of(first, '#stick').sticky).toEqual({ edge: 'start', at: 860, travel: 2100 });
});

test('parts of a drawing: they lie where they are seen, and are subjects as the browser has it', async ({
  page,
}) => {
  const parts = ['#dot', '#line', '#turned', '#deep', '#box'];
  const body = `<div style="height:700px"></div><div style="height:2400px"><div style="position:sticky;top:0;padding:31px"><svg id="art" width="600" height="400" viewBox="0 0 300 200" style="border:3px solid">
<circle id="dot" cx="50" cy="150" r="20"/><g transform="translate(10 30)"><rect id="line" x="5" y="6" width="40" height="50" stroke="red" stroke-width="10"/></g>
<rect id="turned" x="90" y="20" width="40" height="20" style="rotate:30deg"/><svg x="20" y="20" width="100" height="100" viewBox="0 0 50 50"><rect id="deep" width="12" height="12" y="10"/></svg>
<foreignObject id="holder" x="200" y="50" width="90" height="60"><p id="words" style="margin:4px">words</p></foreignObject></svg></div></div><svg width="90" height="90"><rect id="box" width="40" height="40"/></svg><div style="height:2000px"></div>`;
  for (const y of [0, 1500]) {
    await page.setContent('');
    const layout = await measured(page, body, '', parts);
    await page.evaluate((at) => scrollTo(0, at), y);
    const at = LayoutSchema.parse(await page.evaluate(`oracle.measure(${JSON.stringify(parts)})`));
    for (const s of parts) {
      const part = of(at, s);
      expect([s, part.scroller, part.box.y]).toEqual([s, 0, expect.closeTo(of(layout, s).box.y, 2)]);
      const browser = await timeline(page, s);
      const own = part.asSubject ?? { y: 0, height: part.box.height };
      expect([s, part.box.y + own.y, own.height]).toEqual([
        s,
        expect.closeTo(browser.top, 2),
        expect.closeTo(browser.height, 2),
      ]);
    }
    // Seen and taken as a subject are two things, or nothing was tested.
    expect(of(at, '#dot').asSubject?.y).toBeLessThan(-200);
    expect(of(at, '#dot').box.y).toBeCloseTo(of(at, '#art').box.y + 3 + 260, 2);
    // What is no drawing inside of one has its holder for a scroller, as the browser has it.
    expect(at.scrollers[of(at, '#words').scroller]?.selector).toBe('#holder');
  }
});

test('scrollers: the nearest one that holds the element, not merely an ancestor', async ({ page }) => {
  const layout = await measured(
    page,
    `<div id="box" style="height:300px;overflow:auto;position:relative"><div style="height:500px"></div><p id="held" style="margin:0;height:40px">a</p><div style="height:500px"></div></div>
     <div id="hides" style="overflow-x:hidden;height:200px"><p id="caught" style="height:50px">b</p></div>
     <div id="clips" style="overflow:clip;height:200px"><p id="free" style="height:50px">c</p></div>
     <div id="loose" style="height:200px;overflow:auto"><p id="out" style="position:absolute;top:2000px;height:30px;width:50px">d</p></div><div style="height:3000px"></div>`,
  );
  const scroller = (s: string) => itemAt(layout.scrollers, of(layout, s).scroller).selector;
  expect([scroller('#held'), scroller('#caught'), scroller('#free'), scroller('#out')]).toEqual([
    '#box',
    '#hides',
    null,
    null,
  ]);
  expect(of(layout, '#held').box.y).toBe(500);
  expect(layout.scrollers.find((s) => s.selector === '#box')).toMatchObject({
    port: { height: 300 },
    max: { block: 740 },
  });
});

test('fixed elements lie where they are drawn, also inside one another', async ({ page }) => {
  const layout = await measured(
    page,
    '<nav id="bar" style="position:fixed;top:10px;height:50px;left:0;right:0"><b id="name" style="display:block;height:20px">x</b></nav><div style="height:3000px"></div>',
  );
  await page.evaluate(() => scrollTo(0, 900));
  expect(of(layout, '#bar')).toMatchObject({ fixed: true, box: { y: 10 } });
  expect(of(layout, '#name').fixed).toBe(true);
});

test('selectors are short, stable and name exactly one element', async ({ page }) => {
  const layout = await measured(
    page,
    `<header class="top"><h1>One</h1></header><main><section id="kinds"><h2>Kinds</h2><ul>${'<li class="card"><p>text text</p></li>'.repeat(3)}</ul></section>
     <section id="ember1234"><div class="css-1x2y3z only-here">machine</div></section><section id="twice"></section><section id="twice"><p>second</p></section></main>`,
    'li,p,div,section,header{min-height:20px}',
  );
  const counts = await page.evaluate(
    (all) => all.map((s) => document.querySelectorAll(s).length),
    layout.elements.map((e) => e.selector),
  );
  expect(new Set(counts)).toEqual(new Set([1]));
  const selectors = layout.elements.map((e) => e.selector);
  expect(new Set(selectors).size).toBe(selectors.length);
  expect(selectors).toContain('#kinds > ul > li:nth-of-type(2)');
  expect(selectors).toContain('.only-here');
  expect(selectors.join(' ')).not.toMatch(/ember|css-1x|#twice/);
});

test('what is not worth measuring is left out; what a selector asks for is not', async ({ page }) => {
  const layout = await measured(
    page,
    '<div id="seen" style="height:40px">x</div><i id="tiny" style="display:block;width:4px;height:4px"></i><p id="none" style="display:none">y</p><svg id="art" width="90" height="90"><defs><path id="unseen" d="M0 0h40v40z"/></defs><circle id="dot" r="40" cx="45" cy="45"/><circle id="speck" r="2"/></svg><script>1</script>',
    '',
    ['#tiny', '#nobody', ':::', 'div'],
  );
  const selectors = layout.elements.map((e) => e.selector);
  expect(selectors).toContain('#art');
  expect(selectors).toContain('#tiny');
  // Shapes of drawings can be chosen, but for those that are never drawn by themselves, and specks.
  expect(selectors).toContain('#dot');
  expect(selectors.join(' ')).not.toMatch(/#unseen|#speck|#none|script/);
  expect(layout.matches['#nobody']).toEqual([]);
  expect(layout.matches[':::']).toBeUndefined();
  expect(layout.notes.join(' ')).toContain('“:::” is not a selector');
});

test('at most 20,000 elements, and it says so; one that a selector asks for is there all the same', async ({
  page,
}) => {
  const last = 'p:nth-of-type(20390)';
  const layout = await measured(page, '<p>text</p>'.repeat(20_400), 'p{margin:0;height:20px}', [last, 'p']);
  expect(layout.elements.length).toBe(20_400);
  expect(layout.notes.join(' ')).toContain('400 more elements than are measured');
  expect([layout.matches[last]?.length, layout.matches.p?.length]).toEqual([1, 20_400]);
});

test('at most 300 shapes of drawings, and it says so', async ({ page }) => {
  const layout = await measured(
    page,
    `<svg width="400" height="400">${'<rect width="30" height="30"/>'.repeat(340)}</svg>`,
  );
  expect(layout.elements.filter((e) => e.tag === 'rect')).toHaveLength(300);
  expect(layout.notes.join(' ')).toContain('40 more shapes of drawings than are measured');
});

test('sections have names that people use', async ({ page }) => {
  const layout = await measured(
    page,
    '<header><h1>Orchard prices</h1></header><section aria-label="Kinds of pears">a</section><section id="last-light">b</section><div>loose</div><footer>c</footer>',
    'header,section,div,footer{height:300px}',
  );
  expect(layout.sections.map((s) => s.name)).toEqual([
    'Orchard prices',
    'Kinds of pears',
    'last light',
    'div',
    'footer',
  ]);
});

test('what holds several cards is not called like the first of them; what has a heading above them is', async ({
  page,
}) => {
  const cards = '<article><h3>Hull</h3></article><article><h3>Keel</h3></article>';
  const layout = await measured(
    page,
    `<div class="deck">${cards}</div><section id="fleet"><h2>Our fleet</h2><div>${cards}</div></section>`,
    'article{height:200px}',
  );
  const label = (selector: string) => layout.elements.find((e) => e.selector === selector)?.label;
  expect(label('.deck')).toBeUndefined();
  expect(label('#fleet')).toBe('Our fleet');
  expect(label('.deck > article:nth-of-type(2)')).toBe('Keel');
});

test('traps are named: two scrollers at the root, a page without scroll, drawings from elsewhere', async ({
  page,
}) => {
  expect(
    (await measured(page, '<div style="height:3000px"></div>', 'html,body{overflow-x:hidden}')).notes.join(
      ' ',
    ),
  ).toContain('Both html and body');
  expect((await measured(page, '<p>short</p>')).notes.join(' ')).toContain('nothing to scroll');
  expect(
    (
      await measured(page, '<div style="height:790px;overflow:auto"><div style="height:3000px"></div></div>')
    ).notes.join(' '),
  ).toContain('inner scroller fills the window');
  expect(
    (await measured(page, '<svg width="20" height="20"><use href="art.svg#x"/></svg>')).notes.join(' '),
  ).toContain('another SVG file');
});

test('values of the element’s own are known, where they are not the initial ones', async ({ page }) => {
  const layout = await measured(
    page,
    '<p id="a">x</p><p id="b">y</p>',
    '#a{opacity:.4;rotate:4deg;color:#123456}p{height:30px}',
  );
  expect(of(layout, '#a').base).toMatchObject({ opacity: '0.4', rotate: '4deg', color: 'rgb(18, 52, 86)' });
  expect(of(layout, '#b').base).toBeUndefined();
});

test('what the keyboard gets to and what links of the page lead to is known', async ({ page }) => {
  const layout = await measured(
    page,
    '<a id="go" href="#there">There</a><a id="out" href="other.html#elsewhere">Out</a><section id="there"><p>1</p></section><section id="elsewhere"><p>2</p></section><button id="press">3</button>',
    'section{height:300px}a,p,button{display:block;height:30px;width:90px}',
  );
  expect(of(layout, '#there').anchor).toBe(true);
  // A link to another page leads nowhere on this one.
  expect(of(layout, '#elsewhere').anchor).toBeUndefined();
  expect(['#go', '#out', '#press', '#there'].map((s) => of(layout, s).focus ?? false)).toEqual([
    true,
    true,
    true,
    false,
  ]);
});

/** Where the browser has a pseudo-element, by the view timelines of an animation on it. */
const drawnAt = (page: Page, host: string, part: string) =>
  page.evaluate(
    async ([s, pseudo]) => {
      const style = document.createElement('style');
      style.textContent = `@keyframes seen{} ${s}${pseudo}{animation:seen auto linear,seen auto linear;animation-timeline:view(block),view(inline)}`;
      document.head.append(style);
      await new Promise(requestAnimationFrame);
      await new Promise(requestAnimationFrame);
      const own = document
        .getAnimations()
        .filter((a) => (a.effect as KeyframeEffect).pseudoElement === pseudo)
        .map((a) => a.timeline as unknown as Record<'startOffset' | 'endOffset', { value: number }>);
      style.remove();
      const [down, across] = own.map((t) => [t.startOffset.value, t.endOffset.value] as const);
      return {
        x: across![0] + innerWidth,
        y: down![0] + innerHeight,
        width: across![1] - across![0] - innerWidth,
        height: down![1] - down![0] - innerHeight,
      };
    },
    [host, part] as const,
  );

test('what elements draw before and after their content: where lengths place it, its box is the browser’s', async ({
  page,
}) => {
  const layout = await measured(
    page,
    `<div style="height:900px"></div><h2 id="line">Lined</h2><p id="quote">Quoted</p><ul><li id="a">a</li><li id="b">b</li></ul>
     <div id="row"><i>1</i></div><img id="photo" alt="" width="90" height="90"><div style="height:2000px"></div>`,
    `#line{position:relative;display:inline-block;border:5px solid;margin:11px}
     #line::after{content:'';position:absolute;left:10%;bottom:-6px;width:50%;height:4px;padding:3px;border:1px solid;margin:2px;scale:.3}
     #line::before{content:'x';position:absolute;right:4px;top:3px;width:40px;height:30px;padding:3px;box-sizing:border-box}
     #quote::before{content:'“';display:block} li::marker{content:'-'} #row::after{content:'';display:table;clear:both}
     #photo::after{content:'never'}`,
    ['#line::after', 'li::before', '#quote:before'],
  );
  for (const part of ['::before', '::after']) {
    const found = of(layout, `#line${part}`);
    expect(found.estimated).toBeUndefined();
    const at = await drawnAt(page, '#line', part);
    for (const side of ['x', 'y', 'width', 'height'] as const)
      expect([part, side, found.box[side]]).toEqual([part, side, expect.closeTo(at[side], 1)]);
    expect(itemAt(layout.elements, found.parent).selector).toBe('#line');
  }
  expect(of(layout, '#line::after').base).toMatchObject({ scale: '0.3' });
  expect(of(layout, '#quote::before').estimated).toBe(true);
  expect(layout.elements.filter((e) => e.tag.startsWith('::')).map((e) => e.selector)).toEqual([
    '#line::before',
    '#line::after',
    '#quote::before',
  ]);
  const place = (selector: string) => layout.elements.findIndex((e) => e.selector === selector);
  expect(layout.matches).toEqual({
    '#line::after': [place('#line::after')],
    'li::before': [],
    '#quote:before': [place('#quote::before')],
  });
});
