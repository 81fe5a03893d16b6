import { describe, expect, test } from '@jest/globals';
import { compileTimeline } from '../motion/index.ts';
import type { Trigger } from '../motion/index.ts';
import { withPins } from '../page/index.ts';
import { triggerLines } from '../timeline/index.ts';
import { element, makeDocument, makeLayout } from '../testing/index.ts';
import { noKeys } from './checks/no-keys.ts';
import type { CheckContext } from './finding.ts';

const layout = makeLayout([
  element({ selector: '#card', box: { x: 0, y: 100, width: 300, height: 200 } }),
  element({ selector: '#link', parent: 0, focus: true, box: { x: 0, y: 100, width: 50, height: 20 } }),
  element({ selector: '#text', parent: 1, box: { x: 0, y: 100, width: 50, height: 20 } }),
  element({ selector: '#plain', box: { x: 0, y: 4000, width: 300, height: 200 } }),
]);
const trigger = (event: Trigger['event'], subject: string): Trigger => ({
  ...{ id: 'g_a', name: 'A', on: true, subject, down: 'entry 0%', up: null, event },
  ...{ plays: 'each-time', back: 'plays-back' },
});
const isFound = (event: Trigger['event'], subject: string): boolean => {
  const document = { ...makeDocument(), triggers: [trigger(event, subject)] };
  const context = { document, timeline: compileTimeline(document, withPins(layout, [])) };
  return (noKeys.checkDocument?.(context as unknown as CheckContext) ?? []).length > 0;
};

describe('what keys can reach', () => {
  test.each([
    ['click', '#link', false],
    // A click inside of a link is one on it.
    ['click', '#text', false],
    ['click', '#card', true],
    ['hover', '#card', false],
    ['focus', '#card', false],
    ['focus', '#text', true],
    ['hover', '#plain', true],
    [undefined, '#plain', false],
    // Another check speaks of what is not there.
    ['click', '#gone', false],
  ] as const)('%s on %s: a finding is %s', (event, subject, expected) =>
    expect(isFound(event, subject)).toBe(expected),
  );

  test('what waits for an event is shown where it can be scrolled to', () => {
    for (const subject of ['#card', '#plain']) {
      const lines = triggerLines(trigger('click', subject), layout);
      if ('reason' in lines) throw new Error(lines.reason);
      expect(lines.down).toBeGreaterThanOrEqual(0);
      expect(lines.up).toBe(lines.down);
      expect(lines.past).toBe(Infinity);
    }
    expect(triggerLines(trigger(undefined, '#card'), layout)).toMatchObject({ down: -700 });
  });
});
