import { itemAt, present } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import { makeDocument, element, makeLayout, motion } from '../testing/index.ts';
import { likeness, lostSelectors, withSelector } from './index.ts';

const card = (selector: string, text: string, y: number, tag = 'li') =>
  element({ selector, text, tag, box: { x: 0, y, width: 300, height: 200 } });
const before = makeLayout([
  card('#rope', 'Rope yard', 900),
  card('#fish', 'Fish market', 1400),
  card('#lock', 'Lock seven', 1900),
]);
const timeline = makeDocument(
  motion({ id: 'm_a', targets: { selector: '#rope' } }),
  motion({
    id: 'm_b',
    targets: { selector: '#fish' },
    driver: { kind: 'view', subject: '#rope', axis: 'block', insets: ['0px', '0px'] },
  }),
);

describe('a page that has changed', () => {
  test('what still finds its element is not lost', () => {
    expect(
      lostSelectors(
        timeline,
        before,
        makeLayout([card('#rope', 'Ropes', 90, 'p'), card('#fish', 'Fish', 300)]),
      ),
    ).toEqual([]);
  });

  test('an element under another name is proposed, with everything that used it', () => {
    const now = makeLayout([card('.stop-1', 'Rope yard', 950), card('#fish', 'Fish market', 1450)]);
    const [lost, ...more] = lostSelectors(timeline, before, now);
    expect(more).toEqual([]);
    expect(lost).toMatchObject({
      selector: '#rope',
      usedBy: ['m_a', 'm_b'],
      text: 'Rope yard',
      proposal: { selector: '.stop-1' },
    });
    const corrected = withSelector(timeline, '#rope', '.stop-1');
    expect(lostSelectors(corrected, before, now)).toEqual([]);
    expect(itemAt(corrected.motions, 1).driver).toMatchObject({ subject: '.stop-1' });
  });

  test('no element is proposed twice, and nothing where nothing is like it', () => {
    const now = makeLayout([
      card('.one', 'Rope yard', 900),
      card('.foot', 'Imprint and opening hours', 5000, 'footer'),
    ]);
    const lost = lostSelectors(timeline, before, now);
    expect(lost.map((l) => l.proposal?.selector ?? null)).toEqual(['.one', null]);
  });

  test('an element is most like itself', () => {
    const [rope, fish] = before.elements as [(typeof before.elements)[0], (typeof before.elements)[0]];
    expect(likeness(present(rope), before, present(rope), before)).toBeCloseTo(1);
    expect(likeness(present(rope), before, present(fish), before)).toBeLessThan(
      likeness(present(rope), before, present(rope), before),
    );
  });
});
