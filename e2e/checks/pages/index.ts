import type { CorpusPage } from '../corpus.ts';
import { BUDGET } from './budget.ts';
import { CARE } from './care.ts';
import { CONFLICT } from './conflict.ts';
import { DAMPING } from './damping.ts';
import { MISTAKES } from './mistakes.ts';
import { PHONES } from './phones.ts';
import { REACH } from './reach.ts';
import { RIGHT } from './right.ts';
import { SMOOTHNESS } from './smoothness.ts';
import { STRUCTURE } from './structure.ts';
import { VIDEOS } from './videos.ts';

export const CORPUS: readonly CorpusPage[] = [
  ...RIGHT,
  ...REACH,
  ...STRUCTURE,
  ...CONFLICT,
  ...SMOOTHNESS,
  ...DAMPING,
  ...BUDGET,
  ...CARE,
  ...MISTAKES,
  ...PHONES,
  ...VIDEOS,
];
