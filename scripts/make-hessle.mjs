/**
 * Makes the demo page “Hessle Loom” in demo/hessle: a weaving mill’s product page that is wrong on purpose. It holds at least one
 * specimen of each mistake that the checks know. The style sheet beside it is written by hand.
 */
import { writeFile } from 'node:fs/promises';

const OUT = new URL('../demo/hessle/', import.meta.url);
const ends = (from, to) => [
  { at: '0%', value: from },
  { at: '100%', value: to },
];
const passage = (insets = ['0px', '0px']) => ({ kind: 'passage', subject: 'self', axis: 'block', insets });
const motions = [];
const motion = (id, name, selector, keyframes, range = {}, more = {}) =>
  motions.push({
    id: `m_${id}`,
    name,
    on: true,
    targets: { selector },
    driver: passage(),
    range: { start: 'entry 0%', end: 'contain 60%', ...range },
    keyframes,
    easing: 'linear',
    fill: 'both',
    composite: 'replace',
    follow: { kind: 'none' },
    reducedMotion: 'drop',
    ...more,
  });
const rise = { translate: ends('0 120px', '0 0') };
const half = (line) => ({ edge: '50%', line });

// In the first screen.
motion(
  'intro',
  'Title arrives',
  '#title',
  rise,
  {},
  { driver: { kind: 'load' }, time: { delay: '80ms', duration: '700ms' } },
);
motion(
  'title',
  'Title sinks',
  '#title',
  { translate: ends('0 0', '0 90px') },
  { start: 'scroll 0%', end: 'exit 100%' },
);
motion(
  'bar',
  'Bar slides in',
  '#bar',
  { translate: ends('0 -56px', '0 0') },
  { start: 'entry 0%', end: 'exit 100%' },
);
motion(
  'bolt',
  'Bolt of cloth unrolls',
  '#bolt',
  { scale: ends('0.4 1', '1 1') },
  { start: 'cover 0%', end: 'cover 100%' },
);
// Reach.
motion(
  'since',
  'Since 1871',
  '#since',
  { opacity: ends('0', '1') },
  { start: 'exit 10%', end: 'exit 45%' },
  { driver: { ...passage(), subject: '#hero' } },
);
motion(
  'ask',
  'Link to the order',
  '#ask',
  { opacity: ends('0', '1') },
  { start: 'contain 50%', end: 'exit 60%' },
);
motion(
  'creed',
  'Creed fades in',
  '#creed',
  { opacity: ends('0', '1') },
  { start: 'entry 0%', end: half('38%') },
);
motion(
  'sheep',
  'Sheep wander',
  '#sheep',
  { translate: ends('0 0', '320px 0') },
  { start: '0%', end: '100%' },
  { driver: { kind: 'page', axis: 'block' } },
);
motion(
  'tag',
  'Price tag turns',
  '#tag',
  { rotate: ends('-14deg', '0deg') },
  { start: half('30%'), end: half('70%') },
);
// Smoothness.
motion('spark', 'Spark', '#spark', { opacity: ends('0', '1') }, { start: 'contain 50%', end: 'contain 52%' });
motion(
  'shuttle',
  'Shuttle shoots',
  '#shuttle',
  { translate: ends('-2100px 0', '0 0') },
  { start: 'entry 40%', end: 'contain 40%' },
);
motion(
  'ticks',
  'Counter ticks',
  '#ticks',
  { translate: ends('0 160px', '0 0') },
  { end: 'contain 80%' },
  { easing: 'steps(4)' },
);
motion(
  'beam',
  'Beam knocks',
  '#beam',
  {
    translate: [
      { at: '0%', value: '-340px 0' },
      { at: '30%', value: '0 0' },
      { at: '100%', value: '0 0' },
    ],
  },
  { end: 'contain 80%' },
);
motion(
  'treadle',
  'Treadle eased',
  '#treadle',
  { translate: ends('0 60px', '0 0') },
  { end: 'contain 80%' },
  { easing: 'cubic-bezier(0.05, 0.95, 0.1, 1)' },
);
motion(
  'heddle',
  'Heddle swings',
  '#heddle',
  { translate: ends('0 90px', '0 0') },
  { end: 'contain 80%' },
  { easing: 'cubic-bezier(0.4, 1.5, 0.6, 1)' },
);
// Feel.
motion(
  'slack',
  'Slack yarn',
  '#slack',
  { translate: ends('0 140px', '0 0') },
  { end: 'contain 80%' },
  { follow: { kind: 'half-life', halfLife: 90 } },
);
motion(
  'drift',
  'Yarn drifts on',
  '#drift',
  { translate: ends('0 140px', '0 0') },
  { end: 'contain 80%' },
  { follow: { kind: 'half-life', halfLife: 110, cap: 90 } },
);
motion(
  'pulse',
  'Lamp on a spring',
  '#pulse',
  { opacity: ends('0.2', '1') },
  {},
  { follow: { kind: 'spring', frequency: 6, ratio: 0.4 } },
);
// Conflict.
motion(
  'warp',
  'Warp rises',
  '#warp',
  { opacity: ends('0', '1') },
  { end: 'contain 20%' },
  { reducedMotion: 'fade' },
);
motion(
  'weft',
  'Weft fades the warp',
  '#warp',
  { opacity: ends('1', '0.4') },
  { start: 'entry 60%', end: 'contain 90%' },
  { reducedMotion: 'fade' },
);
motion(
  'anchor',
  'Anchor heading',
  '#anchor',
  rise,
  { start: 'entry 0%', end: 'contain 40%' },
  { driver: passage(['auto', 'auto']) },
);
// Structure.
motion('caught', 'Ribbon in a box', '#ribbon', { scale: ends('0 1', '1 1') });
motion('slide', 'Sample slides in', '#sample', { translate: ends('640px 0', '0 0') });
motion(
  'depth',
  'Picture lags behind',
  '#picture',
  { translate: ends('0 -90px', '0 90px') },
  { start: 'cover 0%', end: 'cover 100%' },
);
motion('flip', 'Swatch turns over', '#swatch', { rotate: ends('y 70deg', 'y 0deg') });
motion('snap', 'Label snaps', '#label', { translate: ends('0 60px', '0 0') }, {}, { fill: 'none' });
motion(
  'bench',
  'Bench shrinks',
  '#bench-in',
  { scale: ends('1', '0.8') },
  { start: '0%', end: '140%' },
  { driver: { kind: 'pin', pin: 'p_bench' } },
);
// Budget.
motion('margin', 'Coat pushes down', '#coat', { 'margin-top': ends('90px', '0px') });
motion(
  'fog',
  'Dye house fog',
  '#fog',
  { filter: ends('blur(22px)', 'blur(0px)') },
  { start: 'cover 10%', end: 'cover 90%' },
);
motion('threads', 'Threads lift', '.thread', { translate: ends('0 24px', '0 0') }, { end: 'contain 30%' });
motion(
  'cloth',
  'Cloth layers',
  '.cloth',
  { opacity: ends('0.2', '0.9') },
  { start: 'cover 0%', end: 'cover 100%' },
);
// Care.
motion(
  'keep',
  'Wheel rolls for all',
  '#wheel',
  { rotate: ends('0deg', '300deg') },
  { start: 'cover 0%', end: 'cover 100%' },
  { reducedMotion: 'keep' },
);
motion(
  'loom',
  'Great loom descends',
  '#loom',
  { translate: ends('0 -460px', '0 0') },
  { start: 'cover 0%', end: 'cover 100%' },
  { reducedMotion: 'keep' },
);
motion(
  'flash',
  'Needle flashes',
  '#needle',
  {
    opacity: ['0', '1', '0', '1', '0', '1', '0', '1', '0', '1'].map((value, i) => ({
      at: `${Number(((100 * i) / 9).toFixed(2))}%`,
      value,
    })),
  },
  { start: 'entry 0%', end: 'contain 10%' },
);
motion(
  'long',
  'Slow weave',
  '#weave',
  { opacity: ends('0', '1') },
  {},
  { driver: { kind: 'gate', gate: 'g_weave' }, time: { delay: '0ms', duration: '9000ms' } },
);
motion(
  'shy',
  'Stamp comes and goes',
  '#stamp',
  { scale: ends('0.6', '1') },
  {},
  { driver: { kind: 'gate', gate: 'g_stamp' }, time: { delay: '0ms', duration: '300ms' } },
);
motion(
  'order',
  'Order line',
  '#order',
  { translate: ends('0 40px', '0 0') },
  {},
  { driver: { kind: 'gate', gate: 'g_order' }, time: { delay: '0ms', duration: '400ms' } },
);
motion(
  'foot',
  'Mill at night',
  '#mill',
  { translate: ends('0 50px', '0 0') },
  { start: 'entry 0%', end: half('35%') },
);

const gate = (id, name, subject, more) => ({
  id,
  name,
  on: true,
  subject,
  down: 'entry 60%',
  up: null,
  plays: 'each-time',
  back: 'keeps-end',
  ...more,
});
const document = {
  format: 'lyvek-document',
  version: 1,
  motions,
  pins: [
    {
      id: 'p_bench',
      name: 'Bench',
      on: true,
      stage: '#bench',
      hold: { by: 'top', inset: '0px' },
      distance: { kind: 'length', value: '500px' },
      overlap: ['0px', '0px'],
      layer: null,
    },
  ],
  gates: [
    gate('g_weave', 'Weave', '#weave', { plays: 'once' }),
    gate('g_stamp', 'Stamp', '#stamp', { back: 'plays-back' }),
    gate('g_order', 'Order', '#order', { down: { edge: '100%', line: '10%' }, plays: 'once' }),
  ],
  cues: [],
  adjustments: [],
  media: [],
  properties: [],
  taken: [],
};

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
  section('anchor', 'Care', 'Cold water, little soap.', wool('anchor', 'Washing')),
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
  section('stamp', 'The stamp', 'Only if it passes.', wool('stamp', 'Hessle', 'piece round')),
];
const html = `<!doctype html>
<html lang="en">
  <head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
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
  </body>
</html>
`;
await writeFile(new URL('index.html', OUT), html);
await writeFile(new URL('lyvek.document.json', OUT), `${JSON.stringify(document, null, 2)}\n`);
console.log(`${motions.length} motions, ${Math.round(html.length / 1024)} kB`);
