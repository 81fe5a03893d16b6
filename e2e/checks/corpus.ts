/** Small pages as people write them, with what a check has to say of each, and nothing else. */
export interface CorpusPage {
  name: string;
  /** rules of its motions; they hold for readers who do not ask for less motion, where nothing else is said */
  css: string;
  /** in place of the usual page */
  body?: string;
  /** checks that have to speak */
  expect?: string[];
  /** checks that may speak: matters of taste */
  may?: string[];
  /** the rules hold for all readers */
  forAll?: boolean;
  gesture?: string;
}

const words = 'The harbour office keeps a ledger of every boat that came in by night. '.repeat(3);
export const BODY = `
<header id="top"><h1 id="title">Port Merrin</h1><p id="lead">${words}</p></header>
<section id="one"><h2 id="h-one">Boats</h2><p id="text">${words}</p><div class="card" id="card">Card</div></section>
<section id="two"><h2>Nets</h2><div class="row"><div class="card">a</div><div class="card">b</div><div class="card">c</div></div></section>
<section id="three"><div class="frame"><div class="picture" id="picture"></div></div><p>${words}</p><a id="link" href="#top">Back to the top</a></section>
<section id="four"><h2>Tides</h2><div class="bar" id="bar"></div><p>${words}</p></section>
<footer id="end"><p id="last">End of the page</p></footer>`;

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
`;

const reveal = (selector: string, range = 'entry 0% entry 100%', frames = 'rise') =>
  `${selector} { animation: ${frames} linear both; animation-timeline: view(); animation-range: ${range}; }`;

export const CORPUS: readonly CorpusPage[] = [
  // What is right.
  { name: 'a card that rises as it enters', css: reveal('#card') },
  { name: 'cards in a row, each by itself', css: reveal('.card', 'entry 0% cover 30%') },
  { name: 'a title that leaves with its page', css: reveal('#title', 'exit 0% exit 100%', 'leave') },
  { name: 'a picture that drifts in its frame', css: reveal('#picture', 'cover 0% cover 100%', 'drift') },
  {
    name: 'a bar that fills with the page',
    css: '#bar { position: fixed; top: 0; left: 0; animation: fill linear both; animation-timeline: scroll(); }',
  },
  {
    name: 'a card that grows while it is in the middle',
    css: reveal('#card', 'contain 20% contain 60%', 'grow'),
  },
  {
    name: 'a card that turns in a room',
    css: `#two { perspective: 900px; } .row { transform-style: preserve-3d; } @keyframes tilt { from { rotate: x 40deg; } } ${reveal('.row .card', 'entry 0% entry 100%', 'tilt')}`,
  },
  {
    name: 'a layer that is kept on the card by a depth of nothing',
    css: `@keyframes lift { from { transform: translateZ(0) scale(0.9); } to { transform: translateZ(0); } } ${reveal('#card', 'entry 0% entry 100%', 'lift')}`,
  },
  {
    name: 'a card that comes from the right, clipped',
    css: `#one { overflow-x: clip; } @keyframes right { from { translate: 1200px 0; } } ${reveal('#card', 'entry 0% cover 40%', 'right')}`,
    may: ['step-too-large'],
  },
  {
    name: 'the same where the page hides what is too wide',
    css: `html { overflow-x: hidden; } @keyframes right { from { translate: 1200px 0; } } ${reveal('#card', 'entry 0% cover 40%', 'right')}`,
    may: ['step-too-large'],
  },
  {
    name: 'a heading that fades a little while it leaves',
    css: reveal('#h-one', 'exit 0% exit 100%', 'leave'),
  },
  {
    name: 'a title that is clear until it is scrolled away',
    css: '#title { animation: leave linear both; animation-timeline: scroll(); animation-range: 100px 500px; }',
  },
  {
    name: 'shadow and colour',
    css: `@keyframes glow { from { background-color: #dcd; } to { background-color: #fed; } } ${reveal('#card', 'cover 20% cover 80%', 'glow')}`,
  },
  {
    name: 'a link that is clear when the keyboard gets there',
    css: reveal('#link', 'entry 0% entry 100%', 'fade'),
  },
  { name: 'words that are done before they are read', css: reveal('#text', 'entry 0% entry 60%', 'fade') },
  {
    name: 'a strip that scrolls by itself',
    body: `<header><h1>Strip</h1></header><section><div class="strip"><div class="card">1</div><div class="card">2</div><div class="card">3</div><div class="card">4</div><div class="card">5</div></div></section><section></section>`,
    css: `.strip { display: flex; gap: 20px; overflow-x: auto; width: 700px; } .strip .card { flex: none; } @keyframes near { from { scale: 0.9; } } .strip .card { animation: near linear both; animation-timeline: view(inline); animation-range: entry 0% cover 50%; }`,
  },
  // Reach.
  {
    name: 'the last words never become clear',
    css: reveal('#last', 'entry 0% cover 50%', 'fade'),
    expect: ['never-finishes'],
    may: ['too-few-frames', 'unseen-where-read'],
  },
  {
    name: 'a footer that never arrives',
    css: reveal('#end', 'entry 0% contain 50%', 'rise'),
    expect: ['never-finishes'],
    may: ['too-few-frames', 'unseen-where-read'],
  },
  {
    name: 'a bar at the end that never fills',
    css: `#last { animation: fill linear both; animation-timeline: view(); animation-range: cover 0% cover 60%; }`,
    expect: ['never-finishes'],
    may: ['too-few-frames'],
  },
  {
    name: 'a title that is half-way when the page opens',
    css: reveal('#title', 'entry 0% exit 100%', 'drift'),
    expect: ['starts-part-way'],
  },
  {
    name: 'a lead that is half-way when the page opens',
    css: reveal('#lead', 'cover 0% cover 100%', 'drift'),
    expect: ['starts-part-way'],
  },
  {
    name: 'a range that ends before it begins',
    css: reveal('#card', 'contain 60% contain 20%', 'rise'),
    expect: ['empty-range'],
    may: ['unseen-where-read'],
  },
  {
    name: 'one with no length',
    css: reveal('#card', 'cover 50% cover 50%', 'grow'),
    expect: ['empty-range'],
  },
  {
    name: 'words that become clear when they have been read',
    css: reveal('#text', 'contain 20% exit 20%', 'fade'),
    expect: ['unseen-where-read'],
  },
  {
    name: 'words that are faint in the middle',
    css: `@keyframes dim { 50% { opacity: 0.3; } } ${reveal('#text', 'cover 0% cover 100%', 'dim')}`,
    expect: ['unseen-where-read'],
  },
  {
    name: 'a title that nobody sees at first',
    css: reveal('#title', 'exit 0% exit 80%', 'fade'),
    expect: ['hidden-at-load'],
  },
  {
    name: 'a lead that waits for the scroll',
    css: '#lead { animation: fade linear both; animation-timeline: scroll(); animation-range: 0px 300px; }',
    expect: ['hidden-at-load'],
  },
  {
    name: 'a link that is unseen with the keyboard',
    css: reveal('#link', 'contain 50% exit 60%', 'fade'),
    expect: ['focus-unseen'],
    may: ['unseen-where-read'],
  },
  {
    name: 'a card spread thin over the whole page',
    css: '#card { animation: rise linear both; animation-timeline: scroll(); }',
    expect: ['thin-over-page'],
    may: ['unseen-where-read'],
  },
  {
    name: 'a heading spread thin',
    css: '#h-one { animation: drift linear both; animation-timeline: scroll(); }',
    expect: ['thin-over-page'],
  },
  {
    name: 'a fixed bar that waits for itself',
    css: `#bar { position: fixed; top: 0; left: 0; animation: fill linear both; animation-timeline: view(); }`,
    expect: ['fixed-view'],
    may: ['starts-part-way', 'too-few-frames'],
  },
  // Structure.
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
  { name: 'one that clips it', css: `#one { overflow: clip; } ${reveal('#card')}` },
  {
    name: 'a picture that leaves a gap in its frame',
    css: `.picture { height: 420px; margin-top: 0; } @keyframes far { from { translate: 0 -120px; } to { translate: 0 120px; } } ${reveal('#picture', 'cover 0% cover 100%', 'far')}`,
    expect: ['depth-gap'],
  },
  {
    name: 'a card that falls back when its range is over',
    css: `#card { animation: rise linear backwards; animation-timeline: view(); animation-range: entry 0% entry 100%; }`,
  },
  {
    name: 'a card that jumps when its range begins',
    css: `#card { animation: grow linear forwards; animation-timeline: view(); animation-range: cover 30% cover 60%; }`,
    expect: ['missing-fill'],
  },
  // Conflict.
  {
    name: 'two that move the same card',
    css: `@keyframes up { to { translate: 0 -40px; } } #card { animation: rise linear both, up linear both; animation-timeline: view(), view(); animation-range: entry 0% contain 40%, contain 20% exit 100%; }`,
    expect: ['two-writers'],
  },
  // Smoothness.
  {
    name: 'a reveal within a breath',
    css: reveal('#card', 'entry 40% entry 60%', 'rise'),
    expect: ['too-few-frames'],
    may: ['step-too-large', 'jump'],
  },
  {
    name: 'a card that crosses the page at once',
    css: `#one { overflow-x: clip; } @keyframes across { from { translate: 2400px 0; } } ${reveal('#card', 'entry 0% entry 100%', 'across')}`,
    expect: ['step-too-large'],
  },
  {
    name: 'a keyframe that jumps',
    css: `@keyframes hop { 0% { translate: 0 0; animation-timing-function: step-end; } 50%, 100% { translate: 0 200px; } } ${reveal('#card', 'cover 20% cover 80%', 'hop')}`,
    expect: ['jump'],
    may: ['step-too-large', 'kink'],
  },
  {
    name: 'one that all but jumps',
    css: `@keyframes hop { 0%, 49% { translate: 0 0; } 50%, 100% { translate: 0 200px; } } ${reveal('#card', 'cover 20% cover 80%', 'hop')}`,
    expect: ['step-too-large'],
    may: ['jump', 'kink'],
  },
  // Budget.
  {
    name: 'a card that grows by its width',
    css: `@keyframes wider { from { width: 200px; } to { width: 400px; } } ${reveal('#card', 'cover 10% cover 60%', 'wider')}`,
    expect: ['layout-property'],
  },
  {
    name: 'a heading that moves by its margin',
    css: `@keyframes push { from { margin-top: 80px; } to { margin-top: 20px; } } ${reveal('#h-one', 'cover 10% cover 60%', 'push')}`,
    expect: ['layout-property'],
  },
  {
    name: 'a large picture that blurs',
    css: `.frame { width: 1280px; height: 900px; margin: 0 -80px; } .picture { height: 1000px; margin: 0; } @keyframes mist { from { filter: blur(30px); } } ${reveal('#picture', 'entry 0% cover 50%', 'mist')}`,
    expect: ['large-blur'],
  },
  {
    name: 'a small card that blurs a little',
    css: `@keyframes mist { from { filter: blur(4px); } } ${reveal('#card', 'entry 0% cover 40%', 'mist')}`,
  },
  // Care.
  {
    name: 'a small rise for everybody',
    css: reveal('#card', 'entry 0% entry 100%', 'rise'),
    forAll: true,
  },
  {
    name: 'a long way for everybody',
    css: `@keyframes far { from { translate: 0 300px; } } ${reveal('#card', 'entry 0% cover 40%', 'far')}`,
    forAll: true,
    expect: ['no-reduced-form'],
  },
  {
    name: 'a picture that drifts for everybody',
    css: reveal('#picture', 'cover 0% cover 100%', 'drift'),
    forAll: true,
    expect: ['no-reduced-form'],
  },
  {
    name: 'a colour for everybody',
    css: `@keyframes glow { from { background-color: #dcd; } to { background-color: #fed; } } ${reveal('#card', 'cover 20% cover 80%', 'glow')}`,
    forAll: true,
  },
  {
    name: 'a pulse that flashes',
    css: `@keyframes flash { 0%, 20%, 40%, 60%, 80%, 100% { opacity: 1; } 10%, 30%, 50%, 70%, 90% { opacity: 0; } } ${reveal('#picture', 'cover 30% cover 45%', 'flash')}`,
    expect: ['flashing'],
    may: ['too-few-frames', 'unseen-where-read', 'jump'],
  },
];
