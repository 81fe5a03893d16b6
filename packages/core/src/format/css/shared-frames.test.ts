import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Motion, MotionDocument } from '../../motion/index.ts';
import { element, fadeAndRise, makeDocument, makeLayout, motion } from '../../testing/index.ts';
import { handOffCss } from '../index.ts';

const SELECTORS = ['#a', '#b', '#c', '#d', '#e', '#f'];
const layout = makeLayout(
  SELECTORS.map((selector, i) =>
    element({ selector, box: { x: 0, y: 2000 + i * 700, width: 500, height: 300 } }),
  ),
);
const on = (selector: string, given: Partial<Motion> = {}): Motion =>
  motion({ id: `m_${selector.slice(1)}`, targets: { selector }, reducedMotion: 'keep', ...given });
const css = (d: MotionDocument) => handOffCss(d, layout, 'T').css;
const listFrames = (text: string) => [...text.matchAll(/@keyframes (\S+)/g)].map((m) => m[1]);

const rise = (selector: string, name: string, from: string, given: Partial<Motion> = {}) =>
  on(selector, { name, keyframes: fadeAndRise(from), ...given });

describe('keyframes that several motions share', () => {
  test('with a value of its own in each, they are written once, and the values stand on the elements', () => {
    const text = css(
      makeDocument(
        rise('#a', 'Portrait', '0 40px'),
        rise('#b', 'Caption', '0 60px'),
        rise('#c', 'Signature', '-80px 0'),
      ),
    );
    expect(listFrames(text)).toEqual(['lv-slide-in']);
    expect(text).toContain('from { opacity: 0; translate: var(--lv-slide-in-from); }');
    expect(text).toMatch(/#c \{\s+--lv-slide-in-from: -80px 0;\s+\}/);
  });

  test('two of them, or many of few values, keep keyframes of their own', () => {
    const two = css(makeDocument(rise('#a', 'One', '0 40px'), rise('#b', 'Two', '0 60px')));
    expect(listFrames(two)).toEqual(['lv-one', 'lv-two']);
    const many = css(
      makeDocument(...SELECTORS.map((s, i) => rise(s, `Row ${i}`, ['0 40px', '0 60px', '0 80px'][i % 3]!))),
    );
    expect(listFrames(many)).toHaveLength(3);
    expect(many).not.toContain('var(');
  });

  test('two on one element stay apart: it has one property for both', () => {
    const text = css(
      makeDocument(
        rise('#a', 'One', '0 40px'),
        rise('#a', 'Two', '0 60px', { id: 'm_two' }),
        rise('#b', 'Three', '0 80px'),
      ),
    );
    expect(text).not.toContain('var(');
  });

  test('what a script damps keeps a name of its own, and so do numbers to tune', () => {
    const damped = { damping: { kind: 'half-life' as const, halfLife: 90 } };
    const text = css(
      makeDocument(
        rise('#a', 'One', '0 40px', damped),
        rise('#b', 'Two', '0 40px'),
        rise('#c', 'Three', '0 40px', { tunable: true }),
      ),
    );
    expect(listFrames(text)).toEqual(['lv-one', 'lv-two', 'lv-three']);
  });

  test('their name says what the names of the motions share; numbers alone are none', () => {
    const named = (...names: string[]) =>
      listFrames(css(makeDocument(...names.map((name, i) => rise(SELECTORS[i]!, name, '0 40px')))));
    expect(named('Card a rises', 'Card b rises')).toEqual(['lv-rises']);
    expect(named('Card 1', 'Card 2')).toEqual(['lv-card-1']);
    expect(named('Portrait', 'Caption')).toEqual(['lv-slide-in']);
  });
});

const ZERO: [string, string] = ['0px', '0px'];

describe('names', () => {
  const write = (prefix: string, taken?: string[]) =>
    handOffCss(
      { ...makeDocument(rise('#a', 'Portrait', '0 40px', { driver: DRIVER })), prefix },
      { ...layout, ...(taken ? { keyframeNames: taken } : {}) },
      'T',
    ).css;
  const DRIVER = { kind: 'view' as const, subject: '#b', axis: 'block' as const, insets: ZERO };

  test('begin with the prefix of the document, or with nothing', () => {
    expect(write('port')).toContain('@keyframes port-portrait {');
    expect(write('port')).toContain('timeline-scope: --port-b;');
    expect(write('')).toContain('animation: portrait linear both;');
  });
  test('are none that the page has for keyframes of its own', () =>
    expect(write('', ['portrait'])).toContain('@keyframes portrait-2 {'));
  test('of running text give way to those of the elements', () =>
    expect(css(makeDocument(rise('#a', 'An office of nineteen for the north', '0 40px')))).toContain(
      '@keyframes lv-a {',
    ));
});
describe('what changes in the code', () => {
  const point = fc.integer({ min: 0, max: 100 }).map((n) => `entry ${n}%`);
  const pixels = fc.integer({ min: 1, max: 90 }).map((n) => `0 ${n}px`);
  const motions = fc
    .array(fc.record({ start: point, from: pixels, ease: fc.constantFrom('linear', 'ease-in') }), {
      minLength: 1,
      maxLength: 5,
    })
    .map((list) =>
      list.map(({ start, from, ease }, i) =>
        rise(SELECTORS[i]!, `Part ${'abcdef'[i]} comes`, from, {
          easing: ease,
          range: { start, end: 'cover 60%' },
        }),
      ),
    );
  const changedLines = (before: string, after: string): number => {
    const left = before.split('\n');
    let added = 0;
    for (const line of after.split('\n')) {
      const at = left.indexOf(line);
      if (at < 0) added++;
      else left.splice(at, 1);
    }
    return Math.max(added, left.length);
  };

  test('moving an end of a range that a motion has of its own changes two lines at most', () => {
    fc.assert(
      fc.property(
        motions,
        fc.nat(),
        fc.integer({ min: 101, max: 140 }),
        fc.integer({ min: 141, max: 180 }),
        (list, n, a, b) => {
          const at = n % list.length;
          const moved = (end: number) =>
            css(
              makeDocument(
                ...list.map((m, i) => (i === at ? { ...m, range: { ...m.range, end: `cover ${end}%` } } : m)),
              ),
            );
          expect(changedLines(moved(a), moved(b))).toBeLessThanOrEqual(2);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('a motion that shares nothing with others changes nothing of theirs', () => {
    fc.assert(
      fc.property(motions, (list) => {
        const other = on('#f', { name: 'Apart', keyframes: { rotate: [{ at: '0%', value: '9deg' }] } });
        const [before, after] = [css(makeDocument(...list)), css(makeDocument(...list, other))];
        const lost = before.split('\n').filter((line) => !after.includes(line));
        expect(lost).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });
});
