import { itemAt } from '../../assert/index.ts';
import type { ValueType } from '../value-type.ts';

/**
 * What hides an element: between hidden and shown it is shown all the way, but at the hidden end itself (Display 4, §4 and §2.9;
 * Contain 3, §4.2). Two that both show, or both hide, flip.
 */
const hiding = (
  name: string,
  words: RegExp,
  hides: (word: string) => boolean,
  example: string,
): ValueType => ({
  name,
  example,
  accepts: (css) => words.test(css.trim()),
  pair(from, to) {
    const [a, b] = [from.trim().toLowerCase(), to.trim().toLowerCase()];
    if (!words.test(a) || !words.test(b) || hides(a) === hides(b)) return null;
    const shown = hides(a) ? b : a;
    const write = (t: number) => (t <= 0 ? a : t >= 1 ? b : shown);
    return { from: [0], to: [1], form: { write: (n, i) => write(itemAt(n, i)) } };
  },
});

const DISPLAY =
  /^(none|contents|block|inline|flow-root|list-item|ruby|(inline-)?(block|flex|grid|table)|table-[a-z-]+)$/;
export const visibility = hiding(
  'visibility',
  /^(visible|hidden|collapse)$/,
  (w) => w !== 'visible',
  'hidden',
);
export const display = hiding('display', DISPLAY, (w) => w === 'none', 'none');
export const contentVisibility = hiding(
  'content visibility',
  /^(visible|hidden|auto)$/,
  (w) => w === 'hidden',
  'hidden',
);
