/**
 * How far a strip travels is a length at every width only when two widths are known: where a take has such a pin and the page was measured
 * at one width, another one is measured here, unseen.
 */
import { useEffect, useRef, useState } from 'react';
import { patchOf, selectorsOf, writeCss } from '@lyvek/core';
import type { Plan, Viewport } from '@lyvek/core';
import { PageLink } from '../../parts/page-link.ts';
import { sandboxOf, useOpenedFrame } from '../../parts/use-opened-frame.ts';
import { useLayout, useOpenedPage, useSettledDocument } from '../page-context.ts';

const NOTHING: Plan = { follow: [], signals: [], belts: [], travels: [] };
const NARROW: Viewport = { width: 390, height: 844 };
const WIDE: Viewport = { width: 1280, height: 800 };

export function SecondWidth() {
  const { viewport, page } = useOpenedPage();
  const { measured, others } = useLayout();
  const { pins } = useSettledDocument();
  const travels = pins.some((p) => p.on && p.distance.kind === 'travel');
  const isKnown = others.some((l) => l.viewport.width !== viewport.width);
  if (!travels || !measured || isKnown || page.live) return null;
  return <Measuring at={viewport.width === NARROW.width ? WIDE : NARROW} />;
}

function Measuring({ at }: { at: Viewport }) {
  const { page, session, events } = useOpenedPage();
  const { layout } = useLayout();
  const document = useSettledDocument();
  const [link] = useState(() => new PageLink({ layout: (l) => events.layout?.(l) }));
  const dress = useRef({ document, layout });
  dress.current = { document, layout };
  useEffect(() => {
    link.wear(() => {
      const { pieces } = writeCss(dress.current.document, dress.current.layout, 'full-motion');
      return { pieces: pieces.filter((p) => p.stays), patch: patchOf(dress.current.document), plan: NOTHING };
    });
  }, [link]);
  const frame = useRef<HTMLIFrameElement>(null);
  const [selectors] = useState(() => () => selectorsOf(session.store.getState().document));
  const { key } = useOpenedFrame(frame, link, page, selectors);
  return (
    <iframe
      key={key}
      ref={frame}
      title={`${page.name}, measured at ${at.width} px`}
      sandbox={sandboxOf(page)}
      className="unseen-page"
      style={at}
      tabIndex={-1}
      aria-hidden="true"
    />
  );
}
