import { mistakeCheck } from '../page-mistake.ts';

export const delayOnScrub = mistakeCheck({
  id: 'delay-on-scrub',
  name: 'Delay on a scrubbed animation',
  group: 'conflict',
  why: 'A delay takes up part of the range, so the element waits while the page scrolls and then rushes.',
  brief: 'waits, then rushes',
});
