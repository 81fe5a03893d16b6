import { itemAt, present } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import { emptyDocument, readDocument, collectSelectors } from '../motion/index.ts';
import type { MotionDocument } from '../motion/index.ts';
import { readPage } from '../css-import/index.ts';
import { fadeAndRise, motion } from '../testing/index.ts';
import { layoutOfPage } from '../testing/page-layout.ts';
import { assemble, howPlayed, listEvents, listSteps, listTuning } from './index.ts';
import type { Assembled, HandOffOptions } from './index.ts';

const PIN = {
  id: 'p_hold',
  name: 'Pin section',
  on: true,
  stage: '#stage',
  sticky: { by: 'top' as const, inset: '0px' },
  distance: { kind: 'length' as const, value: '800px' },
  overlap: ['0px', '0px'] as [string, string],
  layer: null,
};
const MOVING: MotionDocument = {
  ...emptyDocument(),
  motions: [motion({ name: 'Rise', targets: { selector: '.a' }, keyframes: fadeAndRise('0 40px') })],
  pins: [PIN],
};
const put = (
  html: string,
  document = MOVING,
  options: Partial<HandOffOptions> = {},
  files: Record<string, string> = {},
): Assembled =>
  assemble(
    {
      document,
      layout: layoutOfPage(html, collectSelectors(document)),
      page: { name: 'Odd page', entry: 'index.html', html, fileAt: (p) => files[p] ?? null },
      title: 'Odd page',
    },
    { target: 'css', fallback: false, ...options },
  );

/** Ten ways in which people write HTML. */
const ODD: Record<string, string> = {
  tidy: '<!doctype html>\n<html>\n<head>\n  <title>x</title>\n</head>\n<body>\n  <section id="stage">\n    <p class="a">x</p>\n  </section>\n</body>\n</html>\n',
  'carriage returns':
    '<!doctype html>\r\n<html>\r\n<head>\r\n\t<title>x</title>\r\n</head>\r\n<body>\r\n\t<section id="stage"><p class="a">x</p></section>\r\n</body>\r\n</html>\r\n',
  'a byte order mark':
    '\uFEFF<!doctype html><html><head><title>x</title></head><body><section id=stage><p class=a>x</p></section></body></html>',
  'no closing tags':
    '<!doctype html><title>x</title><section id=stage><p class=a>one<p class=a>two<ul><li>a<li>b</ul>',
  'no head at all': '<body bgcolor=white><div id=stage><p class=a>x</p></div>',
  capitals:
    '<!DOCTYPE HTML PUBLIC "-//W3C//DTD HTML 4.01//EN">\n<HTML><HEAD><TITLE>X</TITLE></HEAD><BODY><SECTION ID="stage"><P CLASS="a">X</P></SECTION></BODY></HTML>',
  'one line':
    '<html><head><meta charset=utf-8><style>.a{color:red}</style></head><body><main><section id="stage"><p class="a"><b>x</b></p></section></main></body></html>',
  'odd attributes':
    "<html><head></head><body><section\n\tid = 'stage'\n\tdata-x='>' hidden=\"\"   ><p class='a b'/>x</section></body></html>",
  'text that looks like tags':
    '<html><head><script>const s = "</section><section id=stage>";</script><!-- <section id="stage"> --></head><body><textarea><section id=stage></textarea><section id="stage"><p class="a">&lt;section&gt; &amp; x</p></section></body></html>',
  'a table without its body':
    '<html><head></head><body><table id=stage><tr><td class=a>1<td>2</table>\n\n\n</body>\n</html>\n\n',
};

describe('a patched page', () => {
  test.each(Object.entries(ODD))(
    '%s: everything but what was put in is as it was, to the byte',
    (_, html) => {
      const { text, changes, lines } = put(html).html;
      // Taking the insertions out again, in their order, gives the source.
      let rest = text;
      const inserted = [...lines, ...changes.map((c) => c.text)].sort(
        (a, b) => text.indexOf(a) - text.indexOf(b),
      );
      for (const one of inserted) {
        expect(rest).toContain(one);
        const at = rest.indexOf(one);
        rest = rest.slice(0, at) + rest.slice(at + one.length);
      }
      const spaces = (s: string) =>
        s.replace(/[ \t]+(?=[\r\n<>]|$)|(?<=^|[\r\n<>])[ \t]+|\n+/g, '').replaceAll('\r', '');
      expect(spaces(rest)).toBe(spaces(html));
      expect(rest.length - html.length).toBeLessThan(24);
      expect(text.startsWith('\uFEFF')).toBe(html.startsWith('\uFEFF'));
      expect((text.match(/\r\n/g) ?? []).length).toBe((html.match(/\r\n/g) ?? []).length);
    },
  );

  test('the same page again is not linked twice, and has the same style sheet', () => {
    const first = put(present(ODD.tidy));
    const again = put(
      first.html.text,
      { ...MOVING, pins: [] },
      {},
      { [first.sheet.path]: '/* nothing left */' },
    );
    expect(again.html.lines).toEqual([]);
    expect(again.html.text).toBe(first.html.text);
  });

  test('an earlier style sheet that still says something is not written over', () => {
    const kept = put(present(ODD.tidy), MOVING, {}, { 'odd-page.motion.css': '.x { animation: y }' });
    expect(kept.sheet.path).toBe('odd-page-2.motion.css');
  });

  test('what was read goes from the page and its files, and nothing else', () => {
    const css =
      '.a { color: red }\n.a {\n  animation: k linear both;\n  animation-timeline: view();\n}\n@keyframes k { to { opacity: 0 } }\n';
    const html = '<link rel="stylesheet" href="a.css">\n<p class="a">x</p>\n';
    const { document } = readPage('index.html', html, (p) => (p === 'a.css' ? css : null));
    const out = put(html, document, {}, { 'a.css': css });
    expect(out.pageFiles).toEqual([
      { path: 'a.css', before: css, after: '.a { color: red }\n', removed: [2, 3, 4, 5, 6] },
    ]);
    // A rule that has come since is not the document’s to take out.
    const later = put(
      html,
      document,
      {},
      { 'a.css': `${css}.b { animation: k 1s; animation-timeline: view() }` },
    );
    expect(itemAt(later.pageFiles, 0).after).toContain('.b { animation');
  });
});

describe('targets', () => {
  const damped = (): MotionDocument => {
    const parsed = readDocument({
      ...emptyDocument(),
      motions: [
        motion({
          id: 'm_a',
          name: 'Lag',
          targets: { selector: '.a' },
          damping: { kind: 'half-life', halfLife: 90 },
        }),
        motion({
          id: 'm_b',
          name: 'Plain',
          targets: { selector: '#stage' },
          stagger: { step: '20px', order: 'page' },
        }),
      ],
    });
    if (!parsed.ok) throw new Error(itemAt(parsed.problems, 0).message);
    return parsed.document;
  };

  test('CSS alone has no script, and says what is missing', () => {
    const out = put(present(ODD.tidy), damped(), { target: 'standards' });
    expect(out.script).toBeNull();
    expect(out.runtimes).toEqual([]);
    expect(out.lost.map((l) => l.motion)).toEqual(['m_a']);
    expect(out.html.lines).toHaveLength(1);
  });

  test('Web Animations: what is damped stays CSS, everything else that the scroll scrubs is a module’s', () => {
    const out = put(present(ODD.tidy), damped(), { target: 'web-animations' });
    expect(out.css).toContain('lv-lag');
    expect(out.css).not.toContain('lv-plain');
    expect(present(out.script).text).toContain('"targets": "#stage"');
    expect(present(out.script).text).toContain("import { start } from './motion-runtime.js'");
    expect(
      () => new Function(present(out.script).text.replace(/^import .*$/m, 'const start = () => {};')),
    ).not.toThrow();
  });

  test('scripts of ours come along where something of them is played, marquees apart', () => {
    expect(put(present(ODD.tidy), damped()).runtimes).toEqual(['runtime']);
    expect(put(present(ODD.tidy), damped(), { fallback: true }).runtimes).toEqual(['runtime', 'fallback']);
    const [still] = damped().motions.slice(1);
    const plain = { ...damped(), motions: [present(still)] };
    expect(put(present(ODD.tidy), plain).runtimes).toEqual([]);
    expect(put(present(ODD.tidy), plain, { fallback: true }).runtimes).toEqual(['runtime', 'fallback']);
    const driver = {
      kind: 'marquee',
      axis: 'inline',
      speed: 60,
      reverses: false,
      push: 0,
      pauses: true,
    } as const;
    const endless = { ...plain, motions: [{ ...present(still), driver }] };
    const out = put(present(ODD.tidy), endless, { fallback: true });
    expect(out.runtimes).toEqual(['runtime', 'marquees', 'fallback']);
    expect(present(out.script).text).toContain("import { playMarquees } from './motion-marquees.js'");
    expect(present(out.script).text).toContain('start(document, plan, { marquees: playMarquees })');
    const css = put(present(ODD.tidy), endless);
    expect(css.runtimes).toEqual(['runtime', 'marquees']);
    expect(present(css.script).text).toMatch(/\}, \{ marquees: playMarquees \}\);/);
    expect(present(put(present(ODD.tidy), damped()).script).text).not.toContain('arquees');
  });

  test('what the pointer moves is data of the script, under its conditions, and its numbers are registered and told', () => {
    const [still] = damped().motions.slice(1);
    const pointed = {
      ...present(still),
      id: 'm_sway',
      driver: { kind: 'pointer', axis: 'x', over: '#stage', rest: null, touch: 'drag' },
      keyframes: {
        '--signal-sway': [
          { at: '0%', value: '-1', easing: 'ease-out' },
          { at: '100%', value: '1' },
        ],
      },
      easing: 'linear',
      composite: 'add',
      damping: { kind: 'half-life', halfLife: 90 },
      conditions: [{ media: 'q_narrow', on: false }],
    } as const;
    const media = [{ id: 'q_narrow', name: 'Narrow', query: '(width < 600px)' }];
    const parsed = readDocument({ ...damped(), media, motions: [pointed] });
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems));
    const out = put(present(ODD.tidy), parsed.document);
    expect(out.runtimes).toEqual(['runtime', 'pointers']);
    expect(out.css).toContain('@property --signal-sway { syntax: "<number>"');
    expect(out.css).not.toContain('animation');
    expect(out.plan.signals).toMatchObject([{ motion: 'm_sway', property: '--signal-sway' }]);
    expect(out.plan.pointers).toEqual([
      {
        ...{ motion: 'm_sway', axis: 'x', over: '#stage', rest: null, touch: 'drag', composite: 'add' },
        selector: present(still).targets.selector,
        keyframes: [
          [
            { offset: 0, '--signal-sway': '-1', easing: 'ease-out' },
            { offset: 1, '--signal-sway': '1' },
          ],
        ],
        damping: { kind: 'half-life', halfLife: 90 },
        when: '(not (width < 600px))',
      },
    ]);
    expect(out.plan.media).toEqual(['(width < 600px)']);
    expect(out.how).toMatchObject([{ motion: 'm_sway', by: 'script' }]);
    expect(present(out.script).text).toContain('start(document, {');
    expect(present(out.script).text).toMatch(/\}, \{ pointers: playPointers \}\);/);
  });

  test('what an event starts is data of the script, with its times, and nothing of it is in the style sheet', () => {
    const [still] = damped().motions.slice(1);
    const part = (id: string, more: object) => ({
      ...present(still),
      ...{ id, name: id, driver: { kind: 'trigger', trigger: 'g_open' }, ...more },
    });
    const parsed = readDocument({
      ...damped(),
      triggers: [
        {
          ...{ id: 'g_open', name: 'Open', on: true, subject: '#stage', down: 'entry 0%', up: null },
          ...{ event: 'click', plays: 'each-time', back: 'plays-back' },
        },
      ],
      motions: [
        part('m_one', { time: { delay: '100ms', duration: '300ms' }, reducedMotion: 'keep' }),
        part('m_two', {
          time: { delay: '50ms', duration: '200ms', after: 'm_one' },
          repeat: { count: 2, alternate: true },
        }),
      ],
    });
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems));
    const out = put(present(ODD.tidy), parsed.document, { fallback: true });
    expect(out.css.replace(/\/\*[\s\S]*?\*\//, '').trim()).toBe('');
    expect(out.runtimes).toEqual(['runtime', 'events', 'fallback']);
    const common = { event: 'click', plays: 'each-time', back: 'plays-back', subject: '#stage' };
    expect(out.plan.events).toMatchObject([
      { ...common, motion: 'm_one', name: 'lv-m_one', delay: 100, duration: 300, count: 1, keeps: true },
      { ...common, motion: 'm_two', delay: 450, duration: 200, count: 2, alternate: true, keeps: false },
    ]);
    expect(out.fallback?.count).toBe(0);
    expect(out.how.map((h) => [h.by, h.needs])).toEqual([
      ['script', 'script'],
      ['script', 'script'],
    ]);
    expect(present(out.script).text).toContain('{ events: playEvents }');
  });

  test('the table says what plays each motion, and what it would take to do without a script', () => {
    const document = damped();
    const { plan } = put(present(ODD.tidy), document);
    expect(howPlayed(document, plan).map((h) => [h.motion, h.by, h.instead])).toEqual([
      ['m_a', 'css and script', 'Set its damping to none.'],
      ['m_b', 'css', null],
    ]);
  });
});

describe('what a developer does with it', () => {
  const made = put(present(ODD.tidy), {
    ...MOVING,
    motions: [
      ...MOVING.motions,
      motion({
        id: 'm_s',
        name: 'Told',
        targets: { selector: '#stage' },
        keyframes: {
          '--signal': [
            { at: '0%', value: '0' },
            { at: '100%', value: '100' },
          ],
        },
      }),
    ],
    cues: [{ id: 'c_a', name: 'First words', pin: 'p_hold', at: '25%', link: 'first-words' }],
  });

  test('steps name every file that is new or changed, and what goes into it', () => {
    const steps = listSteps(made, MOVING, 'index.html');
    expect(steps).toEqual([
      { kind: 'new', files: ['odd-page.motion.css', 'odd-page.motion.js', 'motion-runtime.js'] },
      { kind: 'head', file: 'index.html', lines: made.html.lines },
      {
        kind: 'wrap',
        file: 'index.html',
        stages: [{ selector: '#stage', className: 'lv-hold-pin-section' }],
      },
    ]);
    // What is said to stand in a file stands in it.
    for (const line of made.html.lines) expect(made.html.text).toContain(line);
    expect(made.html.text).toContain('class="lv-hold-pin-section"');
  });

  test('events and links of the page, and the properties that tune a motion', () => {
    const [rise] = MOVING.motions;
    const tuned = put(present(ODD.tidy), { ...MOVING, motions: [{ ...present(rise), tunable: true }] });
    expect(listTuning(made.lines, present(rise).id)).toEqual([]);
    expect(listEvents(made.plan)).toEqual([
      { kind: 'listen', name: 'signal', selector: '#stage', motion: 'm_s', detail: 'signal' },
    ]);
    const tuning = listTuning(tuned.lines, present(rise).id);
    expect(tuning.map((t) => t.name)).toEqual(['--lv-rise-start', '--lv-rise-end', '--lv-rise-distance']);
    for (const { name, value, selector } of tuning) {
      expect(tuned.css).toContain(`${name}: ${value};`);
      expect(tuned.css).toContain(`var(${name}`);
      expect(selector).toBe('.a');
    }
  });
});
