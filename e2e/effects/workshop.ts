/** A page with structure and no motion: every effect is built on it. */
const figures = [1, 2, 3, 4, 5, 6]
  .map((i) => `<figure><a href="#p${i}" id="p${i}">Plate ${i}</a></figure>`)
  .join('');
const deck = [1, 2, 3, 4].map((i) => `<div id="deck${i}">Deck card ${i}</div>`).join('');
const column = (c: number) => `<div>${[1, 2, 3, 4, 5].map((i) => `<p>${c}.${i}</p>`).join('')}</div>`;

export const WORKSHOP = `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Workshop</title><style>
body { margin: 0; font: 18px/1.5 'Liberation Sans', sans-serif; color: #1b2630; background: #f6f3ec }
header { height: 800px; padding: 120px 80px; box-sizing: border-box; background: #dfe6e9 }
main > section { padding: 110px 80px; box-sizing: border-box }
#plain { min-height: 1100px }
.card { width: 480px; padding: 30px; background: #fff; border: 1px solid #bbb; margin: 0 0 60px }
.frame { height: 400px; overflow: clip; position: relative; margin: 0 0 60px }
.frame > div { height: 100%; background: linear-gradient(#cde, #678) }
#dome { height: 100vh; background: #1d2b38; color: #e8e4da }
#plates { background: #efe8d8 }
.strip { display: flex; gap: 30px }
.strip figure { flex: none; width: 520px; height: 360px; margin: 0; background: #b9c7cf; display: grid; place-items: center }
#cards { background: #e7ecee }
.deck > div { width: 640px; height: 420px; background: #fff; border: 1px solid #9aa; padding: 30px; box-sizing: border-box; margin: 0 auto }
.cols { display: grid; grid-template-columns: 1fr 1fr 1fr; gap: 30px }
.cols > div > p { height: 340px; background: #cfd9dd; margin: 0 0 30px; padding: 20px }
.rings { position: relative; width: 500px; height: 500px; margin: auto }
.rings > i { position: absolute; inset: 40px; border: 6px solid #486; border-radius: 50% }
.rings > i + i { inset: 110px }
#draw svg { width: 800px; height: 400px; fill: none; stroke: #246; stroke-width: 4 }
.figure { font-size: 80px; width: 600px; font-weight: 700 }
footer { height: 900px; background: #243 }
</style></head><body>
<header><h1>Workshop</h1><p>A page with structure and no motion.</p></header>
<main>
<section id="plain"><h2>Plain parts</h2>
<div class="card" id="one"><h3>First card</h3><p>Text of the first card.</p></div>
<div class="frame" id="frame"><div id="layer"></div></div>
<div class="card" id="two"><h3>Second card</h3><p>Text of the second.</p></div></section>
<section id="dome"><h2>Dome opens</h2><p id="caption">Held for a while.</p></section>
<section id="plates"><h2>Plates</h2><div class="strip">${figures}</div></section>
<section id="cards"><div class="deck">${deck}</div></section>
<section id="columns"><h2>Columns</h2><div class="cols">${[1, 2, 3].map(column).join('')}</div></section>
<section id="rings"><div class="rings"><i></i><i></i></div></section>
<section id="draw"><svg viewBox="0 0 800 400"><path d="M20 380C200 380 200 40 400 80S700 380 780 20"/></svg></section>
<section id="tally"><p class="figure" id="hours">1,640 hours</p></section>
</main><footer></footer></body></html>`;
