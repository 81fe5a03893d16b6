import { BODY, linked, marquee, pinned, reveal, VIEW, withMore } from '../corpus.ts';
import type { CorpusPage } from '../corpus.ts';

export const STRUCTURE: readonly CorpusPage[] = [
  {
    name: 'a card from far right',
    css: `@keyframes right { from { translate: 1200px 0; } } ${reveal('#card', 'entry 0% cover 40%', 'right')}`,
    expect: ['sideways-scroll'],
    may: ['step-too-large'],
  },
  {
    name: 'a row that grows beyond the edge',
    css: `@keyframes wide { to { scale: 2.4; } } #two .row { width: 1120px; background: #eee; } ${reveal('#two .row', 'entry 0% cover 50%', 'wide')}`,
    expect: ['sideways-scroll'],
    may: ['step-too-large'],
  },
  {
    name: 'a table wider than the page',
    body: `${BODY}<section><div id="table" style="width: 1900px; height: 200px; background: #ccd">wide</div></section>`,
    css: reveal('#card'),
    expect: ['page-too-wide'],
  },
  {
    name: 'the same, hidden by the page',
    body: `${BODY}<section><div id="table" style="width: 1900px; height: 200px; background: #ccd">wide</div></section>`,
    css: `html { overflow-x: clip; } ${reveal('#card')}`,
    near: ['page-too-wide'],
  },
  {
    name: 'the same in a box of its own',
    body: `${BODY}<section><div style="overflow-x: auto"><div id="table" style="width: 1900px; height: 200px">wide</div></div></section>`,
    css: reveal('#card'),
  },
  {
    name: 'a card that turns without a room',
    css: `@keyframes tilt { from { rotate: x 50deg; } } ${reveal('#card', 'entry 0% entry 100%', 'tilt')}`,
    expect: ['flat-3d'],
  },
  {
    name: 'a card that comes nearer without a room',
    css: `@keyframes near { from { transform: translateZ(-300px); } } ${reveal('#card', 'entry 0% entry 100%', 'near')}`,
    expect: ['flat-3d'],
  },
  {
    name: 'a room that is two steps away',
    css: `#two { perspective: 900px; } @keyframes tilt { from { rotate: y 50deg; } } ${reveal('.row .card', 'entry 0% entry 100%', 'tilt')}`,
    expect: ['flat-3d'],
  },
  {
    name: 'a row in space that fades',
    css: `#two { perspective: 900px; } .row { transform-style: preserve-3d; } ${reveal('.row', 'entry 0% entry 100%', 'fade')}`,
    expect: ['flattened-3d'],
  },
  {
    name: 'a section that hides its overflow and has nothing to scroll',
    css: `#one { overflow: hidden; } ${reveal('#card')}`,
    expect: ['caught-by-scroller'],
    may: ['never-finishes', 'starts-part-way', 'empty-range', 'too-few-frames'],
  },
  {
    name: 'one that clips it',
    css: `#one { overflow: clip; } ${reveal('#card')}`,
    near: ['caught-by-scroller'],
  },
  {
    name: 'a picture that leaves a gap in its frame',
    css: `.picture { height: 420px; margin-top: 0; } @keyframes far { from { translate: 0 -120px; } to { translate: 0 120px; } } ${reveal('#picture', 'cover 0% cover 100%', 'far')}`,
    expect: ['depth-gap'],
  },
  {
    name: 'a card that falls back when its range is over',
    css: `#card { animation: rise linear backwards; animation-timeline: view(); animation-range: entry 0% entry 100%; }`,
    near: ['missing-fill'],
  },
  {
    name: 'a card that jumps when its range begins',
    css: `#card { animation: grow linear forwards; animation-timeline: view(); animation-range: cover 30% cover 60%; }`,
    expect: ['missing-fill'],
  },
  {
    name: 'a table of numbers too wide for the page',
    body: withMore(
      '<section><table id="table" style="width: 1700px"><tr><td>1</td><td>2</td></tr></table></section>',
    ),
    css: reveal('#card'),
    expect: ['page-too-wide'],
  },
  {
    name: 'a picture that is wider than the page',
    body: withMore(
      '<section><div id="wide" style="margin-right: -600px; height: 300px; background: #ccd"></div></section>',
    ),
    css: reveal('#card'),
    expect: ['page-too-wide'],
  },
  {
    name: 'a line that is moved beyond the edge in a clip',
    css: `#four { overflow: clip; } @keyframes out { to { translate: 900px 0; } } ${reveal('#bar', 'cover 20% cover 80%', 'out')}`,
    near: ['sideways-scroll', 'page-too-wide'],
    may: ['step-too-large'],
  },
  {
    name: 'a card that comes from the left',
    css: `@keyframes left { from { translate: -900px 0; } } ${reveal('#card', 'entry 0% cover 40%', 'left')}`,
    near: ['sideways-scroll', 'page-too-wide'],
    may: ['step-too-large'],
  },
  {
    name: 'a bar that turns beyond the edge',
    css: `#bar { transform-origin: 100% 50%; } @keyframes turn { to { rotate: 90deg; } } #two .row { width: 1120px; } @keyframes out { from { translate: 300px 0; } } ${reveal('#two .row', 'entry 0% cover 50%', 'out')}`,
    expect: ['sideways-scroll'],
  },
  {
    name: 'a card that turns, in a function with its own distance',
    css: `@keyframes tilt { from { transform: perspective(800px) rotateX(50deg); } } ${reveal('#card', 'entry 0% entry 100%', 'tilt')}`,
    near: ['flat-3d', 'flattened-3d'],
  },
  {
    name: 'a card that turns about its middle',
    css: `@keyframes spin { from { rotate: 40deg; } } ${reveal('#card', 'entry 0% entry 100%', 'spin')}`,
    near: ['flat-3d'],
  },
  {
    name: 'a section in space that blurs',
    css: `#two { transform-style: preserve-3d; perspective: 900px; } @keyframes mist { from { filter: blur(3px); } } ${reveal('#two', 'entry 0% entry 100%', 'mist')}`,
    expect: ['flattened-3d'],
    may: ['large-blur'],
  },
  {
    name: 'a row in space that is cut',
    css: `.row { transform-style: preserve-3d; } #two { perspective: 900px; } @keyframes cut { from { clip-path: inset(0 100% 0 0); } to { clip-path: inset(0); } } ${reveal('.row', 'entry 0% entry 100%', 'cut')}`,
    expect: ['flattened-3d'],
  },
  {
    name: 'a row in space that grows',
    css: `#two { perspective: 900px; } .row { transform-style: preserve-3d; } ${reveal('.row', 'entry 0% entry 100%', 'grow')}`,
    near: ['flattened-3d', 'flat-3d'],
  },
  {
    name: 'a flat row that fades',
    css: reveal('.row', 'entry 0% entry 100%', 'fade'),
    near: ['flattened-3d'],
  },
  {
    name: 'a row that hides what is too much',
    css: `#two { overflow: hidden auto; } ${reveal('.row .card')}`,
    expect: ['caught-by-scroller'],
  },
  {
    name: 'a body in a box that hides its overflow',
    body: `<div id="all" style="overflow: hidden">${BODY}</div>`,
    css: reveal('#card'),
    expect: ['caught-by-scroller'],
  },
  {
    name: 'a box that does scroll',
    body: withMore(
      '<section><div id="inner" style="overflow: auto; height: 300px"><p style="height: 400px">a</p><div class="card" id="deep">b</div><p style="height: 400px">c</p></div></section>',
    ),
    css: reveal('#deep', 'entry 0% entry 100%', 'grow'),
    near: ['caught-by-scroller', 'takes-the-scroll'],
    may: ['too-few-frames'],
  },
  {
    name: 'a hidden overflow, and a timeline of the page',
    css: `#one { overflow: hidden; } #card { animation: drift linear both; animation-timeline: scroll(root); animation-range: 200px 1500px; }`,
    near: ['caught-by-scroller', 'thin-over-page'],
  },
  {
    name: 'a picture that is as high as its frame and goes down',
    css: `.picture { height: 420px; margin-top: 0; } @keyframes down { to { translate: 0 90px; } } ${reveal('#picture', 'cover 0% cover 100%', 'down')}`,
    expect: ['depth-gap'],
  },
  {
    name: 'a picture that is too small for its way',
    css: `@keyframes far { from { translate: 0 -200px; } to { translate: 0 200px; } } ${reveal('#picture', 'cover 0% cover 100%', 'far')}`,
    expect: ['depth-gap'],
  },
  {
    name: 'a picture that only goes sideways in a frame of its width',
    css: `.frame { width: 720px; } .picture { width: 1000px; margin-left: -140px; } @keyframes side { from { translate: -100px 0; } to { translate: 100px 0; } } ${reveal('#picture', 'cover 0% cover 100%', 'side')}`,
    near: ['depth-gap', 'sideways-scroll'],
  },
  {
    name: 'a picture without a frame',
    css: `.frame { overflow: visible; } @keyframes far { from { translate: 0 -120px; } to { translate: 0 120px; } } .picture { height: 420px; margin-top: 0; } ${reveal('#picture', 'cover 0% cover 100%', 'far')}`,
    near: ['depth-gap'],
    may: ['no-reduced-form'],
  },
  {
    name: 'no fill at all',
    css: '#card { animation: grow linear; animation-timeline: view(); animation-range: contain 0% contain 100%; }',
    expect: ['missing-fill'],
  },
  {
    name: 'a heading that snaps back',
    css: '#h-two { animation: drift linear; animation-timeline: view(); animation-range: entry 0% cover 50%; }',
    expect: ['missing-fill'],
  },
  {
    name: 'no fill where both ends are its own',
    css: '@keyframes pulse { 0%, 100% { scale: 1; } 50% { scale: 1.1; } } #card { animation: pulse linear; animation-timeline: view(); animation-range: contain 0% contain 100%; }',
    may: ['missing-fill'],
  },
  {
    name: 'forwards from where it enters',
    css: '#card { animation: grow linear forwards; animation-timeline: view(); animation-range: cover 0% cover 60%; }',
    near: ['missing-fill'],
  },
  {
    name: 'backwards to where it has left',
    css: '#card { animation: grow linear backwards; animation-timeline: view(); animation-range: entry 0% cover 100%; }',
    near: ['missing-fill'],
  },
  ...linked(
    'a heading that a link leads to, and that comes when it leaves',
    '#h-two',
    'exit 0% exit 80%',
    'fade',
    { expect: ['anchor-unseen'], may: ['unseen-where-read'] },
  ),
  ...linked('words that a link leads to', '#words', 'exit 0% exit 100%', 'fade', {
    expect: ['anchor-unseen'],
    may: ['unseen-where-read'],
  }),
  ...linked('a card that a link leads to', '#card', 'exit 20% exit 100%', 'fade', {
    expect: ['anchor-unseen'],
    may: ['unseen-where-read'],
  }),
  ...linked('a heading that a link leads to, and that is there', '#h-two', 'entry 0% entry 100%', 'fade', {
    near: ['anchor-unseen'],
  }),
  ...linked('words that are there long before', '#words', 'entry 0% contain 20%', 'rise', {
    near: ['anchor-unseen'],
  }),
  ...linked('a card that only grows', '#card', 'exit 0% exit 100%', 'grow', { near: ['anchor-unseen'] }),
  ...pinned(
    'a pin that lets go too early',
    '500px',
    { range: { start: '0%', end: '160%' } },
    { expect: ['pin-shorter-than-scene'] },
  ),
  ...pinned(
    'a pin with a card of its own view',
    '300px',
    { driver: VIEW, range: { start: 'contain 0%', end: 'exit 100%' } },
    { may: ['pin-shorter-than-scene', 'unseen-where-read'] },
  ),
  ...pinned(
    'a pin that ends half-way',
    '400px',
    { range: { start: '50%', end: '210%' } },
    { expect: ['pin-shorter-than-scene'] },
  ),
  ...pinned(
    'a pin one tenth too short',
    '900px',
    { range: { start: '0%', end: '110%' } },
    { expect: ['pin-shorter-than-scene'] },
  ),
  ...pinned('a pin that is long enough', '500px', {}, { near: ['pin-shorter-than-scene', 'pin-too-high'] }),
  ...pinned(
    'a pin whose motion is over before',
    '500px',
    { range: { start: '10%', end: '60%' } },
    { near: ['pin-shorter-than-scene'] },
  ),
  ...pinned(
    'a pin with a bar of the page',
    '500px',
    { driver: { kind: 'scroll', axis: 'block' } },
    { near: ['pin-shorter-than-scene'], may: ['thin-over-page'] },
  ),
  ...pinned(
    'a section much higher than the window',
    '500px',
    {},
    { css: '#two { min-height: 1500px; }', expect: ['pin-too-high'] },
  ),
  ...pinned(
    'a section a little higher than the window',
    '500px',
    {},
    { css: '#two { min-height: 840px; }', expect: ['pin-too-high'] },
  ),
  ...pinned(
    'a section higher than the window, by its content',
    '500px',
    {},
    { css: '.row { padding-bottom: 800px; } #two { min-height: 0; }', expect: ['pin-too-high'] },
  ),
  ...pinned(
    'a high section pinned by its bottom',
    '500px',
    {},
    { css: '#two { min-height: 1500px; }', by: 'bottom', near: ['pin-too-high'] },
  ),
  ...pinned(
    'a high section whose contents are moved up',
    '900px',
    {
      targets: { selector: '.row' },
      keyframes: {
        translate: [
          { at: '0%', value: '0 0' },
          { at: '100%', value: '0 -700px' },
        ],
      },
    },
    { css: '.row { height: 1400px; } #two { min-height: 1500px; }', near: ['pin-too-high'] },
  ),
  {
    name: 'a map that takes the scroll',
    body: withMore(
      '<section style="padding: 0"><iframe id="map" style="width: 100%; height: 700px; border: 0" srcdoc="map"></iframe></section>',
    ),
    css: reveal('#card'),
    expect: ['takes-the-scroll'],
  },
  {
    name: 'a list that takes the scroll',
    body: withMore(
      '<section style="padding: 0"><div id="list" style="height: 600px; overflow: auto"><div style="height: 2000px">boats</div></div></section>',
    ),
    css: reveal('#card'),
    expect: ['takes-the-scroll'],
  },
  {
    name: 'an embedded page',
    body: withMore(
      '<section style="padding: 0"><object id="page" data="data:text/html,page" style="width: 100%; height: 800px"></object></section>',
    ),
    css: reveal('#card'),
    expect: ['takes-the-scroll'],
  },
  {
    name: 'a small map',
    body: withMore(
      '<section><iframe id="map" style="width: 400px; height: 300px; border: 0" srcdoc="map"></iframe></section>',
    ),
    css: reveal('#card'),
    near: ['takes-the-scroll'],
  },
  {
    name: 'a list that is as long as its contents',
    body: withMore(
      '<section style="padding: 0"><div id="list" style="height: 600px; overflow: auto"><div style="height: 500px">boats</div></div></section>',
    ),
    css: reveal('#card'),
    near: ['takes-the-scroll'],
  },
  {
    name: 'a low list',
    body: withMore(
      '<section style="padding: 0"><div id="list" style="height: 200px; overflow: auto"><div style="height: 2000px">boats</div></div></section>',
    ),
    css: reveal('#card'),
    near: ['takes-the-scroll'],
  },
  ...marquee(
    'parts very far from each other',
    'display: flex; gap: 900px',
    3,
    {},
    { expect: ['marquee-hole'] },
  ),
  ...marquee(
    'parts at its two ends',
    'display: flex; justify-content: space-between',
    2,
    {},
    { expect: ['marquee-hole'] },
  ),
  ...marquee('a wide gap', 'display: flex; gap: 700px', 3, {}, { expect: ['marquee-hole'] }),
  ...marquee(
    'parts beside each other',
    'display: flex; gap: 24px',
    5,
    {},
    { near: ['marquee-hole', 'no-pause'] },
  ),
  ...marquee('parts with some room', 'display: flex; gap: 200px', 5, {}, { near: ['marquee-hole'] }),
  ...marquee('one part alone', 'display: flex', 1, {}, { near: ['marquee-hole'] }),
];
