/** The scroll of the page, or of a scroller: a hairline with end ticks. */
import type { Driver, ScrollDriver } from '@lyvek/core';
import { Sign } from '../../../ui/glyphs.tsx';
import { AxisChoice } from '../AxisChoice.tsx';
import type { DriverFace } from '../kind.ts';

const PAGE: Driver = { kind: 'scroll', axis: 'block' };
const MAX_SCROLLERS = 4;

export const face: DriverFace<ScrollDriver> = {
  Sign: (p) => (
    <Sign w={9} h={14} {...p}>
      <path d="M4.5 1v12M1 1h7M1 13h7" stroke="var(--page)" strokeWidth="1.3" fill="none" />
    </Sign>
  ),
  bar: {
    draw: ({ x, y0, y1 }) => (
      <path className="bar-shape" d={`M${x} ${y0}V${y1}M${x - 3} ${y0}h6M${x - 3} ${y1}h6`} />
    ),
    label: 6,
    hasRange: true,
    holds: false,
  },
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
