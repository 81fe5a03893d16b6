/** Of labels that would stand over each other only the more important one is shown; the other comes back when its mark is pointed at. */
import { useLayoutEffect } from 'react';
import type { RefObject } from 'react';

/** In the order of their importance; what is chosen comes before all of them. */
const LABELS = [
  '.cue text',
  '.pin-name',
  '.pin-mark .handle text',
  '.flag text',
  '.label text',
  '.rest text',
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

/** `on`: not while something is dragged, when labels would come and go under the hand. */
export function useClearLabels(
  svg: RefObject<SVGSVGElement | null>,
  on: boolean,
  drawn: readonly unknown[],
): void {
  useLayoutEffect(() => {
    if (!on || !svg.current) return;
    const all = LABELS.flatMap((selector) => [...svg.current!.querySelectorAll<SVGTextElement>(selector)]);
    const isChosen = (e: Element) => e.closest('.selected') !== null;
    const ordered = [...all.filter(isChosen), ...all.filter((e) => !isChosen(e))];
    // Read all, then write all: one layout for hundreds of labels.
    const boxes = ordered.map((e) => e.getBoundingClientRect());
    const shown: Box[] = [];
    const covered = boxes.map((box) => {
      const isCovered = box.width > 0 && shown.some((b) => meet(b, box));
      if (!isCovered) shown.push(box);
      return isCovered;
    });
    ordered.forEach((e, i) => e.toggleAttribute(COVERED, covered[i]));
  }, [svg, on, ...drawn]); // eslint-disable-line react-hooks/exhaustive-deps
}
