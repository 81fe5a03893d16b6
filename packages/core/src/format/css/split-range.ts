import { lastItem } from '../../assert/index.ts';
/** The two points of a range, each with its name where it has one. */
export function splitRange(range: string): string[] {
  const parts: string[] = [];
  let depth = 0;
  let word = '';
  for (const c of `${range} `) {
    if (c === '(') depth++;
    if (c === ')') depth--;
    if (c === ' ' && depth === 0) {
      if (word) parts.push(word);
      word = '';
    } else word += c;
  }
  const points: string[] = [];
  for (const part of parts) {
    const isName = /^[a-z-]+$/.test(part);
    if (isName || points.length === 0 || !/^[a-z-]+$/.test(lastItem(points))) points.push(part);
    else points[points.length - 1] += ` ${part}`;
  }
  return points;
}
