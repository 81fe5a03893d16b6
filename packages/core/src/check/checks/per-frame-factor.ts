import { mistakeCheck } from '../page-mistake.ts';

export const perFrameFactor = mistakeCheck({
  id: 'per-frame-factor',
  name: 'Smoothing that depends on the frame rate',
  group: 'damping',
  why: 'A factor applied once a frame is twice as stiff on a 120 Hz screen, and jerks where frames are missed.',
  brief: 'stiffer at 120 Hz',
});
