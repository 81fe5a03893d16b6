/** Where the stranger walks: the three demo pages with their documents, and six pages with awkward CSS. */
import type { APIRequestContext } from '@playwright/test';
import { emptyDocument } from '@lyvek/core';
import { strToU8, zipSync } from 'fflate';
import { base, addPage } from '../support/app.ts';
import { demoDocument, demoFiles } from '../support/demo.ts';

interface Place {
  name: string;
  files(): Record<string, Uint8Array>;
  document(): unknown;
}

const demo = (folder: string): Place => ({
  name: folder,
  files: () => demoFiles(folder),
  document: () => demoDocument(folder),
});

const page = (name: string, css: string, body: string, document: object = {}): Place => ({
  name,
  files: () => ({
    'index.html': strToU8(
      `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${name}</title><style>
body{margin:0;font:17px/1.5 'Liberation Sans',sans-serif;color:#20303a;background:#f4f1ea}section{min-height:90vh;padding:8vh 6vw;box-sizing:border-box}
${css}</style></head><body>${body}</body></html>`,
    ),
  }),
  document: () => ({ ...emptyDocument(), ...document }),
});

const motion = (id: string, name: string, selector: string, driver: object, extra: object = {}) => ({
  id,
  name,
  on: true,
  targets: { selector },
  driver,
  range: { start: 'entry 10%', end: 'cover 40%' },
  keyframes: {
    opacity: [
      { at: '0%', value: '0' },
      { at: '60%', value: '0.8' },
      { at: '100%', value: '1' },
    ],
    translate: [
      { at: '0%', value: '0 60px' },
      { at: '100%', value: '0 0' },
    ],
  },
  easing: 'linear',
  fill: 'both',
  composite: 'replace',
  damping: { kind: 'none' },
  reducedMotion: 'fade',
  ...extra,
});
const view = () => ({
  kind: 'view',
  subject: 'self',
  axis: 'block',
  insets: ['0px', '0px'],
});
const LONG =
  'The tide tables on the wall behind the harbour master’s desk, redrawn by hand every winter since';

const rows = (n: number, make: (i: number) => string) =>
  Array.from({ length: n }, (_, i) => make(i)).join('');

export const PLACES: readonly Place[] = [
  demo('hessle'),
  demo('night'),
  page(
    'Nested scrollers and clipped bands',
    `.band{overflow:hidden;background:#d8e2e4}.band h2{margin:18vh 0}.gallery{overflow-x:auto;display:flex;gap:20px}.gallery figure{flex:none;width:420px;height:280px;background:#9fb3b8;margin:0}
.list{height:50vh;overflow-y:auto;background:#fff}.list p{height:90px;margin:0 0 10px;background:#e3d9c4}.clip{overflow:clip}`,
    `<section><h1>Bands and lists</h1></section><section class="band"><h2>Held by its band</h2><p>A line below.</p></section>
<section><div class="gallery">${rows(6, (i) => `<figure><b>Picture ${i + 1}</b></figure>`)}</div></section>
<section><div class="list">${rows(14, (i) => `<p id="row${i}">Row ${i + 1}</p>`)}</div></section>
<section class="band clip"><h2>Clipped</h2></section><section><h2>End</h2></section>`,
    {
      motions: [
        motion('m_band', 'Band heading', '.band h2', view()),
        motion('m_row', 'Row', '#row5', view()),
      ],
      adjustments: [{ id: 'a_band', selector: '.band', declarations: { overflow: 'clip' }, for: ['m_band'] }],
    },
  ),
  page(
    'Thin bars and drawings',
    `nav{position:fixed;inset:0 0 auto;height:44px;background:#fffc}.bar{height:5px;background:#2f6f4f;transform-origin:0 50%}hr{height:2px;border:0;background:#456}
h2::after{content:"";display:block;width:120px;height:4px;background:#b05}svg{width:300px;height:200px}`,
    `<nav><span>Mill</span><div class="bar"></div></nav>${rows(5, (i) => `<section id="s${i}"><h2>Part ${i + 1}</h2><hr><svg viewBox="0 0 300 200"><g id="g${i}"><circle cx="80" cy="90" r="40" fill="#7a9"/><path id="p${i}" d="M20 180H280" stroke="#246" fill="none"/></g></svg></section>`)}`,
    {
      motions: [
        motion(
          'm_bar',
          'Bar',
          '.bar',
          { kind: 'scroll', axis: 'block' },
          {
            range: { start: '0%', end: '100%' },
            keyframes: {
              scale: [
                { at: '0%', value: '0 1' },
                { at: '100%', value: '1 1' },
              ],
            },
          },
        ),
      ],
    },
  ),
  page(
    'Wider than it thinks',
    `.wide{width:100vw;padding:0 48px;background:#cdd8cc}.tall{min-height:220vh}`,
    `<section class="tall"><h1>Wider than it thinks</h1></section><div class="wide"><h2>Full width and padding</h2></div>${rows(4, (i) => `<section><h2 id="h${i}">Section ${i + 1}</h2><p>Some words to read here.</p></section>`)}`,
    { motions: [motion('m_wide', 'Wide', '.wide', view()), motion('m_h2', LONG, '#h1', view())] },
  ),
  page(
    'Pins, triggers and long names',
    `.stage{height:100vh;background:#dfe7ea}.strip{display:flex;gap:30px;width:max-content}.strip>div{width:60vw;height:50vh;background:#a9bdc4}`,
    `<section><h1>${LONG}</h1></section><section class="stage" id="one"><h2>First stage</h2><p id="one-text">Text on it</p></section><section class="stage" id="two"><h2>Second</h2><div class="strip">${rows(4, (i) => `<div>Plate ${i + 1}</div>`)}</div></section>
${rows(5, (i) => `<section id="t${i}"><h2>${LONG} ${i + 1}</h2><p>Words.</p></section>`)}`,
    {
      pins: ['one', 'two'].map((id) => ({
        id: `p_${id}`,
        name: `${LONG} (${id})`,
        on: true,
        stage: `#${id}`,
        sticky: { by: 'top', inset: '0px' },
        distance: { kind: 'length', value: '120vh' },
        overlap: ['0px', '0px'],
        layer: null,
      })),
      cues: [
        { id: 'c_a', name: 'First words', pin: 'p_one', at: '25%', link: 'first-words' },
        { id: 'c_b', name: LONG, pin: 'p_one', at: '75%' },
        { id: 'c_c', name: 'Half-way', pin: 'p_two', at: '50%' },
      ],
      triggers: [0, 1, 2].map((i) => ({
        id: `g_${i}`,
        name: `${LONG} ${i}`,
        on: true,
        subject: `#t${i} h2`,
        down: { edge: '50%', line: '78%' },
        up: null,
        plays: 'once',
        back: 'returns',
      })),
      motions: [
        motion(
          'm_text',
          `${LONG} fades`,
          '#one-text',
          { kind: 'pin', pin: 'p_one' },
          { range: { start: '0%', end: '60%' } },
        ),
        motion(
          'm_strip',
          'Strip',
          '.strip',
          { kind: 'pin', pin: 'p_two' },
          { range: { start: '0%', end: '100%' }, reducedMotion: 'drop' },
        ),
        ...[0, 1, 2].map((i) =>
          motion(
            `m_t${i}`,
            `${LONG} ${i}`,
            `#t${i} h2`,
            { kind: 'trigger', trigger: `g_${i}` },
            { time: { delay: '0ms', duration: '600ms' } },
          ),
        ),
        motion('m_t4', 'Last', '#t4 p', view()),
        // Backwards, thin and never finished: three findings on one motion's section.
        motion('m_back', 'Runs backwards', '#t3 p', view(), {
          range: { start: 'cover 60%', end: 'cover 30%' },
        }),
        motion('m_thin', 'Too short', '#t3 h2', view(), {
          range: { start: 'cover 30%', end: 'cover 30.2%' },
        }),
        motion('m_never', 'Never finishes', '#t4 h2', view(), {
          range: { start: 'cover 60%', end: 'exit 100%' },
        }),
      ],
    },
  ),
  demo('almanac'),
  page(
    'Conditions and late layout',
    `.late{content-visibility:auto;contain-intrinsic-size:auto 640px}.own{position:sticky;top:20px;background:#dfe5d8}@media(width<600px){.pair{display:block}}.pair{display:flex;gap:30px}.pair>*{flex:1}
details>div{height:300px;background:#e2d6c6}h2{container-type:inline-size}`,
    `<section><h1>Late layout</h1><p class="own">Its own sticky line</p></section>${rows(6, (i) => `<section class="late"><h2 id="late${i}">Late ${i + 1}</h2><div class="pair"><p>Left half</p><p>Right half</p></div><details${i % 2 ? ' open' : ''}><summary>More</summary><div>Words</div></details></section>`)}`,
    {
      media: [{ id: 'q_narrow', name: 'narrow', query: '(width < 600px)' }],
      motions: [
        motion('m_late', 'Late heading', '.late h2', view(), {
          conditions: [{ media: 'q_narrow', range: { end: 'cover 70%' } }],
        }),
        motion('m_left', 'Left half', '.pair > p:first-child', view(), {
          stagger: { step: '24px', order: 'page' },
        }),
        motion('m_off', 'Right half', '#late3 + .pair > p:last-child', view(), {
          conditions: [{ media: 'q_narrow', on: false }],
        }),
      ],
    },
  ),
  page(
    'Sideways, snapping and drawn',
    `html{overflow-x:hidden;scroll-behavior:smooth;scroll-snap-type:y proximity;scroll-padding-top:50px}section{scroll-snap-align:start}.big{width:150vw;font-size:90px}
.tilted{transform:rotate(-4deg);background:#cfd8e2}svg{width:420px;height:280px;display:block}header{position:sticky;top:0;height:50px;background:#fffd}`,
    `<header>Mill</header>${rows(5, (i) => `<section><div class="tilted"><h2 id="h${i}" class="big">Big words ${i + 1}</h2></div><svg viewBox="0 0 300 200"><g id="g${i}" transform="translate(20 30)"><circle cx="80" cy="90" r="40" fill="#7a9"/><rect id="r${i}" x="150" y="20" width="60" height="30" transform="rotate(20 180 35)"/></g></svg></section>`)}`,
    {
      motions: [
        motion('m_big', 'Big words', '.big', view()),
        motion('m_shape', 'Circle', 'svg circle', view()),
        motion('m_turned', 'Turned shape', '#r2', view()),
      ],
      pins: [
        {
          id: 'p_third',
          name: 'Third',
          on: true,
          stage: 'section:nth-of-type(3)',
          sticky: { by: 'top', inset: '50px' },
          distance: { kind: 'length', value: '90vh' },
          overlap: ['0px', '0px'],
          layer: null,
        },
      ],
    },
  ),
];

/** Brings a place into a project of the stranger's own; returns where its take is opened. */
export async function goThere(request: APIRequestContext, place: Place, project: string) {
  const id = await addPage(
    request,
    project,
    Buffer.from(zipSync(place.files())),
    'application/zip',
    `?name=${encodeURIComponent(place.name)}`,
  );
  const response = await request.post(`${base}/api/pages/${id}/takes`, {
    data: { name: 'Walk', document: place.document() },
  });
  if (response.status() !== 201) throw new Error(`${place.name}: ${await response.text()}`);
  const take = (await response.json()).id as string;
  return { page: id, take, url: `${base}/pages/${id}?take=${take}` };
}
