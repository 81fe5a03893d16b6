/** @jest-environment jsdom */
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import '../testing/dom.ts';
import { NameForm } from './NameForm.tsx';
import { Notices, notify, notifyError } from './notices.tsx';
import { NumberField } from './NumberField.tsx';
import { Choices, Popover } from './Popover.tsx';
import { listWaiting, Waiting } from './Waiting.tsx';

afterEach(cleanup);

describe('a number field', () => {
  const show = (given: Partial<Parameters<typeof NumberField>[0]> = {}) => {
    const onChange = jest.fn();
    render(<NumberField label="Limit" value={5} min={0} max={100} onChange={onChange} {...given} />);
    return { onChange, field: screen.getByRole<HTMLInputElement>('textbox', { name: 'Limit' }) };
  };
  test('counts on Enter, and when it is left', async () => {
    const user = userEvent.setup();
    const { onChange, field } = show();
    await user.clear(field);
    await user.type(field, '12.5');
    expect(onChange).not.toHaveBeenCalled();
    await user.keyboard('{Enter}');
    expect(onChange).toHaveBeenLastCalledWith(12.5);
    await user.clear(field);
    await user.type(field, '7');
    await user.tab();
    expect(onChange).toHaveBeenLastCalledWith(7);
  });
  test.each(['', 'abc', '-1', '101', '1e999'])('“%s” is marked, and changes nothing', async (text) => {
    const user = userEvent.setup();
    const { onChange, field } = show();
    await user.clear(field);
    if (text) await user.type(field, text);
    expect(field.value).toBe(text);
    expect(field.getAttribute('aria-invalid')).toBe('true');
    await user.tab();
    expect(onChange).not.toHaveBeenCalled();
    expect(field.value).toBe('5');
  });
  test('a whole number has no parts', async () => {
    const user = userEvent.setup();
    const { onChange, field } = show({ whole: true });
    await user.clear(field);
    await user.type(field, '2.5{Enter}');
    expect(onChange).not.toHaveBeenCalled();
  });
  test('arrows step it within its bounds, Esc puts it back', async () => {
    const user = userEvent.setup();
    const { onChange, field } = show({ value: 99 });
    await user.click(field);
    await user.keyboard('{ArrowUp}{ArrowUp}{ArrowUp}');
    expect(field.value).toBe('100');
    await user.keyboard('{Shift>}{ArrowDown}{/Shift}');
    expect(field.value).toBe('90');
    await user.keyboard('{Escape}');
    expect(field.value).toBe('99');
    expect(onChange).not.toHaveBeenCalled();
  });
});

describe('a name', () => {
  test('is taken without the spaces around it; an empty one is not', async () => {
    const user = userEvent.setup();
    const onName = jest.fn();
    render(<NameForm label="Name of the take" initial="Take A" action="Rename" onName={onName} />);
    const field = screen.getByLabelText('Name of the take');
    await user.clear(field);
    expect(screen.getByRole('button', { name: 'Rename' })).toHaveProperty('disabled', true);
    await user.type(field, '   {Enter}');
    expect(onName).not.toHaveBeenCalled();
    await user.type(field, ' Night {Enter}');
    expect(onName).toHaveBeenCalledWith('Night');
  });
});

describe('a popover', () => {
  const show = (onChoose = jest.fn()) => {
    render(
      <Popover trigger="Order" label="Order of targets">
        {(close) => (
          <Choices
            value="page"
            options={[
              { value: 'page', text: 'as on the page' },
              { value: 'reverse', text: 'from the last one' },
            ]}
            onChoose={(v) => {
              onChoose(v);
              close();
            }}
          />
        )}
      </Popover>,
    );
    return { onChoose, button: screen.getByRole('button', { name: 'Order of targets' }) };
  };
  test('opens, takes the focus, marks what is chosen, and gives the focus back', async () => {
    const user = userEvent.setup();
    const { onChoose, button } = show();
    expect(button.getAttribute('aria-expanded')).toBe('false');
    await user.click(button);
    const dialog = await screen.findByRole('dialog', { name: 'Order of targets' });
    expect(dialog.contains(document.activeElement)).toBe(true);
    expect(screen.getByRole('button', { name: 'as on the page' }).getAttribute('aria-current')).toBe('true');
    await user.click(screen.getByRole('button', { name: 'from the last one' }));
    expect(onChoose).toHaveBeenCalledWith('reverse');
    expect(screen.queryByRole('dialog')).toBeNull();
    expect(document.activeElement).toBe(button);
  });
  test('closes with Esc and with a press elsewhere, and chooses nothing', async () => {
    const user = userEvent.setup();
    const { onChoose, button } = show();
    await user.click(button);
    await user.keyboard('{Escape}');
    expect(screen.queryByRole('dialog')).toBeNull();
    await user.click(button);
    await user.click(document.body);
    expect(screen.queryByRole('dialog')).toBeNull();
    expect(onChoose).not.toHaveBeenCalled();
  });
});

describe('notices', () => {
  test('are announced, can be undone once, and go after a while; errors stay longer', () => {
    jest.useFakeTimers();
    render(<Notices />);
    const run = jest.fn();
    act(() => {
      notify('The motion was deleted.', { action: { label: 'Undo', run } });
      notify('Copied.');
      notifyError(new Error('The server does not answer.'));
    });
    expect(screen.getByRole('status').textContent).toContain('The motion was deleted.');
    act(() => jest.advanceTimersByTime(4500));
    expect(screen.queryByText('Copied.')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Undo' }));
    expect(run).toHaveBeenCalledTimes(1);
    expect(screen.queryByText('The motion was deleted.')).toBeNull();
    act(() => jest.advanceTimersByTime(5000));
    fireEvent.click(screen.getByRole('button', { name: 'Close' }));
    expect(screen.queryByText('The server does not answer.')).toBeNull();
    jest.useRealTimers();
  });
  test('the newest four are shown', () => {
    render(<Notices />);
    act(() => [1, 2, 3, 4, 5, 6].forEach((n) => notify(`Notice ${n}`)));
    expect(screen.getByRole('status').textContent).toBe('Notice 3Notice 4Notice 5Notice 6');
  });
});

describe('waiting for the server', () => {
  const failed = { failureReason: new Error('The server does not answer.'), refetch: jest.fn(async () => 0) };
  test('says what is opened, then why it does not, and that it goes on by itself', () => {
    const { rerender } = render(
      <Waiting what="Opening the page …" failure={null} goesOn again={() => undefined} />,
    );
    expect(screen.getByText('Opening the page …')).not.toBeNull();
    rerender(<Waiting what="Opening the page …" {...listWaiting({ ...failed, isError: false })} />);
    expect(screen.getByRole('status').textContent).toContain('Edits that were not saved yet are kept');
    fireEvent.click(screen.getByRole('button', { name: 'Try now' }));
    expect(failed.refetch).toHaveBeenCalledTimes(1);
    rerender(<Waiting what="" {...listWaiting({ ...failed, isError: true })} />);
    expect(screen.getByRole('button', { name: 'Try again' })).not.toBeNull();
  });
});
