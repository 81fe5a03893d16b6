/** Glide, the gesture, its rate, and what they mean for the selected motion. */
import { useEffect } from 'react';
import { GESTURES, runGesture } from '@lyvek/core';
import type { Gesture } from '@lyvek/core';
import { framesInRange } from '@lyvek/core';
import { Down, GlideSign } from '../../../parts/glyphs.tsx';
import { Choices, Pop } from '../../../parts/Pop.tsx';
import { useOpenedPage } from '../../page-context.ts';
import { useRundown, useSingle } from '../rundown-context.ts';
import { glide } from './glide.ts';

export const RATES = [60, 90, 120] as const;

interface TransportProps {
  setGesture(id: string): void;
  setRefresh(r: number): void;
}

export function Transport({ setGesture, setRefresh }: TransportProps) {
  const { link } = useOpenedPage();
  const { gesture, refresh, max, gliding, setGliding } = useRundown();
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
        label={`Refresh rate ${refresh} Hz`}
        face={
          <>
            {refresh} Hz <Down />
          </>
        }
      >
        {(close) => (
          <Choices
            options={RATES.map((r) => ({ value: String(r), text: `${r} Hz` }))}
            value={String(refresh)}
            onChoose={(r) => {
              setRefresh(Number(r));
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
  const { gesture, refresh, max } = useRundown();
  const bar = useSingle();
  if (!bar || max <= 0) return null;
  const frames = framesInRange(gesture, bar.placed, bar.max, refresh);
  return (
    <p className="figures">
      <b>{frames}</b> frames in range <span aria-hidden>·</span>{' '}
      <b>{Math.round(bar.placed.end - bar.placed.start)}</b> px of scroll
    </p>
  );
}

/** Speed of the gesture over its first second. */
function Curve({ gesture }: { gesture: Gesture }) {
  const { offsets } = runGesture(gesture, 0, 2200, 60);
  const speeds = Array.from(
    { length: Math.min(60, offsets.length - 1) },
    (_, i) => offsets[i + 1]! - offsets[i]!,
  );
  const most = Math.max(1, ...speeds);
  return (
    <svg width={52} height={14} aria-hidden="true" className="curve">
      <path d={speeds.map((v, i) => `${i ? 'L' : 'M'}${(i / 59) * 51} ${13 - (v / most) * 11}`).join('')} />
    </svg>
  );
}
