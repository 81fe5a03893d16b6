/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, render } from '@testing-library/react';
import { changeMotion, itemAt, present } from '@lyvek/core';
import { makeDocument, motion } from '@lyvek/core/testing';
import { drag, key, letGo, moveTo, press } from '../testing/dom.ts';
import { fakeSession } from '../testing/session.ts';
import type { FakeSession } from '../testing/session.ts';
import { dragOperation } from './drag-operation.ts';
import type { OperationDrag } from './drag-operation.ts';
import { useLease } from './use-lease.ts';
import type { ChangePreview } from './use-lease.ts';

let fake: FakeSession;
beforeEach(() => {
  fake = fakeSession(makeDocument(motion({ id: 'm_a', name: 'A' })));
});
afterEach(cleanup);
const named = (name: string) => changeMotion('m_a', 'rename', (m) => ({ ...m, name }));
const nameIn = (d = fake.document()) => itemAt(d.motions, 0).name;
const shown = () => (fake.tried() ? nameIn(present(fake.tried())) : null);

describe('a drag that edits', () => {
  const grip = (given: Partial<OperationDrag> = {}) =>
    render(
      <button
        type="button"
        onPointerDown={(e) =>
          dragOperation(e, fake.session, { operation: (by) => named(`by ${by}`), ...given })
        }
      />,
    ).getByRole('button');
  test('shows what dropping would do, does it once, as one act', () => {
    const ended = jest.fn();
    const target = grip({ ended });
    press(target, [0, 0]);
    moveTo(target, [0, 10]);
    expect([shown(), nameIn()]).toEqual(['by 10', 'A']);
    moveTo(target, [0, 20]);
    letGo(target, [0, 25]);
    expect([shown(), nameIn(), fake.done]).toEqual([null, 'by 25', ['rename']]);
    expect(ended.mock.calls).toEqual([['dropped']]);
  });
  test('puts back with Esc, and a press alone does nothing', () => {
    const ended = jest.fn();
    const target = grip({ ended });
    press(target, [0, 0]);
    moveTo(target, [0, 10]);
    key('Escape');
    expect([shown(), nameIn(), fake.done]).toEqual([null, 'A', []]);
    press(target, [0, 0]);
    letGo(target, [0, 0]);
    expect([nameIn(), ended.mock.calls]).toEqual(['A', [['given up'], ['pressed']]]);
  });
  test('over a place where nothing can be done shows and does nothing', () => {
    const target = grip({ operation: (by) => (by > 50 ? null : named(`by ${by}`)) });
    drag(target, [0, 0], [0, 80]);
    expect([shown(), nameIn(), fake.done]).toEqual([null, 'A', []]);
  });
});

describe('what is shown while a control is pointed at', () => {
  let preview: ChangePreview;
  const Control = () => {
    preview = useLease(fake.session);
    return null;
  };
  beforeEach(() => {
    jest.useFakeTimers();
    render(<Control />);
  });
  afterEach(() => void jest.useRealTimers());
  const pass = (ms: number) => act(() => jest.advanceTimersByTime(ms));

  test('comes after a rest, and goes when the pointer leaves', () => {
    preview.begin(named('tried'));
    pass(100);
    expect(shown()).toBeNull();
    pass(100);
    expect(shown()).toBe('tried');
    preview.end();
    expect([shown(), nameIn()]).toEqual([null, 'A']);
  });
  test('a pointer that only passes over shows nothing', () => {
    preview.begin(named('tried'));
    pass(100);
    preview.end();
    pass(500);
    expect(shown()).toBeNull();
  });
  test('goes with its control', () => {
    preview.show(named('tried'));
    preview.begin(named('later'));
    expect(shown()).toBe('tried');
    cleanup();
    expect(shown()).toBeNull();
    pass(500);
    expect(shown()).toBeNull();
  });
});
