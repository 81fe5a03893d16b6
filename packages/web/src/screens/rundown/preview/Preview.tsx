/** The real page, scaled, with the chosen element's box and lines drawn over it from outside its DOM. */
import { useEffect, useMemo, useRef } from 'react';
import { useStore } from 'zustand';
import { sandboxOf } from '../../../parts/use-opened-frame.ts';
import { useOpenedPage, useShownDocument } from '../../page-context.ts';
import { useLinkedPage } from '../../use-linked-page.ts';
import { soloed } from '../model/find.ts';
import { useRundown } from '../rundown-context.ts';
import { Gutter } from './Gutter.tsx';
import { Guides } from './Guides.tsx';
import { LiveNote } from './LiveNote.tsx';
import { MoveGrips } from './MoveGrips.tsx';

const GUTTER = 84;

export function Preview({ width, height }: { width: number; height: number }) {
  const { page, link, viewport } = useOpenedPage();
  const { solo, selection } = useRundown();
  const whole = useShownDocument();
  const document = useMemo(() => (solo ? soloed(whole, selection) : whole), [whole, solo, selection]);
  const frame = useRef<HTMLIFrameElement>(null);
  const state = useStore(link.store, (s) => s.link);
  const late = useStore(link.store, (s) => s.late);
  const refused = useStore(link.store, (s) => s.refused);
  const live = useStore(link.store, (s) => s.layout);
  const scale = Math.min((width - GUTTER) / viewport.width, height / viewport.height, 1);
  const { key, again } = useLinkedPage(frame, document);
  useEffect(() => link.setScale(scale), [link, scale]);

  const w = viewport.width * scale;
  const h = viewport.height * scale;
  return (
    <div className="preview" data-link={state} style={{ width, height }}>
      <div className="preview-page" style={{ width: w, height: h }}>
        <iframe
          key={key}
          ref={frame}
          title={`Preview of ${page.name}`}
          sandbox={sandboxOf(page)}
          style={{ width: viewport.width, height: viewport.height, transform: `scale(${scale})` }}
        />
        {page.live && state !== 'ready' && state !== 'hung' && !live && (
          <LiveNote live={page.live} refused={refused} again={again} />
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
            <button type="button" className="btn main" onClick={again}>
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
