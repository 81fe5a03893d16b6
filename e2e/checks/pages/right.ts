import { reveal } from '../corpus.ts';
import type { CorpusPage } from '../corpus.ts';

export const RIGHT: readonly CorpusPage[] = [
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
];
