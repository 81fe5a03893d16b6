import { mistakeCheck } from '../page-mistake.ts';

export const zeroDuration = mistakeCheck({
  id: 'zero-duration',
  name: 'Zero duration',
  group: 'structure',
  why: 'It jumps to its end where its range begins, so readers see no movement.',
  brief: 'lasts no time',
});
