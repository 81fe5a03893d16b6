/** What specimens are made of: a plain page, and motions, triggers and pins on it that are nearly right. */
import { itemAt } from '../assert/index.ts';
import type { Trigger, Motion, MotionDocument, Pin } from '../motion/index.ts';
import type { ElementFacts, Layout } from '../page/index.ts';
import { makeDocument, element, makeLayout, motion } from './index.ts';
import { between } from '../effect/effect-definition.ts';
import type { MistakeInPage } from '../check/index.ts';
import { suggestCorrections, readPage } from '../css-import/index.ts';

/** What is read from a page with these contents, and what each mistake in it was meant as. */
export function mistakenPage(html: string): { document: MotionDocument; mistakes: MistakeInPage[] } {
  const fileAt = (path: string) => (path === 'index.html' ? html : null);
  const imported = readPage('index.html', html, fileAt);
  return { document: imported.document, mistakes: suggestCorrections(imported, 'index.html', html, fileAt) };
}
export const css = (rules: string) =>
  mistakenPage(
    `<style>@keyframes rise { from { translate: 0 200px } } #a { ${rules} } @media (prefers-reduced-motion: reduce) { #a { animation: none } }</style><div id="a">A</div>`,
  );

export interface Specimen {
  document: MotionDocument;
  layout?: Layout;
  gesture?: string;
  device?: string;
  /** nothing in the document can mend it */
  incurable?: boolean;
  /** the page’s own files */
  mistakes?: readonly MistakeInPage[];
  /** other checks that rightly speak of it too */
  besides?: readonly string[];
}

export const box = (y: number, height = 300, width = 500, x = 0) => ({ x, y, width, height });
export const plain = makeLayout([
  element({ selector: '#a', box: box(2000, 300, 400, 100) }),
  element({ selector: '#top', box: box(60) }),
  element({ selector: '#end', box: box(9700, 80) }),
  element({ selector: '#caught', scroller: 1, box: box(0) }),
  element({ selector: '#bar', fixed: true, box: box(0, 60, 1000) }),
  element({ selector: '#text', kind: 'text', box: box(4000, 40) }),
  element({ selector: '#frame', overflow: 'clip', box: box(5000, 400, 1000) }),
  element({ selector: '#layer', parent: 6, box: box(5000, 400, 1000) }),
  element({ selector: '#wide', box: box(6000, 900, 1000) }),
  element({ selector: '#box', overflow: 'hidden', box: box(1000, 400) }),
]);
/** The second scroller hides its overflow, and there is nothing in it to scroll. */
export const PAGE: Layout = {
  ...plain,
  scrollers: [
    { ...itemAt(plain.scrollers, 0), padding: ['80px', '0px'] },
    { selector: '#box', port: { width: 500, height: 400 }, max: { block: 0, inline: 0 } },
  ],
};
export const with2 = (extra: ElementFacts[], over: Partial<Layout> = {}): Layout => {
  const elements = [...PAGE.elements, ...extra];
  return {
    ...PAGE,
    elements,
    matches: Object.fromEntries(elements.map((e, i) => [e.selector, [i]])),
    ...over,
  };
};

export const one = (over: Partial<Motion>, more: Omit<Specimen, 'document'> = {}): Specimen => ({
  document: makeDocument(motion(over)),
  ...more,
});
export const rise = { translate: between('0 200px', '0 0') };
export const at = (selector: string) => ({ targets: { selector } });
export const keyframes = (...values: string[]) =>
  values.map((value, i) => ({ at: `${Number(((100 * i) / (values.length - 1)).toFixed(2))}%`, value }));
export const trigger = (over: Partial<Trigger>): Trigger => ({
  id: 'g_a',
  name: 'Trigger',
  on: true,
  subject: '#a',
  down: 'entry 50%',
  up: null,
  plays: 'each-time',
  back: 'keeps-end',
  ...over,
});
export const part = (over: Partial<Motion> = {}): Motion =>
  motion({ driver: { kind: 'trigger', trigger: 'g_a' }, time: { delay: '0ms', duration: '600ms' }, ...over });
export const triggered = (over: Partial<Trigger>, parts: Partial<Motion> = {}): Specimen => ({
  document: { ...makeDocument(part(parts)), triggers: [trigger(over)] },
});
export const stage: Pin = {
  id: 'p_a',
  name: 'Scene',
  on: true,
  stage: '#wide',
  sticky: { by: 'top', inset: '0px' },
  distance: { kind: 'length', value: '400px' },
  overlap: ['0px', '0px'],
  layer: null,
};
export const crowd = (n: number, height = 40) =>
  Array.from({ length: n }, (_, i) => element({ selector: `#c${i}`, box: box(3000, height, 900) }));

/** Six blurs over each other, on a phone. */
export const mist = {
  document: makeDocument(
    ...Array.from({ length: 6 }, (_, i) =>
      motion({
        id: `m_${i}`,
        name: `Mist ${i + 1}`,
        ...at('#wide'),
        composite: 'add',
        keyframes: { filter: between('blur(8px)', 'blur(0px)') },
      }),
    ),
  ),
  device: 'phone',
  incurable: true,
};
