import { findHotSpots } from '../hot-spots.ts';
import type { CheckDefinition } from '../finding.ts';

export const hotSpot: CheckDefinition = {
  id: 'hot-spot',
  name: 'Hot spot',
  group: 'budget',
  why: 'A frame here costs more than its budget, so scrolling stutters.',
  checkDocument: ({ trial, clock, document }) =>
    trial ? findHotSpots({ ...trial, clock, document, how: 'predicted to cost' }) : [],
};
