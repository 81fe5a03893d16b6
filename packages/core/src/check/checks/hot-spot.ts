import { findHotSpots } from '../hot-spots.ts';
import type { CheckDefinition } from '../finding.ts';

export const hotSpot: CheckDefinition = {
  id: 'hot-spot',
  name: 'Hot spot',
  group: 'budget',
  why: 'Here a frame costs more time than it has, so the page stutters under the hand.',
  survey: ({ trial, clock, document }) =>
    trial ? findHotSpots({ ...trial, clock, document, how: 'predicted to cost' }) : [],
};
