/** How large the hand-off is, for whom, and the zip. */
import { useRef } from 'react';
import { canFallBack } from '@lyvek/core';
import type { Assembled, HandOffOptions, Viewport } from '@lyvek/core';
import { takeAwayText } from './text.ts';

interface TakeAwayProps {
  href: string;
  saved: boolean;
  empty: boolean;
  assembled: Assembled;
  options: HandOffOptions;
  onOptions(change: Partial<HandOffOptions>): void;
  findName(motion: string): string;
  /** bytes; null where none is needed */
  script: number | null;
  sizes: readonly Viewport[];
}

const kB = (bytes: number) => `${(bytes / 1000).toFixed(1)} kB`;

export function TakeAway(props: TakeAwayProps) {
  const { assembled, options, script } = props;
  return (
    <div className="take-away">
      <dl>
        <dt>{takeAwayText.css}</dt>
        <dd>{kB(new Blob([assembled.css]).size)}</dd>
        <dt>{takeAwayText.script}</dt>
        <dd>{script === null ? takeAwayText.none : kB(script)}</dd>
        <dt>{takeAwayText.measuredAt}</dt>
        <dd>{props.sizes.map((v) => `${v.width} × ${v.height}`).join(', ')}</dd>
      </dl>
      {canFallBack(options.target) && (
        <label className="tick fallback">
          <input
            type="checkbox"
            checked={options.fallback}
            onChange={(e) => props.onOptions({ fallback: e.target.checked })}
          />
          <span>
            {takeAwayText.alsoForBrowsersWithout}
            <i>
              {assembled.fallback
                ? takeAwayText.theyGetAFallback(assembled.fallback.count)
                : takeAwayText.theyShowThePage}
            </i>
          </span>
        </label>
      )}
      {[...assembled.lost, ...(assembled.fallback?.notes ?? [])].map((n) => (
        <p key={n.motion + n.note} role="note" className="small">
          <b>{props.findName(n.motion)}:</b> {n.note}
        </p>
      ))}
      <DownloadButton href={props.href} saved={props.saved} empty={props.empty} />
    </div>
  );
}

/** Waits until everything is saved: the zip is written from what the server has. */
function DownloadButton({ href, saved, empty }: { href: string; saved: boolean; empty: boolean }) {
  const anchor = useRef<HTMLAnchorElement>(null);
  return (
    <>
      <button
        type="button"
        className="btn main"
        disabled={!saved || empty}
        title={saved ? undefined : takeAwayText.asSoonAsThe}
        onClick={() => anchor.current?.click()}
      >
        {takeAwayText.download}
      </button>
      <a ref={anchor} hidden href={href} download aria-hidden="true" tabIndex={-1}>
        {takeAwayText.zip}
      </a>
      {!saved && <p className="small">{takeAwayText.waitingUntilTheLast}</p>}
    </>
  );
}
