/** The project’s own thresholds. Chosen by us unless a source is given. */
import { z } from 'zod';

interface LimitFacts {
  name: string;
  value: number;
  unit: string;
  min: number;
  max: number;
  whole?: boolean;
  /** what the number means, and its source where it has one */
  what: string;
}

export const LIMITS = {
  framesInRange: {
    name: 'Frames in range, at least',
    value: 8,
    unit: '',
    min: 0,
    max: 1000,
    whole: true,
    what: 'under the chosen gesture; chosen by us',
  },
  peakStep: {
    name: 'Largest step, at most',
    value: 48,
    unit: 'px',
    min: 1,
    max: 2000,
    what: 'per frame at 60 Hz, beside the page’s own flow; chosen by us',
  },
  gain: {
    name: 'Gain, at most',
    value: 4,
    unit: '×',
    min: 1,
    max: 50,
    what: 'px moved per px of scroll; chosen by us',
  },
  unevenness: {
    name: 'Unevenness, at most',
    value: 3,
    unit: ': 1',
    min: 1,
    max: 50,
    what: 'fastest part of a scrubbed motion against its mean; chosen by us',
  },
  kink: {
    name: 'Kink, at most',
    value: 2,
    unit: 'px per px',
    min: 0.1,
    max: 50,
    what: 'change of speed at once, per px of scroll; chosen by us',
  },
  readable: {
    name: 'Text opacity where it is read, at least',
    value: 0.9,
    unit: '',
    min: 0,
    max: 1,
    what: 'while its centre is in the middle half of the viewport; chosen by us',
  },
  settle: {
    name: 'Settles within',
    value: 400,
    unit: 'ms',
    min: 0,
    max: 10_000,
    what: 'after the hand stops; chosen by us',
  },
  lag: {
    name: 'Lag, at most',
    value: 120,
    unit: 'px',
    min: 0,
    max: 5000,
    what: 'of a followed motion behind the scroll; chosen by us',
  },
  onTime: {
    name: 'Frames on time, at least',
    value: 98,
    unit: '%',
    min: 0,
    max: 100,
    what: 'of all frames of a trial; chosen by us',
  },
  p95: {
    name: 'p95, at most',
    value: 75,
    unit: '% of the budget',
    min: 1,
    max: 400,
    what: '95 of 100 frames cost no more; chosen by us',
  },
  blur: {
    name: 'Blurred area, at most',
    value: 2,
    unit: 'Mpx × px',
    min: 0.05,
    max: 100,
    what: 'area on the screen times radius; chosen by us after tracing',
  },
  layers: {
    name: 'Layers at one place, at most',
    value: 60,
    unit: '',
    min: 1,
    max: 5000,
    whole: true,
    what: 'elements lifted off the page at once; chosen by us',
  },
  layerMemory: {
    name: 'Layer memory, at most',
    value: 256,
    unit: 'MB',
    min: 1,
    max: 16_384,
    what: 'area of what is lifted off the page × 4 bytes; chosen by us',
  },
  flashes: {
    name: 'Flashes, at most',
    value: 3,
    unit: 'a second',
    min: 0,
    max: 60,
    whole: true,
    what: 'WCAG 2.3.1: three flashes or below threshold',
  },
  plays: {
    name: 'Plays by itself, at most',
    value: 5,
    unit: 's',
    min: 0.1,
    max: 600,
    what: 'WCAG 2.2.2: longer needs a way to pause it',
  },
} as const satisfies Record<string, LimitFacts>;
export type LimitName = keyof typeof LIMITS;
export const LIMIT_NAMES = Object.keys(LIMITS) as LimitName[];

const numberOf = ({ value, min, max, whole }: LimitFacts) => {
  const bounded = z.number().min(min).max(max);
  return (whole ? bounded.int() : bounded).default(value);
};
type LimitShape = Record<LimitName, z.ZodDefault<z.ZodNumber>>;
export const LimitsSchema = z.strictObject(
  Object.fromEntries(LIMIT_NAMES.map((n) => [n, numberOf(LIMITS[n])])) as LimitShape,
);
export type Limits = z.infer<typeof LimitsSchema>;
export const DEFAULT_LIMITS: Limits = LimitsSchema.parse({});
