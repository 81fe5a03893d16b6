/** @jest-environment jsdom */
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import '../../testing/dom.ts';
import { CssField, cssError } from './CssField.tsx';

afterEach(cleanup);
const field = () => screen.getByRole<HTMLInputElement>('textbox');
const isClean = () => field().hasAttribute('data-committed');

describe('a field for CSS', () => {
  test('what cannot be kept stays with its reason when it is left, until there is another value', async () => {
    const user = userEvent.setup();
    const onPut = jest.fn();
    const { rerender } = render(<CssField label="Opacity" property="opacity" value="1" onPut={onPut} />);
    await user.clear(field());
    await user.type(field(), 'red');
    await user.tab();
    expect([field().value, isClean()]).toEqual(['red', false]);
    expect(screen.getByRole('alert').textContent).toContain('“red” is not a value of opacity');
    expect(onPut).not.toHaveBeenCalled();
    rerender(<CssField label="Opacity" property="opacity" value="0.5" onPut={onPut} />);
    expect([field().value, screen.queryByRole('alert'), isClean()]).toEqual(['0.5', null, true]);
  });
  test('says when its text counts, so that undo is for acts', async () => {
    const user = userEvent.setup();
    render(<CssField label="Opacity" property="opacity" value="1" onPut={() => undefined} />);
    expect(isClean()).toBe(true);
    await user.type(field(), '0');
    expect(isClean()).toBe(false);
    await user.keyboard('{Escape}');
    expect([field().value, isClean()]).toEqual(['1', true]);
  });
  test('a part of a value is made whole, and a right value that cannot be had here is refused', async () => {
    const user = userEvent.setup();
    const onPut = jest.fn();
    render(
      <CssField
        label="Place"
        property="translate"
        value="0 10px"
        toValue={(text) => `0 ${text}`}
        whyNot={(css) => (css === '0 0px' ? 'not zero' : null)}
        onPut={onPut}
      />,
    );
    await user.clear(field());
    await user.type(field(), '0px{Enter}');
    expect(screen.getByRole('alert').textContent).toBe('not zero');
    await user.clear(field());
    await user.type(field(), '25%{Enter}');
    expect(onPut.mock.calls).toEqual([['0 25%']]);
  });
  test.each([
    ['120', '120px'],
    ['-4.5', '-4.5px'],
    ['0', '0'],
    ['10vh', '10vh'],
    ['calc(1px * 2)', 'calc(1px * 2)'],
  ])('a length typed as %s is %s', async (typed, put) => {
    const user = userEvent.setup();
    const onPut = jest.fn();
    render(<CssField label="Distance" property="length" value="7px" onPut={onPut} />);
    await user.clear(field());
    await user.type(field(), `${typed}{Enter}`);
    expect(onPut.mock.calls).toEqual([[put]]);
  });
  test.each([
    ['phase', 'entry 30%', null],
    ['phase', 'entry calc(30% + 20px)', null],
    ['phase', 'nowhere 3%', 'string'],
    ['number', '12', null],
    ['number', '12px', 'string'],
    ['time', '60ms', null],
  ])('%s: “%s”', (property, text, wrong) =>
    expect(wrong === null ? cssError(property, text) : typeof cssError(property, text)).toBe(wrong),
  );
});
