/** The axis of both strips: offsets, the five pictures, and how much the takes differ all along. Dragged, it moves all five. */
import { present } from '@lyvek/core';
import { useEffect, useMemo, useRef } from 'react';
import type { RefObject } from 'react';
import { useStore } from 'zustand';
import { beginDrag } from '../../ui/drag.ts';
import { grouped, offsetAt, toRow, shortGrouped, computeTicks } from '../../editor/strip/view.ts';
import { clampAxis, markOffsets, computeOffsets, makeView, zoomAxis } from './model/axis.ts';
import { useTakes } from './takes-context.ts';
import { scaleText } from './text.ts';

const LINE = 50;
/** Length of a mark where nothing is alike. */
const MAX = 34;
const BOLD = 0.55;

export function Scale({ rows, width }: { rows: number; width: number }) {
  const { looking, max, difference } = useTakes();
  const axis = useStore(looking, (s) => s.axis);
  const at = useStore(looking, (s) => s.at);
  const view = makeView(axis, rows);
  const pictures = computeOffsets(axis, max);
  const marks = useMemo(() => {
    if (!difference) return [];
    return markOffsets(view, rows, max).offsets.map((o) => ({ o, much: difference(o) }));
  }, [difference, view.top, view.per, rows, max]); // eslint-disable-line react-hooks/exhaustive-deps
  const svg = useRef<SVGSVGElement>(null);
  useAxisWheel(svg, rows);
  const enlarge = (clientY: number) => {
    const here = offsetAt(clientY - present(svg.current).getBoundingClientRect().top, view);
    looking.setState({ at: Math.round(Math.min(max, Math.max(0, here))) });
  };
  const now = toRow(at, view);
  return (
    <svg
      ref={svg}
      className="takes-scale"
      width={width}
      height={rows}
      role="img"
      aria-label={scaleText.scrollOffsetsTheEnlarged(grouped(at))}
      onPointerDown={(e) => {
        const from = { axis, at };
        const began = { clientY: e.clientY };
        beginDrag(e, {
          move: (by) =>
            looking.setState({ axis: clampAxis({ ...axis, middle: axis.middle - by * view.per }, max) }),
          drop: () => undefined,
          // A press that did not move is a click.
          putBack: (given) => {
            looking.setState(from);
            if (!given) enlarge(began.clientY);
          },
        });
      }}
    >
      <rect width={width} height={rows} className="takes-scale-ground" />
      <path
        d={`M${LINE} ${Math.max(0, toRow(0, view))}V${Math.min(rows, toRow(max, view))}`}
        className="takes-axis"
      />
      <ScaleTicks view={view} rows={rows} max={max} pictures={pictures} />
      {marks.map(
        ({ o, much }) =>
          much > 0 && (
            <path
              key={o}
              d={`M${LINE + 2} ${toRow(o, view)}h${Math.max(1, MAX * much).toFixed(1)}`}
              className="difference-mark"
              strokeWidth={much > BOLD ? 1.6 : 1}
            />
          ),
      )}
      {pictures.map((p, k) => (
        <g key={k} className={p === at ? 'takes-place now' : 'takes-place'}>
          <path d={`M0 ${toRow(p, view)}h6M${width - 6} ${toRow(p, view)}h6`} />
          <text x={LINE - 10} y={toRow(p, view) + 3.5}>
            {grouped(p)}
          </text>
        </g>
      ))}
      <path d={`M0 ${now}h${8}M${LINE - 6} ${now}H${width}`} className="takes-now" />
    </svg>
  );
}

/** The wheel moves the axis, and with Ctrl it zooms. */
function useAxisWheel(svg: RefObject<SVGSVGElement | null>, rows: number): void {
  const { looking, max } = useTakes();
  useEffect(() => {
    const roll = (e: WheelEvent) => {
      e.preventDefault();
      const now = looking.getState().axis;
      const here = offsetAt(
        e.clientY - present(svg.current).getBoundingClientRect().top,
        makeView(now, rows),
      );
      looking.setState({
        axis: e.ctrlKey
          ? zoomAxis(now, Math.exp(-e.deltaY / 400), here, max)
          : clampAxis({ ...now, middle: now.middle + e.deltaY }, max),
      });
    };
    const el = present(svg.current);
    el.addEventListener('wheel', roll, { passive: false });
    return () => el.removeEventListener('wheel', roll);
  }, [svg, looking, rows, max]);
}

interface TicksProps {
  view: ReturnType<typeof makeView>;
  rows: number;
  max: number;
  /** offsets that have a word of their own */
  pictures: readonly number[];
}

function ScaleTicks({ view, rows, max, pictures }: TicksProps) {
  return computeTicks(view, rows, max).map(
    (t) =>
      t.offset >= view.top && (
        <g key={t.offset}>
          <path d={`M${LINE} ${toRow(t.offset, view)}h${t.major ? -6 : -3}`} className="takes-axis" />
          {t.major && pictures.every((p) => Math.abs(toRow(p, view) - toRow(t.offset, view)) > 12) && (
            <text x={LINE - 10} y={toRow(t.offset, view) + 3.5} className="offset">
              {shortGrouped(t.offset)}
            </text>
          )}
        </g>
      ),
  );
}
