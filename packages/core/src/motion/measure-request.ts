/** What a layout has to know for a document: its elements, and the values that only the browser can read. */
import { perObject } from '../assert/index.ts';
import { BASE_PROPERTIES } from '../page/index.ts';
import type { AskedValue, MeasureRequest } from '../page/index.ts';
import { askedNumber } from '../timeline/index.ts';
import { isReadable } from '../value/index.ts';
import { collectSelectors } from './document.ts';
import type { Motion, MotionDocument } from './document.ts';

const MEASURED = new Set(BASE_PROPERTIES.map(([name]) => name));

export function makeMeasureRequest(...documents: readonly MotionDocument[]): MeasureRequest {
  const values = new Map<string, AskedValue>();
  for (const { motions } of documents)
    for (const motion of motions) for (const [key, value] of listValues(motion)) values.set(key, value);
  return { selectors: [...new Set(documents.flatMap(collectSelectors))], values: [...values.values()] };
}

/** The element’s own value where no keyframe gives it, and every value that is not read here without the browser. */
const listValues = perObject((motion: Motion): [key: string, value: AskedValue][] => {
  const {
    targets: { selector },
    keyframes,
    composite,
    stagger,
  } = motion;
  const asked = stagger ? askedNumber(stagger) : null;
  const steps = asked ? [{ selector, ...asked }] : [];
  const kept = Object.entries(keyframes).flatMap(([property, list]) => {
    const values = list.map((k) => k.value);
    const isClosed =
      composite === 'replace' &&
      !values.includes('') &&
      ['0%', '100%'].every((at) => list.some((k) => k.at === at));
    const own = isClosed || MEASURED.has(property) ? [] : [{ selector, property, value: '' }];
    const others = values.filter((v) => v !== '' && !isReadable(property, v, values));
    return [...own, ...others.map((value) => ({ selector, property, value }))];
  });
  return [...steps, ...kept].map((v) => [JSON.stringify(Object.values(v)), v]);
});
