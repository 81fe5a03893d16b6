/** The page in a frame of its own, unseen, made as large as the survey wants it and measured. */
import { useEffect, useMemo, useRef, useState } from 'react';
import { useStore } from 'zustand';
import { EMPTY_PLAN, makeMeasureRequest, makePatch, writeCss } from '@lyvek/core';
import type { Viewport } from '@lyvek/core';
import { PageLink } from '../../../preview/page-link.ts';
import { makeSandbox, useOpenedFrame } from '../../../preview/use-opened-frame.ts';
import { useLayout } from '../../../preview/shown-page.ts';
import { useOpenedPage, useSettledDocument } from '../../../state/opened-page.ts';
import { useWork } from '../../../state/work.ts';
import { measuredSizesText } from '../text.ts';

/** A page that answers with another size has not been laid out anew yet: asked again after this long, ms. */
const AGAIN_MS = 30;
export function MeasuredSizes() {
  const wanted = useStore(useWork().survey.store, (s) => s.wanted);
  return wanted && <Frame wanted={wanted} />;
}

function Frame({ wanted }: { wanted: Viewport }) {
  const { page, session } = useOpenedPage();
  const { survey } = useWork();
  const { layout } = useLayout();
  const document = useSettledDocument();
  const [dressed, setDressed] = useState(false);
  const [link] = useState(() => new PageLink());
  const { width, height } = wanted;
  useEffect(() => {
    if (!dressed) return;
    let again: ReturnType<typeof setTimeout> | undefined;
    const off = link.on('layout', (layout) => {
      clearTimeout(again);
      if (!survey.put(layout)) again = setTimeout(() => link.measure({ width, height }), AGAIN_MS);
    });
    return () => {
      clearTimeout(again);
      off();
    };
  }, [link, survey, dressed, width, height]);
  const frame = useRef<HTMLIFrameElement>(null);
  const [request] = useState(() => () => makeMeasureRequest(session.store.getState().document));
  const { key } = useOpenedFrame(frame, link, page, request);
  const state = useStore(link.store, (s) => s.link);
  // Pins and adjustments are part of the page; motions are not, and without them it is measured much faster.
  const stays = useMemo(
    () => writeCss(document, layout, 'full-motion').pieces.filter((p) => p.stays),
    [document, layout],
  );
  const patch = useMemo(() => makePatch(document), [document]);
  useEffect(() => {
    if (state !== 'ready') return;
    link.style(stays, patch, EMPTY_PLAN);
    setDressed(true);
  }, [link, state, stays, patch]);
  useEffect(() => {
    if (dressed) link.measure({ width, height });
  }, [link, dressed, width, height]);
  useEffect(() => {
    if (state === 'lost') survey.end();
  }, [state, survey]);
  return (
    <iframe
      key={key}
      ref={frame}
      title={measuredSizesText.measuredAtOtherSizes(page.name)}
      sandbox={makeSandbox(page)}
      className="unseen-page"
      style={{ width, height }}
      tabIndex={-1}
      aria-hidden="true"
    />
  );
}
