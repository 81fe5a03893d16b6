/** The real page under the hand, beside the curves: it follows as the setting says, and two settings can be changed for each other. */
import { edit, present } from '@lyvek/core';
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import type { Damping } from '@lyvek/core';
import { useShownPage } from '../../../preview/shown-page.ts';
import { useOpenedPage } from '../../../state/opened-page.ts';
import { useTrials } from '../trials-context.ts';
import { withDamping, handStore, triedOn } from './scroll-input.ts';
import { dampedPageText } from '../text.ts';

/** Keys that scroll, in heights of the viewport: the page itself never has the keyboard. */
const KEYS: Record<string, number> = {
  ArrowDown: 0.05,
  ArrowUp: -0.05,
  PageDown: 0.875,
  PageUp: -0.875,
  ' ': 0.875,
  Home: -1e5,
  End: 1e5,
};

interface DampedPageProps {
  how: Damping;
  other: Damping | null;
  close(): void;
}

/** The place that the page takes over it, as long as this is open. */
function useRoom() {
  const { viewport } = useShownPage();
  const room = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  useLayoutEffect(() => {
    const place = () => {
      const { left, top, width: w, height } = present(room.current).getBoundingClientRect();
      const fits = Math.min(w, (height * viewport.width) / viewport.height);
      setWidth(fits);
      handStore.setState({ place: { left, top, width: fits } });
    };
    place();
    const seen = new ResizeObserver(place);
    seen.observe(present(room.current));
    addEventListener('resize', place);
    return () => {
      seen.disconnect();
      removeEventListener('resize', place);
      handStore.setState({ place: null, how: null });
    };
  }, [viewport]);
  return { room, width };
}

/** Keys scroll the page, and Esc leaves it. */
function useScrollKeys(close: () => void): void {
  const { viewport, link } = useShownPage();
  useEffect(() => {
    const listen = (e: KeyboardEvent) => {
      if (e.defaultPrevented || (e.target as Element).closest('input, textarea, select, .popover')) return;
      if (e.key === 'Escape') return close();
      const step = KEYS[e.key];
      if (step === undefined || (e.key === ' ' && (e.target as Element).closest('button, a'))) return;
      e.preventDefault();
      link.scrollTo(Math.max(0, link.store.getState().offset.y + step * viewport.height));
    };
    addEventListener('keydown', listen);
    return () => removeEventListener('keydown', listen);
  }, [close, link, viewport]);
}

export function DampedPage({ how, other, close }: DampedPageProps) {
  const { session } = useOpenedPage();
  const { viewport } = useShownPage();
  const { document } = useTrials();
  const [second, setSecond] = useState(false);
  const damped = second && other ? other : how;
  const { room, width } = useRoom();
  useEffect(() => handStore.setState({ how: damped }), [damped]);
  useScrollKeys(close);
  const tried = triedOn(document);
  const isUsed = tried.every((m) => JSON.stringify(m.damping) === JSON.stringify(damped));
  const count = `${tried.length} ${tried.length === 1 ? 'motion' : 'motions'}`;
  return (
    <section className="damped" aria-label={dampedPageText.tryItOnThe}>
      <h2>
        {dampedPageText.tryItOnThe}
        <small>{count}</small>
        <span className="grow" />
        {other && (
          <button
            type="button"
            className="btn small"
            aria-pressed={second}
            onClick={() => setSecond(!second)}
          >
            {dampedPageText.theOther}
          </button>
        )}
        {!isUsed && tried.length > 0 && (
          <button
            type="button"
            className="btn small"
            title={dampedPageText.setsTheDampingOf(count)}
            onClick={() => session.apply(edit(dampedPageText.setTheDamping, (d) => withDamping(d, damped)))}
          >
            {dampedPageText.useIt}
          </button>
        )}
        <button type="button" className="btn small" onClick={close}>
          {dampedPageText.close}
        </button>
      </h2>
      <div
        ref={room}
        className="damped-room"
        style={{ '--ratio': `${viewport.width} / ${viewport.height}` } as object}
      >
        <i style={{ width }}>{dampedPageText.scrollItWithThe}</i>
      </div>
    </section>
  );
}
