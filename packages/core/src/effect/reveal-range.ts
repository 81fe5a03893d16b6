import { itemAt } from '../assert/index.ts';
import type { ElementFacts, Layout } from '../page/index.ts';
import type { Motion } from '../motion/index.ts';

/** Above this line of the viewport people read, so by then a reveal is done (see the check “Faint where it is read”). */
const READ_FROM = 0.75;

/** Scroll offset at which a reveal would be done. */
const revealEnd = (e: ElementFacts, port: number) =>
  e.box.y + (e.box.height > port * 0.8 ? 0 : e.box.height * 0.5) - port * READ_FROM;

/** True where a reveal would be over before anybody could scroll: the element stands high in the first screen. */
export function isSeenAtOnce(e: ElementFacts, layout: Layout): boolean {
  const port = itemAt(layout.scrollers, e.scroller).port.height;
  return !e.fixed && revealEnd(e, port) < port * 0.1;
}

/** The way out: from where it begins to leave until it is gone. */
export const leaveRange = (e: ElementFacts): Motion['range'] => ({
  start: e.box.y <= 0 ? 'scroll 0%' : 'exit 0%',
  end: 'exit 100%',
});

/**
 * Where a reveal begins and ends unless told otherwise: once a little of the element is in, until it stands in the lower half.
 * An element in the first screen begins with the page; one near the page's end is done when the page ends.
 */
export function revealRange(e: ElementFacts, layout: Layout): Motion['range'] {
  const port = itemAt(layout.scrollers, e.scroller).port.height;
  const max = itemAt(layout.scrollers, e.scroller).max.block;
  const start = e.box.y - port + e.box.height * 0.1;
  const tall = e.box.height > port * 0.8;
  const end = revealEnd(e, port);
  return {
    start: start < 0 ? 'scroll 0%' : 'entry 10%',
    end: end > max ? 'scroll 100%' : { edge: tall ? '0%' : '50%', line: `${100 * READ_FROM}%` },
  };
}
