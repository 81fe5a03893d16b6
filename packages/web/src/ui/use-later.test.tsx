/** @jest-environment jsdom */
import { afterEach, expect, test } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import { useLater } from './use-later.ts';

function Shown({ value, late }: { value: number; late: boolean }) {
  return <output>{useLater(value, late)}</output>;
}
afterEach(cleanup);
const text = () => screen.getByRole('status').textContent;

test('while late, a value comes a frame later, and of several the newest', async () => {
  const { rerender } = render(<Shown value={1} late />);
  expect(text()).toBe('1');
  for (const value of [2, 3]) rerender(<Shown value={value} late />);
  expect(text()).toBe('1');
  expect(await screen.findByText('3')).toBeTruthy();
});

test('otherwise it is there at once, also when what is late ends', () => {
  const { rerender } = render(<Shown value={1} late={false} />);
  rerender(<Shown value={2} late={false} />);
  expect(text()).toBe('2');
  rerender(<Shown value={3} late />);
  expect(text()).toBe('2');
  rerender(<Shown value={4} late={false} />);
  expect(text()).toBe('4');
});
