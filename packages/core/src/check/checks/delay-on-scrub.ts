import { mistakeCheck } from '../page-mistake.ts';

export const delayOnScrub = mistakeCheck({
  id: 'delay-on-scrub',
  name: 'Delay on a scrubbed animation',
  group: 'conflict',
  why: 'A delay takes its share of the way, so the element waits while it is scrolled and then hurries.',
  brief: 'waits on the way',
});
