/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { whenSized } from './when-sized.ts';

const resize = (width: number, height: number) => {
  Object.assign(window, { innerWidth: width, innerHeight: height });
  window.dispatchEvent(new Event('resize'));
};
let measured: string[] = [];
const asSeen = (name: string) => () => void measured.push(`${name} ${innerWidth} × ${innerHeight}`);

beforeEach(() => {
  jest.useFakeTimers();
  measured = [];
  resize(1280, 800);
});
afterEach(() => {
  jest.useRealTimers();
});

test('without a size, and at the size that it has, a window is not waited for', () => {
  whenSized(undefined, asSeen('any'));
  whenSized({ width: 1280, height: 800 }, asSeen('same'));
  expect(measured).toEqual(['any 1280 × 800', 'same 1280 × 800']);
});

test('what is asked for another size is done once, at that size', () => {
  whenSized({ width: 320, height: 480 }, asSeen('small'));
  resize(320, 800);
  expect(measured).toEqual([]);
  resize(320, 480);
  resize(390, 480);
  resize(320, 480);
  jest.advanceTimersByTime(5000);
  expect(measured).toEqual(['small 320 × 480']);
});

test('a window that never gets there is taken as it is, and a newer question replaces one that waits', () => {
  whenSized({ width: 320, height: 480 }, asSeen('first'));
  whenSized({ width: 390, height: 800 }, asSeen('second'));
  resize(320, 480);
  expect(measured).toEqual([]);
  jest.advanceTimersByTime(600);
  expect(measured).toEqual(['second 320 × 480']);
});
