import { listLateFrames } from '../hot-spots.ts';
import type { CheckDefinition } from '../finding.ts';

export const lateFrames: CheckDefinition = {
  id: 'late-frames',
  name: 'Too many late frames',
  group: 'budget',
  why: 'Scrolling stutters over the whole page, not in one place only.',
  checkDocument({ trial, clock, document, limits }) {
    const late = trial && listLateFrames({ ...trial, clock, document, how: 'predicted to cost' }, limits);
    return late ? [late] : [];
  },
};
