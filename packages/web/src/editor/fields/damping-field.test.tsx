/** @jest-environment jsdom */
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Motion } from '@lyvek/core';
import { ChoiceContext, FIRST_CHOICE } from '../../state/choice.ts';
import '../../testing/dom.ts';
import { dampingLabel, DampingField } from './DampingField.tsx';

afterEach(cleanup);
type Damping = Motion['damping'];

const open = async (value: Damping) => {
  const user = userEvent.setup();
  const onChange = jest.fn();
  render(
    <ChoiceContext value={{ choice: FIRST_CHOICE, choose: () => undefined }}>
      <DampingField value={value} onChange={onChange} />
    </ChoiceContext>,
  );
  await user.click(screen.getByRole('button', { name: 'Damping' }));
  return { user, onChange };
};

describe('damping', () => {
  // The trials show it too, where there is no Rundown around it.
  test.each<[Damping, string]>([
    [{ kind: 'none' }, 'none'],
    [{ kind: 'half-life', halfLife: 90 }, '90 ms half-life'],
    [{ kind: 'spring', frequency: 2.4, ratio: 0.8 }, 'spring, 2.4 Hz, ratio 0.8'],
  ])('%o opens with what it means', async (value, label) => {
    await open(value);
    expect(dampingLabel(value)).toBe(label);
    expect((await screen.findByRole('dialog')).textContent).toMatch(
      value.kind === 'none' ? /exactly where the scroll puts it/ : /px\s*behind.*60 Hz/s,
    );
  });
  test('another kind begins with values of its own, the same one changes nothing', async () => {
    const { user, onChange } = await open({ kind: 'none' });
    await user.click(screen.getByRole('button', { name: 'none', pressed: true }));
    expect(onChange).not.toHaveBeenCalled();
    await user.click(screen.getByRole('button', { name: 'spring' }));
    expect(onChange).toHaveBeenCalledWith({ kind: 'spring', frequency: 2.4, ratio: 0.8 });
  });
  test('a half-life is typed; what is out of bounds comes to the nearest bound', async () => {
    const { user, onChange } = await open({ kind: 'half-life', halfLife: 90 });
    const field = screen.getByRole('textbox', { name: 'Half-life in ms' });
    await user.clear(field);
    await user.type(field, '99999{Enter}');
    expect(onChange).toHaveBeenLastCalledWith({ kind: 'half-life', halfLife: 5000 });
  });
});
