/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { itemAt } from '@lyvek/core';
import '../testing/dom.ts';
import { CommandPalette } from './CommandPalette.tsx';
import { openPalette, palette, useCommands } from './commands.ts';
import type { Command } from './commands.ts';

Element.prototype.scrollIntoView = () => undefined;
const run = { rise: jest.fn(), undo: jest.fn(), mute: jest.fn() };
const commands: Command[] = [
  { id: 'u', name: 'Undo', group: 'Acts', keys: 'Ctrl Z', run: run.undo },
  { id: 'm', name: 'Mute', group: 'Acts', disabled: 'Select a motion first.', run: run.mute },
  { id: 'r', name: 'Add Rise', group: 'Effects', words: 'Rise fade up', note: 'Slides up.', run: run.rise },
];
function Screen() {
  useCommands('screen', (query) => (query ? commands : commands.slice(0, 2)));
  return <button type="button">here before</button>;
}
const show = () =>
  render(
    <>
      <Screen />
      <CommandPalette />
    </>,
  );
const names = () => screen.getAllByRole('option').map((o) => o.textContent);
const field = () => screen.getByRole('combobox');

beforeEach(() => Object.values(run).forEach((f) => f.mockClear()));
afterEach(() => {
  cleanup();
  palette.setState({ open: false });
});

describe('the palette', () => {
  test('Ctrl K opens it with the acts and their keys; Esc closes it, and the focus goes back', async () => {
    const user = userEvent.setup();
    show();
    screen.getByRole('button').focus();
    await user.keyboard('{Control>}k{/Control}');
    expect(names()).toEqual(['UndoCtrl Z', 'Mute']);
    expect(document.activeElement).toBe(field());
    await user.keyboard('{Escape}');
    expect(screen.queryByRole('dialog')).toBeNull();
    expect(document.activeElement).toBe(screen.getByRole('button'));
  });
  test('what is typed finds by name and by other words; Enter does the first, once', async () => {
    const user = userEvent.setup();
    show();
    act(openPalette);
    await user.type(field(), 'fade up');
    expect(names()).toEqual(['Add RiseSlides up.']);
    await user.keyboard('{Enter}');
    await waitFor(() => expect(run.rise).toHaveBeenCalledTimes(1));
    expect(run.undo).not.toHaveBeenCalled();
    expect(screen.queryByRole('dialog')).toBeNull();
  });
  test('arrows choose; what cannot be done now says why and does nothing', async () => {
    const user = userEvent.setup();
    show();
    act(openPalette);
    await user.keyboard('{ArrowDown}');
    const muted = itemAt(screen.getAllByRole('option'), 1);
    expect([muted.getAttribute('aria-selected'), muted.title]).toEqual(['true', 'Select a motion first.']);
    await user.keyboard('{Enter}');
    expect(screen.getByRole('dialog')).toBeTruthy();
    await user.click(itemAt(screen.getAllByRole('option'), 0));
    await waitFor(() => expect(run.undo).toHaveBeenCalledTimes(1));
    expect(run.mute).not.toHaveBeenCalled();
  });
  test('what nobody knows is said; a screen that is gone offers nothing', async () => {
    const user = userEvent.setup();
    const { unmount } = show();
    act(openPalette);
    await user.type(field(), 'zzz');
    expect(screen.getByText(/Nothing here has that name/)).toBeTruthy();
    unmount();
    expect(palette.getState().sources.size).toBe(0);
  });
});
