import { itemAt } from '../assert/index.ts';
import type { Axis, ElementFacts, Layout } from '../page/index.ts';
import type { Motion } from '../motion/index.ts';

/** Above this line of the viewport people read, so by then a reveal is done (see the check “Faint where it is read”). */
const READ_FROM = 0.75;

/** The axis on which people scroll past it: sideways in a strip that scrolls in no other way, else down. */
export function findAxis(e: ElementFacts, layout: Layout): Axis {
  const { max } = itemAt(layout.scrollers, e.scroller);
  return e.scroller > 0 && max.block < 1 && max.inline >= 1 ? 'inline' : 'block';
}

/** Where it begins, how long it is, and what is seen at once and scrolled in all, px of its axis. */
function along(e: ElementFacts, layout: Layout) {
  const { port, max } = itemAt(layout.scrollers, e.scroller);
  return findAxis(e, layout) === 'block'
    ? { top: e.box.y, size: e.box.height, port: port.height, max: max.block }
    : { top: e.box.x, size: e.box.width, port: port.width, max: max.inline };
}

/** Scroll offset at which a reveal would be done. */
const revealEnd = ({ top, size, port }: ReturnType<typeof along>) =>
  top + (size > port * 0.8 ? 0 : size * 0.5) - port * READ_FROM;

/** True where a reveal would be over before anybody could scroll: the element stands high in the first screen. */
export function isSeenAtOnce(e: ElementFacts, layout: Layout): boolean {
  const place = along(e, layout);
  return !e.fixed && revealEnd(place) < place.port * 0.1;
}

/** The way out: from where it begins to leave until it is gone. */
const leaveRange = (e: ElementFacts, layout: Layout): Motion['range'] => ({
  start: along(e, layout).top <= 0 ? 'scroll 0%' : 'exit 0%',
  end: 'exit 100%',
});

/**
 * Where a reveal begins and ends unless told otherwise: once a little of the element is in, until it stands in the lower half.
 * An element in the first screen begins with the page; one near the page's end is done when the page ends.
 */
export function revealRange(e: ElementFacts, layout: Layout): Motion['range'] {
  const place = along(e, layout);
  const { top, size, port, max } = place;
  const start = top - port + size * 0.1;
  const tall = size > port * 0.8;
  return {
    start: start < 0 ? 'scroll 0%' : 'entry 10%',
    end: revealEnd(place) > max ? 'scroll 100%' : { edge: tall ? '0%' : '50%', line: `${100 * READ_FROM}%` },
  };
}

type Place = Pick<Motion, 'range'> & Partial<Pick<Motion, 'driver'>>;

/** What is fixed to the window never passes: there the page’s own scroll drives it, over its first stretch. */
const WITH_THE_PAGE: Place = {
  driver: { kind: 'scroll', axis: 'block' },
  range: { start: '0px', end: '320px' },
};

/** Where a reveal happens, and what drives it where that is not its own view progress. */
export const revealPlace = (e: ElementFacts, layout: Layout): Place =>
  e.fixed ? WITH_THE_PAGE : { range: revealRange(e, layout) };

/** The same for the way out. */
export const leavePlace = (e: ElementFacts, layout: Layout): Place =>
  e.fixed ? WITH_THE_PAGE : { range: leaveRange(e, layout) };
