/** The page in a frame of its own, unseen, made as large as the survey wants it and measured. */
import { useEffect, useMemo, useRef, useState } from 'react';
import { useStore } from 'zustand';
import { makePatch, collectSelectors, writeCss } from '@lyvek/core';
import type { Plan, Viewport } from '@lyvek/core';
import { PageLink } from '../../../parts/page-link.ts';
import { makeSandbox, useOpenedFrame } from '../../../parts/use-opened-frame.ts';
import { useLayout, useOpenedPage, useSettledDocument } from '../../page-context.ts';

/** A page that answers with another size has not been laid out anew yet: asked again after this long, ms. */
const AGAIN = 30;
const NOTHING: Plan = { damping: [], signals: [], marquees: [], travels: [] };

export function MeasuredSizes() {
  const wanted = useStore(useOpenedPage().survey.store, (s) => s.wanted);
  return wanted && <Frame wanted={wanted} />;
}

function Frame({ wanted }: { wanted: Viewport }) {
  const { page, session, survey } = useOpenedPage();
  const { layout } = useLayout();
  const document = useSettledDocument();
  const [dressed, setDressed] = useState(false);
  const [link] = useState(
    (): PageLink =>
      new PageLink({
        layout(l) {
          if (!dress.current) return;
          clearTimeout(again.current);
          if (!survey.put(l)) again.current = setTimeout(() => link.measure(), AGAIN);
        },
      }),
  );
  const again = useRef<ReturnType<typeof setTimeout>>(undefined);
  const dress = useRef(false);
  dress.current = dressed;
  const frame = useRef<HTMLIFrameElement>(null);
  const [selectors] = useState(() => () => collectSelectors(session.store.getState().document));
  const { key } = useOpenedFrame(frame, link, page, selectors);
  const state = useStore(link.store, (s) => s.link);
  // Pins and adjustments are part of the page; motions are not, and without them it is measured much faster.
  const stays = useMemo(
    () => writeCss(document, layout, 'full-motion').pieces.filter((p) => p.stays),
    [document, layout],
  );
  const patch = useMemo(() => makePatch(document), [document]);
  useEffect(() => {
    if (state !== 'ready') return;
    link.style(stays, patch, NOTHING);
    setDressed(true);
  }, [link, state, stays, patch]);
  const { width, height } = wanted;
  useEffect(() => {
    if (dressed) link.measure();
  }, [link, dressed, width, height]);
  useEffect(() => {
    if (state === 'lost') survey.end();
  }, [state, survey]);
  return (
    <iframe
      key={key}
      ref={frame}
      title={`${page.name}, measured at other sizes`}
      sandbox={makeSandbox(page)}
      className="unseen-page"
      style={{ width, height }}
      tabIndex={-1}
      aria-hidden="true"
    />
  );
}
