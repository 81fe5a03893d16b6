import { mistakeCheck } from '../page-mistake.ts';

export const misspelt = mistakeCheck({
  id: 'misspelt',
  name: 'Misspelt',
  group: 'structure',
  why: 'Browsers pass over words that they do not know, so the element does not move as its author meant.',
  brief: 'unknown to browsers',
});
