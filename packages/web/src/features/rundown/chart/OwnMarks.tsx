/** What the page moves by itself: thin marks beside the lanes. They are shown, and left alone. */
import { elementName, itemAt, ownMotionWords } from '@lyvek/core';
import type { OwnMotion } from '@lyvek/core';
import { toRow } from '../../../editor/strip/view.ts';
import { useRundown } from '../rundown-context.ts';
import { ownMarksText } from './text.ts';

/** px: where the marks stand, how wide one is, and how far they are apart. */
const LEFT = 2;
const WIDE = 4;
const STEP = 6;
/** So many stand beside each other; further ones lie over the last. */
const MAX_COLUMNS = 3;

/** The column of each: the first in which nothing before it is in the way. */
function listColumns(own: readonly OwnMotion[]): number[] {
  const ends: number[] = [];
  return own.map(({ start, end }) => {
    const free = ends.findIndex((last) => last <= start);
    const column = free >= 0 ? free : Math.min(ends.length, MAX_COLUMNS - 1);
    ends[column] = Math.max(end, ends[column] ?? -Infinity);
    return column;
  });
}

export function OwnMarks() {
  const { layout, view, rows, choose } = useRundown();
  const own = [...(layout.own ?? [])].sort((a, b) => a.start - b.start);
  if (own.length === 0) return null;
  const columns = listColumns(own);
  return (
    <g className="own-marks">
      {own.map((one, i) => {
        const [top, bottom] = [toRow(one.start, view), toRow(one.end, view)];
        if (bottom < 0 || top > rows) return null;
        const words = ownMarksText.moves(
          elementName(itemAt(layout.elements, one.element)),
          one.properties.join(', '),
          ownMotionWords(one),
        );
        return (
          <rect
            key={`${one.element} ${one.by} ${one.start} ${one.properties.join()}`}
            x={LEFT + itemAt(columns, i) * STEP}
            y={top}
            width={WIDE}
            height={Math.max(4, bottom - top)}
            role="button"
            tabIndex={-1}
            aria-label={words}
            onClick={() => choose(one.element)}
          >
            <title>{words}</title>
          </rect>
        );
      })}
    </g>
  );
}
