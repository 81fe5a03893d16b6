/** @jest-environment jsdom */
import { itemAt, lastItem, present } from '@lyvek/core';
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { element, makeLayout, motion } from '@lyvek/core/testing';
import type { Keyframe } from '@lyvek/core';
import { computeCurves } from '../../../../editor/model/curves.ts';
import { drag, key, letGo, moveTo, press } from '../../../../testing/dom.ts';
import { CurveRow } from './CurveRow.tsx';
import { EasingEditor } from './EasingEditor.tsx';
import { EasingField } from './EasingField.tsx';

afterEach(cleanup);
const layout = makeLayout([element({ selector: '#a' })]);
const LIST: Keyframe[] = [
  { at: '0%', value: '0' },
  { at: '50%', value: '0.5' },
  { at: '100%', value: '1' },
];
const hear = { onOpen: jest.fn(), onTry: jest.fn(), onPut: jest.fn() };
beforeEach(() => Object.values(hear).forEach((f) => f.mockClear()));

const show = (open: number | null = null, keyframes = LIST) => {
  const [curve] = computeCurves(motion({ keyframes: { opacity: keyframes } }), 0, layout);
  render(<CurveRow curve={present(curve)} progress={0.25} open={open} {...hear} />);
};
const dot = (name: RegExp) => screen.getByRole('button', { name });
const lastPut = () => hear.onPut.mock.calls.at(-1) as [Keyframe[] | null, string];
const lastList = () => present(lastPut()[0]);

describe('a keyframe of a curve', () => {
  test('pulled up gets a larger value, is shown on the way, and is put once', () => {
    show();
    const middle = dot(/at 50%/);
    press(middle, [100, 23]);
    moveTo(middle, [100, 10]);
    const tried = lastItem(hear.onTry.mock.calls)[0] as Keyframe[];
    expect(Number(itemAt(tried, 1).value)).toBeGreaterThan(0.6);
    expect(hear.onPut).not.toHaveBeenCalled();
    letGo(middle, [100, 10]);
    expect(lastPut()[0]).toEqual(tried);
    expect(lastPut()[1]).toBe('change opacity');
    expect(hear.onPut).toHaveBeenCalledTimes(1);
  });
  test('pulled sideways moves in the range and keeps its value; the ends stay', () => {
    show();
    drag(dot(/at 50%/), [100, 23], [138, 24]);
    expect(lastList()[1]).toEqual({ at: '70%', value: '0.5' });
    hear.onPut.mockClear();
    drag(dot(/at 0%/), [6, 40], [60, 41]);
    expect(hear.onPut.mock.calls.every(([list]) => itemAt(list as Keyframe[], 0).at === '0%')).toBe(true);
  });
  test('Alt is finer', () => {
    show();
    drag(dot(/at 50%/), [100, 23], [100, 4], { altKey: true });
    const value = Number(itemAt(lastList(), 1).value);
    expect(value).toBeGreaterThan(0.5);
    expect(value).toBeLessThan(0.58);
  });
  test('Esc puts it back, and it is not opened by that', () => {
    show();
    const middle = dot(/at 50%/);
    press(middle, [100, 23]);
    moveTo(middle, [100, 5]);
    key('Escape');
    letGo(middle, [100, 5]);
    expect(hear.onTry).toHaveBeenLastCalledWith(null);
    expect([hear.onPut.mock.calls, hear.onOpen.mock.calls]).toEqual([[], []]);
  });
  test('a press opens it; Enter opens and closes, Delete takes it out', async () => {
    const user = userEvent.setup();
    show();
    press(dot(/at 50%/), [100, 23]);
    letGo(dot(/at 50%/), [100, 23]);
    expect(hear.onOpen).toHaveBeenLastCalledWith(LIST[1]);
    dot(/at 100%/).focus();
    await user.keyboard('{Enter}');
    expect(hear.onOpen).toHaveBeenLastCalledWith(LIST[2]);
    await user.keyboard('{Delete}');
    expect(lastPut()).toEqual([LIST.slice(0, 2), 'delete a keyframe']);
  });
  test('opened, its place, value and easing are typed; what is no value changes nothing', async () => {
    const user = userEvent.setup();
    show(1);
    const value = screen.getByRole('textbox', { name: 'Value of the keyframe' });
    await user.clear(value);
    await user.type(value, 'red{Enter}');
    expect(hear.onPut).not.toHaveBeenCalled();
    await user.clear(value);
    await user.type(value, '0.8{Enter}');
    expect(itemAt(lastList(), 1).value).toBe('0.8');
    const place = screen.getByRole('textbox', { name: 'Position of the keyframe' });
    await user.clear(place);
    await user.type(place, '30{Enter}');
    expect(itemAt(lastList(), 1).at).toBe('30%');
    await user.click(screen.getByRole('button', { name: 'Delete the keyframe' }));
    expect(lastPut()[0]).toHaveLength(2);
  });
  test('the last one takes the property with it', async () => {
    const user = userEvent.setup();
    show(0, [{ at: '100%', value: '0.4' }]);
    await user.click(screen.getByRole('button', { name: 'Delete the keyframe' }));
    expect(lastPut()).toEqual([null, 'remove opacity']);
  });
});

describe('an easing', () => {
  const edit = { onTry: jest.fn(), onPut: jest.fn(), whyNot: jest.fn((): string | null => null) };
  beforeEach(() => Object.values(edit).forEach((f) => f.mockClear()));
  const put = () => lastItem(edit.onPut.mock.calls)[0] as string;

  test('handles of a curve are moved by arrows, and dragged; Esc puts back', () => {
    render(<EasingEditor value="cubic-bezier(0.4, 0, 0.6, 1)" {...edit} />);
    const [first] = screen.getAllByRole('button', { name: /handle|Handle/ });
    fireEvent.keyDown(present(first), { key: 'ArrowRight', shiftKey: true });
    expect(put()).toBe('cubic-bezier(0.45, 0, 0.6, 1)');
    press(present(first), [40, 60]);
    moveTo(present(first), [90, 80]);
    expect(lastItem(edit.onTry.mock.calls)[0]).toMatch(/^cubic-bezier\(/);
    key('Escape');
    expect(edit.onTry).toHaveBeenLastCalledWith(null);
    expect(edit.onPut).toHaveBeenCalledTimes(1);
  });
  test('points of a line are taken out, but for its ends', () => {
    render(<EasingEditor value="linear(0, 0.4 50%, 1)" {...edit} />);
    const points = screen.getAllByRole('button', { name: /^Point at/ });
    expect(points).toHaveLength(3);
    fireEvent.keyDown(itemAt(points, 0), { key: 'Delete' });
    expect(edit.onPut).not.toHaveBeenCalled();
    fireEvent.keyDown(itemAt(points, 1), { key: 'Delete' });
    expect(put()).toMatch(/^linear/);
    expect(put()).not.toContain('0.4');
  });
  test('is chosen by name, or typed; a wrong one says why', async () => {
    const user = userEvent.setup();
    const onChange = jest.fn();
    render(<EasingField value="linear" onChange={onChange} />);
    await user.click(screen.getByRole('button', { name: 'Easing: linear' }));
    await user.click(await screen.findByRole('button', { name: 'soft landing' }));
    expect(onChange).toHaveBeenLastCalledWith('cubic-bezier(0.2, 0.6, 0.3, 1)');
    // It stays open, so that several can be tried in a row.
    const field = await screen.findByRole('textbox', { name: 'Easing in CSS' });
    await user.clear(field);
    await user.type(field, 'cubic-bezier(2, 0, 0, 1)');
    expect(field.getAttribute('aria-invalid')).toBe('true');
    expect(field.title.length).toBeGreaterThan(5);
    await user.keyboard('{Enter}');
    expect(onChange).toHaveBeenCalledTimes(1);
  });
});
