/** Records the user's own scrolling of the preview as a trace of the project, which then can be chosen like any gesture. */
import { lastItem } from '@lyvek/core';
import { useEffect, useRef, useState } from 'react';
import { notify } from '../../../ui/notices.tsx';
import { traceKey } from '../../../state/workers/trial-work.ts';
import { useShownPage } from '../../../preview/shown-page.ts';
import { useChoice } from '../../../state/choice.ts';
import { useSettings } from '../../../state/settings.ts';
import { traceFrom, withTrace } from '../../../state/traces.ts';
import { useRundown } from '../rundown-context.ts';
import { recorderText } from './text.ts';

/** A recording ends by itself after this long, ms. */
const LONGEST = 5 * 60_000;

export function Recorder() {
  const { link } = useShownPage();
  const { settings, putSettings } = useSettings();
  const { choose } = useChoice();
  const { max } = useRundown();
  const [on, setOn] = useState(false);
  const samples = useRef<{ t: number; y: number }[]>([]);
  const stop = () => {
    setOn(false);
    const trace = traceFrom(samples.current, settings.traces);
    if (!trace) return notify(recorderText.nothingWasScrolledSo);
    putSettings({ ...settings, traces: withTrace(settings.traces, trace) });
    choose({ gesture: traceKey(trace) });
    notify(recorderText.sChosenAsThe(trace.name, (lastItem(trace.samples).t / 1000).toFixed(1)));
  };
  const ended = useRef(stop);
  ended.current = stop;
  useEffect(() => {
    if (!on) return;
    const began = performance.now();
    samples.current = [{ t: 0, y: link.store.getState().offset.y }];
    const unsubscribe = link.store.subscribe((s, before) => {
      if (s.offset.y !== before.offset.y)
        samples.current.push({ t: performance.now() - began, y: s.offset.y });
    });
    const timer = setTimeout(() => ended.current(), LONGEST);
    return () => {
      unsubscribe();
      clearTimeout(timer);
    };
  }, [on, link]);
  return (
    <button
      type="button"
      className="btn tall"
      aria-pressed={on}
      disabled={max <= 0}
      title={on ? recorderText.endsTheRecordingAnd : recorderText.recordsHowYouScroll}
      onClick={() => (on ? stop() : setOn(true))}
    >
      {on ? recorderText.endRecording : recorderText.record}
    </button>
  );
}
