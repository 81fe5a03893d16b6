/** A cue: a named place of a pin or of the whole page, hanging at the left; dragging it moves every end that hangs on it. */
import type { PointerEvent } from 'react';
import { cueWidth } from './lanes.ts';
import { ellipsized, parseLength, percent, resolveLength, changeCue } from '@lyvek/core';
import type { Cue } from '@lyvek/core';
import { dragOperation } from '../../../state/drag-operation.ts';
import { useShownPage } from '../../../preview/shown-page.ts';
import { useOpenedPage } from '../../../state/opened-page.ts';
import { toRow } from '../../../editor/strip/view.ts';
import type { View } from '../../../editor/strip/view.ts';
import { useRundown } from '../rundown-context.ts';
import { cueTabText } from './text.ts';

/** A tab is at most 110 px wide. */
const MAX_LETTERS = 16;

interface CueTabProps {
  cue: Cue;
  x: number;
  view: View;
  selected: boolean;
}

/** Where a cue lies: scroll offset, and the stretch that its shares refer to. */
export function usePlaceOfCue(): (cue: Cue) => { offset: number; start: number; length: number } | null {
  const { layout, max } = useRundown();
  return (cue) => {
    const hold = cue.pin === null ? { start: 0, end: max } : layout.pinnedSpans.find((h) => h.id === cue.pin);
    const parsed = parseLength(cue.at);
    if (!hold || !parsed.ok) return null;
    const length = hold.end - hold.start;
    const along = resolveLength(parsed.value, { percent: length, viewport: layout.viewport });
    return { offset: hold.start + along, start: hold.start, length };
  };
}

export function CueTab({ cue, x, view, selected }: CueTabProps) {
  const { session } = useOpenedPage();
  const { link } = useShownPage();
  const { select, bars } = useRundown();
  const place = usePlaceOfCue()(cue);
  if (!place) return null;
  const y = toRow(place.offset, view);
  const width = cueWidth(cue.name);
  const tied = bars.filter((b) =>
    Object.values(b.motion.ties ?? {}).some((t) => t?.to === 'cue' && t.cue === cue.id),
  );
  const drag = (e: PointerEvent<SVGPathElement>) => {
    const inside = (by: number) =>
      Math.min(place.length, Math.max(0, place.offset - place.start + by * view.per));
    const operation = (by: number, event: { altKey: boolean }) => {
      const share = Math.round((inside(by) / Math.max(1, place.length)) * 1000) / 1000;
      const at = event.altKey ? `${Math.round(inside(by))}px` : percent(share);
      return changeCue(cue.id, cueTabText.moveACue, (c) => ({ ...c, at }));
    };
    const moved = (by: number) => link.scrollTo(place.start + inside(by));
    const begun = dragOperation(e, session, { operation, moved });
    if (begun) select(cue.id);
  };
  return (
    <g className={`cue${selected ? ' selected' : ''}`} data-cue={cue.id}>
      {tied.map((b) => (
        <path key={b.motion.id} className="cue-thread" d={`M${x + width} ${y}H${x + 400}`} />
      ))}
      <path
        className="cue-tab"
        d={`M${x} ${y}l4 -7.5h${width - 4}v15h${-(width - 4)}z`}
        onPointerDown={drag}
      />
      <text x={x + 8} y={y + 4}>
        <title>{cue.name}</title>
        {ellipsized(cue.name, MAX_LETTERS)}
      </text>
    </g>
  );
}
