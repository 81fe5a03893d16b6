/**
 * Writes the page and the document of demo/almanac: a made-up tide almanac of 366 days, a page of more than 60,000 px with more than 400
 * motions. Everything in them follows from the constants below, so that they are the same each time; styles.css is kept by hand. Run it
 * after changing it: node scripts/make-almanac.mjs
 */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';

const YEAR = 2028;
const HOUR = 3_600_000;
/** Periods of the two tides, the moon’s and the sun’s, in hours, and of the moon’s phases, in days. */
const MOON_TIDE = 12.4206;
const SUN_TIDE = 12;
const LUNATION = 29.530588;
const FIRST_NEW_MOON = Date.UTC(2028, 0, 26, 15);
const MONTHS = [
  ['January', 'Harbour lamps are lit at four. Ice on the slip most mornings.'],
  ['February', 'The long swell comes in from the north-west. Nothing leaves before noon.'],
  ['March', 'Springs at the equinox: the lower steps are not to be used.'],
  ['April', 'Eider on the outer skerries. Keep two cables off.'],
  ['May', 'The ferry runs its summer hours from the twelfth.'],
  ['June', 'No true night for three weeks. Lamps are kept lit all the same.'],
  ['July', 'Fog in the mornings; the horn is sounded by hand.'],
  ['August', 'Mackerel in the roads. The race off Cold Head is at its worst.'],
  ['September', 'Second springs of the year, higher than the first.'],
  ['October', 'The buoys are brought in and painted.'],
  ['November', 'Gale warnings are flown from the mill, where everyone can see them.'],
  ['December', 'The almanac for the next year hangs in the office from the ninth.'],
];
const NOTES = [
  'Sand ripples show at the old pier.',
  'The causeway is dry for two hours.',
  'Seals on the bar at low water.',
  'Boats lie afloat all day.',
  'The wreck of a lighter shows her ribs.',
  'Do not moor at the outer wall.',
  'Slack water is short today.',
  'Good morning for cockles.',
];

let seed = 1828;
const random = () => {
  seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
  return seed / 4294967296;
};
const two = (n) => String(n).padStart(2, '0');
const short = (n) => Number(n.toFixed(1));

/** Metres above the chart’s zero. */
const height = (t) => {
  const hours = (t - FIRST_NEW_MOON) / HOUR;
  return (
    2.9 +
    1.7 * Math.cos((2 * Math.PI * hours) / MOON_TIDE) +
    0.62 * Math.cos((2 * Math.PI * hours) / SUN_TIDE)
  );
};
/** Share of the lunation, 0 at new moon. */
const phase = (t) => (((((t - FIRST_NEW_MOON) / (24 * HOUR)) % LUNATION) + LUNATION) % LUNATION) / LUNATION;

function turns(start) {
  const out = [];
  for (let m = 10; m < 24 * 60; m += 10) {
    const [a, b, c] = [-10, 0, 10].map((d) => height(start + (m + d) * 60_000));
    if ((b > a && b >= c) || (b < a && b <= c))
      out.push({ time: `${two(Math.floor(m / 60))}:${two(m % 60)}`, metres: b, high: b > a });
  }
  return out;
}

const W = 640;
const H = 96;
const curve = (start) =>
  Array.from({ length: 33 }, (_, i) => {
    const x = (i / 32) * W;
    const y = H - 6 - (height(start + (i / 32) * 24 * HOUR) / 5.4) * (H - 12);
    return `${i ? 'L' : 'M'}${short(x)} ${short(y)}`;
  }).join('');

function moonPath(share) {
  const bulge = Math.cos(share * 2 * Math.PI) * 9;
  const right = share < 0.5;
  return `M10 1A9 9 0 0 ${right ? 1 : 0} 10 19A${short(Math.abs(bulge))} 9 0 0 ${bulge > 0 === right ? 0 : 1} 10 1Z`;
}

const motions = [];
const view = { kind: 'view', subject: 'self', axis: 'block', insets: ['0px', '0px'] };
const motion = (id, name, selector, keyframes, range, more = {}) =>
  motions.push({
    id: `m_${id}`,
    name,
    on: true,
    targets: { selector },
    driver: view,
    range,
    keyframes,
    easing: 'linear',
    fill: 'both',
    composite: 'replace',
    damping: { kind: 'none' },
    reducedMotion: 'drop',
    ...more,
  });
const ends = (from, to) => [
  { at: '0%', value: from },
  { at: '100%', value: to },
];
const whole = { driver: { kind: 'scroll', axis: 'block' } };

motion(
  'year',
  'The year passes',
  '#year-hand',
  { scale: ends('0 1', '1 1') },
  { start: '0%', end: '100%' },
  whole,
);
motion(
  'swell',
  'Swell under the title',
  '#swell',
  { translate: ends('0 0', '0 60px') },
  { start: '0px', end: '800px' },
  whole,
);
motion(
  'title',
  'Title leaves',
  '#cover > div',
  { opacity: ends('1', '0'), translate: ends('0 0', '0 -40px') },
  { start: '100px', end: '640px' },
  { ...whole, reducedMotion: 'fade' },
);
motion(
  'light',
  'The lamp turns',
  '#lamp',
  { rotate: ends('-24deg', '24deg') },
  { start: '0px', end: '900px' },
  whole,
);

const months = MONTHS.map(([name, note], m) => {
  const id = name.toLowerCase();
  const days = new Date(Date.UTC(YEAR, m + 1, 0)).getUTCDate();
  const label = `${name}, heading`;
  motion(
    `${id}_h`,
    label,
    `#${id} > header`,
    { opacity: ends('0', '1'), translate: ends('0 56px', '0 0') },
    { start: 'entry 10%', end: { edge: '50%', line: '60%' } },
    { reducedMotion: 'fade' },
  );
  motion(
    `${id}_m`,
    `${name}, moons`,
    `#${id} .moons`,
    { 'clip-path': ends('inset(0 100% 0 0)', 'inset(0 0% 0 0)') },
    { start: 'entry 60%', end: { edge: '50%', line: '45%' } },
  );
  motion(
    `${id}_t`,
    `${name}, tint`,
    `#${id} > .tint`,
    { opacity: ends('0', '1') },
    { start: 'cover 0%', end: 'entry 100%' },
    { reducedMotion: 'keep', driver: { ...view, subject: `#${id} > header` } },
  );
  const moons = Array.from({ length: days }, (_, d) => {
    const share = phase(Date.UTC(YEAR, m, d + 1, 12));
    return `<g transform="translate(${d * 32} 0)"><circle cx="10" cy="10" r="9"/><path d="${moonPath(share)}"/></g>`;
  }).join('');
  const rows = Array.from({ length: days }, (_, d) => day(name, m, d + 1)).join('\n');
  return `<section id="${id}">
<div class="tint" aria-hidden="true"></div>
<header><h2>${name}</h2><p>${note}</p><svg class="moons" viewBox="0 0 ${days * 32 - 12} 20" role="img" aria-label="Moons of ${name}">${moons}</svg></header>
${rows}
</section>`;
});

function day(month, m, d) {
  const start = Date.UTC(YEAR, m, d);
  const id = `d${two(m + 1)}${two(d)}`;
  const waters = turns(start);
  const range = Math.max(...waters.map((w) => w.metres)) - Math.min(...waters.map((w) => w.metres));
  const spring = range > 4.3;
  const weekday = new Intl.DateTimeFormat('en', { weekday: 'long', timeZone: 'UTC' }).format(start);
  const end = 52 + Math.round(random() * 14);
  motion(
    `${id}_c`,
    `${month} ${d}`,
    `#${id} > svg`,
    { 'clip-path': ends('inset(0 100% 0 0)', 'inset(0 0% 0 0)') },
    { start: 'entry 20%', end: { edge: '50%', line: `${end}%` } },
  );
  if (spring)
    motion(
      `${id}_s`,
      `${month} ${d}, springs`,
      `#${id} > .springs`,
      { opacity: ends('0', '1'), translate: ends('24px 0', '0 0') },
      { start: 'entry 100%', end: { edge: '50%', line: '75%' } },
      { reducedMotion: 'fade' },
    );
  return `<article id="${id}"${spring ? ' class="spring"' : ''}><h3><b>${d}</b> ${weekday}</h3><svg viewBox="0 0 ${W} ${H}" preserveAspectRatio="none" role="img" aria-label="Tide of ${month} ${d}"><path class="water" d="${curve(start)}L${W} ${H}L0 ${H}Z"/><path class="line" d="${curve(start)}"/></svg><p class="waters">${waters
    .map((w) => `${w.high ? 'high' : 'low '} ${w.time}  ${w.metres.toFixed(1)} m`)
    .join(
      '\n',
    )}</p>${spring ? '<p class="springs">springs</p>' : ''}${random() < 0.2 ? `<p class="note">${NOTES[Math.floor(random() * NOTES.length)]}</p>` : ''}</article>`;
}

const html = `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Port Merrin Tide Almanac ${YEAR}</title>
<link rel="stylesheet" href="styles.css">
</head>
<body>
<div id="year" aria-hidden="true"><span id="year-hand"></span></div>
<header id="cover">
<svg id="sea" viewBox="0 0 1280 800" preserveAspectRatio="xMidYMax slice" aria-hidden="true"><g id="lamp"><path d="M968 318L1700 150V420Z" fill="#fdf3cf" opacity=".5"/></g><path d="M952 560l10-230h14l10 230z" fill="#f5f1e6"/><path d="M957 430h24l2 44h-28z" fill="#b4523d"/><path d="M956 330h26v-16l-13-12-13 12z" fill="#2c4a57"/><path d="M850 606c60-66 160-72 240-10l150 130H740z" fill="#40606b"/><g id="swell"><path d="M0 640c160-40 260 30 420 0s260-30 420 0 260 30 440-6v240H0z" fill="#6f97a2"/><path d="M0 690c140 26 280-30 430-4s270 26 430 0 260-22 420 4v200H0z" fill="#4f7a87"/></g></svg>
<div><p>Kept by the harbour office</p><h1>Port Merrin<br>Tide Almanac</h1><p>${YEAR}. Times are harbour time, heights in metres above the lowest step.</p></div>
</header>
<main>
${months.join('\n')}
</main>
<footer><p>Port Merrin is made up, and so is its sea. Do not steer by this almanac.</p></footer>
</body>
</html>
`;

const dir = join(import.meta.dirname, '..', 'demo', 'almanac');
writeFileSync(join(dir, 'index.html'), html);
writeFileSync(
  join(dir, 'lyvek.document.json'),
  `{ "format": "lyvek-document", "version": 2, "motions": [\n${motions.map((m) => JSON.stringify(m)).join(',\n')}\n] }\n`,
);
console.log(`${motions.length} motions, ${Math.round(html.length / 1024)} kB`);
