/** Of labels that would stand over each other only the more important one is shown; pointing at a mark makes its labels the more important ones. */
import { useEffect, useLayoutEffect, useRef } from 'react';
import type { RefObject } from 'react';

/** In the order of their importance; what is chosen comes before all of them. */
const LABELS = [
  '.hover-name',
  '.cue text',
  '.pin-name',
  '.pin-mark .handle text',
  '.flag text',
  '.label text',
  '.hold text',
];
const COVERED = 'data-covered';
/** Boxes of letters have room above and below that nobody reads, px. */
const GAP = { x: 1, y: 5 };

interface Box {
  left: number;
  top: number;
  right: number;
  bottom: number;
}
const meet = (a: Box, b: Box): boolean =>
  a.left < b.right - GAP.x &&
  b.left < a.right - GAP.x &&
  a.top < b.bottom - GAP.y &&
  b.top < a.bottom - GAP.y;

/** `pointed`: what the pointer is on; its labels come before all others. */
function arrange(svg: SVGSVGElement, pointed: Element | null): void {
  const all = LABELS.flatMap((selector) => [...svg.querySelectorAll<SVGTextElement>(selector)]);
  const rank = (e: Element) =>
    e.matches('.hover-name') || pointed?.contains(e) ? 0 : e.closest('.selected') ? 1 : 2;
  const ordered = [0, 1, 2].flatMap((r) => all.filter((e) => rank(e) === r));
  // Read all, then write all: one layout for hundreds of labels.
  const boxes = ordered.map((e) => e.getBoundingClientRect());
  const shown: Box[] = [];
  const covered = boxes.map((box) => {
    const isCovered = box.width > 0 && shown.some((b) => meet(b, box));
    if (!isCovered) shown.push(box);
    return isCovered;
  });
  ordered.forEach((e, i) => e.toggleAttribute(COVERED, covered[i]));
}

/** `on`: not while something is dragged, when labels would come and go under the hand. */
export function useClearLabels(
  svg: RefObject<SVGSVGElement | null>,
  on: boolean,
  drawn: readonly unknown[],
): void {
  const pointed = useRef<Element | null>(null);
  useLayoutEffect(() => {
    if (on && svg.current) arrange(svg.current, pointed.current);
  }, [svg, on, ...drawn]); // eslint-disable-line react-hooks/exhaustive-deps
  useEffect(() => {
    const chart = svg.current;
    if (!chart) return;
    const point = (e: PointerEvent) => {
      const owner = (e.target as Element).closest('.bar, .flag, .pin-mark');
      if (owner === pointed.current || e.buttons !== 0) return;
      const before = pointed.current;
      pointed.current = owner;
      // Only what hides something, or did, changes anything.
      if ([owner, before].some((o) => o?.querySelector(`[${COVERED}]`)) || before) arrange(chart, owner);
    };
    const leave = () => {
      if (pointed.current) arrange(chart, (pointed.current = null));
    };
    chart.addEventListener('pointerover', point);
    chart.addEventListener('pointerleave', leave);
    return () => {
      chart.removeEventListener('pointerover', point);
      chart.removeEventListener('pointerleave', leave);
    };
  }, [svg]);
}
