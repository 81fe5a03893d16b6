/** The row under the bar: what the columns are, the scale, + Motion; and what the preview shows. */
import { useEffect, useState } from 'react';
import { useStore } from 'zustand';
import { DriverSign } from '../../editor/drivers/DriverSign.tsx';
import { DRIVER_WORDS } from '../../editor/drivers/words.ts';
import type { Driver } from '@lyvek/core';
import { useShownPage } from '../../preview/shown-page.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { useOutside } from '../../state/use-outside.ts';
import { grouped } from '../../editor/strip/view.ts';
import { Find } from './Find.tsx';
import { LostPopover } from './LostPopover.tsx';
import { ImportPopover } from './ImportPopover.tsx';
import { useRundown } from './rundown-context.ts';
import { dragStore } from './model/drag-store.ts';
import { headRowText } from './text.ts';

export function HeadRow({ side }: { side: 'left' | 'right' }) {
  return side === 'left' ? <Left /> : <Right />;
}

const LEGEND = (Object.keys(DRIVER_WORDS) as Driver['kind'][]).flatMap((kind) => {
  const word = DRIVER_WORDS[kind].legend;
  return word === undefined ? [] : [{ kind, word }];
});

function Left() {
  const { layout, view, adding, setAdding, max } = useRundown();
  return (
    <div className="head-row">
      <span className="head-strip">{headRowText.px(grouped(layout.page.height))}</span>
      <span className="head-scroll">{headRowText.scrollPx}</span>
      {adding ? (
        <b className="pl-3">{headRowText.addAMotion}</b>
      ) : (
        <span className="legend">
          {LEGEND.map(({ kind, word }) => (
            <span key={kind} title={word}>
              <DriverSign kind={kind} /> <span className="word-of">{word}</span>
            </span>
          ))}
        </span>
      )}
      <span className="grow" />
      {!adding && <Find />}
      <span className="scale" title={headRowText.andZoomShowsThe}>
        1 : {view.per >= 10 ? Math.round(view.per) : Number(view.per.toFixed(1))}
      </span>
      <button
        type="button"
        className="btn small"
        data-tour="add"
        aria-pressed={adding}
        disabled={max < 0}
        onClick={() => setAdding(!adding)}
      >
        {headRowText.motion}
      </button>
    </div>
  );
}

function Right() {
  const { page, session } = useOpenedPage();
  const { link, reducedMotion, setReducedMotion } = useShownPage();
  const scope = useStore(session.store, (s) => s.document.media.find((m) => m.id === s.scope));
  const { guides, setGuides, outlines, setOutlines, stays, setStays, playing, layout, max } = useRundown();
  const y = useStore(link.store, (s) => s.offset.y);
  const dragging = useStore(dragStore, (s) => s.drag !== null);
  const setOutside = useOutside();
  const note = layout.notes[0];
  return (
    <div className="head-row right">
      <span className="page-at">
        {headRowText.pageAt} <b>{headRowText.atPx(grouped(y))}</b>
        {max > 0 && headRowText.share(Math.round((y / max) * 100))}
        {dragging ? headRowText.followingTheDrag : playing ? headRowText.playing : ''}
      </span>
      {note && (
        <span className="page-note" title={layout.notes.join('\n')}>
          {layout.notes.length > 1 ? headRowText.notes(layout.notes.length) : ''}
          {note}
        </span>
      )}
      {scope && (
        <span className="scope-note">
          {headRowText.editing} <b>{scope.name}</b> {headRowText.only}
        </span>
      )}
      <span className="grow" />
      {!page.live && <LostPopover />}
      {page.live ? <UseThePage /> : <ImportPopover />}
      {page.outside && (
        <label className="tick" title={headRowText.thisPageMayLoad}>
          <input type="checkbox" checked onChange={() => setOutside(false)} /> {headRowText.otherHosts}
        </label>
      )}
      <label className="tick" title={headRowText.thePageGoesAlong}>
        <input type="checkbox" checked={!stays} onChange={(e) => setStays(!e.target.checked)} />{' '}
        {headRowText.follow}
      </label>
      <label className="tick">
        <input type="checkbox" checked={guides} onChange={(e) => setGuides(e.target.checked)} />{' '}
        {headRowText.guides}
      </label>
      <label className="tick">
        <input type="checkbox" checked={outlines} onChange={(e) => setOutlines(e.target.checked)} />{' '}
        {headRowText.outlines}
      </label>
      <label className="tick">
        <input type="checkbox" checked={reducedMotion} onChange={(e) => setReducedMotion(e.target.checked)} />{' '}
        {headRowText.reducedMotion}
      </label>
    </div>
  );
}

/** A page under development can be used as it is: links followed, forms filled in. */
function UseThePage() {
  const { link } = useShownPage();
  const [on, set] = useState(false);
  const state = useStore(link.store, (s) => s.link);
  useEffect(() => link.use(on), [link, on, state]);
  return (
    <label className="tick" title={headRowText.clicksAndKeysGo}>
      <input type="checkbox" checked={on} onChange={(e) => set(e.target.checked)} /> {headRowText.useThePage}
    </label>
  );
}
