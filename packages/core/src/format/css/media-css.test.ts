import { describe, expect, test } from '@jest/globals';
import { makeDocument, element, makeLayout, motion } from '../../testing/index.ts';
import type { Motion, MotionDocument } from '../../motion/index.ts';
import { handOffCss } from '../index.ts';
import { mediaSets, mediaStates } from './media-css.ts';

const layout = makeLayout([
  element({ selector: '#a' }),
  element({ selector: '#b' }),
  element({ selector: '#stage', tag: 'section', box: { x: 0, y: 4000, width: 1000, height: 700 } }),
]);
const NARROW = { id: 'q_n', name: 'Narrow', query: '(width < 600px)' };
const WIDE = { id: 'q_w', name: 'Wide', query: '(width > 1500px)' };
const LOW = { id: 'q_l', name: 'Low', query: '(height < 500px)' };
const doc = (media: MotionDocument['media'], ...motions: Motion[]): MotionDocument => ({
  ...makeDocument(...motions),
  media,
});
const off = (media: string) => ({ media, on: false });
const css = (d: MotionDocument) => handOffCss(d, layout, 'T').css;
/** Rules that stand under one condition for readers with motion: those for all readers, and those for them alone. */
const under = (d: MotionDocument, query: string): string =>
  ['screen', 'screen and (prefers-reduced-motion: no-preference)']
    .map((readers) => {
      const at = css(d).indexOf(`@media ${readers} and ${query} {`);
      return at < 0 ? '' : css(d).slice(at, css(d).indexOf('\n  }', at));
    })
    .join('\n');

describe('which sets are written', () => {
  test('only used ones; together only what some screen can meet', () => {
    const d = doc([NARROW, WIDE, LOW], motion({ conditions: [off('q_n'), off('q_w'), off('q_l')] }));
    expect(mediaSets(d).map((s) => s.ids.join('+'))).toEqual(['q_n', 'q_w', 'q_l', 'q_n+q_l', 'q_w+q_l']);
    expect(mediaSets(doc([NARROW, LOW], motion({ conditions: [off('q_l')] }))).map((s) => s.query)).toEqual([
      LOW.query,
    ]);
  });
  test('states exclude each other and leave none out', () => {
    expect(mediaStates([NARROW, LOW]).map((s) => s.query)).toEqual(
      [
        '(not (width < 600px)) and (not (height < 500px))',
        '(width < 600px) and (not (height < 500px))',
        '(not (width < 600px)) and (height < 500px)',
        '(width < 600px) and (height < 500px)',
      ].sort((a, b) => mediaOrder(a) - mediaOrder(b)),
    );
    expect(mediaStates([])).toEqual([{ ids: [], query: null }]);
  });
});
const mediaOrder = (q: string) => (q.includes('(not (width') ? 0 : 1) + (q.includes('(not (height') ? 0 : 2);

describe('what differs', () => {
  test('nothing is written twice: a condition that changes one motion leaves the other alone', () => {
    const d = doc(
      [NARROW],
      motion({ conditions: [{ media: 'q_n', range: { end: 'cover 40%' } }] }),
      motion({ id: 'm_b', name: 'B', targets: { selector: '#b' } }),
    );
    expect(under(d, NARROW.query)).toContain('animation-range-end: cover 40%');
    expect(under(d, NARROW.query)).not.toContain('#b');
  });
  test('a motion that is off there lets go of its element', () => {
    expect(under(doc([NARROW], motion({ conditions: [off('q_n')] })), NARROW.query)).toContain(
      'animation: none;',
    );
  });
  test('a motion that is only there is written only there', () => {
    const d = doc([NARROW], motion({ on: false, conditions: [{ media: 'q_n', on: true }] }));
    expect(under(d, NARROW.query)).toContain('lv-card');
    expect(css(d).slice(0, css(d).indexOf(NARROW.query))).not.toContain('lv-card');
  });
  test('two motions of one element: without one of them the other is written on', () => {
    const d = doc(
      [NARROW],
      motion({ conditions: [off('q_n')] }),
      motion({
        id: 'm_b',
        name: 'Second',
        keyframes: {
          scale: [
            { at: '0%', value: '0' },
            { at: '100%', value: '1' },
          ],
        },
      }),
    );
    expect(under(d, NARROW.query)).toMatch(/animation: lv-second linear both;/);
  });
  test('values of its own get keyframes of their own', () => {
    const own = {
      media: 'q_n',
      keyframes: {
        opacity: [
          { at: '0%', value: '0.5' },
          { at: '100%', value: '1' },
        ],
      },
    };
    expect(css(doc([NARROW], motion({ conditions: [own] })))).toMatch(
      /@keyframes lv-card-narrow \{\n {2}from \{ opacity: 0\.5; \}/,
    );
  });
  test('a pin that is off on narrow screens holds only on others', () => {
    const d: MotionDocument = {
      ...doc([NARROW], motion({ driver: { kind: 'pin', pin: 'p_s' }, range: { start: '0%', end: '100%' } })),
      pins: [
        {
          id: 'p_s',
          name: 'Stage',
          on: true,
          stage: '#stage',
          sticky: { by: 'top', inset: '0px' },
          distance: { kind: 'length', value: '800px' },
          overlap: ['0px', '0px'],
          layer: null,
          conditions: [off('q_n')],
        },
      ],
    };
    expect(under(d, `((not ${NARROW.query}))`)).toContain('position: sticky');
    expect(under(d, NARROW.query)).toContain('animation: none;');
  });
  test('a marquee runs where it is on, and the script begins anew where that changes', () => {
    const marquee = motion({
      driver: { kind: 'marquee', axis: 'inline', speed: 40, reverses: true, push: 0, pauses: true },
      keyframes: {},
      conditions: [off('q_n')],
    });
    const { plan } = handOffCss(doc([NARROW], marquee), layout, 'T');
    expect(plan.marquees.map((b) => b.when)).toEqual(['(not (width < 600px))']);
    expect(plan.media).toEqual([NARROW.query]);
  });
});
