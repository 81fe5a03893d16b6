/** Measuring here: the page runs full size over the workbench, scrolled by the gesture, and this browser says how its frames go. */
import { useEffect, useMemo, useRef, useState } from 'react';
import { createPortal } from 'react-dom';
import { useStore } from 'zustand';
import { riddenResult, MEASURE_NOTHING, makePatch, makeRidePath, writeCss, present } from '@lyvek/core';
import type { Ridden, TrialResult, TrialSetup } from '@lyvek/core';
import { PageLink } from '../../preview/page-link.ts';
import { grouped } from '../../editor/strip/view.ts';
import { makeSandbox, useOpenedFrame } from '../../preview/use-opened-frame.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { useTrials } from './trials-context.ts';
import { hereTrialText } from './text.ts';

/** After the hand, ms: what follows comes to rest meanwhile. */
const REST = 700;
/** The page comes to rest before it is scrolled, ms. */
const BEFORE = 600;
/** A page that has not ended its run by this much more than the hand takes is given up, ms. */
const TIMEOUT_MS = 15_000;

interface HereTrialProps {
  setup: TrialSetup;
  done(result: TrialResult): void;
  /** ended without a result; null when the user ended it */
  ended(why: string | null): void;
}

/** Opens the page in a frame of its own and rides it as often as it is asked. */
function useRides({ setup, done, ended }: HereTrialProps) {
  const { page } = useOpenedPage();
  const { document: take, layout, gesture, max } = useTrials();
  const { width, height } = setup.viewport;
  const [dress] = useState(() => ({ ...writeCss(take, layout, 'full-motion'), patch: makePatch(take) }));
  const [link] = useState(() => new PageLink({ measures: false }));
  const frame = useRef<HTMLIFrameElement>(null);
  const [nothing] = useState(() => () => MEASURE_NOTHING);
  const { key } = useOpenedFrame(frame, link, page, nothing);
  const state = useStore(link.store, (s) => s.link);
  const [run, setRun] = useState(0);
  const path = useMemo(() => makeRidePath(gesture, max, setup.direction), [gesture, max, setup.direction]);
  const lasts = (path.t.at(-1) ?? 0) + REST;
  const ready = state === 'ready';
  useEffect(() => {
    if (!ready) return;
    const over = new AbortController();
    let hidden = document.hidden;
    document.addEventListener('visibilitychange', () => (hidden ||= document.hidden), {
      signal: over.signal,
    });
    const rest = (ms: number) => new Promise((go) => setTimeout(go, ms));
    const measure = async () => {
      link.style(dress.pieces, dress.patch, dress.plan);
      await rest(BEFORE);
      const runs: Ridden[] = [];
      for (let i = 0; i <= setup.repeats && !over.signal.aborted; i++) {
        setRun(i);
        const late = rest(2 * lasts + TIMEOUT_MS).then(() => null);
        const ridden = await Promise.race([link.ride(path, REST), late]);
        if (over.signal.aborted) return;
        if (!ridden) return ended('The page stopped answering while it was scrolled.');
        runs.push(ridden);
      }
      if (over.signal.aborted) return;
      const box = present(frame.current).getBoundingClientRect();
      const seen =
        (Math.min(innerWidth, box.right) * (Math.min(innerHeight, box.bottom) - box.top)) / (width * height);
      const result = riddenResult(setup, runs, { hidden, seen });
      if (result) done(result);
      else
        ended(
          'This browser showed no frames while the page was scrolled. Keep the tab in sight and try again.',
        );
    };
    void measure();
    return () => over.abort();
  }, [ready, link]); // eslint-disable-line react-hooks/exhaustive-deps
  useEffect(() => {
    if (state === 'lost' || state === 'hung') ended('The page went elsewhere or does not answer.');
  }, [state]); // eslint-disable-line react-hooks/exhaustive-deps
  return { frame, key, ready, run, lasts };
}

export function HereTrial(props: HereTrialProps) {
  const { setup, ended } = props;
  const { page } = useOpenedPage();
  const { gesture, max } = useTrials();
  const { width, height } = setup.viewport;
  const { frame, key, ready, run, lasts } = useRides(props);
  const stop = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    present(stop.current).focus();
    const key = (e: KeyboardEvent) => e.key === 'Escape' && ended(null);
    addEventListener('keydown', key);
    return () => removeEventListener('keydown', key);
  }, []); // eslint-disable-line react-hooks/exhaustive-deps
  return createPortal(
    <div className="here-trial" role="dialog" aria-label={hereTrialText.measuringHere}>
      <header>
        <b>{gesture.name}</b>
        <span role="status">
          {!ready
            ? hereTrialText.openingThePage
            : run === 0
              ? hereTrialText.warmingUp
              : hereTrialText.runOf(run, setup.repeats)}
        </span>
        <span className="quiet">{hereTrialText.pxSARun(grouped(max), (lasts / 1000).toFixed(0))}</span>
        <span className="grow" />
        <button ref={stop} type="button" className="btn tall" onClick={() => ended(null)}>
          {hereTrialText.stop} <kbd className="kbd">{hereTrialText.esc}</kbd>
        </button>
      </header>
      <iframe
        key={key}
        ref={frame}
        title={hereTrialText.beingMeasured(page.name)}
        sandbox={makeSandbox(page)}
        tabIndex={-1}
        style={{ width, height }}
      />
    </div>,
    document.body,
  );
}
