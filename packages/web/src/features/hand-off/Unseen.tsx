/** The page in a frame that nobody sees, for its layout at one size. */
import { useEffect, useRef, useState } from 'react';
import { EMPTY_PLAN, makeMeasureRequest, makePatch, writeCss } from '@lyvek/core';
import type { Viewport } from '@lyvek/core';
import { PageLink } from '../../preview/page-link.ts';
import { makeSandbox, useOpenedFrame } from '../../preview/use-opened-frame.ts';
import { useLayout, useShownPage } from '../../preview/shown-page.ts';
import { useOpenedPage, useSettledDocument } from '../../state/opened-page.ts';
import { unseenText } from './text.ts';

export function Unseen({ at }: { at: Viewport }) {
  const { page, session } = useOpenedPage();
  const { keepLayout, reducedMotion } = useShownPage();
  const { layout } = useLayout();
  const document = useSettledDocument();
  const [link] = useState(() => new PageLink());
  useEffect(() => link.on('layout', keepLayout), [link, keepLayout]);
  const dress = useRef({ document, layout, reducedMotion });
  dress.current = { document, layout, reducedMotion };
  useEffect(() => {
    link.wear(() => {
      const { document, layout, reducedMotion } = dress.current;
      const { pieces } = writeCss(document, layout, reducedMotion ? 'reduced-motion' : 'full-motion');
      return { pieces: pieces.filter((p) => p.stays), patch: makePatch(document), plan: EMPTY_PLAN };
    });
  }, [link]);
  const frame = useRef<HTMLIFrameElement>(null);
  const [request] = useState(() => () => makeMeasureRequest(session.store.getState().document));
  const { key } = useOpenedFrame(frame, link, page, request);
  return (
    <iframe
      key={key}
      ref={frame}
      title={unseenText.measuredAtPx(page.name, at.width)}
      sandbox={makeSandbox(page)}
      className="unseen-page"
      style={at}
      tabIndex={-1}
      aria-hidden="true"
    />
  );
}
