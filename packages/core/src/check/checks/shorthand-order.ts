import { mistakeCheck } from '../page-mistake.ts';

export const shorthandOrder = mistakeCheck({
  id: 'shorthand-order',
  name: 'Shorthand after the timeline',
  group: 'structure',
  why: 'The shorthand resets the timeline, so the animation plays over time at once and scroll does not drive it.',
  brief: 'timeline put back',
});
