/** What browsers are known to play otherwise, as measured (docs/engines.md). A new fact is one entry here. */
import { asScroll } from '../drivers/index.ts';
import type { Motion, MotionDocument } from '../motion/index.ts';
import { isLegacyColor, propertyFacts } from '../value/index.ts';

export interface Deviation {
  /** null for the page as a whole */
  motion: string | null;
  browser: 'Chrome' | 'Firefox' | 'Safari';
  note: string;
}

interface Fact {
  browser: Deviation['browser'];
  note: string;
  /** of a motion */
  applies?(motion: Motion): boolean;
  /** of the page */
  isOfPage?(html: string): boolean;
}

const listValues = (motion: Motion, property: string): string[] =>
  (motion.keyframes[property] ?? []).flatMap((k) => (k.value ? [k.value] : []));

const FACTS: readonly Fact[] = [
  {
    browser: 'Firefox',
    note: 'It mixes colours in newer notations in sRGB, others in Oklab: what lies between looks a little different. Write them in rgb or hex.',
    applies: (m) =>
      Object.keys(m.keyframes).some(
        (p) =>
          propertyFacts(p)?.type.name === 'color' && listValues(m, p).some((value) => !isLegacyColor(value)),
      ),
  },
  {
    browser: 'Safari',
    note: 'It mixes transforms that do not match function by function in another way, so what lies between differs. Write the same functions in every keyframe.',
    applies: (m) => {
      const lists = listValues(m, 'transform').filter((value) => value !== 'none');
      return new Set(lists.map((value) => (value.match(/[a-zA-Z0-9]+(?=\()/g) ?? []).join(' '))).size > 1;
    },
  },
  {
    browser: 'Safari',
    note: 'Where a background size flips half-way, from auto or a word to lengths, it flips the position of the background with it.',
    applies: (m) =>
      'background-position' in m.keyframes &&
      'background-size' in m.keyframes &&
      (listValues(m, 'background-size').length < 2 ||
        listValues(m, 'background-size').some((v) => /auto|cover|contain/.test(v))),
  },
  {
    browser: 'Safari',
    note: 'At the very end of the page a motion that the whole page drives shows its end, though it does not hold it. Let it hold its end, or let its range go to 100 %.',
    applies: (m) =>
      asScroll(m.driver) !== null && (m.fill === 'none' || m.fill === 'backwards') && m.range.end !== '100%',
  },
  {
    browser: 'Safari',
    note: 'In a page without <!doctype html> it moves nothing by view timelines. Begin the page with one.',
    isOfPage: (html) => !/^\s*(<!--[\s\S]*?-->\s*)*<!doctype\s+html/i.test(html),
  },
];

/** In the order of the document, the page last; motions that are off are left out. */
export const listDeviations = ({ motions }: MotionDocument, html: string): Deviation[] => [
  ...motions
    .filter((m) => m.on)
    .flatMap((m) =>
      FACTS.filter((f) => f.applies?.(m)).map(({ browser, note }) => ({ motion: m.id, browser, note })),
    ),
  ...FACTS.filter((f) => html !== '' && f.isOfPage?.(html)).map(({ browser, note }) => ({
    motion: null,
    browser,
    note,
  })),
];
