/** Glide, the gesture, its rate, and what they mean for the selected motion. */
import { useEffect } from 'react';
import { CLOCKS, framesInRange, GESTURES, isRangeless } from '@lyvek/core';
import { GestureCurve } from '../../../editor/GestureCurve.tsx';
import { Down, PlaySign } from '../../../ui/glyphs.tsx';
import { Choices, Popover } from '../../../ui/Popover.tsx';
import { traceKey } from '../../../state/workers/trial-work.ts';
import { useShownPage } from '../../../preview/shown-page.ts';
import { useChoice } from '../../../state/choice.ts';
import { useSettings } from '../../../state/settings.ts';
import { useRundown, useSingle } from '../rundown-context.ts';
import { play } from './play.ts';
import { Recorder } from './Recorder.tsx';
import { transportText } from './text.ts';

export function Transport() {
  const { link } = useShownPage();
  const { gesture, max, playing, setPlaying } = useRundown();
  useEffect(() => {
    if (!playing) return;
    const from = link.store.getState().offset.y;
    return play(
      gesture,
      from >= max - 1 ? 0 : from,
      max,
      (y) => link.scrollTo(y),
      () => setPlaying(false),
    );
  }, [playing, gesture, max, link, setPlaying]);
  return (
    <div className="transport">
      <button
        type="button"
        className="btn main"
        disabled={max <= 0}
        aria-pressed={playing}
        title={max <= 0 ? transportText.thereIsNothingTo : transportText.space}
        onClick={() => setPlaying(!playing)}
      >
        <PlaySign on={playing} /> {playing ? transportText.stop : transportText.play}
      </button>
      <GestureChoice />
      <ClockChoice />
      <Recorder />
      <span className="grow" />
      <Figures />
    </div>
  );
}

function GestureChoice() {
  const { settings } = useSettings();
  const { choose, choice } = useChoice();
  const { gesture } = useRundown();
  return (
    <Popover
      className="btn tall"
      label={transportText.gesture(gesture.name)}
      trigger={
        <>
          {gesture.name} <GestureCurve gesture={gesture} /> <Down />
        </>
      }
    >
      {(close) => (
        <Choices
          options={[
            ...GESTURES.map((g) => ({ value: g.id, text: g.name, note: g.what })),
            ...settings.traces.map((t) => ({
              value: traceKey(t),
              text: t.name,
              note: 'recorded here',
            })),
          ]}
          value={choice.gesture}
          onChoose={(id) => {
            choose({ gesture: id });
            close();
          }}
        />
      )}
    </Popover>
  );
}

function ClockChoice() {
  const { choose } = useChoice();
  const { clock } = useRundown();
  return (
    <Popover
      className="btn tall"
      label={transportText.framesAt(clock.name)}
      trigger={
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
            choose({ clock: id });
            close();
          }}
        />
      )}
    </Popover>
  );
}

function Figures() {
  const { gesture, clock, max } = useRundown();
  const bar = useSingle();
  if (!bar || max <= 0 || isRangeless(bar.motion.driver)) return null;
  const frames = framesInRange(gesture, bar.placed, bar.max, clock);
  return (
    <p className="figures">
      <b>{frames}</b> {transportText.framesInRange} <span aria-hidden>·</span>{' '}
      <b>{Math.round(bar.placed.end - bar.placed.start)}</b> {transportText.pxOfScroll}
    </p>
  );
}
