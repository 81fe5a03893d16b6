/** Parts on a time ruler, running down in ms: drag a part to delay it, its end to let it last; the playhead scrubs them all. */
import { changeMotion, itemAt, present } from '@lyvek/core';
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
import { useRundown } from '../../rundown-context.ts';
import { timeRulerText } from '../text.ts';

const H = 300;
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

export function TimeRuler({ parts, times, length, chosen, player }: TimeRulerProps) {
  const { session } = useOpenedPage();
  const { select } = useRundown();
  const { at, playing, speed } = useStore(player.store);
  const svg = useRef<SVGSVGElement>(null);
  const frozen = useRef<number | null>(null);
  const most = frozen.current ?? length;
  const k = (H - TOP - 10) / most;
  const y = (ms: number) => TOP + ms * k;
  const step = STEPS.find((s) => s * k >= 22) ?? 20_000;
  const pitch = Math.min(72, 210 / Math.max(1, parts.length));

  const drag = (e: PointerEvent<SVGRectElement>, part: Motion, grip: 'body' | 'end') => {
    const was = present(part.time);
    const own = present(times.get(part.id));
    const others = parts.filter((p) => p.id !== part.id).flatMap((p) => times.get(p.id) ?? []);
    const timeAt = (rows: number, event: { altKey: boolean }): Time => {
      const fine = event.altKey ? 1 : 10;
      const by = rows / k;
      const round = (ms: number, least: number) => `${Math.max(least, Math.round(ms / fine) * fine)}ms`;
      if (grip === 'end') return { ...was, duration: round(Number.parseFloat(was.duration) + by, fine) };
      const delay = Number.parseFloat(was.delay);
      // Another part’s end catches within 5 px.
      const caught = event.altKey ? undefined : others.find((o) => Math.abs(own.start + by - o.end) * k < 5);
      return {
        ...was,
        delay: caught ? `${Math.max(0, delay + caught.end - own.start)}ms` : round(delay + by, 0),
      };
    };
    const label = grip === 'end' ? 'change a duration' : 'change a delay';
    const begun = dragOperation(e, session, {
      operation: (rows, event) => changeMotion(part.id, label, (m) => ({ ...m, time: timeAt(rows, event) })),
      ended: () => void (frozen.current = null),
    });
    if (!begun) return;
    frozen.current = length;
    select(part.id);
  };

  const scrub = (e: PointerEvent<SVGRectElement>) => {
    const seek = (event: { clientY: number }) =>
      player.seek(
        Math.min(
          length,
          Math.max(0, (event.clientY - present(svg.current).getBoundingClientRect().top - TOP) / k),
        ),
      );
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
  };

  return (
    <div className="time-ruler">
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
      <svg ref={svg} width="100%" height={H} role="group" aria-label={timeRulerText.partsOverTime}>
        <rect className="time-ground" x={0} y={0} width="100%" height={H} onPointerDown={scrub} />
        {Array.from({ length: Math.floor(most / step) + 1 }, (_, i) => i * step).map((ms) => (
          <g key={ms} className="time-tick">
            <text x={LEFT - 12} y={y(ms) + 4} textAnchor="end">
              {ms}
            </text>
            <path d={`M${LEFT - 8} ${y(ms)}H400`} />
          </g>
        ))}
        {parts.map((p, i) => {
          const t = present(times.get(p.id));
          const before = parts.findIndex((o) => o.id === p.time?.after);
          const x = LEFT + 8 + i * pitch;
          return (
            <g
              key={p.id}
              className={`time-part${p.id === chosen ? ' chosen' : ''}${p.on ? '' : ' muted'}`}
              data-part={p.id}
            >
              <rect
                className="time-bar"
                x={x}
                y={y(t.start)}
                width={12}
                height={Math.max(3, (t.end - t.start) * k)}
                rx={1.5}
                onPointerDown={(e) => drag(e, p, 'body')}
              />
              <rect
                className="time-end"
                x={x - 5}
                y={y(t.end) - 5}
                width={22}
                height={10}
                onPointerDown={(e) => drag(e, p, 'end')}
              />
              {p.id === chosen && <path className="time-handle" d={`M${x - 3} ${y(t.end)}h18`} />}
              {before >= 0 && (
                <path
                  className="time-chain"
                  d={`M${LEFT + 14 + before * pitch} ${y(present(times.get(itemAt(parts, before).id)).end)}V${y(t.start)}H${x}`}
                />
              )}
              {pitch >= 50 && (
                <>
                  <text className="name" x={x + 17} y={y(t.start) + 9}>
                    {p.name.length > 9 && pitch < 90 ? `${p.name.slice(0, 8)}…` : p.name.slice(0, 16)}
                  </text>
                  <text className="what" x={x + 17} y={y(t.start) + 22}>
                    {effectWords(p).slice(0, 10)}
                  </text>
                </>
              )}
            </g>
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
      <span className="count">{timeRulerText.ms(parts.length, Math.round(length))}</span>
    </div>
  );
}
