/** One step of the tour, beside the part of the real screen that it is about. Nothing is blocked: people do it, or go on, or leave. */
import { autoUpdate, flip, FloatingPortal, offset, shift, useFloating } from '@floating-ui/react';
import { itemAt } from '@lyvek/core';
import { useEffect, useRef, useState } from 'react';
import { useLocation } from 'react-router';
import { useStore } from 'zustand';
import { useShownPage } from '../../preview/shown-page.ts';
import { useOpenedPage, useSettledDocument } from '../../state/opened-page.ts';
import { setTour, tourStore } from '../../state/tour.ts';
import type { Tour } from '../../state/tour.ts';
import { useCommands } from '../../ui/commands.ts';
import { notify } from '../../ui/notices.tsx';
import { tourText } from '../text.ts';
import { TOUR_STEPS } from './steps.ts';
import type { TourFacts } from './steps.ts';

export function TourCard() {
  const tour = useStore(tourStore, (s) => s.tour);
  const { page, take } = useOpenedPage();
  if (!tour || tour.left || tour.pageId !== page.id || tour.takeId !== take.id) return null;
  return <Step key={tour.step} tour={tour} />;
}

function useFacts(): TourFacts {
  const { session } = useOpenedPage();
  const { link } = useShownPage();
  return {
    offset: useStore(link.store, (s) => s.offset.y),
    document: useSettledDocument(),
    selection: useStore(session.store, (s) => s.selection),
    path: useLocation().pathname,
  };
}

function Step({ tour }: { tour: Tour }) {
  const { page } = useOpenedPage();
  const step = itemAt(TOUR_STEPS, Math.min(tour.step, TOUR_STEPS.length - 1));
  const facts = useFacts();
  const before = useRef(facts);
  const [done, setDone] = useState(false);
  const isDone = step.isDone(facts, before.current);
  useEffect(() => {
    if (isDone) setDone(true);
  }, [isDone]);
  const anchor = useAnchor(step.anchor, facts.path);
  const { refs, floatingStyles } = useFloating({
    elements: { reference: anchor },
    placement: step.placement,
    strategy: 'fixed',
    middleware: [offset(10), flip(), shift({ padding: 10, crossAxis: true })],
    whileElementsMounted: autoUpdate,
  });
  const isLast = tour.step === TOUR_STEPS.length - 1;
  const leave = () => {
    setTour({ ...tour, left: true });
    notify(tourText.left);
  };
  const next = () => {
    if (!isLast) return setTour({ ...tour, step: tour.step + 1 });
    setTour(null);
    notify(tourText.over(page.name));
  };
  // Reached from the keyboard too, wherever the focus is.
  useCommands('tour', () => [
    { id: 'tour-next', name: isLast ? tourText.finish : tourText.next, group: tourText.tour, run: next },
    { id: 'tour-leave', name: tourText.leave, group: tourText.tour, run: leave },
  ]);
  return (
    <FloatingPortal>
      {anchor && <Frame around={anchor} />}
      <section
        ref={refs.setFloating}
        style={anchor ? floatingStyles : {}}
        className={`tour-card${anchor ? '' : ' alone'}`}
        aria-label={tourText.tour}
      >
        <p className="tour-count">{tourText.step(tour.step + 1, TOUR_STEPS.length)}</p>
        <h2>{step.title}</h2>
        <p>{step.text}</p>
        <p className={`tour-act${done ? ' done' : ''}`} role="status">
          {done ? tourText.done : step.act}
        </p>
        <div className="tour-buttons">
          <button type="button" className="btn small" onClick={leave}>
            {tourText.leave}
          </button>
          <span className="grow" />
          {tour.step > 0 && (
            <button
              type="button"
              className="btn small"
              onClick={() => setTour({ ...tour, step: tour.step - 1 })}
            >
              {tourText.back}
            </button>
          )}
          <button type="button" className={`btn small${done ? ' chosen' : ''}`} onClick={next}>
            {isLast ? tourText.finish : done ? tourText.next : tourText.skip}
          </button>
        </div>
      </section>
    </FloatingPortal>
  );
}

/** The part of the screen that a step points at, as soon as it is there. */
function useAnchor(selector: string | null, path: string): Element | null {
  const [anchor, setAnchor] = useState<Element | null>(null);
  useEffect(() => {
    const find = () => setAnchor(selector === null ? null : document.querySelector(selector));
    find();
    const watch = new MutationObserver(find);
    watch.observe(document.body, { childList: true, subtree: true });
    return () => watch.disconnect();
  }, [selector, path]);
  return anchor;
}

function Frame({ around }: { around: Element }) {
  const [box, setBox] = useState(() => around.getBoundingClientRect());
  const frame = useRef<HTMLDivElement>(null);
  useEffect(
    () =>
      frame.current
        ? autoUpdate(around, frame.current, () => setBox(around.getBoundingClientRect()))
        : undefined,
    [around],
  );
  const { left, top, width, height } = box;
  return <div ref={frame} className="tour-frame" aria-hidden="true" style={{ left, top, width, height }} />;
}
