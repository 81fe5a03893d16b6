/** Dragging bars and their ends, in the lanes and in the preview's gutter: one gesture, tried live, one act when let go. */
import { useRef } from 'react';
import type { PointerEvent as ReactPointerEvent } from 'react';
import { isRangeless, isMeeting, parseMeeting, replaceMotions } from '@lyvek/core';
import type { Motion } from '@lyvek/core';
import { useShownPage } from '../../../preview/shown-page.ts';
import { dragOperation } from '../../../state/drag-operation.ts';
import { useOpenedPage } from '../../../state/opened-page.ts';
import type { Bar } from '../../../editor/model/bars.ts';
import { findOwnAxis, toPageOffset, viewAlong } from '../../../editor/model/own-axis.ts';
import { findPhase, shifted, withEndAt } from '../model/moves.ts';
import type { Grip, Side } from '../model/moves.ts';
import { catchAt } from '../model/snap.ts';
import { dragStore } from '../model/drag-store.ts';
import { useRundown } from '../rundown-context.ts';

/**
 * Starts a drag. `toOffset` turns a pointer event into a scroll offset; the first one counts as the place that was gripped.
 */
export function useGrip() {
  const { session } = useOpenedPage();
  const { link } = useShownPage();
  const rundown = useRundown();
  const now = useRef(rundown);
  now.current = rundown;

  return function start(
    e: ReactPointerEvent,
    bar: Bar,
    grip: Grip,
    toOffset: (e: PointerEvent) => number,
  ): void {
    if (e.button !== 0) return;
    e.preventDefault();
    e.stopPropagation();
    const { bars, selection, view, layout, max } = now.current;
    const selected = selection.includes(bar.motion.id) ? selection : [bar.motion.id];
    if (!selection.includes(bar.motion.id) || e.shiftKey) now.current.select(bar.motion.id, e.shiftKey);
    // A marquee has no range that could be moved.
    if (isRangeless(bar.motion.driver)) return;
    // Of several elements the one that was taken hold of says where it goes.
    const moving = bars
      .filter((b) => selected.includes(b.motion.id) && !isRangeless(b.motion.driver))
      .map((b) => (b.motion.id === bar.motion.id ? bar : b));
    const origin = toOffset(e.nativeEvent);
    const was = grip === 'end' ? bar.placed.end : bar.placed.start;
    const others = bars
      .filter((b) => !selected.includes(b.motion.id))
      .flatMap((b) => [b.placed.start, b.placed.end]);
    const sections = layout.sections.map((s) => Math.min(max, s.top));

    const change = (event: PointerEvent): Motion[] => {
      const raw = was + toOffset(event) - origin;
      const edge = event.ctrlKey && grip !== 'body' ? findEdge(bar, grip) : null;
      const caught = event.altKey
        ? null
        : catchAt(raw, {
            geometry: bar.placed.geometry,
            phase:
              grip === 'body'
                ? findPhase(bar.motion.range.start, 'start')
                : findPhase(bar.motion.range[grip], grip),
            max: bar.max,
            ends: others,
            sections,
            reach: 6 * viewAlong(bar.placed, layout, view).per,
            meetings:
              edge ?? (grip !== 'body' && isMeeting(bar.motion.range[grip]) ? findEdge(bar, grip) : null),
          });
      const offset = within(bar, grip, caught?.offset ?? Math.round(raw));
      dragStore.setState({
        drag: { bar, grip, offset, was, caught: caught?.what ?? null, meeting: edge !== null },
      });
      const exact = event.altKey;
      if (grip === 'body') return moving.map((b) => shifted(b, offset - was, exact));
      const group = event.shiftKey ? moving : [bar];
      return group.map((b) =>
        b === bar
          ? withEndAt(b, grip, offset, { exact, meeting: edge })
          : withEndAt(b, grip, b.placed[grip] + offset - was, { exact }),
      );
    };
    const label = grip === 'body' ? 'move' : `move the ${grip}`;
    dragOperation(e, session, {
      operation: (_by, event) => replaceMotions(label, change(event)),
      moved() {
        const { drag } = dragStore.getState();
        const own = findOwnAxis(bar.placed, layout);
        const offset = drag && Math.min(bar.max, Math.max(0, drag.offset));
        if (offset !== null) link.scrollTo(own ? toPageOffset(own, offset) : offset);
      },
      ended(how) {
        dragStore.setState({ drag: null });
        if (how === 'pressed' && grip !== 'body') now.current.setGrip(grip);
      },
    });
  };
}

/** An end stops before the other one: a range that runs backwards would only jump. */
function within(bar: Bar, grip: Grip, offset: number): number {
  if (grip === 'body' || bar.placed.end - bar.placed.start < SHORTEST) return offset;
  return grip === 'start'
    ? Math.min(offset, bar.placed.end - SHORTEST)
    : Math.max(offset, bar.placed.start + SHORTEST);
}
const SHORTEST = 10;

/** Which point of the element a meeting keeps; its top where the end was no meeting. */
function findEdge(bar: Bar, side: Side): number {
  const point = bar.motion.range[side];
  if (!isMeeting(point)) return side === 'start' ? 0 : 0.5;
  const m = parseMeeting(point);
  return m.ok ? m.value.edge : 0;
}
