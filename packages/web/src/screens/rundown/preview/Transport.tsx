/** Glide, the gesture, its rate, and what they mean for the selected motion. */
import { useEffect } from 'react';
import { clockById, CLOCKS, framesInRange, GESTURES, runGesture } from '@lyvek/core';
import type { FrameClock, Gesture } from '@lyvek/core';
import { Down, GlideSign } from '../../../parts/glyphs.tsx';
import { Choices, Pop } from '../../../parts/Pop.tsx';
import { useOpenedPage } from '../../page-context.ts';
import { useRundown, useSingle } from '../rundown-context.ts';
import { glide } from './glide.ts';

interface TransportProps {
  setGesture(id: string): void;
  setClock(c: FrameClock): void;
}

export function Transport({ setGesture, setClock }: TransportProps) {
  const { link } = useOpenedPage();
  const { gesture, clock, max, gliding, setGliding } = useRundown();
  useEffect(() => {
    if (!gliding) return;
    const from = link.store.getState().offset.y;
    return glide(
      gesture,
      from >= max - 1 ? 0 : from,
      max,
      (y) => link.scrollTo(y),
      () => setGliding(false),
    );
  }, [gliding, gesture, max, link, setGliding]);
  return (
    <div className="transport">
      <button
        type="button"
        className="btn main"
        disabled={max <= 0}
        aria-pressed={gliding}
        title={max <= 0 ? 'There is nothing to scroll' : 'Space'}
        onClick={() => setGliding(!gliding)}
      >
        <GlideSign on={gliding} /> {gliding ? 'Stop' : 'Glide'}
      </button>
      <Pop
        className="btn tall"
        label={`Gesture: ${gesture.name}`}
        face={
          <>
            {gesture.name} <Curve gesture={gesture} /> <Down />
          </>
        }
      >
        {(close) => (
          <Choices
            options={GESTURES.map((g) => ({ value: g.id, text: g.name, note: g.what }))}
            value={gesture.id}
            onChoose={(id) => {
              setGesture(id);
              close();
            }}
          />
        )}
      </Pop>
      <Pop
        className="btn tall"
        label={`Frames at ${clock.name}`}
        face={
          <>
            {clock.name} <Down />
          </>
        }
      >
        {(close) => (
          <Choices
            options={CLOCKS.map((c) => ({ value: c.id, text: c.name, note: c.what }))}
            value={clock.id}
            onChoose={(id) => {
              setClock(clockById(id));
              close();
            }}
          />
        )}
      </Pop>
      <span className="grow" />
      <Figures />
    </div>
  );
}

function Figures() {
  const { gesture, clock, max } = useRundown();
  const bar = useSingle();
  if (!bar || max <= 0) return null;
  const frames = framesInRange(gesture, bar.placed, bar.max, clock);
  return (
    <p className="figures">
      <b>{frames}</b> frames in range <span aria-hidden>·</span>{' '}
      <b>{Math.round(bar.placed.end - bar.placed.start)}</b> px of scroll
    </p>
  );
}

/** Speed of the gesture over its first second, or until it has begun anew. */
function Curve({ gesture }: { gesture: Gesture }) {
  const { offsets } = runGesture(gesture, 0, Math.max(2200, Math.ceil(1.5 * gesture.period)), 60);
  const again = offsets.findIndex((y) => y > 1.02 * gesture.period);
  const shown = Math.min(offsets.length - 1, Math.max(60, again + 4));
  const speeds = Array.from({ length: shown }, (_, i) => offsets[i + 1]! - offsets[i]!);
  const most = Math.max(1, ...speeds);
  return (
    <svg width={52} height={14} aria-hidden="true" className="curve">
      <path
        d={speeds
          .map(
            (v, i) =>
              `${i ? 'L' : 'M'}${((i / (shown - 1)) * 51).toFixed(1)} ${(13 - (v / most) * 11).toFixed(1)}`,
          )
          .join('')}
      />
    </svg>
  );
}
