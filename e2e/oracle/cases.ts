/** Random cases: fifty subjects on a page of awkward CSS, each with a random motion. Seeded, so that a failure can be repeated. */
import fc from 'fast-check';
import { propertyFacts, itemAt, lastItem, present, springCss, unrolledLists, whyNotEased } from '@lyvek/core';
import type { Motion, Pin } from '@lyvek/core';

export type Setting =
  | 'plain'
  | 'tall'
  | 'sticky'
  | 'sticky-end'
  | 'in-sticky'
  | 'pinned'
  | 'scroller'
  | 'inline-scroller'
  | 'transformed'
  | 'clipped';

export interface Subject {
  setting: Setting;
  /** px, multiples of 1/4 */
  height: number;
  width: number;
  gap: number;
}
export interface Case {
  subject: Subject;
  motion: Motion;
  /** another motion on the same element, later in the document; it may write the same properties */
  second: Motion | null;
  /** the pin of a pinned setting’s stage */
  pin: Pin | null;
}

const quarter = (min: number, max: number) => fc.integer({ min: min * 4, max: max * 4 }).map((n) => n / 4);
const pct = (min: number, max: number) => fc.integer({ min, max }).map((n) => `${n}%`);
const one = <T>(...values: T[]) => fc.constantFrom(...values);

const subject: fc.Arbitrary<Subject> = fc
  .record({
    setting: one<Setting>(
      'plain',
      'plain',
      'plain',
      'tall',
      'sticky',
      'sticky-end',
      'in-sticky',
      'pinned',
      'pinned',
      'scroller',
      'inline-scroller',
      'transformed',
      'clipped',
    ),
    height: quarter(40, 500),
    width: quarter(60, 500),
    gap: quarter(0, 300),
  })
  .map((s) => (s.setting === 'tall' ? { ...s, height: s.height + 820 } : s));

const phase = one('cover', 'contain', 'entry', 'exit', 'entry-crossing', 'exit-crossing');
const offset = (min: number, max: number) =>
  fc.oneof(
    { weight: 4, arbitrary: pct(min, max) },
    {
      weight: 1,
      arbitrary: fc
        .tuple(pct(min, max), fc.integer({ min: -120, max: 120 }))
        .map(([p, n]) => `calc(${p} + ${n}px)`),
    },
    {
      weight: 1,
      arbitrary: fc
        .tuple(pct(min, max), fc.integer({ min: -20, max: 20 }))
        .map(([p, n]) => `calc(${p} - ${n}vh)`),
    },
    { weight: 1, arbitrary: fc.integer({ min: -50, max: 300 }).map((n) => `${n}px`) },
  );
const phasePoint = (min: number, max: number) =>
  fc.tuple(phase, offset(min, max)).map(([p, o]) => `${p} ${o}`);
const meeting = fc.record({ edge: pct(0, 100), line: pct(-20, 120) });

const stop = fc.integer({ min: 1, max: 99 }).map((n) => `${n}%`);
const easing = fc.oneof(
  { weight: 3, arbitrary: fc.constant('linear') },
  { weight: 1, arbitrary: one('ease', 'ease-in', 'ease-out', 'ease-in-out') },
  {
    weight: 2,
    arbitrary: fc
      .tuple(
        fc.integer({ min: 0, max: 100 }),
        fc.integer({ min: -50, max: 150 }),
        fc.integer({ min: 0, max: 100 }),
        fc.integer({ min: -50, max: 150 }),
      )
      .map((p) => `cubic-bezier(${p.map((n) => n / 100).join(', ')})`),
  },
  {
    weight: 1,
    arbitrary: fc
      .tuple(fc.integer({ min: 2, max: 6 }), one('jump-start', 'jump-end', 'jump-none', 'jump-both'))
      .map(([n, t]) => `steps(${n}, ${t})`),
  },
  {
    weight: 1,
    arbitrary: fc
      .tuple(stop, fc.integer({ min: -20, max: 120 }))
      .map(([at, v]) => `linear(0, ${v / 100} ${at}, 1)`),
  },
);

const int = (min: number, max: number) => fc.integer({ min, max });
const length = fc.oneof(
  int(-200, 200).map((n) => `${n}px`),
  int(-100, 100).map((n) => `${n}%`),
  int(-20, 20).map((n) => `${n}vh`),
  int(-5, 5).map((n) => `${n}em`),
  fc.tuple(int(-60, 60), int(-90, 90)).map(([a, b]) => `calc(${a}% + ${b}px)`),
);
const channel = int(0, 255);
const values: Record<string, fc.Arbitrary<string>> = {
  opacity: int(0, 100).map((n) => String(n / 100)),
  translate: fc.oneof(
    fc.tuple(length, length).map((p) => p.join(' ')),
    length,
    fc.constant('none'),
  ),
  scale: fc.oneof(
    int(10, 250).map((n) => String(n / 100)),
    fc.tuple(int(10, 200), int(10, 200)).map(([a, b]) => `${a / 100} ${b / 100}`),
    fc.constant('none'),
  ),
  rotate: fc.oneof(
    int(-180, 180).map((n) => `${n}deg`),
    int(-90, 90).map((n) => `x ${n}deg`),
    int(-40, 40).map((n) => `${n / 100}turn`),
    fc.constant('none'),
  ),
  filter: fc.oneof(
    int(0, 20).map((n) => `blur(${n}px)`),
    fc.tuple(int(0, 9), int(20, 180)).map(([a, b]) => `blur(${a}px) brightness(${b}%)`),
    fc.constant('none'),
  ),
  color: fc.tuple(channel, channel, channel).map((c) => `rgb(${c.join(' ')})`),
  'background-color': fc.oneof(
    fc
      .tuple(channel, channel, channel, int(0, 10))
      .map(([r, g, b, a]) => `rgba(${r}, ${g}, ${b}, ${a / 10})`),
    fc.tuple(int(20, 90), int(0, 20), int(0, 360)).map(([l, c, h]) => `oklch(${l}% ${c / 100} ${h})`),
  ),
  'letter-spacing': int(-3, 20).map((n) => `${n}px`),
  'border-radius': int(0, 40).map((n) => `${n}px`),
  'z-index': int(-5, 20).map(String),
  transform: fc.oneof(
    fc.tuple(int(-80, 80), int(-30, 30)).map(([x, a]) => `translateX(${x}%) rotate(${a}deg)`),
    fc.tuple(int(-30, 30), int(50, 150)).map(([a, b]) => `skewY(${a}deg) scale(${b / 100})`),
    fc.tuple(int(-60, 60), int(-70, 70)).map(([x, a]) => `translateY(${x}px) rotateX(${a}deg)`),
    fc.tuple(int(-70, 70), int(-40, 40)).map(([a, z]) => `rotate3d(1, 1, 0, ${a}deg) translateZ(${z}px)`),
    fc.constant('none'),
  ),
  'clip-path': fc.oneof(
    fc.tuple(int(0, 60), int(0, 40)).map(([a, b]) => `inset(${a}% ${b}px)`),
    fc.tuple(int(0, 200), int(0, 100)).map(([r, x]) => `circle(${r}px at ${x}% 50%)`),
    fc.tuple(int(0, 100), int(0, 90)).map(([a, b]) => `polygon(0 0, ${a}% ${b}px, 100% 100%)`),
    fc.constant('none'),
  ),
  perspective: fc.oneof(
    int(1, 1200).map((n) => `${n}px`),
    fc.constant('none'),
  ),
  'background-position': fc.tuple(length, length).map((p) => p.join(' ')),
  'stroke-dashoffset': int(-50, 200).map((n) => `${n}px`),
  'stroke-dasharray': fc.array(int(1, 40), { minLength: 1, maxLength: 3 }).map((a) => a.join(' ')),
  '--amount': int(-50, 200).map(String),
  '--reach': length,
  '--tone': fc.tuple(channel, channel, channel).map((c) => `rgb(${c.join(' ')})`),
};

type Stop = { at: string; value: string; easing?: string };
const stops = (property: string) =>
  fc
    .tuple(
      present(values[property]),
      present(values[property]),
      fc.uniqueArray(fc.tuple(stop, present(values[property])), { maxLength: 3, selector: ([at]) => at }),
      easing,
      easing,
      fc.boolean(),
    )
    .map(([from, to, middle, e1, e2, ends]): Stop[] => [
      ...(ends || middle.length === 0 ? [{ at: '0%', value: from, easing: e1 }] : []),
      ...middle
        .map(([at, value]) => ({ at, value, easing: e2 }))
        .sort((a, b) => parseFloat(a.at) - parseFloat(b.at)),
      ...(ends || middle.length === 0 ? [{ at: '100%', value: to }] : []),
    ]);

const keyframes = fc
  .uniqueArray(one(...Object.keys(values)), { minLength: 1, maxLength: 3 })
  .chain((names) =>
    fc
      .tuple(...names.map(stops))
      .map((lists) => Object.fromEntries(lists.map((list, i) => [itemAt(names, i), list]))),
  );

const insets = fc.oneof(
  { weight: 3, arbitrary: fc.constant<[string, string]>(['0px', '0px']) },
  {
    weight: 1,
    arbitrary: fc.tuple(int(-60, 200), int(-10, 30)).map(([a, b]): [string, string] => [`${a}px`, `${b}%`]),
  },
);

const isSticky = (s: Setting) => s === 'sticky' || s === 'sticky-end' || s === 'in-sticky' || s === 'pinned';

/** Any inset at which the stage still meets the line where it is held. */
const pin: fc.Arbitrary<Pin> = fc
  .record({
    by: one('top' as const, 'bottom' as const),
    inset: fc.oneof(
      int(0, 200).map((n) => `${n}px`),
      int(0, 30).map((n) => `${n}%`),
      int(0, 20).map((n) => `${n}vh`),
    ),
    distance: fc.oneof(
      int(1, 1600).map((n) => `${n}px`),
      int(5, 250).map((n) => `${n}vh`),
      int(0, 90).map((n) => `calc(${n}vh + 33px)`),
    ),
  })
  .map(({ by, inset, distance }) => ({
    id: 'p_x',
    name: 'pin',
    on: true,
    stage: '#x',
    sticky: { by, inset },
    distance: { kind: 'length', value: distance },
    overlap: ['0px', '0px'],
    layer: null,
  }));

/** Of what a value type cannot add, nothing is foretold. */
const adds = (property: string) =>
  property.startsWith('--')
    ? property === '--amount'
    : // An added opacity that overshoots below nothing is cut before it is added.
      property !== 'opacity' && present(propertyFacts(property)).type.add !== undefined;

/** Repeated where it can be: every list has its own ends, and no easing that cannot be turned round. */
const withRepeat = (repeat: Motion['repeat'] | null, m: Motion): Motion =>
  repeat && 'lists' in unrolledLists(m.keyframes, m.easing, repeat) ? { ...m, repeat } : m;

/** A motion for a subject; the subject’s selector is filled in later. */
const motionFor = (s: Subject): fc.Arbitrary<Motion> => {
  const inline = s.setting === 'inline-scroller';
  const both = <A, B>(a: fc.Arbitrary<A>, b: fc.Arbitrary<B>) =>
    fc.tuple(a, b).map(([start, end]) => ({ start, end }));
  const ranges = [both(phasePoint(-20, 60), phasePoint(40, 130)), both(meeting, meeting)];
  const page = both(offset(0, 50), offset(50, 100));
  // A phase beside a meeting has no single meaning while the subject sticks; on the inline axis vh is not the port.
  const mixed = [
    both(phasePoint(0, 60), meeting),
    both(meeting, phasePoint(40, 100)),
    both(fc.constant('scroll 0%'), meeting),
    both(meeting, fc.constant('scroll 100%')),
  ];
  const whole = ['plain', 'tall', 'clipped', 'transformed'].includes(s.setting);
  const view = fc.record({
    kind: fc.constant('view' as const),
    subject: fc.constant('self'),
    axis: fc.constant(inline ? ('inline' as const) : ('block' as const)),
    insets,
  });
  const driven = fc.oneof(
    { weight: 5, arbitrary: fc.tuple(view, fc.oneof(...ranges, ...(whole ? mixed : []))) },
    {
      weight: whole ? 1 : 0,
      arbitrary: fc.tuple(fc.constant({ kind: 'scroll' as const, axis: 'block' as const }), page),
    },
    {
      weight: s.setting === 'pinned' ? 8 : 0,
      arbitrary: fc.tuple(fc.constant({ kind: 'pin' as const, pin: 'p_x' }), page),
    },
    {
      weight: whole ? 1 : 0,
      arbitrary: fc.tuple(
        view.map((p) => ({ ...p, subject: 'OTHER' })),
        fc.oneof(...ranges),
      ),
    },
  );
  return fc
    .record({
      driven,
      keyframes,
      composite: one(
        ...(['replace', 'replace', 'replace', 'replace', 'replace', 'add', 'add', 'accumulate'] as const),
      ),
      fill: one('both' as const, 'both' as const, 'none' as const, 'forwards' as const, 'backwards' as const),
      whole: one(
        ...['linear', 'linear', 'ease-in-out', 'cubic-bezier(0.2, 0.6, 0.4, 1)'],
        ...[springCss(0.35), 'cubic-bezier(0.3, 1.4, 0.5, 1)'],
      ),
      repeat: fc.option(fc.record({ count: int(2, 5), alternate: fc.boolean() }), { freq: 2 }),
    })
    .map(({ driven: [driver, range], keyframes: k, fill, whole: easing, composite, repeat }) =>
      withRepeat(repeat, {
        id: 'm_x',
        name: 'case',
        on: true,
        targets: { selector: '#x' },
        driver,
        range,
        keyframes: k,
        fill,
        easing:
          whyNotEased({ driver, range, keyframes: k, easing: 'linear' } as Motion, easing) === null
            ? easing
            : 'linear',
        composite: Object.keys(k).every(adds) ? composite : 'replace',
        damping: { kind: 'none' },
        reducedMotion: 'fade',
      } as Motion),
    );
};

/** Turning from an earlier motion’s pose about another axis is the browser’s own affair; see docs/architecture.md. */
function withoutOpenTurn(m: Motion): Motion | null {
  const { rotate, ...rest } = m.keyframes;
  if (!rotate || (itemAt(rotate, 0).at === '0%' && lastItem(rotate).at === '100%')) return m;
  return Object.keys(rest).length ? { ...m, keyframes: rest } : null;
}

const aCase: fc.Arbitrary<Case> = subject.chain((s) =>
  fc
    .record({ motion: motionFor(s), second: motionFor(s), both: fc.integer({ min: 1, max: 5 }), pin })
    .map(({ motion, second, both, pin }) => ({
      pin: s.setting === 'pinned' ? pin : null,
      subject: s,
      motion,
      second: both === 1 ? withoutOpenTurn(second) : null,
    })),
);

/** `count` cases; `seed` names the page. */
export function makeCases(seed: number, count: number): Case[] {
  const cases = fc.sample(aCase, { seed, numRuns: count });
  const named = (m: Motion, i: number, letter: string): Motion => ({
    ...m,
    id: `m_${letter}${i}`,
    name: `case ${letter}${i}`,
    targets: { selector: `#s${i}${partFor(itemAt(cases, i), i)}` },
    driver:
      m.driver.kind === 'view' && m.driver.subject === 'OTHER'
        ? { ...m.driver, subject: other(cases, i) }
        : m.driver.kind === 'pin'
          ? { ...m.driver, pin: `p_${i}` }
          : m.driver,
  });
  return cases.map((c, i) => ({
    ...c,
    motion: named(c.motion, i, 'c'),
    second: c.second && named(c.second, i, 'd'),
    pin: c.pin && { ...c.pin, id: `p_${i}`, name: `pin ${i}`, stage: `#stage${i}` },
  }));
}

/** Of every fifth subject what it draws after its content is moved, in place of itself. */
export const partFor = ({ subject: { setting } }: Case, i: number): string =>
  i % 5 === 3 && ['plain', 'tall', 'clipped', 'transformed'].includes(setting) ? '::after' : '';

/** Every property that one of a case’s motions writes. */
export const listProperties = (c: Case): string[] => [
  ...new Set([...Object.keys(c.motion.keyframes), ...Object.keys(c.second?.keyframes ?? {})]),
];

/** Another subject that the page itself scrolls. */
function other(cases: readonly Case[], i: number): string {
  const j = cases.findIndex(
    (c, k) => k > i && !isSticky(c.subject.setting) && !c.subject.setting.includes('scroller'),
  );
  return j < 0 ? 'self' : `#s${j}`;
}
