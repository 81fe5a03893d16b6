/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Finding } from '@lyvek/core';
import { makeDocument, motion } from '@lyvek/core/testing';
import { OpenedPageContext } from '../../state/opened-page.ts';
import type { OpenedPage } from '../../state/opened-page.ts';
import '../../testing/dom.ts';
import { fakeSession } from '../../testing/session.ts';
import type { FakeSession } from '../../testing/session.ts';
import { FindingRow } from './FindingRow.tsx';
import { pointStore, TrialsContext } from './trials-context.ts';
import type { Trials } from './trials-context.ts';

const document = makeDocument(motion({ id: 'm_a', name: 'Card rises' }));
const FINDING = {
  check: 'jump',
  severity: 'warning',
  about: 'm_a',
  element: 0,
  at: 420,
  brief: 'jumps at its end',
  sentence: 'It jumps by 40 px where its range ends.',
  fix: { label: 'Let it stay where it ends' },
} as unknown as Finding;

let fake: FakeSession;
const hear = { show: jest.fn(), applyFix: jest.fn(() => ({ done: true })) };
beforeEach(() => {
  fake = fakeSession(document);
  Object.values(hear).forEach((f) => f.mockClear());
});
afterEach(cleanup);
const row = (given: Partial<Parameters<typeof FindingRow>[0]> = {}) => {
  render(
    <OpenedPageContext value={{ session: fake.session } as OpenedPage}>
      <TrialsContext value={{ document } as Trials}>
        <ul>
          <FindingRow
            finding={FINDING}
            rowKey="jump m_a"
            place="at 420 px"
            isHere
            stale={false}
            showTitle="Scrolls there"
            seen={document}
            selector="#card"
            {...hear}
            {...given}
          />
        </ul>
      </TrialsContext>
    </OpenedPageContext>,
  );
  return screen.getByRole('listitem');
};

describe('a finding', () => {
  test('says what about what, where, and how bad it is', () => {
    const item = row();
    expect(screen.getByRole('heading').textContent).toBe('Card rises: jumps at its end');
    expect(item.textContent).toContain('It jumps by 40 px where its range ends.');
    expect(item.textContent).toContain('at 420 px');
    expect(screen.getByRole('img').getAttribute('aria-label')).toBe('warning');
  });
  test('points at its place while the pointer is on it', () => {
    const item = row();
    fireEvent.pointerEnter(item);
    expect(pointStore.getState()).toEqual({ at: 420, motion: 'm_a' });
    fireEvent.pointerLeave(item);
    expect(pointStore.getState()).toEqual({ at: null, motion: null });
  });
  test('of another size points at no place of this one', () => {
    fireEvent.pointerEnter(row({ isHere: false }));
    expect(pointStore.getState().at).toBeNull();
  });
  test('is fixed, and shown', async () => {
    const user = userEvent.setup();
    row();
    await user.click(screen.getByRole('button', { name: 'Show' }));
    await user.click(screen.getByRole('button', { name: 'Fix' }));
    expect([hear.show.mock.calls.length, hear.applyFix.mock.calls.length]).toEqual([1, 1]);
  });
  test('that is outdated is neither fixed nor accepted; one without a fix offers none', () => {
    row({ stale: true });
    expect(screen.getByRole('button', { name: 'Fix' })).toHaveProperty('disabled', true);
    expect(screen.getByRole('button', { name: 'Accept' })).toHaveProperty('disabled', true);
    cleanup();
    row({ applyFix: null });
    expect(screen.queryByRole('button', { name: 'Fix' })).toBeNull();
  });
  test('is accepted with a reason, and not without one', async () => {
    const user = userEvent.setup();
    row();
    await user.click(screen.getByRole('button', { name: 'Accept' }));
    const field = await screen.findByLabelText('Why this is acceptable');
    await user.type(field, '   {Enter}');
    expect(fake.done).toEqual([]);
    await user.clear(field);
    await user.type(field, 'It is meant to{Enter}');
    expect(fake.done).toEqual(['accept a finding']);
    expect(fake.document().accepted[0]).toMatchObject({
      check: 'jump',
      where: 'm_a',
      reason: 'It is meant to',
    });
  });
});
