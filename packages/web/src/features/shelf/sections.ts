/** A page made from sections, for whoever wants to try an effect without a page at hand: plain HTML and CSS, and nothing that moves. */

export interface SectionKind {
  id: string;
  name: string;
  /** what it is good for */
  what: string;
  html: string;
  css: string;
}

/** A drawn picture: sky, hill and sun in the colours given, so that no page needs a file. */
const picture = (alt: string, sky: string, hill: string, sun: string): string =>
  `<svg class="picture" role="img" aria-label="${alt}" viewBox="0 0 400 260" preserveAspectRatio="xMidYMid slice"><rect width="400" height="260" fill="${sky}"/><circle cx="290" cy="90" r="38" fill="${sun}"/><path d="M0 190Q90 120 190 180T400 150V260H0Z" fill="${hill}"/></svg>`;

export const SECTIONS: readonly SectionKind[] = [
  {
    id: 'hero',
    name: 'Hero',
    what: 'a first screen with a title and a layer behind it',
    html: `<header class="hero"><div class="hero-back" aria-hidden="true"></div><p class="kicker">A new page</p><h1>Long pages, set in motion</h1><p class="lead">Scroll down: there is a section for every kind of motion.</p></header>`,
    css: `.hero{position:relative;min-height:100vh;display:grid;align-content:center;padding:0 8vw;overflow:clip}.hero-back{position:absolute;inset:-10% 0 -10%;z-index:-1;background:radial-gradient(circle at 75% 30%,#f2d9b1,transparent 45%),linear-gradient(#dfe8e6,#f7f4ec)}.kicker{text-transform:uppercase;letter-spacing:.14em;font-size:14px}`,
  },
  {
    id: 'cards',
    name: 'Cards',
    what: 'three cards in a row, to reveal one after the other',
    html: `<section class="cards-section"><h2>Three of a kind</h2><ul class="cards"><li class="card"><h3>First</h3><p>Comes in as the row is reached.</p></li><li class="card"><h3>Second</h3><p>Follows a little later.</p></li><li class="card"><h3>Third</h3><p>Is the last of them.</p></li></ul></section>`,
    css: `.cards{display:grid;grid-template-columns:repeat(auto-fit,minmax(220px,1fr));gap:28px;list-style:none;padding:0}.card{padding:28px;background:#fff;border:1px solid #d8d2c4;border-radius:6px;min-height:180px}`,
  },
  {
    id: 'scene',
    name: 'Tall scene',
    what: 'a stage as high as the screen, to pin while things happen in it',
    html: `<section class="scene"><div class="stage"><h2>A scene that stays</h2><div class="disc" aria-hidden="true"></div><p class="caption">Pin this section, and let the disc turn for as long as it is held.</p></div></section>`,
    css: `.scene{padding:0}.stage{height:100vh;display:grid;place-items:center;align-content:center;gap:28px;background:#24343a;color:#f4efe4;text-align:center}.disc{width:min(44vh,300px);aspect-ratio:1;border-radius:50%;background:conic-gradient(#e9b872,#c8553d,#588b8b,#e9b872)}`,
  },
  {
    id: 'strip',
    name: 'Strip',
    what: 'panels side by side, wider than the screen, for horizontal travel',
    html: `<section class="strip-section"><h2>Side by side</h2><div class="strip">${['One', 'Two', 'Three', 'Four', 'Five'].map((n) => `<article class="panel"><h3>${n}</h3></article>`).join('')}</div></section>`,
    css: `.strip-section{overflow:clip;min-height:100vh;display:grid;align-content:center}.strip{display:flex;gap:24px;width:max-content}.panel{width:min(70vw,460px);height:52vh;padding:28px;background:#e6ddca;border-radius:6px}.panel:nth-child(even){background:#d5e0dc}`,
  },
  {
    id: 'article',
    name: 'Article',
    what: 'paragraphs to read, for quiet reveals and a progress bar',
    html: `<article class="article"><h2>Something to read</h2>${[
      'Motion that follows the scroll belongs to the reader: it goes as fast as the page is scrolled, stops where that stops, and runs back with it.',
      'A line that rises as it comes into sight says that it has arrived. One that goes on rising while it is read only gets in the way.',
      'So a reveal is done before the eye gets there. In the lower quarter of the screen it may move; above that it stands still.',
      'Readers who ask for reduced motion get the same words, without the movement.',
    ]
      .map((p) => `<p>${p}</p>`)
      .join('')}</article>`,
    css: `.article{max-width:620px;margin-inline:auto;font-size:20px;line-height:1.65}`,
  },
  {
    id: 'gallery',
    name: 'Gallery',
    what: 'pictures in two columns, for parallax and growth',
    html: `<section class="gallery-section"><h2>Four views</h2><div class="gallery">${[
      picture('Morning over the hill', '#f1d6b8', '#6a7f73', '#fff3d6'),
      picture('Noon over the hill', '#cfe3ea', '#7f9a6d', '#ffe9a8'),
      picture('Evening over the hill', '#d98f6c', '#4c4a5c', '#ffd39b'),
      picture('Night over the hill', '#1f2b44', '#141a2a', '#e8e6d9'),
    ].join('')}</div></section>`,
    css: `.gallery{display:grid;grid-template-columns:repeat(auto-fit,minmax(280px,1fr));gap:40px}.picture{width:100%;height:340px;border-radius:6px}`,
  },
];

const BASE = `*{box-sizing:border-box}body{margin:0;font:18px/1.5 system-ui,sans-serif;color:#1f2a2c;background:#faf8f2}h1{font-size:clamp(40px,7vw,92px);line-height:1.02;margin:0;max-width:12ch}h2{font-size:clamp(28px,4vw,48px);line-height:1.1;margin:0 0 .6em}h3{margin:0 0 .4em}.lead{font-size:22px;max-width:36ch}section,article,footer{padding:14vh 8vw}`;

/** The page with these sections, in their order, as one HTML text. */
export function makeSectionsPage(ids: readonly string[]): string {
  const chosen = SECTIONS.filter((s) => ids.includes(s.id));
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Page from sections</title>
<style>
${[BASE, ...chosen.map((s) => s.css)].join('\n')}
</style>
</head>
<body>
${chosen.map((s) => s.html).join('\n')}
<footer><p>The end of the page.</p></footer>
</body>
</html>
`;
}
