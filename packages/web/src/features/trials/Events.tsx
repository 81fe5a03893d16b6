/** What a browser told of while it was measured, each at its scroll offset: long frames, layout shifts, missed frames. */
import { useMemo } from 'react';
import type { TrialEvent } from '@lyvek/core';
import { grouped, toRow } from '../../editor/strip/view.ts';
import { useTrials } from './trials-context.ts';
import { eventsText } from './text.ts';

const KINDS: Record<TrialEvent['kind'], { name: string; whole: string; path: string }> = {
  dropped: { name: 'missed', whole: 'missed frames', path: 'M-3 0H3' },
  'long-frame': { name: 'long', whole: 'long frame', path: 'M-3 -3H3V3H-3Z' },
  shift: { name: 'shifts', whole: 'layout shift', path: 'M0 -4L4 3H-4Z' },
};

/** The largest of each kind per three rows: a slow page has thousands. */
function sparse(events: readonly TrialEvent[], row: (y: number) => number): TrialEvent[] {
  const best = new Map<string, TrialEvent>();
  for (const e of events) {
    const key = `${e.kind}${Math.round(row(e.y) / 3)}`;
    if ((best.get(key)?.size ?? -1) < e.size) best.set(key, e);
  }
  return [...best.values()];
}

export function Events({ events, x }: { events: readonly TrialEvent[]; x: number }) {
  const { view } = useTrials();
  const shown = useMemo(() => sparse(events, (y) => toRow(y, view)), [events, view]);
  return (
    <g className="trial-events">
      {shown.map((e) => (
        <path
          key={e.kind + e.t}
          d={KINDS[e.kind].path}
          className={e.kind}
          transform={`translate(${x + (e.kind === 'dropped' ? 8 : 0)} ${toRow(e.y, view)})`}
        >
          <title>{eventsText.atPx(KINDS[e.kind].whole, grouped(e.y), e.what)}</title>
        </path>
      ))}
    </g>
  );
}

export function EventKeys({ events }: { events: readonly TrialEvent[] }) {
  const kinds = Object.keys(KINDS) as TrialEvent['kind'][];
  return kinds
    .map((kind) => ({ kind, count: events.filter((e) => e.kind === kind).length }))
    .filter(({ count }) => count > 0)
    .map(({ kind, count }) => (
      <span key={kind} className="trial-events">
        <svg width={10} height={10} aria-hidden="true">
          <path d={KINDS[kind].path} className={kind} transform="translate(5 5)" />
        </svg>
        {grouped(count)} {KINDS[kind].name}
      </span>
    ));
}
