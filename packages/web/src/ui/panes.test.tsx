/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { drag, key, moveTo, press } from '../testing/dom.ts';
import { usePane } from './panes.ts';
import { Splitter } from './Splitter.tsx';

function Room({ room = 1000, between = 'columns' as 'columns' | 'rows' }) {
  const pane = usePane('lanes', { room, usual: 400, least: 200, most: 700 });
  return <Splitter label="Width" pane={pane} between={between} />;
}
const border = () => screen.getByRole('separator');
const size = () => Number(border().getAttribute('aria-valuenow'));

beforeEach(() => localStorage.clear());
afterEach(cleanup);

describe('a border between panes', () => {
  test('is dragged, stays within its bounds, and is where it was left after a reload', () => {
    render(<Room />);
    drag(border(), [400, 10], [520, 10]);
    expect(size()).toBe(520);
    drag(border(), [520, 10], [2000, 10]);
    expect(size()).toBe(700);
    cleanup();
    render(<Room />);
    expect(size()).toBe(700);
  });
  test('keeps its share where the window is another', () => {
    render(<Room />);
    drag(border(), [400, 10], [500, 10]);
    cleanup();
    render(<Room room={600} />);
    expect(size()).toBe(300);
  });
  test('Esc puts it back, arrows move it, a double click gives the usual size', () => {
    render(<Room />);
    press(border(), [400, 10]);
    moveTo(border(), [600, 10]);
    expect(size()).toBe(600);
    key('Escape');
    expect(size()).toBe(400);
    fireEvent.keyDown(border(), { key: 'ArrowRight' });
    expect(size()).toBe(416);
    fireEvent.doubleClick(border());
    expect(size()).toBe(400);
  });
  test('a pane below its border grows upwards', () => {
    render(<Room between="rows" />);
    drag(border(), [10, 300], [10, 250]);
    expect(size()).toBe(450);
    fireEvent.keyDown(border(), { key: 'ArrowDown' });
    expect(size()).toBe(434);
  });
  test('what is stored and makes no sense is not used', () => {
    localStorage.setItem('lyvek-panes', '{"lanes":"wide"');
    render(<Room />);
    expect(size()).toBe(400);
    cleanup();
    localStorage.setItem('lyvek-panes', '{"lanes":7}');
    render(<Room />);
    expect(size()).toBe(400);
  });
});
