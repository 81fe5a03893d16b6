import type { Plan } from '../css/piece.ts';

/** Nothing for the script to play. */
export const EMPTY_PLAN: Plan = {
  damping: [],
  signals: [],
  marquees: [],
  pointers: [],
  events: [],
  videos: [],
  sequences: [],
  texts: [],
  travels: [],
};
