/** The project’s own thresholds, each read by a check. A new one is an entry here. */
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
