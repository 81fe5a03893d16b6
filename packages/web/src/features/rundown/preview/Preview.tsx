/** The real page, scaled, with the chosen element's box and lines drawn over it from outside its DOM. */
import { useEffect, useMemo, useRef } from 'react';
import { useStore } from 'zustand';
import { makeSandbox } from '../../../preview/use-opened-frame.ts';
import { useShownPage } from '../../../preview/shown-page.ts';
import { useOpenedPage, useShownDocument } from '../../../state/opened-page.ts';
import { useLinkedPage } from '../../../preview/use-linked-page.ts';
import { soloed } from '../model/find.ts';
import { useRundown } from '../rundown-context.ts';
import { Gutter } from './Gutter.tsx';
import { Guides } from './Guides.tsx';
import { MoveGrips } from './MoveGrips.tsx';
import { ShapeGrips } from './ShapeGrips.tsx';
import { PageNote, PageRemark } from './PageNote.tsx';
import { previewText } from './text.ts';

const GUTTER = 84;

export function Preview({ width, height }: { width: number; height: number }) {
  const { page } = useOpenedPage();
  const { link, viewport } = useShownPage();
  const { solo, selection } = useRundown();
  const whole = useShownDocument();
  const document = useMemo(() => (solo ? soloed(whole, selection) : whole), [whole, solo, selection]);
  const frame = useRef<HTMLIFrameElement>(null);
  const state = useStore(link.store, (s) => s.link);
  const scale = Math.min((width - GUTTER) / viewport.width, height / viewport.height, 1);
  const opened = useLinkedPage(frame, document);
  useEffect(() => link.setScale(scale), [link, scale]);

  const w = viewport.width * scale;
  const h = viewport.height * scale;
  return (
    <div className="preview" data-link={state} style={{ width, height }}>
      <div className="preview-page" style={{ width: w, height: h }}>
        <iframe
          key={opened.key}
          ref={frame}
          title={previewText.previewOf(page.name)}
          sandbox={makeSandbox(page)}
          tabIndex={page.live ? undefined : -1}
          style={{ width: viewport.width, height: viewport.height, transform: `scale(${scale})` }}
        />
        <PageNote opened={opened} />
        <Guides scale={scale} width={w} height={h} />
        <MoveGrips scale={scale} width={w} height={h} />
        <ShapeGrips scale={scale} width={w} height={h} />
        <PageRemark opened={opened} />
      </div>
      <Gutter scale={scale} left={w} height={h} />
    </div>
  );
}
