import { describe, expect, test } from '@jest/globals';
import type { Motion, MotionDocument } from '../../motion/index.ts';
import { element, fadeAndRise, makeDocument, makeLayout, motion } from '../../testing/index.ts';
import { handOffCss } from '../index.ts';

const layout = makeLayout(
  ['#a', '#b', '#c', '#d'].map((selector, i) =>
    element({ selector, box: { x: 0, y: 2000 + i * 700, width: 500, height: 300 } }),
  ),
);
const on = (selector: string, given: Partial<Motion> = {}): Motion =>
  motion({
    id: `m_${selector.slice(1)}`,
    name: `Card ${selector.slice(1)} rises`,
    targets: { selector },
    keyframes: fadeAndRise('0 40px'),
    ...given,
  });
const write = (d: MotionDocument) => handOffCss(d, layout, 'T');
const count = (text: string, part: string) => text.split(part).length - 1;

describe('motions that say the same', () => {
  const three = makeDocument(on('#a'), on('#b'), on('#c'));

  test('are one rule and one set of keyframes, named by what their names share', () => {
    const { css } = write(three);
    expect(count(css, '@keyframes lv-rises {')).toBe(1);
    expect(css).toMatch(/#a,\n +#b,\n +#c \{/);
    expect(css).not.toMatch(/lv-card/);
  });

  test('each of them is still found in the lines', () => {
    for (const id of ['m_a', 'm_b', 'm_c'])
      expect(write(three).lines.filter((l) => l.piece.motions.includes(id)).length).toBeGreaterThan(0);
  });

  test('an exception that plays something else says just that', () => {
    const other = { opacity: [{ at: '0%', value: '0.5' }] };
    const parts = makeLayout(
      ['.card', '.card.late'].map((selector, i) =>
        element({ selector, box: { x: 0, y: 2000 + i * 700, width: 500, height: 300 } }),
      ),
    );
    const most = on('.card:not(.late)', { id: 'm_most', name: 'Cards' });
    const late = on('.card.late', { id: 'm_late', name: 'Late', keyframes: other });
    const { css } = handOffCss(makeDocument(most, late), parts, 'T');
    expect(css).toMatch(/\.card \{\n +animation: lv-cards linear both;/);
    expect(css).toMatch(/\.card\.late \{\n +animation-name: lv-late;/);
    // By its place alone it wins in its own block only.
    const light = handOffCss(
      makeDocument(most, { ...late, targets: { selector: '.late' }, reducedMotion: 'keep' }),
      parts,
      'T',
    ).css;
    expect(light).toMatch(/\.card,\s+\.late \{[^}]*\}\s*\.late \{\n +animation-name: lv-late;/);
    expect(light).toMatch(/reduce\) \{\s*\.card:not\(\.late\) \{/);
    // What another element plays too stays a rule of both.
    const both = handOffCss(makeDocument(most, late, on('#d', { keyframes: other })), layout, 'T').css;
    expect(both).toMatch(/\.card\.late,\s+#d \{\n +animation: /);
  });

  test('what one of them says otherwise is written apart', () => {
    const { css } = write(makeDocument(on('#a'), on('#b', { easing: 'ease-in' }), on('#c')));
    expect(css).toMatch(/#a,\n +#b,\n +#c \{/);
    expect(css).toMatch(/#b \{\n +animation-timing-function: ease-in;\n +\}/);
  });

  test('an element with a second motion keeps its own list', () => {
    const turn = on('#b', { id: 'm_t', name: 'Turn', keyframes: { rotate: [{ at: '0%', value: '9deg' }] } });
    const { css } = write({ ...three, motions: [...three.motions, turn] });
    expect(css).toMatch(/#a,\n +#c \{/);
    expect(css).toMatch(/\n\s+#b \{/);
    expect(css).toContain('lv-rises linear both,');
  });

  test('staggered, damped, conditional and muted ones stay as they are', () => {
    const apart: Partial<Motion>[] = [
      { stagger: { step: '20px', order: 'page' } },
      { damping: { kind: 'half-life', halfLife: 80 } },
      { on: false },
    ];
    for (const given of apart) {
      const { css } = write(makeDocument(on('#a', given), on('#b', given)));
      expect(css).not.toContain('#a, #b {');
    }
  });

  test('what an adjustment is for stays: it goes on the elements of all of them', () => {
    const { css } = write({
      ...three,
      adjustments: [{ id: 'a_b', selector: '#b', declarations: { 'will-change': 'opacity' }, for: ['m_b'] }],
    });
    expect(css).toMatch(/#a,\n +#b,\n +#c \{/);
    expect(css).toContain('will-change: opacity');
  });
});
