/** The further targets of a motion as narrow bars, and the fan whose ring pulls them apart: the stagger’s step. */
import type { PointerEvent } from 'react';
import { findMatches, stepPx, changeMotion, staggerSteps, lastItem } from '@lyvek/core';
import type { Motion } from '@lyvek/core';
import { dragOperation } from '../../../state/drag-operation.ts';
import { useOpenedPage } from '../../../state/opened-page.ts';
import type { Bar } from '../../../editor/model/bars.ts';
import { toRow } from '../../../editor/strip/view.ts';
import type { View } from '../../../editor/strip/view.ts';
import { useRundown } from '../rundown-context.ts';
import { fanText } from './text.ts';

const PITCH = 7;
const MAX = 24;
/** Where on the last rib the ring sits. */
const RING = 0.42;
/** Rows between the first start and the last within which ribs are drawn. */
const MAX_SPREAD = 150;
/** Rows from the first start to the ring where they are not. */
const SHORT = 22;

interface FanProps {
  bar: Bar;
  x: number;
  view: View;
  selected: boolean;
}

export function Fan({ bar, x, view, selected }: FanProps) {
  const { session } = useOpenedPage();
  const { layout } = useRundown();
  const shown = bar.others.slice(0, MAX);
  if (shown.length === 0) return null;
  const left = (i: number) => x + 10 + i * PITCH;
  const begin = toRow(bar.placed.start, view);
  const last = lastItem(shown);
  const spread = toRow(last.start, view) - begin;
  // Elements all over the page begin where they lie: ribs to all of them would only hide the lanes.
  const near = Math.abs(spread) <= MAX_SPREAD;
  const pivot = near ? { x: left(shown.length - 1) + 15.5, y: begin } : { x: x + 13, y: begin + 3 };
  const tip = near
    ? { x: left(shown.length - 1) + 2.5, y: begin + spread }
    : { x: pivot.x, y: pivot.y + SHORT / RING };
  const ring = { x: pivot.x + (tip.x - pivot.x) * RING, y: pivot.y + (tip.y - pivot.y) * RING };

  const drag = (e: PointerEvent<SVGCircleElement>) => {
    const { motion } = bar;
    const targets = findMatches(layout, motion.targets.selector);
    const steps = Math.max(1, ...staggerSteps(motion.stagger ?? { order: 'page' }, targets, layout));
    const range = bar.placed.end - bar.placed.start;
    const now = motion.stagger ? stepPx(motion.stagger.step, range, layout) : 0;
    const operation = (by: number, event: { altKey: boolean }) => {
      const px = now + (by / RING / steps) * view.per;
      const step = event.altKey
        ? `${Math.round((px / Math.max(1, range)) * 1000) / 10}%`
        : `${Math.round(px / 2) * 2}px`;
      const stagger: Motion['stagger'] =
        Math.round(px) === 0 ? undefined : { order: 'page', ...motion.stagger, step };
      return changeMotion(motion.id, 'stagger', (m) => ({ ...m, stagger }));
    };
    dragOperation(e, session, { operation });
  };
  return (
    <g className="fan">
      {shown.map((o, i) => (
        <rect
          key={i}
          className="bar-other"
          x={left(i)}
          y={toRow(o.start, view)}
          width={5}
          height={Math.max(2, toRow(o.end, view) - toRow(o.start, view))}
          rx={2.5}
        />
      ))}
      {selected && (
        <>
          <path
            className="fan-ribs"
            d={
              near
                ? shown
                    .map((o, i) => `M${pivot.x} ${pivot.y}L${left(i) + 2.5} ${toRow(o.start, view)}`)
                    .join('')
                : `M${pivot.x} ${pivot.y}L${ring.x} ${ring.y}`
            }
          />
          <circle className="fan-ring" cx={ring.x} cy={ring.y} r={3.6} />
          <circle
            className="fan-area"
            cx={ring.x}
            cy={ring.y}
            r={9}
            onPointerDown={drag}
            role="slider"
            aria-label={fanText.stagger}
            aria-valuetext={bar.motion.stagger?.step ?? fanText.allAlike}
            aria-valuenow={Number.parseFloat(bar.motion.stagger?.step ?? '0')}
          >
            <title>{fanText.dragHowMuchLater}</title>
          </circle>
        </>
      )}
    </g>
  );
}
