/** Keeps the real page in a frame up to date: its address, the motions in it, and the layout that it is measured to have. */
import { useCallback, useEffect, useMemo, useRef } from 'react';
import type { RefObject } from 'react';
import { useStore } from 'zustand';
import { EMPTY_PLAN, isMeasuredFor, makeMeasureRequest, makePatch, writeCss } from '@lyvek/core';
import type { MotionDocument } from '@lyvek/core';
import type { Dress } from './sent-dress.ts';
import { useOpenedFrame } from './use-opened-frame.ts';
import { useLayout, useShownPage } from './shown-page.ts';
import { useWritten } from './use-written.ts';
import { useOpenedPage } from '../state/opened-page.ts';
import { useLater } from '../ui/use-later.ts';

/** `wanted`: what the page shows; `also`: another one that the same layout serves.  */
export function useLinkedPage(
  frame: RefObject<HTMLIFrameElement | null>,
  wanted: MotionDocument,
  also: MotionDocument | null = null,
) {
  const { page, session } = useOpenedPage();
  const { link, viewport, reducedMotion } = useShownPage();
  const tried = useStore(session.store, (s) => s.tried !== null);
  // While something is dragged, what is under the pointer goes first.
  const document = useLater(wanted, tried);
  const { layout, measured } = useLayout();
  const others = useRef(also);
  others.current = also;
  const request = useCallback(
    () =>
      makeMeasureRequest(...[session.store.getState().document, others.current].filter((d) => d !== null)),
    [session],
  );
  const shown = useOpenedFrame(frame, link, page, request);
  const { again } = shown;
  const state = useStore(link.store, (s) => s.link);
  const live = useStore(link.store, (s) => s.layout);

  // The server takes out of the page what its takes have taken over, so the page is opened again once that has changed there.
  const taken = useStore(session.store, (s) =>
    s.save.kind === 'saved' ? s.document.importedRules.join('\n') : null,
  );
  const opened = useRef(taken);
  useEffect(() => {
    if (taken === null || taken === opened.current) return;
    if (opened.current !== null) again();
    opened.current = taken;
  }, [taken, again]);

  // Tracks of a page under development are in its own source, under the names of the hand-off.
  const prefix = page.live ? document.prefix : undefined;
  const { pieces, plan } = useMemo(
    () => writeCss(document, layout, reducedMotion ? 'reduced-motion' : 'full-motion', { prefix }),
    [document, layout, reducedMotion, prefix],
  );
  const patch = useMemo(() => makePatch(document, [], prefix), [document, prefix]);
  const written = useWritten(document);
  const dress = useRef<Dress>({ pieces, patch, plan });
  dress.current = { pieces, patch, plan };
  useEffect(() => {
    link.wear(() => ({
      ...dress.current,
      pieces: dress.current.pieces.filter((p) => p.stays),
      plan: EMPTY_PLAN,
    }));
    return () => link.wear(() => null);
  }, [link]);

  // A selector or a value that the page has not been asked about yet: asked before its motion is written there, because reading
  // boxes beside thousands of live view timelines takes the browser a hundred times as long.
  const unknown = useMemo(
    () => [document, also].some((d) => d && !isMeasuredFor(layout, makeMeasureRequest(d))),
    [document, also, layout],
  );
  useEffect(() => {
    if (unknown && measured) link.measure();
  }, [unknown, measured, link]);

  useEffect(() => {
    if (live) link.style(pieces, patch, plan, written);
    link.try(tried);
  }, [link, pieces, patch, plan, written, live, tried]);

  // In this order: at another size other conditions hold, and the page has them before it is measured.
  useEffect(() => {
    if (state === 'ready') link.measure();
  }, [link, viewport.width, viewport.height]); // eslint-disable-line react-hooks/exhaustive-deps

  return shown;
}
