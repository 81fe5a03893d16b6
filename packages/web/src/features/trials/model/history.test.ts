import { expect, test } from '@jest/globals';
import type { Trial } from '@lyvek/api';
import { comparable } from './history.ts';

const trial = (id: string, setup: Partial<Trial['setup']>, more: Partial<Trial> = {}) =>
  ({
    ...{ id, kind: 'here', state: 'done', summary: { p95: 1, worst: 2 }, createdAt: `2026-01-0${id}` },
    setup: {
      gesture: 'brisk-wheel',
      device: 'here',
      direction: 'down',
      viewport: { width: 390, height: 700 },
      ...setup,
    },
    ...more,
  }) as unknown as Trial;

test('trials of one kind are of the same device, browser and size, the oldest first', () => {
  const first = trial('2', { on: 'Android phone, Chrome' });
  const list = [
    first,
    trial('1', { on: 'Android phone, Chrome' }),
    trial('3', { on: 'iPhone, Safari' }),
    trial('4', {}),
    trial('5', { engine: 'firefox' }),
    trial('6', { on: 'Android phone, Chrome', viewport: { width: 412, height: 700 } }),
    trial('7', { on: 'Android phone, Chrome' }, { state: 'failed' }),
  ];
  expect(comparable(list, first).map((t) => t.id)).toEqual(['1', '2']);
  expect(comparable(list, trial('8', {})).map((t) => t.id)).toEqual(['4']);
});
