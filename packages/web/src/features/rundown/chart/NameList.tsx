/** The names of what the lanes show, in a column of their own beside them: where bars stand too close for labels. */
import { useMemo } from 'react';
import { isAtLoad } from '@lyvek/core';
import { cutName, listAlike, placeNames } from '../../../editor/model/labels.ts';
import type { Bar, LaneSlot } from '../../../editor/model/bars.ts';
import { viewAlong } from '../../../editor/model/own-axis.ts';
import { toRow } from '../../../editor/strip/view.ts';
import { placeFlags } from '../model/flags.ts';
import { useRundown } from '../rundown-context.ts';

/** px that the column takes */
export const NAMES = 138;
const PITCH = 13;
const LETTERS = 23;
/** Rows above and below the lanes from which a bar still counts as in sight. */
const EDGE = 6;
/** The first row on which letters stand whole. */
const FIRST = 12;

interface Named {
  id: string;
  name: string;
  y: number;
  /** where its mark stands; null where it has none of its own */
  x: number | null;
  bar: Bar | null;
}

interface NameListProps {
  left: number;
  slots: ReadonlyMap<string, LaneSlot>;
  hovered: string | null;
  onHover(bar: Bar | null): void;
}

function useNamed(slots: NameListProps['slots']): Named[] {
  const { bars, document, layout, view, rows } = useRundown();
  return useMemo(() => {
    const inSight = (from: number, to: number) => to >= -EDGE && from <= rows + EDGE;
    const named = bars.flatMap((bar): Named[] => {
      const along = viewAlong(bar.placed, layout, view);
      const [y0, y1] = [toRow(bar.placed.start, along), toRow(bar.placed.end, along)];
      const slot = slots.get(bar.motion.id);
      if (!slot || !inSight(y0, y1)) return [];
      return [{ id: bar.motion.id, name: bar.motion.name, y: Math.max(FIRST, y0 + 4), x: slot.x, bar }];
    });
    const flags = placeFlags(document, layout).flags.flatMap((f): Named[] => {
      const y = toRow(f.down, viewAlong(f, layout, view));
      return inSight(y, y) ? [{ id: f.trigger.id, name: f.trigger.name, y, x: null, bar: null }] : [];
    });
    const top = toRow(0, view);
    const loads = document.motions
      .filter((m) => isAtLoad(m.driver) && inSight(top, top))
      .map((m): Named => ({ id: m.id, name: m.name, y: FIRST, x: null, bar: null }));
    return [...named, ...flags, ...loads];
  }, [bars, document, layout, view, rows, slots]);
}

export function NameList({ left, slots, hovered, onHover }: NameListProps) {
  const { selection, select, rows, findings, document } = useRundown();
  const named = useNamed(slots);
  const alike = useMemo(() => listAlike(document.motions.map((m) => m.name)), [document.motions]);
  const found = useMemo(() => new Set(findings.map((f) => f.about)), [findings]);
  const places = placeNames(
    named.map((n) => ({ y: n.y, first: selection.includes(n.id) || n.id === hovered })),
    PITCH,
    rows - 2,
  );
  return (
    <g className="name-list">
      {named.map((n, i) => {
        const y = places[i];
        if (y === null || y === undefined) return null;
        const lit = n.id === hovered || selection.includes(n.id);
        return (
          <g
            key={n.id}
            className={`${lit ? 'lit' : ''}${selection.includes(n.id) ? ' selected' : ''}`}
            onPointerDown={(e) => {
              e.stopPropagation();
              select(n.id, e.shiftKey);
            }}
            onPointerEnter={() => onHover(n.bar)}
            onPointerLeave={() => onHover(null)}
          >
            {lit && n.x !== null && (
              <path className="name-thread" d={`M${n.x + 8} ${n.y - 4}L${left - 4} ${y - 4}`} />
            )}
            <rect className="name-area" x={left - 2} y={y - 11} width={NAMES} height={PITCH} />
            <text x={left} y={y}>
              {found.has(n.id) ? '! ' : ''}
              {cutName(n.name, LETTERS, alike.has(n.name))}
            </text>
          </g>
        );
      })}
    </g>
  );
}
