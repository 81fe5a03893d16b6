/** One page on the rack: its strip at the common scale, its motions as threads, and what is known of it. */
import { memo, useState } from 'react';
import type { KeyboardEvent } from 'react';
import type { PageOnShelf } from '@lyvek/api';
import { emptyDocument, emptyLayout } from '@lyvek/core';
import type { Layout } from '@lyvek/core';
import { StripArt } from '../../editor/strip/StripArt.tsx';
import { computeBars } from '../../editor/model/bars.ts';
import { PAD } from '../../editor/strip/view.ts';
import { driverDrawing } from '../../editor/drivers/drawings.ts';
import { pageStripText } from './text.ts';

/** Pages longer than this get a break with the middle left out. */
const LONGEST = 15_000;
const WIDTH = 56;

export interface PageStripProps {
  page: PageOnShelf;
  layout: Layout | null;
  /** page px per screen px */
  scale: number;
  onOpen(at: number | null): void;
  actions: React.ReactNode;
}

export const PageStrip = memo(function PageStrip({ page, layout, scale, onOpen, actions }: PageStripProps) {
  const [at, setAt] = useState<number | null>(null);
  const height = Math.min(layout?.page.height ?? 2400, LONGEST);
  const cut = layout ? layout.page.height - height : 0;
  const section = at === null ? null : layout?.sections.findLast((s) => s.top <= at);
  const key = (e: KeyboardEvent) => {
    const step = { ArrowDown: 200, ArrowUp: -200 }[e.key];
    if (step !== undefined) setAt(Math.min(height, Math.max(0, (at ?? 0) + step)));
    else if (e.key === 'ArrowRight' || e.key === 'ArrowLeft') {
      const all = [...document.querySelectorAll<HTMLElement>('.strip-button')];
      all[all.indexOf(e.currentTarget as HTMLElement) + (e.key === 'ArrowRight' ? 1 : -1)]?.focus();
    } else return;
    e.preventDefault();
  };
  return (
    <article className="hung" aria-label={page.name}>
      <div className="batten" />
      <div className="hung-row">
        <button
          type="button"
          className="strip-button"
          aria-label={pageStripText.open(page.name, at)}
          onClick={() => onOpen(at)}
          onKeyDown={key}
          onPointerMove={(e) =>
            setAt(
              Math.min(
                height,
                Math.max(0, (e.clientY - e.currentTarget.getBoundingClientRect().top) * scale),
              ),
            )
          }
          onPointerLeave={() => setAt(null)}
          onBlur={() => setAt(null)}
        >
          <Strip page={page} layout={layout} scale={scale} height={height} at={at} />
          {at !== null && (
            <span className="open-at" style={{ top: at / scale - 10 }}>
              {pageStripText.openAt(Math.round(at).toLocaleString('en'))}
              {section && <i>{section.name}</i>}
            </span>
          )}
        </button>
        <div className="hung-facts">
          <h2>{page.name}</h2>
          <Facts page={page} layout={layout} />
          <p>{page.takes.map((t) => t.name).join(', ')}</p>
          {cut > 0 && (
            <p className="italic">{pageStripText.pxLeftOut(Math.round(cut).toLocaleString('en'))}</p>
          )}
          <p className="hung-actions">{actions}</p>
        </div>
      </div>
    </article>
  );
});

interface StripProps extends Pick<PageStripProps, 'page' | 'layout' | 'scale'> {
  /** px of the page that are shown */
  height: number;
  at: number | null;
}

function Strip({ page, layout, scale, height, at }: StripProps) {
  const rows = height / scale;
  const view = { top: 0, per: scale };
  const { bars } = computeBars(page.document ?? emptyDocument(), layout ?? fallback);
  return (
    <svg width={80} height={rows + 2} aria-hidden="true">
      <g transform={`translate(8 ${-PAD})`}>
        {layout ? (
          <StripArt layout={layout} view={view} x={0} width={WIDTH} />
        ) : (
          <rect className="strip-a" x={0} y={PAD} width={WIDTH} height={rows} />
        )}
      </g>
      <rect x={0} y={0} width={4} height={rows} className="cost-track" />
      {page.bands.map((b) => (
        <rect
          key={b.from}
          x={0}
          width={b.band === 'over' ? 6 : 4}
          y={Math.min(rows, b.from / scale)}
          height={Math.max(0, Math.min(rows, b.to / scale) - b.from / scale)}
          className={`band ${b.band}`}
        />
      ))}
      {bars.map((b, i) => {
        const y0 = Math.max(0, b.placed.start / scale);
        const h = Math.max(2, Math.min(rows, b.placed.end / scale) - y0);
        if (y0 > rows) return null;
        return (
          <rect
            key={b.motion.id}
            x={66 + (i % 4) * 3.2}
            y={y0}
            width={driverDrawing(b.motion.driver.kind).bar.holds ? 2.4 : 1}
            height={h}
            className={`thread-${b.motion.driver.kind}`}
          />
        );
      })}
      {layout && layout.page.height > height && (
        <path className="strip-break" d={`M6 ${rows - 40}l10 -5 10 5 10 -5 10 5 10 -5 10 5`} />
      )}
      {at !== null && <path className="strip-at" d={`M0 ${at / scale}H80`} />}
    </svg>
  );
}

function Facts({ page, layout }: Pick<PageStripProps, 'page' | 'layout'>) {
  return (
    <>
      <p>
        {layout ? (
          <>
            <b>{Math.round(layout.page.height).toLocaleString('en')}</b> {pageStripText.px}
          </>
        ) : page.live ? (
          pageStripText.notOpenedYet
        ) : (
          pageStripText.beingMeasured
        )}
      </p>
      <p>
        {page.document?.motions.length ? (
          <>
            <b>{page.document.motions.length}</b>{' '}
            {page.document.motions.length === 1 ? pageStripText.motion : pageStripText.motions}
          </>
        ) : (
          pageStripText.noMotionsYet
        )}
      </p>
    </>
  );
}

const fallback = emptyLayout({ width: 1280, height: 800 });
