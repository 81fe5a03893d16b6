/** Whether a thing is still as it was: a short key of all that it holds, whatever the order of its fields. */
import { fingerprint } from '../page/index.ts';

const sorted = (_key: string, value: unknown): unknown =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
    : value;

export const contentKey = (thing: unknown): string => fingerprint(JSON.stringify(thing, sorted)).toString(36);

/** As version 1 made it, which took fields in the order of the schema. */
contentKey.former = (thing: unknown): string => fingerprint(JSON.stringify(thing)).toString(36);
