/** The motions of Hessle Loom, each wrong in a way of its own. */
const ends = (from, to) => [
  { at: '0%', value: from },
  { at: '100%', value: to },
];
const view = (insets = ['0px', '0px']) => ({ kind: 'view', subject: 'self', axis: 'block', insets });
export const motions = [];
const motion = (id, name, selector, keyframes, range = {}, more = {}) =>
  motions.push({
    id: `m_${id}`,
    name,
    on: true,
    targets: { selector },
    driver: view(),
    range: { start: 'entry 0%', end: 'contain 60%', ...range },
    keyframes,
    easing: 'linear',
    fill: 'both',
    composite: 'replace',
    damping: { kind: 'none' },
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
  { driver: { ...view(), subject: '#hero' } },
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
  { driver: { kind: 'scroll', axis: 'block' } },
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
  { damping: { kind: 'half-life', halfLife: 90 } },
);
motion(
  'drift',
  'Yarn drifts on',
  '#drift',
  { translate: ends('0 140px', '0 0') },
  { end: 'contain 80%' },
  { damping: { kind: 'half-life', halfLife: 110, cap: 90 } },
);
motion(
  'pulse',
  'Lamp on a spring',
  '#pulse',
  { opacity: ends('0.2', '1') },
  {},
  { damping: { kind: 'spring', frequency: 6, ratio: 0.4 } },
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
  { driver: view(['auto', 'auto']) },
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
  { driver: { kind: 'trigger', trigger: 'g_weave' }, time: { delay: '0ms', duration: '9000ms' } },
);
motion(
  'shy',
  'Stamp comes and goes',
  '#stamp',
  { scale: ends('0.6', '1') },
  {},
  { driver: { kind: 'trigger', trigger: 'g_stamp' }, time: { delay: '0ms', duration: '300ms' } },
);
motion(
  'order',
  'Order line',
  '#order',
  { translate: ends('0 40px', '0 0') },
  {},
  { driver: { kind: 'trigger', trigger: 'g_order' }, time: { delay: '0ms', duration: '400ms' } },
);
motion(
  'bell',
  'Bell swings',
  '#order',
  { rotate: ends('0deg', '3deg') },
  {},
  { driver: { kind: 'trigger', trigger: 'g_bell' }, time: { delay: '0ms', duration: '300ms' } },
);
// On phones.
motion(
  'tassel',
  'Tassel drops',
  '#tassel',
  { translate: ends('0 -40px', '0 0') },
  { start: 'entry 10dvh', end: half('60%') },
);
motion(
  'labels',
  'Labels go by',
  '#labels',
  { translate: ends('-80px 0', '0 0') },
  { start: 'entry 0%', end: half('60%') },
);
motion(
  'film',
  'Shuttle flies',
  '#film',
  { '--video': ends('0', '1') },
  { start: 'cover 0%', end: 'cover 100%' },
);
// The page’s own files.
motion('moth', 'Moth hole', '#moth', { opacity: ends('0', '1') }, { start: 'entry 0%', end: half('75%') });
motion('book', 'Pattern book', '#book', { opacity: ends('0', '1') }, { start: half('14%'), end: 'exit 80%' });
motion(
  'tape',
  'Tape runs',
  '#tape',
  {},
  { start: 'cover 0%', end: 'cover 100%' },
  { driver: { kind: 'marquee', axis: 'inline', speed: 40, reverses: true, push: 0.2, pauses: true } },
);
motion(
  'foot',
  'Mill at night',
  '#mill',
  { translate: ends('0 50px', '0 0') },
  { start: 'entry 0%', end: half('35%') },
);
