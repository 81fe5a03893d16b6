/** The page of Hessle Loom. */
const section = (id, title, text, inside) =>
  `      <section id="s-${id}"><div class="words"><h2>${title}</h2><p>${text}</p></div>\n        ${inside}\n      </section>`;
const wool = (id, name, className = 'piece') =>
  `<div id="${id}" class="${className}"><span>${name}</span></div>`;
const many = (n, one) => Array.from({ length: n }, (_, i) => one(i)).join('');

const sections = [
  section(
    'creed',
    'What we hold to',
    'Wool from eleven farms, washed in soft water.',
    '<p id="creed">Nothing leaves the mill that we would not wear for twenty winters.</p>',
  ),
  section(
    'flock',
    'The flock',
    'They know the hill better than we do.',
    wool('sheep', 'Sheep', 'piece round'),
  ),
  section('price', 'What it costs', 'Less than three of the other kind.', wool('tag', '184', 'piece small')),
  section('spark', 'Carding', 'Dry air and wool make sparks.', wool('spark', 'Spark', 'piece small')),
  section('shuttle', 'The shuttle', 'Ninety picks a minute.', wool('shuttle', 'Shuttle', 'piece long')),
  section('count', 'The count', 'Every pick is counted.', wool('ticks', 'Counter')),
  section('beam', 'The beam', 'It takes four hands to lift.', wool('beam', 'Beam', 'piece long')),
  section('treadle', 'The treadle', 'Left foot, right foot.', wool('treadle', 'Treadle')),
  section('heddle', 'The heddle', 'It opens the shed.', wool('heddle', 'Heddle')),
  section('slack', 'Slack', 'Yarn has a will of its own.', wool('slack', 'Yarn')),
  section('drift', 'Drift', 'It goes on when you have stopped.', wool('drift', 'Yarn')),
  section('lamp', 'The lamp', 'Weaving goes on after dark.', wool('pulse', 'Lamp', 'piece round')),
  section('warp', 'Warp and weft', 'One holds, the other wanders.', wool('warp', 'Warp')),
  section(
    'anchor',
    'Care',
    'Cold water, little soap. <a href="#book">Look it up.</a>',
    wool('anchor', 'Washing'),
  ),
  section(
    'ribbon',
    'Ribbons',
    'Left over from every warp.',
    `<div id="ribbon-box">${wool('ribbon', 'Ribbon', 'piece long')}</div>`,
  ),
  section(
    'sample',
    'Samples',
    'Sent by post, free. <a id="ask" href="#foot">Ask for them.</a>',
    wool('sample', 'Sample'),
  ),
  section(
    'picture',
    'The mill pond',
    'Where the water comes from.',
    '<div id="picture-frame"><div id="picture"></div></div>',
  ),
  section('swatch', 'Both sides', 'Turn it over.', wool('swatch', 'Swatch')),
  section('label', 'The label', 'Sewn by hand.', wool('label', 'Label', 'piece small')),
  '      <section id="bench"><div id="bench-in" class="piece wide"><span>The bench</span></div></section>',
  section('coat', 'The coat', 'One size too large is right.', wool('coat', 'Coat')),
  section('fog', 'The dye house', 'Madder, weld and woad.', '<div id="fog"></div>'),
  section(
    'threads',
    'Eighty threads',
    'To the inch.',
    `<div id="threads">${many(80, () => '<i class="thread"></i>')}</div>`,
  ),
  `      <section id="s-cloth"><div id="cloths">${many(38, () => '<div class="cloth"></div>')}</div></section>`,
  section(
    'map',
    'Where we are',
    'Take the slow train.',
    `<div id="map" tabindex="0"><ol>${many(40, (i) => `<li>Stop ${i + 1} on the line</li>`)}</ol></div>`,
  ),
  section('wheel', 'The wheel', 'It has turned since 1871.', wool('wheel', 'Wheel', 'piece round')),
  '      <section id="s-loom"><div id="loom"></div></section>',
  section('needle', 'The needle', 'Bright and sharp.', wool('needle', 'Needle', 'piece small')),
  section('weave', 'The weave', 'Two over, two under.', wool('weave', 'Twill')),
  section(
    'book',
    'The pattern book',
    'Four hundred drafts, the oldest on the back of a bill.',
    wool('book', 'Pattern book'),
  ),
  section('selvedge', 'The selvedge', 'The edge that holds the rest.', wool('selvedge', 'Selvedge')),
  section('fringe', 'The fringe', 'Twisted by hand, twice.', wool('fringe', 'Fringe', 'piece small')),
  section('bobbin', 'Bobbins', 'Sixty to a shawl.', wool('bobbin', 'Bobbin', 'piece round')),
  section('tassel', 'Tassels', 'Counted, then knotted.', wool('tassel', 'Tassel', 'piece small')),
  section(
    'labels',
    'Labels',
    'Sewn in by hand.',
    `<div id="labels">${many(6, (i) => `<a href="#hero" aria-label="Label ${i + 1}">·</a>`)}</div>`,
  ),
  section(
    'film',
    'At the loom',
    'A hundred and ten picks a minute.',
    '<video id="film" src="media/shuttle.webm" width="320" height="180" preload="none" muted playsinline aria-label="A shuttle crosses the warp"></video>',
  ),
  section('moth', 'Moths', 'Cedar keeps them away. Mostly.', wool('moth', 'A hole', 'piece small')),
  '      <section id="s-tape"><p id="tape"><span>By the yard</span> <span>By the ell</span></p></section>',
  section('stamp', 'The stamp', 'Only if it passes.', wool('stamp', 'Hessle', 'piece round')),
];
export const html = `<!doctype html>
<html lang="en">
  <head>
    <meta charset="utf-8">
    <title>Hessle Loom</title>
    <link rel="stylesheet" href="styles.css">
  </head>
  <body>
    <nav id="bar" aria-label="Hessle Loom"><b>Hessle Loom</b> <span>Cloth since 1871</span></nav>
    <main>
      <header id="hero"><p id="since">Since 1871</p><div id="title"><h1>Cloth that outlasts its coat</h1></div><div id="bolt" class="piece wide"><span>Twill no. 4</span></div></header>
${sections.join('\n')}
      <footer id="foot"><div id="order" class="piece small"><span>Order</span></div><div id="mill" class="piece wide"><span>The mill</span></div></footer>
    </main>
    <script>
      let drift = 0;
      const follow = () => {
        drift += (scrollY - drift) * 0.08;
        if (Math.abs(scrollY - drift) > 0.5) sample.style.backgroundPositionY = drift * 0.1 + 'px';
        requestAnimationFrame(follow);
      };
      const sample = document.querySelector('#sample');
      follow();
      // Nobody stops it, and the browser still has to ask.
      addEventListener('wheel', () => {}, { passive: false });
      // It also rolls by itself, and scripts win over style sheets.
      document.querySelector('#wheel').animate({ rotate: ['0deg', '360deg'] }, { duration: 20_000, iterations: Infinity });
    </script>
  </body>
</html>
`;
