/** The column at the right of the hand-off: for whom it is, how large it is, and the zip. */
import { useRef } from 'react';
import type { Viewport } from '@lyvek/core';
import { useOpenedPage } from '../page-context.ts';

/** Remembered for all pages. */
const OLDER = 'lyvek-older';
export const wantsOlder = (): boolean => localStorage.getItem(OLDER) === 'yes';

interface TakeAwayProps {
  href: string;
  saved: boolean;
  empty: boolean;
  /** also for browsers without scroll timelines */
  older: boolean;
  onOlder(on: boolean): void;
  /** motions that those browsers get */
  count: number;
  notes: readonly { motion: string; name: string; note: string }[];
  css: string;
  /** bytes; null where none is needed */
  script: number | null;
  sizes: readonly Viewport[];
}

export function TakeAway(props: TakeAwayProps) {
  const { page } = useOpenedPage();
  const { older, script } = props;
  return (
    <section className="hand-take">
      <header className="hand-head">
        <b>Take it away</b>
      </header>
      <p>
        The zip holds the page with all its files as you brought them, the style sheet, and the one link.
        Unpack it and open <code>{page.entry}</code>.
      </p>
      <label className="tick older">
        <input
          type="checkbox"
          checked={older}
          onChange={(e) => {
            localStorage.setItem(OLDER, e.target.checked ? 'yes' : 'no');
            props.onOlder(e.target.checked);
          }}
        />
        <span>
          Also for browsers without scroll timelines
          <i>
            {older
              ? `they play it by a script of their own, ${props.count} motions as data`
              : 'they show the page complete and still'}
          </i>
        </span>
      </label>
      {props.notes.map((n) => (
        <p key={n.motion} role="note" className="small">
          <b>{n.name}:</b> {n.note}
        </p>
      ))}
      <DownloadButton href={props.href} saved={props.saved} empty={props.empty} />
      <dl>
        <dt>CSS</dt>
        <dd>{(new Blob([props.css]).size / 1000).toFixed(1)} kB</dd>
        <dt>Script</dt>
        <dd>{script === null ? 'none needed' : `${(script / 1000).toFixed(1)} kB`}</dd>
        <dt>Measured at</dt>
        <dd>{props.sizes.map((v) => `${v.width} × ${v.height}`).join(', ')}</dd>
      </dl>
    </section>
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
        title={saved ? undefined : 'As soon as the last edit is saved'}
        onClick={() => anchor.current?.click()}
      >
        Download
      </button>
      <a ref={anchor} hidden href={href} download aria-hidden="true" tabIndex={-1}>
        zip
      </a>
      {!saved && <p className="small">Waiting until the last edit is saved.</p>}
    </>
  );
}
