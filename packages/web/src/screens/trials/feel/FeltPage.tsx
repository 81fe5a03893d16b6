/** The real page under the hand, beside the curves: it follows as the setting says, and two settings can be changed for each other. */
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import type { Follow } from '@lyvek/core';
import { useOpenedPage } from '../../page-context.ts';
import { useTrials } from '../trials-context.ts';
import { following, handStore, triedOn } from './under-the-hand.ts';

interface FeltPageProps {
  how: Follow;
  other: Follow | null;
  close(): void;
}

export function FeltPage({ how, other, close }: FeltPageProps) {
  const { viewport, session, events } = useOpenedPage();
  const { document } = useTrials();
  const [second, setSecond] = useState(false);
  const felt = second && other ? other : how;
  const room = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  useLayoutEffect(() => {
    const place = () => {
      const { left, top, width: w, height } = room.current!.getBoundingClientRect();
      const fits = Math.min(w, (height * viewport.width) / viewport.height);
      setWidth(fits);
      handStore.setState({ place: { left, top, width: fits } });
    };
    place();
    const seen = new ResizeObserver(place);
    seen.observe(room.current!);
    addEventListener('resize', place);
    return () => {
      seen.disconnect();
      removeEventListener('resize', place);
      handStore.setState({ place: null, how: null });
    };
  }, [viewport]);
  useEffect(() => handStore.setState({ how: felt }), [felt]);
  useEffect(() => {
    // Here a click in the page picks nothing, and keys are the page’s own.
    events.picked = () => undefined;
    events.key = (key) => key === 'Escape' && close();
    events.zoom = () => undefined;
  }, [events, close]);
  const tried = triedOn(document);
  const isUsed = tried.every((m) => JSON.stringify(m.follow) === JSON.stringify(felt));
  const count = `${tried.length} ${tried.length === 1 ? 'motion' : 'motions'}`;
  return (
    <section className="felt" aria-label="The page under the hand">
      <h2>
        Under the hand
        <small>{count}</small>
        <span className="grow" />
        {other && (
          <button
            type="button"
            className="btn small"
            aria-pressed={second}
            onClick={() => setSecond(!second)}
          >
            The other
          </button>
        )}
        {!isUsed && tried.length > 0 && (
          <button
            type="button"
            className="btn small"
            title={`Sets how ${count} follow`}
            onClick={() => session.act('follow as it was felt', (d) => following(d, felt))}
          >
            Use it
          </button>
        )}
        <button type="button" className="btn small" onClick={close}>
          Away
        </button>
      </h2>
      <div
        ref={room}
        className="felt-room"
        style={{ '--ratio': `${viewport.width} / ${viewport.height}` } as object}
      >
        <i style={{ width }}>Scroll it with the wheel.</i>
      </div>
    </section>
  );
}
