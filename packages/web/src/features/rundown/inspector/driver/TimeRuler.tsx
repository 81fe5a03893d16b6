/** Parts on a time ruler, running down in ms: drag a part to delay it, its end to let it last; the playhead scrubs them all. */
import { changeMotion, ellipsized, itemAt, present, replaceMotions } from '@lyvek/core';
import { useRef } from 'react';
import type { PointerEvent } from 'react';
import { useStore } from 'zustand';
import type { Motion, Played, Time } from '@lyvek/core';
import { dragOperation } from '../../../../state/drag-operation.ts';
import { beginDrag } from '../../../../ui/drag.ts';
import { useOpenedPage } from '../../../../state/opened-page.ts';
import { SPEEDS } from '../../model/time-player.ts';
import type { TimePlayer } from '../../model/time-player.ts';
import { effectWords } from '../../../../editor/words.ts';
import { useSize } from '../../../../ui/use-size.ts';
import { timesScaled } from '../../model/several.ts';
import { useRundown } from '../../rundown-context.ts';
import { timeRulerText } from './text.ts';

const H = 220;
const TOP = 14;
const LEFT = 44;
const STEPS = [10, 20, 50, 100, 200, 500, 1000, 2000, 5000, 10_000];

interface TimeRulerProps {
  parts: readonly Motion[];
  times: ReadonlyMap<string, Played>;
  length: number;
  chosen: string | null;
  player: TimePlayer;
}

interface Drag {
  grip: 'body' | 'end';
  /** ms, and px of each */
  by: number;
  k: number;
  /** to 1 ms, and nothing catches */
  fine: boolean;
}

/** The time of a part that is dragged: in steps of 10 ms; another part’s end catches it within 5 px. */
function draggedTime(
  part: Motion,
  own: Played,
  others: readonly Played[],
  { grip, by, k, fine }: Drag,
): Time {
  const was = present(part.time);
  const step = fine ? 1 : 10;
  const round = (ms: number, least: number) => `${Math.max(least, Math.round(ms / step) * step)}ms`;
  if (grip === 'end') return { ...was, duration: round(Number.parseFloat(was.duration) + by, step) };
  const delay = Number.parseFloat(was.delay);
  const caught = fine ? undefined : others.find((o) => Math.abs(own.start + by - o.end) * k < 5);
  return {
    ...was,
    delay: caught ? `${Math.max(0, delay + caught.end - own.start)}ms` : round(delay + by, 0),
  };
}

export function TimeRuler({ parts, times, length, chosen, player }: TimeRulerProps) {
  const { session } = useOpenedPage();
  const { select, selection } = useRundown();
  const { ref, width } = useSize();
  const at = useStore(player.store, (s) => s.at);
  const svg = useRef<SVGSVGElement>(null);
  const frozen = useRef<number | null>(null);
  const most = frozen.current ?? length;
  const k = (H - TOP - 10) / most;
  const y = (ms: number) => TOP + ms * k;
  const pitch = Math.min(120, Math.max(14, (width - LEFT - 16) / Math.max(1, parts.length)));

  const drag = (e: PointerEvent<SVGRectElement>, part: Motion, grip: 'body' | 'end') => {
    const others = parts.filter((p) => p.id !== part.id).flatMap((p) => times.get(p.id) ?? []);
    const timeAt = (rows: number, event: { altKey: boolean }) =>
      draggedTime(part, present(times.get(part.id)), others, { grip, by: rows / k, k, fine: event.altKey });
    const label = grip === 'end' ? 'change a duration' : 'change a delay';
    const begun = dragOperation(e, session, {
      operation: (rows, event) => changeMotion(part.id, label, (m) => ({ ...m, time: timeAt(rows, event) })),
      ended: () => void (frozen.current = null),
    });
    if (!begun) return;
    frozen.current = length;
    select(part.id, e.shiftKey || e.ctrlKey || e.metaKey);
  };

  const scrub = (e: PointerEvent<SVGRectElement>) =>
    scrubbing(e, player, (clientY) =>
      Math.min(length, Math.max(0, (clientY - present(svg.current).getBoundingClientRect().top - TOP) / k)),
    );

  return (
    <div className="time-ruler" ref={ref}>
      <PlayRow length={length} player={player} />
      <svg ref={svg} width="100%" height={H} role="group" aria-label={timeRulerText.partsOverTime}>
        <rect className="time-ground" x={0} y={0} width="100%" height={H} onPointerDown={scrub} />
        <TimeTicks most={most} k={k} y={y} />
        {parts.map((p, i) => {
          const before = parts.findIndex((o) => o.id === p.time?.after);
          return (
            <PartMark
              key={p.id}
              part={p}
              time={present(times.get(p.id))}
              x={LEFT + 8 + i * pitch}
              pitch={pitch}
              y={y}
              isChosen={p.id === chosen || selection.includes(p.id)}
              waitsFor={
                before < 0
                  ? null
                  : { x: LEFT + 14 + before * pitch, end: present(times.get(itemAt(parts, before).id)).end }
              }
              onDrag={(e, grip) => drag(e, p, grip)}
            />
          );
        })}
        {at !== null && (
          <g className="time-now">
            <path d={`M${LEFT - 8} ${y(at)}H400`} />
            <text x={LEFT - 12} y={y(at) + 4} textAnchor="end">
              {Math.round(at)}
            </text>
          </g>
        )}
      </svg>
      <Foot parts={parts} length={length} />
    </div>
  );
}

/** Sets the time by hand; given up, it goes on from where it was. */
function scrubbing(
  e: PointerEvent<SVGRectElement>,
  player: TimePlayer,
  timeAt: (clientY: number) => number,
): void {
  const { at } = player.store.getState();
  const seek = (event: { clientY: number }) => player.seek(timeAt(event.clientY));
  const putBack = (given: boolean) => {
    if (!given) return;
    if (at === null) player.release();
    else player.seek(at);
  };
  const begun = beginDrag(e, {
    move: (_by, event) => seek(event),
    drop: (_by, event) => seek(event),
    putBack,
  });
  if (begun) seek(e);
}

/** `k`: px of a ms. */
function TimeTicks({ most, k, y }: { most: number; k: number; y(ms: number): number }) {
  const step = STEPS.find((s) => s * k >= 22) ?? 20_000;
  return Array.from({ length: Math.floor(most / step) + 1 }, (_, i) => i * step).map((ms) => (
    <g key={ms} className="time-tick">
      <text x={LEFT - 12} y={y(ms) + 4} textAnchor="end">
        {ms}
      </text>
      <path d={`M${LEFT - 8} ${y(ms)}H400`} />
    </g>
  ));
}

/** How long it takes, and all of it faster or slower. */
function Foot({ parts, length }: Pick<TimeRulerProps, 'parts' | 'length'>) {
  const { session } = useOpenedPage();
  return (
    <div className="time-row">
      <span className="count">{timeRulerText.ms(parts.length, Math.round(length))}</span>
      {(
        [
          [timeRulerText.twiceAsFast, 0.5],
          [timeRulerText.halfAsFast, 2],
        ] as const
      ).map(([label, factor]) => (
        <button
          key={label}
          type="button"
          className="btn small"
          onClick={() => session.apply(replaceMotions(label.toLowerCase(), timesScaled(parts, factor)))}
        >
          {label}
        </button>
      ))}
    </div>
  );
}

function PlayRow({ length, player }: { length: number; player: TimePlayer }) {
  const { at, playing, speed } = useStore(player.store);
  return (
    <div className="time-row">
      <button type="button" className="btn main" onClick={() => player.play(length)}>
        {playing ? timeRulerText.playAgain : timeRulerText.play} <kbd className="kbd in-main">R</kbd>
      </button>
      <select
        className="field"
        aria-label={timeRulerText.speed}
        value={speed}
        onChange={(e) => player.setSpeed(Number(e.target.value))}
      >
        {SPEEDS.map((s) => (
          <option key={s} value={s}>
            {s}×
          </option>
        ))}
      </select>
      <button type="button" className="btn" disabled={at === null} onClick={() => player.release()}>
        {timeRulerText.letGo}
      </button>
    </div>
  );
}

interface PartProps {
  part: Motion;
  time: Played;
  x: number;
  /** px between two parts */
  pitch: number;
  y(ms: number): number;
  isChosen: boolean;
  /** the part whose end starts it */
  waitsFor: { x: number; end: number } | null;
  onDrag(e: PointerEvent<SVGRectElement>, grip: 'body' | 'end'): void;
}

function PartMark({ part, time: { start, end }, x, pitch, y, isChosen, waitsFor, onDrag }: PartProps) {
  return (
    <g className={`time-part${isChosen ? ' chosen' : ''}${part.on ? '' : ' muted'}`} data-part={part.id}>
      <rect
        className="time-bar"
        x={x}
        y={y(start)}
        width={12}
        height={Math.max(3, y(end) - y(start))}
        rx={1.5}
        onPointerDown={(e) => onDrag(e, 'body')}
      />
      <rect
        className="time-end"
        x={x - 5}
        y={y(end) - 5}
        width={22}
        height={10}
        onPointerDown={(e) => onDrag(e, 'end')}
      />
      {isChosen && <path className="time-handle" d={`M${x - 3} ${y(end)}h18`} />}
      {waitsFor && <path className="time-chain" d={`M${waitsFor.x} ${y(waitsFor.end)}V${y(start)}H${x}`} />}
      {pitch >= 50 && (
        <>
          <text className="name" x={x + 17} y={y(start) + 9}>
            {ellipsized(part.name, Math.floor((pitch - 18) / 5.6))}
          </text>
          <text className="what" x={x + 17} y={y(start) + 22}>
            {ellipsized(effectWords(part), Math.floor((pitch - 18) / 5.6))}
          </text>
        </>
      )}
    </g>
  );
}
