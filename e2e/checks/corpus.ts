/** Small pages as people write them, with what a check has to say of each, and nothing else. */
import type { Layout, Motion, MotionDocument, Trigger } from '@lyvek/core';
import { motion } from '@lyvek/core/testing';

export interface CorpusPage {
  name: string;
  /** rules of its motions; they hold for readers who do not ask for less motion, where nothing else is said */
  css: string;
  /** in place of the usual page */
  body?: string;
  /** in place of the usual viewport meta element */
  head?: string;
  /** what else is known of it: by the preview, which hears its listeners, or from its files */
  known?: (layout: Layout) => Layout;
  /** checks that have to speak */
  expect?: string[];
  /** checks that all but have something to say, and must not */
  near?: string[];
  /** checks that may speak: matters of taste */
  may?: string[];
  /** the rules hold for all readers */
  forAll?: boolean;
  gesture?: string;
  /** whose prices the frames have */
  device?: 'here' | 'phone';
  /** what is done in the workbench once the page is read */
  edit?: (document: MotionDocument) => MotionDocument;
}

const words = 'The harbour office keeps a ledger of every boat that came in by night. '.repeat(3);
export const BODY = `
<header id="top"><h1 id="title">Port Merrin</h1><p id="lead">${words}</p></header>
<section id="one"><h2 id="h-one">Boats</h2><p id="text">${words}</p><div class="card" id="card">Card</div></section>
<section id="two"><h2 id="h-two">Nets</h2><div class="row"><div class="card">a</div><div class="card">b</div><div class="card">c</div></div></section>
<section id="three"><div class="frame"><div class="picture" id="picture"></div></div><p id="words">${words}</p><a id="link" href="#top">Back to the top</a></section>
<section id="four"><h2>Tides</h2><div class="bar" id="bar"></div><p>${words}</p></section>
<footer id="end"><p id="last">End of the page</p></footer>`;
/** More of the same, before the end. */
export const withMore = (html: string) => BODY.replace('<footer', `${html}<footer`);

export const BASE = `
body { margin: 0; font: 18px/1.5 'Liberation Sans', sans-serif; color: #123; background: #f6f4ee; }
header, section, footer { box-sizing: border-box; padding: 60px 80px; }
header, section { min-height: 900px; }
footer { height: 200px; }
h1 { font-size: 64px; margin: 120px 0 20px; } h2 { font-size: 36px; }
p { max-width: 36em; }
.card { width: 300px; height: 220px; background: #dcd; }
.row { display: flex; gap: 24px; }
.frame { display: flow-root; height: 420px; width: 720px; overflow: clip; }
.picture { height: 600px; margin-top: -90px; background: linear-gradient(#345, #9ab); }
.bar { height: 8px; width: 100%; background: teal; transform-origin: 0 50%; }
@keyframes rise { from { opacity: 0; translate: 0 40px; } }
@keyframes fade { from { opacity: 0; } }
@keyframes leave { to { opacity: 0; } }
@keyframes grow { from { scale: 0.9; } }
@keyframes fill { from { scale: 0 1; } }
@keyframes drift { from { translate: 0 -60px; } to { translate: 0 60px; } }
@keyframes come { from { translate: 0 200px; } }
`;

export const reveal = (selector: string, range = 'entry 0% entry 100%', frames = 'rise') =>
  `${selector} { animation: ${frames} linear both; animation-timeline: view(); animation-range: ${range}; }`;

/** Every motion changed in the same way. */
export const each =
  (over: Partial<Motion>) =>
  (d: MotionDocument): MotionDocument => ({ ...d, motions: d.motions.map((m) => ({ ...m, ...over })) });

type Expected = Omit<CorpusPage, 'name' | 'css'> & { css?: string };
const motionOn = (selector: string, over: Partial<Motion>): Motion =>
  motion({ targets: { selector }, keyframes: between('translate', '0 60px', '0 0'), ...over });
const between = (property: string, from: string, to: string): Motion['keyframes'] => ({
  [property]: [
    { at: '0%', value: from },
    { at: '100%', value: to },
  ],
});
const withMotions = (d: MotionDocument, ...motions: Motion[]): MotionDocument => ({
  ...d,
  motions: [...d.motions, ...motions],
});

export const VIEW: Extract<Motion['driver'], { kind: 'view' }> = {
  kind: 'view',
  subject: 'self',
  axis: 'block',
  insets: ['0px', '0px'],
};

/** A card that a trigger starts. */
export const trigger = (
  name: string,
  over: Partial<Trigger>,
  { time = '600ms', css = '', ...expected }: Expected & { time?: string },
): CorpusPage[] => [
  {
    ...expected,
    name,
    css,
    edit: (d) => ({
      ...withMotions(
        d,
        motionOn('#card', {
          driver: { kind: 'trigger', trigger: 'g_a' },
          time: { delay: '0ms', duration: time },
        }),
      ),
      triggers: [
        {
          id: 'g_a',
          name: 'Line',
          on: true,
          subject: '#card',
          down: 'entry 50%',
          up: null,
          plays: 'once',
          back: 'keeps-end',
          ...over,
        },
      ],
    }),
  },
];

/** What a link at the top of the page leads to. */
export const linked = (
  name: string,
  selector: string,
  range: string,
  frames: string,
  { css = '', ...expected }: Expected,
): CorpusPage[] => [
  {
    ...expected,
    name,
    body: BODY.replace('<header id="top">', `<header id="top"><a href="${selector}">There</a>`),
    css: css + reveal(selector, range, frames),
  },
];

/** The row of the second section, moved while that is pinned. */
export const pinned = (
  name: string,
  distance: string,
  over: Partial<Motion>,
  { by = 'top', css = '', ...expected }: Expected & { by?: 'top' | 'bottom' },
): CorpusPage[] => [
  {
    ...expected,
    name,
    css: `#two { min-height: 700px; } ${css}`,
    edit: (d) => ({
      ...withMotions(
        d,
        motionOn('.row', {
          driver: { kind: 'pin', pin: 'p_a' },
          keyframes: between('scale', '0.9', '1'),
          range: { start: '0%', end: '100%' },
          ...over,
        }),
      ),
      pins: [
        {
          id: 'p_a',
          name: 'Scene',
          on: true,
          stage: '#two',
          sticky: { by, inset: '0px' },
          distance: { kind: 'length', value: distance },
          overlap: ['0px', '0px'],
          layer: null,
        },
      ],
    }),
  },
];

/** A strip that goes by itself. */
export const marquee = (
  name: string,
  style: string,
  parts: number,
  over: object,
  { css = '', ...expected }: Expected,
): CorpusPage[] => [
  {
    ...expected,
    name,
    css,
    body: withMore(
      `<section style="padding: 0"><div id="strip" style="width: 100%; overflow: clip; ${style}">${'<b style="flex: none; width: 160px">Boats</b>'.repeat(parts)}</div></section>`,
    ),
    edit: (d) =>
      withMotions(
        d,
        motionOn('#strip', {
          keyframes: {},
          driver: {
            kind: 'marquee',
            axis: 'inline',
            speed: 50,
            reverses: true,
            push: 0,
            pauses: true,
            ...over,
          },
          reducedMotion: 'drop',
        }),
      ),
  },
];

/** A title that drifts with the scroll, and an intro. */
export const intro = (
  name: string,
  over: Partial<Motion>,
  { first = false, css = '', ...expected }: Expected & { first?: boolean },
): CorpusPage[] => [
  {
    ...expected,
    name,
    css,
    edit: (d) => {
      const scrolled = motionOn('#title', {
        id: 'm_scroll',
        name: 'Drift',
        range: { start: 'scroll 0%', end: 'exit 100%' },
      });
      const atLoad = motionOn('#title', {
        id: 'm_intro',
        name: 'Intro',
        driver: { kind: 'load' },
        time: { delay: '0ms', duration: '600ms' },
        ...over,
      });
      return withMotions(d, ...(first ? [atLoad, scrolled] : [scrolled, atLoad]));
    },
  },
];

/** So many elements that come in, each by itself. */
export const crowd = (
  name: string,
  count: number,
  style: string,
  { css = '', ...expected }: Expected,
): CorpusPage[] => [
  {
    ...expected,
    name,
    body: withMore(
      `<section style="padding: 0">${Array.from({ length: count }, () => `<div class="one" style="${style}"></div>`).join('')}</section>`,
    ),
    css: `${css} .one { background: #cde8; } ${reveal('.one', 'entry 0% cover 50%', 'come')}`,
  },
];

/** A section that blurs, so many times at once. */
export const mists = (
  name: string,
  count: number,
  radius: string,
  device: 'here' | 'phone',
  { css = '', ...expected }: Expected,
): CorpusPage[] => [
  {
    ...expected,
    name,
    css,
    device,
    edit: (d) =>
      withMotions(
        d,
        ...Array.from({ length: count }, (_, i) =>
          motionOn('#two', {
            id: `m_${i}`,
            name: `Mist ${i + 1}`,
            composite: 'add',
            keyframes: between('filter', `blur(${radius})`, 'blur(0px)'),
            range: { start: 'entry 0%', end: 'cover 60%' },
          }),
        ),
      ),
  },
];

/** An element as its page shows it, and a motion that shows it wholly. */
export const hidden = (
  name: string,
  selector: string,
  style: string,
  { css = '', ...expected }: Expected,
): CorpusPage[] => [
  {
    ...expected,
    name,
    css: `${css} ${selector} { ${style}; }`,
    edit: (d) =>
      withMotions(
        d,
        motionOn(selector, {
          keyframes: between('opacity', '0', '1'),
          range: { start: 'entry 0%', end: 'entry 80%' },
        }),
      ),
  },
];

/** One motion over a good part of the window, with damping. */
export const damped = (
  name: string,
  selector: string,
  frames: string,
  damping: Motion['damping'],
  { css = '', ...expected }: Expected,
): CorpusPage[] => [
  {
    ...expected,
    name,
    css: `${css} @keyframes glow { to { background-color: gold; } } @keyframes mist { from { filter: blur(4px); } } ${reveal(selector, 'entry 0% cover 50%', frames)}`,
    edit: each({ damping }),
  },
];

/** A card with declarations of its own. */
export const moved = (name: string, own: string, { css = '', ...expected }: Expected): CorpusPage[] => [
  { ...expected, name, css: `${css} #card { ${own}; }` },
];

export const scripted = (name: string, script: string, { css = '', ...expected }: Expected): CorpusPage[] => [
  { ...expected, name, css, body: `${BODY}<script>${script}</script>` },
];
