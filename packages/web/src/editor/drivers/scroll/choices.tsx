/** The scroll of the page, or of a scroller, as what a motion is driven by. */
import type { Driver, ScrollDriver } from '@lyvek/core';
import { AxisChoice } from '../AxisChoice.tsx';
import type { DriverChoices } from '../kind.ts';

const PAGE: Driver = { kind: 'scroll', axis: 'block' };
const MAX_SCROLLERS = 4;

export const choices: DriverChoices<ScrollDriver> = {
  phrase: ({ scroller }) => (scroller ? `the scroll of ${scroller}` : 'the scroll of the whole page'),
  toChoice: ({ scroller }) => scroller ?? 'page',
  listChoices: ({ layout }) => [
    { value: 'page', text: 'the scroll of the whole page', driver: PAGE },
    ...layout.scrollers
      .flatMap(({ selector, max }) =>
        selector && max.block > 0
          ? [{ value: selector, text: `the scroll of ${selector}`, driver: { ...PAGE, scroller: selector } }]
          : [],
      )
      .slice(0, MAX_SCROLLERS),
  ],
  Options: ({ motion, driver }) => <AxisChoice motion={motion} driver={driver} />,
};
