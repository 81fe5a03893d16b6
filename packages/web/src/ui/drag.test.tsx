/** @jest-environment jsdom */
import { itemAt } from '@lyvek/core';
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render } from '@testing-library/react';
import { drag, key, letGo, moveTo, press } from '../testing/dom.ts';
import { beginDrag } from './drag.ts';

const hear = { move: jest.fn(), drop: jest.fn(), putBack: jest.fn() };
let grip: HTMLElement;
beforeEach(() => {
  for (const f of Object.values(hear)) f.mockClear();
  grip = render(<button type="button" onPointerDown={(e) => beginDrag(e, hear)} />).getByRole('button');
});
afterEach(cleanup);
const by = () => hear.move.mock.calls.map(([px]) => px);
const isDragging = () => document.documentElement.hasAttribute('data-dragging');

describe('a drag', () => {
  test('begins after three px, tells how far it is, and drops', () => {
    press(grip, [10, 10]);
    expect(isDragging()).toBe(true);
    moveTo(grip, [11, 11]);
    expect(hear.move).not.toHaveBeenCalled();
    moveTo(grip, [10, 30]);
    moveTo(grip, [10, 5]);
    // Once begun it goes on, back at its start too.
    moveTo(grip, [10, 10]);
    letGo(grip, [10, 40]);
    expect(by()).toEqual([20, -5, 0]);
    expect(itemAt(hear.drop.mock.calls, 0)[0]).toBe(30);
    expect(hear.putBack).not.toHaveBeenCalled();
    expect(isDragging()).toBe(false);
  });
  test('that has not moved is a press', () => {
    press(grip, [10, 10]);
    letGo(grip, [11, 10]);
    expect(hear.putBack.mock.calls).toEqual([[false]]);
    expect(hear.drop).not.toHaveBeenCalled();
  });
  test('a move that is none is not heard, and one with another key held is', () => {
    press(grip, [10, 10]);
    moveTo(grip, [10, 30]);
    moveTo(grip, [10, 30]);
    fireEvent.pointerMove(grip, { pointerId: 1, clientX: 10, clientY: 30, shiftKey: true });
    letGo(grip, [10, 30]);
    expect(by()).toEqual([20, 20]);
  });
  test('sideways counts as well', () => {
    drag(grip, [0, 0], [60, 0]);
    expect(hear.drop).toHaveBeenCalledTimes(1);
  });
  test.each<[string, () => void]>([
    ['Esc', () => key('Escape')],
    ['a cancelled pointer', () => fireEvent.pointerCancel(grip, { pointerId: 1 })],
    ['a lost capture', () => fireEvent.lostPointerCapture(grip, { pointerId: 1 })],
    ['an element that goes away', () => fireEvent.lostPointerCapture(document, { pointerId: 1 })],
  ])('is given up by %s, and what comes then is not heard', (_how, give) => {
    press(grip, [10, 10]);
    moveTo(grip, [10, 60]);
    give();
    expect(hear.putBack.mock.calls).toEqual([[true]]);
    moveTo(grip, [10, 90]);
    letGo(grip, [10, 90]);
    expect(by()).toEqual([50]);
    expect(hear.drop).not.toHaveBeenCalled();
    expect(isDragging()).toBe(false);
  });
  test('goes on while other keys are pressed and other pointers end', () => {
    press(grip, [10, 10]);
    key('Shift');
    fireEvent.lostPointerCapture(document, { pointerId: 2 });
    drag(grip, [10, 10], [10, 50]);
    expect(hear.drop).toHaveBeenCalled();
  });
  test('is for the main button', () => {
    fireEvent.pointerDown(grip, { pointerId: 1, button: 2, clientX: 0, clientY: 0 });
    moveTo(grip, [0, 50]);
    expect(hear.move).not.toHaveBeenCalled();
  });
  test('Esc is its own while it lasts, and nobody else’s', () => {
    const outer = jest.fn();
    addEventListener('keydown', outer);
    press(grip, [10, 10]);
    key('Escape', document.body);
    expect(outer).not.toHaveBeenCalled();
    key('Escape', document.body);
    expect(outer).toHaveBeenCalledTimes(1);
    removeEventListener('keydown', outer);
  });
});
