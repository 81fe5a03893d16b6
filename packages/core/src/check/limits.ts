/** The project’s own thresholds, each read by a check. A new one is an entry here. */
import * as z from 'zod';

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
    what: 'under the chosen gesture; Lyvek default',
  },
  peakStep: {
    name: 'Step from one frame to the next, at most',
    value: 48,
    unit: 'px',
    min: 1,
    max: 2000,
    what: 'of the corner that goes furthest, as at 60 Hz; Lyvek default',
  },
  gain: {
    name: 'Gain of an eased scrub, at most',
    value: 4,
    unit: 'px per px',
    min: 0.1,
    max: 100,
    what: 'how much further than the scroll it moves; Lyvek default',
  },
  unevenness: {
    name: 'Unevenness of an eased scrub, at most',
    value: 3,
    unit: '',
    min: 1,
    max: 100,
    what: 'its fastest stretch against its mean; Lyvek default',
  },
  kink: {
    name: 'Change of speed at a keyframe, at most',
    value: 1.5,
    unit: 'px per px',
    min: 0.1,
    max: 100,
    what: 'in the middle of a motion; Lyvek default',
  },
  textOpacity: {
    name: 'Opacity of text where it is read, at least',
    value: 0.9,
    unit: '',
    min: 0,
    max: 1,
    what: 'while its centre is in the middle half of the viewport; Lyvek default',
  },
  settle: {
    name: 'Settling after scrolling stops, at most',
    value: 400,
    unit: 'ms',
    min: 0,
    max: 10000,
    what: 'of damped motions; Lyvek default',
  },
  lag: {
    name: 'Lag behind the scroll, at most',
    value: 120,
    unit: 'px',
    min: 1,
    max: 10000,
    what: 'of damped motions; Lyvek default',
  },
  onTime: {
    name: 'Frames on time, at least',
    value: 98,
    unit: '%',
    min: 0,
    max: 100,
    what: 'of the whole run; Lyvek default',
  },
  p95: {
    name: 'Nineteen frames in twenty, at most',
    value: 75,
    unit: '% of the budget',
    min: 1,
    max: 1000,
    what: 'so much of its time a frame may take; Lyvek default',
  },
  blur: {
    name: 'Blur of large elements, at most',
    value: 8,
    unit: 'px',
    min: 0,
    max: 200,
    what: 'Lyvek default',
  },
  layers: {
    name: 'Moving elements on the screen at once, at most',
    value: 60,
    unit: '',
    min: 1,
    max: 5000,
    whole: true,
    what: 'Lyvek default',
  },
  layerMemory: {
    name: 'Memory of layers, at most',
    value: 256,
    unit: 'MB',
    min: 1,
    max: 8192,
    what: 'area × 4 bytes of all elements that become layers; Lyvek default',
  },
  flashes: {
    name: 'Flashes in a second, at most',
    value: 3,
    unit: '',
    min: 0,
    max: 60,
    what: 'WCAG 2.2, 2.3.1',
  },
} as const satisfies Record<string, LimitFacts>;
export type LimitName = keyof typeof LIMITS;
export const LIMIT_NAMES = Object.keys(LIMITS) as LimitName[];

const toNumber = ({ value, min, max, whole }: LimitFacts) => {
  const bounded = z.number().min(min).max(max);
  return (whole ? bounded.int() : bounded).default(value);
};
type LimitShape = Record<LimitName, z.ZodDefault<z.ZodNumber>>;
export const LimitsSchema = z.strictObject(
  Object.fromEntries(LIMIT_NAMES.map((n) => [n, toNumber(LIMITS[n])])) as LimitShape,
);
export type Limits = z.infer<typeof LimitsSchema>;
export const DEFAULT_LIMITS: Limits = LimitsSchema.parse({});
