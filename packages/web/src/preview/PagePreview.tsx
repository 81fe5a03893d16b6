/** A page with the motions of some take, shown small at a scroll offset. It only shows: nothing in it can be clicked or scrolled. */
import { useEffect, useRef, useState } from 'react';
import { useStore } from 'zustand';
import type { PageFacts } from '@lyvek/api';
import { emptyDocument, makeMeasureRequest } from '@lyvek/core';
import type { Layout, MotionDocument, Px, Viewport } from '@lyvek/core';
import { PageLink } from './page-link.ts';
import type { Dress } from './sent-dress.ts';
import { makeSandbox, useOpenedFrame } from './use-opened-frame.ts';
import { pagePreviewText } from './text.ts';

interface SeenPageProps {
  page: PageFacts;
  title: string;
  viewport: Viewport;
  scale: number;
  /** null until it is known: the page is shown without motions till then */
  dress: Dress | null;
  at: Px;
  /** asked for only where the page has not been measured in another way */
  measure?: { document: MotionDocument; onProgress(layout: Layout): void };
  shown?(): void;
}

/** ms after which a jump has been drawn, or on a busy machine at last. */
const SETTLED = [300, 1500];

export function PagePreview({ page, title, viewport, scale, dress, at, measure, shown }: SeenPageProps) {
  const [asked] = useState(() => measure);
  const onProgress = useRef(measure?.onProgress);
  onProgress.current = measure?.onProgress;
  const [link] = useState(() => new PageLink({ measures: asked !== undefined }));
  useEffect(() => link.on('layout', (layout) => onProgress.current?.(layout)), [link]);
  const [request] = useState(() => () => makeMeasureRequest(asked?.document ?? emptyDocument()));
  const frame = useRef<HTMLIFrameElement>(null);
  const { key, again } = useOpenedFrame(frame, link, page, request);
  const state = useStore(link.store, (s) => s.link);
  useEffect(() => {
    if (state === 'ready' && dress) link.style(dress.pieces, dress.patch, dress.plan);
  }, [link, dress, state]);
  useEffect(() => {
    if (state !== 'ready') return;
    link.scrollTo(at);
    // Of many frames beside each other some go on showing animations as they stood before a jump, until they are scrolled once more.
    const timers = SETTLED.flatMap((ms) => [
      setTimeout(() => link.scrollTo(at > 0 ? at - 1 : 1), ms),
      setTimeout(() => link.scrollTo(at), ms + 120),
    ]);
    return () => timers.forEach(clearTimeout);
  }, [link, at, state, dress]);
  const over = state !== 'loading';
  useEffect(() => {
    if (over) shown?.();
  }, [over]); // eslint-disable-line react-hooks/exhaustive-deps
  return (
    <div
      className="seen-page"
      data-link={state}
      style={{ width: viewport.width * scale, height: viewport.height * scale }}
    >
      <iframe
        key={key}
        ref={frame}
        title={title}
        sandbox={makeSandbox(page)}
        tabIndex={-1}
        style={{ width: viewport.width, height: viewport.height, transform: `scale(${scale})` }}
      />
      {state !== 'ready' && (
        <p className="seen-note">
          {state === 'loading' ? pagePreviewText.opening : pagePreviewText.doesNotAnswer}
          {over && (
            <button type="button" className="btn" onClick={() => again()}>
              {pagePreviewText.reload}
            </button>
          )}
        </p>
      )}
    </div>
  );
}
