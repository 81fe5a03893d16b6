import { mistakeCheck } from '../page-mistake.ts';

export const shorthandOrder = mistakeCheck({
  id: 'shorthand-order',
  name: 'Shorthand after the timeline',
  group: 'structure',
  why: 'The shorthand puts the timeline back, so it plays in time at once, and the scroll does not move it.',
  brief: 'timeline put back',
});
