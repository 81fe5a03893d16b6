import { present } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { handOffCss, insertLastInHead } from '../format/index.ts';
import { emptyDocument, readDocument, collectSelectors } from '../motion/index.ts';
import type { MotionDocument } from '../motion/index.ts';
import { layoutOfPage } from '../testing/page-layout.ts';
import { readPage, takenOut } from './index.ts';
import { reversedEasing, unrolled } from '../value/index.ts';
import { parseEasing } from '../value/index.ts';
import { asScroll, isAtLoad, isTimed } from '../drivers/index.ts';
import type { Driver } from '../drivers/index.ts';

const BODY = `<main>${Array.from({ length: 4 }, (_, i) => `<section id="s${i}" class="part"><h2>${i}</h2><p class="line odd">a</p><p class="line">b</p></section>`).join('')}</main>`;
const HTML = `<!doctype html><html><head><title>x</title></head><body>${BODY}</body></html>`;
const TARGETS = [
  '.part',
  'h2',
  '.line:not(.odd)',
  '#s1 .line',
  '#s2',
  'section > p:nth-of-type(2)',
  '#s3 > h2',
];

const pct = fc.integer({ min: 0, max: 100 }).map((n) => `${n}%`);
const point = fc.oneof(
  fc
    .tuple(fc.constantFrom('entry', 'exit', 'cover', 'contain', 'entry-crossing'), pct)
    .map(([n, p]) => `${n} ${p}`),
  fc.record({ edge: pct, line: fc.integer({ min: 1, max: 99 }).map((n) => `${n}%`) }),
  fc.integer({ min: -200, max: 300 }).map((n) => `cover calc(20% ${n < 0 ? '-' : '+'} ${Math.abs(n)}px)`),
);
const easing = fc.constantFrom(
  undefined,
  'ease',
  'ease-out',
  'cubic-bezier(0.3, 0.1, 0.2, 1)',
  'steps(3, jump-none)',
);
const stops = (value: fc.Arbitrary<string>) =>
  fc.uniqueArray(
    fc.record(
      { at: fc.integer({ min: 0, max: 20 }).map((n) => `${n * 5}%`), value, easing },
      { requiredKeys: ['at', 'value'] },
    ),
    {
      selector: (k) => k.at,
      minLength: 1,
      maxLength: 4,
    },
  );
const keyframes = fc.record(
  {
    opacity: stops(fc.constantFrom('0', '0.5', '1')),
    translate: stops(fc.constantFrom('0 40px', '10% -2rem', 'none')),
    rotate: stops(fc.constantFrom('12deg', '0deg', 'y 30deg')),
  },
  { requiredKeys: ['opacity'] },
);
const motion = fc.record({
  name: fc.constantFrom('Rise', 'Leave', 'Turn slowly', 'Über'),
  selector: fc.constantFrom(...TARGETS),
  driver: fc.oneof(
    fc.record({
      kind: fc.constant('view'),
      subject: fc.constantFrom('self', '#s0', '.part'),
      axis: fc.constant('block'),
      insets: fc.constantFrom(['0px', '0px'], ['10%', '40px']),
    }),
    fc.record({ kind: fc.constant('scroll'), axis: fc.constant('block') }),
    fc.record({ kind: fc.constant('trigger'), trigger: fc.constant('g_one') }),
    fc.record({ kind: fc.constant('load') }),
  ),
  start: point,
  end: point,
  keyframes,
  fill: fc.constantFrom('both', 'forwards', 'none'),
  composite: fc.constantFrom('replace', 'add'),
  reducedMotion: fc.constantFrom('drop', 'fade', 'keep'),
  step: fc.option(fc.constantFrom('24px', '3vh'), { freq: 4 }),
  narrow: fc.option(fc.record({ on: fc.boolean(), end: point }, { requiredKeys: [] }), { freq: 3 }),
});

/** An intro hands over to what the scroll moves; where that is off under a condition, CSS says two different intros. */
const isPlain = (list: readonly { driver: object; narrow: { on?: boolean } | null }[]) =>
  !list.some((m) => isAtLoad(m.driver as Driver)) || !list.some((m) => m.narrow?.on !== undefined);

const styles = fc.record(
  { layer: fc.constantFrom('motion', 'theme.motion'), nested: fc.constant(true) },
  { requiredKeys: [] },
);

/** Documents that the schema takes, of motions on the page above. */
const documents = fc
  .tuple(fc.array(motion, { minLength: 1, maxLength: 5 }).filter(isPlain), styles)
  .map(([list, style]): MotionDocument | null => {
    const parsed = readDocument({
      ...emptyDocument(),
      ...style,
      media: [{ id: 'q_narrow', name: 'narrow', query: '(width < 600px)' }],
      triggers: [
        {
          id: 'g_one',
          name: 'One',
          on: true,
          subject: '#s1',
          down: { edge: '0%', line: '80%' },
          up: 'entry 0%',
          plays: 'each-time',
          back: 'plays-back',
        },
      ],
      motions: list.map(({ step, narrow, start, end, selector, name, ...m }, i) => {
        const timed = isTimed(m.driver as Driver);
        const page = asScroll(m.driver as Driver) !== null;
        return {
          ...m,
          id: `m_${i}`,
          name: `${name} ${i}`,
          on: true,
          targets: { selector },
          range: page ? { start: '10%', end: '80%' } : { start, end },
          ...(timed ? { time: { delay: '40ms', duration: '300ms' } } : {}),
          ...(step && !timed ? { stagger: { step, order: 'page' } } : {}),
          easing: 'linear',
          damping: { kind: 'none' },
          ...(narrow
            ? {
                conditions: [
                  {
                    media: 'q_narrow',
                    ...(narrow.on === undefined ? {} : { on: narrow.on }),
                    ...(narrow.end && !page && !timed ? { range: { end: narrow.end } } : {}),
                  },
                ],
              }
            : {}),
        };
      }),
    });
    return parsed.ok ? parsed.document : null;
  });

/** Every export writes a file of its own: the one before may hold what could not be read. */
const exported = (html: string, document: MotionDocument, files: Map<string, string>) => {
  const name = `motion-${files.size}.css`;
  const { css } = handOffCss(document, layoutOfPage(html, collectSelectors(document)), 'T');
  // The last of two keyframes rules of one name would speak for both.
  const names = [...css.matchAll(/@keyframes (\S+)/g)].map((m) => m[1]);
  expect(names).toEqual([...new Set(names)]);
  files.set(name, css);
  return insertLastInHead(html, `<link rel="stylesheet" href="${name}">`).html;
};

const RUNS = process.env.LYVEK_FULL ? 3000 : 150;

/** By their order. Keyframes that two motions have in common have one name, which may be the other’s once they are written again. */
function withoutNames<D extends Pick<MotionDocument, 'motions'>>(document: D): D {
  const text = document.motions.reduce(
    (json, { id, name }, i) =>
      json
        .replaceAll(JSON.stringify(id), JSON.stringify(`m_${i}`))
        .replaceAll(JSON.stringify(name), JSON.stringify(`Motion ${i}`)),
    JSON.stringify(document),
  );
  return JSON.parse(text) as D;
}

describe('import, export, import', () => {
  test('gives the same document', () => {
    let motions = 0;
    let layered = 0;
    let renamed = 0;
    fc.assert(
      fc.property(
        documents.filter((d) => d !== null),
        (document) => {
          const files = new Map<string, string>();
          const fileAt = (p: string) => files.get(p) ?? null;
          let html = exported(HTML, present(document), files);
          const first = readPage('index.html', html, fileAt);
          for (const [path, { text }] of takenOut(first.claims))
            path === 'index.html' ? (html = text) : files.set(path, text);
          html = exported(html, first.document, files);
          const second = readPage('index.html', html, fileAt);
          // Nesting is seen where something is nested.
          const { importedRules: _, nested: ___, ...a } = first.document;
          const { importedRules: __, nested: ____, ...b } = second.document;
          motions += a.motions.length;
          if (a.layer !== undefined) layered++;
          expect(withoutNames(b)).toEqual(withoutNames(a));
          if (b.motions.some((m, i) => m.name !== a.motions[i]?.name)) renamed++;
          // What was left stays: nothing is lost on the way.
          expect(second.unsupported.map((u) => u.reason)).toEqual(first.unsupported.map((u) => u.reason));
        },
      ),
      { numRuns: RUNS },
    );
    expect(motions).toBeGreaterThan(100);
    expect(layered).toBeGreaterThan(20);
    // Seen once in 3,000 documents.
    expect(renamed).toBeLessThanOrEqual(RUNS / 150);
  }, 240_000);
});

describe('turning and repeating', () => {
  const curves = fc.oneof(
    fc.constantFrom('linear', 'ease', 'ease-in', 'ease-in-out', 'linear(0, 0.4 30%, 0.2 60% 70%, 1)'),
    fc
      .tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: -0.5, max: 1.5, noNaN: true }))
      .map(([x, y]) => `cubic-bezier(${x.toFixed(3)}, ${y.toFixed(3)}, 0.6, 1)`),
  );
  test('a reversed easing is the same curve backwards', () => {
    fc.assert(
      fc.property(curves, fc.double({ min: 0.01, max: 0.99, noNaN: true }), (css, t) => {
        const back = parseEasing(present(reversedEasing(css)));
        const forth = parseEasing(css);
        if (!back.ok || !forth.ok) throw new Error(css);
        expect(back.value(t)).toBeCloseTo(1 - forth.value(1 - t), 4);
      }),
    );
  });
  test('an animation that alternates meets its ends in turn', () => {
    const stops = [
      { at: '0%', value: '0' },
      { at: '100%', value: '1' },
    ];
    expect(unrolled(stops, 3, 'alternate')).toEqual({
      keyframes: [
        { at: '0%', value: '0' },
        { at: '33.3333%', value: '1' },
        { at: '66.6667%', value: '0' },
        { at: '100%', value: '1' },
      ],
    });
    expect(unrolled(stops, 2.5, 'normal')).toHaveProperty('obstacle');
  });
});

test('keyframes that several motions share are read back as theirs, with what is left of each for reduced motion', () => {
  const rise = {
    opacity: [
      { at: '0%', value: '0' },
      { at: '100%', value: '1' },
    ],
    translate: [
      { at: '0%', value: '0 40px' },
      { at: '100%', value: '0 0' },
    ],
  };
  const moved = ['#s0', '#s1', 'h2', '.line.odd'].map((selector, i) => ({
    ...{ id: `m_${i}`, name: `Part ${i}`, on: true, targets: { selector }, easing: 'linear', fill: 'both' },
    driver: { kind: 'view', subject: 'self', axis: 'block', insets: ['0px', '0px'] },
    range: { start: `entry ${i}0%`, end: 'cover 60%' },
    keyframes: i === 3 ? { ...rise, translate: [{ at: '0%', value: '9px 0' }] } : rise,
    ...{ composite: 'replace', damping: { kind: 'none' }, reducedMotion: 'fade' },
  }));
  const parsed = readDocument({ ...emptyDocument(), motions: moved });
  if (!parsed.ok) throw new Error(parsed.problems[0]?.message);
  const files = new Map<string, string>();
  const html = exported(HTML, parsed.document, files);
  expect([...files.values()].join('').match(/@keyframes/g)).toHaveLength(3);
  const read = readPage('index.html', html, (p) => files.get(p) ?? null);
  expect(read.unsupported).toEqual([]);
  expect(read.document.motions.map((m) => m.reducedMotion)).toEqual(['fade', 'fade', 'fade', 'fade']);
  expect(read.document.motions.map((m) => m.range.start)).toEqual(
    expect.arrayContaining(moved.map((m) => m.range.start)),
  );
});
