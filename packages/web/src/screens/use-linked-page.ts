/** Keeps the real page in a frame up to date: its address, the motions in it, and the layout that it is measured to have. */
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { RefObject } from 'react';
import { useStore } from 'zustand';
import { patchOf, selectorsOf, writeCss } from '@lyvek/core';
import type { MotionDocument } from '@lyvek/core';
import { previewUrl } from '../parts/preview-url.ts';
import { useLayout, useOpenedPage, useSettledDocument } from './page-context.ts';

/** The host form answers within this time, or the path form is tried. */
const FALL_BACK = 4000;

/** `document`: what the page shows. Returns the key that the frame must have, and what opens the page anew. */
export function useLinkedPage(frame: RefObject<HTMLIFrameElement | null>, document: MotionDocument) {
  const { page, session, link, viewport, reduced } = useOpenedPage();
  const { layout, measured } = useLayout();
  const [round, setRound] = useState(0);
  const [form, setForm] = useState<'host' | 'path'>('host');
  const state = useStore(link.store, (s) => s.link);
  const live = useStore(link.store, (s) => s.layout);

  useEffect(() => {
    const detach = link.attach(
      frame.current!,
      () => selectorsOf(session.store.getState().document),
      page.live,
    );
    // Only after someone listens for its first words.
    frame.current!.src = page.live?.url ?? previewUrl(page.token, form);
    return detach;
  }, [link, session, page.token, page.live, form, round, frame]);

  useEffect(() => {
    if (state !== 'loading' || form === 'path' || page.live) return;
    const timer = setTimeout(() => setForm('path'), FALL_BACK);
    return () => clearTimeout(timer);
  }, [state, form, round, page.live]);

  // The server takes out of the page what its takes have taken over, so the page is opened again once that has changed there.
  const taken = useStore(session.store, (s) => (s.save.is === 'saved' ? s.document.taken.join('\n') : null));
  const opened = useRef(taken);
  useEffect(() => {
    if (taken === null || taken === opened.current) return;
    if (opened.current !== null) setRound((r) => r + 1);
    opened.current = taken;
  }, [taken]);

  useEffect(() => {
    if (state === 'ready') link.measure();
  }, [link, viewport.width, viewport.height]); // eslint-disable-line react-hooks/exhaustive-deps

  // A selector that the page has not been asked about yet: asked before its motion is written there, because reading boxes
  // beside thousands of live view timelines takes the browser a hundred times as long.
  const unknown = selectorsOf(document).some(
    (s) => layout.matches[s] === undefined && !layout.elements.some((e) => e.selector === s),
  );
  useEffect(() => {
    if (unknown && measured) link.measure();
  }, [unknown, measured, link]);

  const { pieces, plan } = useMemo(
    () => writeCss(document, layout, reduced ? 'reduced-motion' : 'full-motion'),
    [document, layout, reduced],
  );
  const patch = useMemo(() => patchOf(document), [document]);
  useEffect(() => {
    if (live) link.style(pieces, patch, plan);
  }, [link, pieces, patch, plan, live]);

  // Pins and adjustments change the page itself, so it is measured again once they have come to rest.
  const settled = useSettledDocument();
  const shape = useMemo(
    () =>
      JSON.stringify([
        settled.pins,
        settled.adjustments.map(({ selector, declarations }) => [selector, declarations]),
      ]),
    [settled],
  );
  const measuredShape = useRef(shape);
  useEffect(() => {
    if (!live || measuredShape.current === shape) return;
    const timer = setTimeout(() => {
      measuredShape.current = shape;
      link.measure();
    }, 60);
    return () => clearTimeout(timer);
  }, [shape, live, link]);

  const again = useCallback(() => setRound((r) => r + 1), []);
  return { key: `${round}${form}`, again };
}
