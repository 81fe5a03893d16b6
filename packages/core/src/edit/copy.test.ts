import { itemAt, present } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import { isTriggered } from '../drivers/index.ts';
import { EFFECTS, withFragment } from '../effect/index.ts';
import { emptyDocument, readDocument } from '../motion/index.ts';
import { withPins } from '../page/index.ts';
import type { MotionDocument } from '../motion/index.ts';
import { element, makeLayout } from '../testing/index.ts';
import { copied, duplicated, pasted } from './copy.ts';

const layout = withPins(
  makeLayout([
    element({ selector: '#a' }),
    element({ selector: '#one', parent: 0 }),
    element({ selector: '#two', parent: 0 }),
  ]),
  [],
);
let ids = 0;
const newId = (kind: string) => `${kind}_${ids++}`;
const withEffect = (id: string): MotionDocument =>
  withFragment(
    present(EFFECTS.find((e) => e.id === id)).compose({
      layout,
      element: 0,
      document: emptyDocument(),
      newId,
    }),
  )(emptyDocument());
const problems = (d: MotionDocument) => {
  const read = readDocument(d);
  return read.ok ? [] : read.problems;
};
const target = { selector: '#b', nameOf: () => 'Other fades' };

describe('copy and paste', () => {
  test('onto another element, with what is adjusted on it', () => {
    const d = withEffect('leave');
    const { document, ids: made } = pasted(d, copied(d, [itemAt(d.motions, 0).id]), target, newId);
    expect(problems(document)).toEqual([]);
    const copy = present(document.motions.find((m) => m.id === made[0]));
    expect([copy.targets.selector, copy.name]).toEqual(['#b', 'Other fades']);
    const own = present(document.adjustments.find((a) => a.for.includes(copy.id)));
    expect(own.selector).toBe('#b');
    expect(own.declarations).toEqual(itemAt(d.adjustments, 0).declarations);
  });

  test('parts bring their trigger, and their chains among themselves', () => {
    const d = withEffect('title-pair');
    const [first, second] = d.motions;
    const chained: MotionDocument = {
      ...d,
      motions: [
        present(first),
        { ...present(second), time: { ...present(present(second).time), after: present(first).id } },
      ],
    };
    const { document } = pasted(
      chained,
      copied(chained, [present(first).id, present(second).id]),
      null,
      newId,
    );
    expect(problems(document)).toEqual([]);
    expect(document.triggers).toHaveLength(2);
    const copies = document.motions.slice(2);
    expect(present(itemAt(copies, 1).time).after).toBe(itemAt(copies, 0).id);
    expect(
      copies.every((m) => isTriggered(m.driver) && m.driver.trigger === itemAt(document.triggers, 1).id),
    ).toBe(true);
  });

  test('a motion on a pin that is not there runs on its own view progress', () => {
    const d = withEffect('stack');
    const clip = copied(d, [itemAt(d.motions, 0).id]);
    const { document } = pasted(emptyDocument(), clip, target, newId);
    expect(problems(document)).toEqual([]);
    expect(document.motions[0]).toMatchObject({ driver: { kind: 'view' }, targets: { selector: '#b' } });
  });

  test('a duplicate keeps what its original needs on the page', () => {
    const d = withEffect('leave');
    const { document, copies } = duplicated(d, [itemAt(d.motions, 0).id], newId);
    const twice = duplicated(document, copies, newId).document;
    const { name } = itemAt(d.motions, 0);
    expect(twice.motions.map((m) => m.name).sort()).toEqual([name, `${name} 2`, `${name} 3`]);
    expect(itemAt(document.adjustments, 0).for).toContain(copies[0]);
  });
});
