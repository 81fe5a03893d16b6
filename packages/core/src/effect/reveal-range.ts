import type { ElementFacts, Layout } from '../page/index.ts';
import type { Motion } from '../motion/index.ts';

/**
 * Where a reveal begins and ends unless told otherwise: once a little of the element is in, until it stands in the lower half.
 * An element in the first screen begins with the page; one near the page's end is done when the page ends.
 */
export function revealRange(e: ElementFacts, layout: Layout): Motion['range'] {
  const port = layout.scrollers[e.scroller]!.port.height;
  const max = layout.scrollers[e.scroller]!.max.block;
  const start = e.box.y - port + e.box.height * 0.1;
  const tall = e.box.height > port * 0.8;
  const end = e.box.y + (tall ? 0 : e.box.height * 0.5) - port * 0.6;
  return {
    start: start < 0 ? 'scroll 0%' : 'entry 10%',
    end: end > max ? 'scroll 100%' : { edge: tall ? '0%' : '50%', line: '60%' },
  };
}
