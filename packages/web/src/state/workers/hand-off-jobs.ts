/** Putting a hand-off together: it reads the whole page anew, with libraries that trials do without. */
import { assemble } from '@lyvek/core';
import type { Assembled, HandOffOptions, Layout, MotionDocument, PinnedLayout } from '@lyvek/core';
import type { PageTexts } from '@lyvek/api';

export interface HandOffInput {
  /** of which take */
  take: string;
  document: MotionDocument;
  layout: PinnedLayout;
  /** at other sizes */
  others: readonly Layout[];
  name: string;
  entry: string;
  texts: PageTexts;
  title: string;
  options: HandOffOptions;
}

export const HAND_OFF_JOBS = {
  // eslint-disable-next-line require-yield -- it is one step
  *handOff(i: HandOffInput): Generator<{ done: number; of: number }, Assembled> {
    const { html, sheets } = i.texts;
    const fileAt = (path: string) => (path === i.entry ? html : (sheets[path] ?? null));
    const page = { name: i.name, entry: i.entry, html, fileAt };
    return assemble(
      { document: i.document, layout: i.layout, others: [...i.others], page, title: i.title },
      i.options,
    );
  },
};
