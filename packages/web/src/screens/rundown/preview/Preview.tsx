/** The real page, scaled, with the chosen element's box and lines drawn over it from outside its DOM. */
import { useEffect, useMemo, useRef, useState } from 'react';
import { useStore } from 'zustand';
import { patchOf, selectorsOf, writeCss } from '@lyvek/core';
import { previewUrl } from '../../../parts/preview-url.ts';
import { useOpenedPage, useSettledDocument, useShownDocument } from '../../page-context.ts';
import { soloed } from '../model/find.ts';
import { useRundown } from '../rundown-context.ts';
import { Gutter } from './Gutter.tsx';
import { Guides } from './Guides.tsx';
import { LiveNote } from './LiveNote.tsx';
import { MoveGrips } from './MoveGrips.tsx';

const GUTTER = 84;
/** The host form answers within this time, or the path form is tried. */
const FALL_BACK = 4000;

export function Preview({ width, height }: { width: number; height: number }) {
  const { page, session, link, viewport, reduced } = useOpenedPage();
  const { layout, measured, solo, selection } = useRundown();
  const whole = useShownDocument();
  const document = useMemo(() => (solo ? soloed(whole, selection) : whole), [whole, solo, selection]);
  const frame = useRef<HTMLIFrameElement>(null);
  const [round, setRound] = useState(0);
  const [form, setForm] = useState<'host' | 'path'>('host');
  const state = useStore(link.store, (s) => s.link);
  const late = useStore(link.store, (s) => s.late);
  const refused = useStore(link.store, (s) => s.refused);
  const live = useStore(link.store, (s) => s.layout);
  const scale = Math.min((width - GUTTER) / viewport.width, height / viewport.height, 1);

  useEffect(() => {
    const detach = link.attach(
      frame.current!,
      () => selectorsOf(session.store.getState().document),
      page.live,
    );
    // Only after someone listens for its first words.
    frame.current!.src = page.live?.url ?? previewUrl(page.token, form);
    return detach;
  }, [link, session, page.token, page.live, form, round]);

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

  useEffect(() => link.setScale(scale), [link, scale]);
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

  const w = viewport.width * scale;
  const h = viewport.height * scale;
  return (
    <div className="preview" data-link={state} style={{ width, height }}>
      <div className="preview-page" style={{ width: w, height: h }}>
        <iframe
          key={`${round}${form}`}
          ref={frame}
          title={`Preview of ${page.name}`}
          // A page under development has an origin of its own, which is not ours.
          sandbox={
            page.live
              ? 'allow-scripts allow-same-origin allow-forms allow-modals allow-popups'
              : 'allow-scripts'
          }
          style={{ width: viewport.width, height: viewport.height, transform: `scale(${scale})` }}
        />
        {page.live && state !== 'ready' && state !== 'hung' && !live && (
          <LiveNote live={page.live} refused={refused} again={() => setRound((r) => r + 1)} />
        )}
        {!page.live && (state === 'loading' || state === 'lost') && !live && (
          <div className="preview-note">
            {state === 'loading' ? 'Opening the page …' : 'The page does not answer.'}
          </div>
        )}
        {(state === 'hung' || (state === 'lost' && !page.live)) && (
          <div className="preview-note hung">
            <p>
              {state === 'hung'
                ? 'The page is busy and does not answer.'
                : 'The page has gone elsewhere or cannot be shown.'}
            </p>
            <button type="button" className="btn main" onClick={() => setRound((r) => r + 1)}>
              Reload the page
            </button>
          </div>
        )}
        <Guides scale={scale} width={w} height={h} />
        <MoveGrips scale={scale} width={w} height={h} />
      </div>
      <Gutter scale={scale} left={w} height={h} />
      {late && (
        <p className="preview-late">
          Its load event never came; measured three seconds after its DOM was there.
        </p>
      )}
    </div>
  );
}
