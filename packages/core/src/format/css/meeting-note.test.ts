import { expect, test } from '@jest/globals';
import { meetingNote } from './meeting-note.ts';

test.each([
  ['view(75% 0px)', 'entry-crossing 10% exit-crossing 50%', 'its middle meets 75 % of the viewport'],
  [
    'view(20% 30%)',
    'entry-crossing 0% exit-crossing 100%',
    'its top meets 70 % of the viewport, then its bottom meets 20 % of the viewport',
  ],
  ['view(0px 12.5%)', 'entry-crossing 25% exit-crossing 0%', '25 % of it meets 87.5 % of the viewport'],
])('%s with %s', (timeline, range, words) => {
  expect(meetingNote(timeline, range)).toBe(` /* ${words} */`);
});

test.each([
  ['view()', 'entry 0% cover 50%'],
  ['view(75% 0px)', 'entry 0% cover 50%'],
  ['view(40px 0px)', 'entry-crossing 0% exit-crossing 0%'],
  ['view(inline 10%)', 'entry-crossing 0% exit-crossing 0%'],
  ['--own', 'entry-crossing 0% exit-crossing 0%'],
  ['scroll(root)', '10% 80%'],
])('nothing is said of %s with %s', (timeline, range) => {
  expect(meetingNote(timeline, range)).toBe('');
});
