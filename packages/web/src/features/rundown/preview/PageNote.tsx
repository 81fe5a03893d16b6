/** What is said about the previewed page: over it as long as it cannot be worked with, else in one line below it. */
import { useStore } from 'zustand';
import type { PageView } from '../../../preview/page-link.ts';
import type { OpenedFrame } from '../../../preview/use-opened-frame.ts';
import { useShownPage } from '../../../preview/shown-page.ts';
import { useOpenedPage } from '../../../state/opened-page.ts';
import { useOutside } from '../../../state/use-outside.ts';
import { LiveNote } from './LiveNote.tsx';
import { pageNoteText } from './text.ts';

const BLOCKED = {
  lost: 'The page has not answered for ten seconds. Its own scripts may keep it from doing so, or it has gone elsewhere.',
  hung: 'The page is busy and does not answer.',
  flood: 'The page sent more messages than can be read, and was cut off.',
} as const;

const whyBlocked = ({ link, trouble }: PageView): keyof typeof BLOCKED | null =>
  trouble === 'flood' ? 'flood' : link === 'hung' || link === 'lost' ? link : null;

export function PageNote({ opened }: { opened: OpenedFrame }) {
  const { page } = useOpenedPage();
  const { link } = useShownPage();
  const view = useStore(link.store);
  const why = whyBlocked(view);
  if (page.live && view.link !== 'ready' && view.link !== 'hung' && !view.layout)
    return <LiveNote live={page.live} refused={view.refused} again={opened.again} />;
  if (why === null)
    return view.link === 'loading' && !view.layout ? (
      <div className="preview-note">{pageNoteText.openingThePage}</div>
    ) : null;
  return (
    <div className="preview-note stopped" role="alert">
      <p>{BLOCKED[why]}</p>
      <p className="preview-note-buttons">
        <button type="button" className="btn main" onClick={() => opened.again({ scripts: opened.scripts })}>
          {pageNoteText.reloadThePage}
        </button>
        {!page.live && opened.scripts && <WithoutScripts opened={opened} />}
      </p>
    </div>
  );
}

const WithoutScripts = ({ opened }: { opened: OpenedFrame }) => (
  <button type="button" className="btn" onClick={() => opened.again({ scripts: false })}>
    {pageNoteText.openWithoutScripts}
  </button>
);

/** One line at a time: the one that matters most. */
export function PageRemark({ opened }: { opened: OpenedFrame }) {
  const { page } = useOpenedPage();
  const { link } = useShownPage();
  const { trouble, blocked, late } = useStore(link.store);
  if (!opened.scripts)
    return (
      <p className="preview-late">
        {opened.sentOff ? pageNoteText.itsScriptsKeptTaking : pageNoteText.shownWithoutItsScripts}{' '}
        <button type="button" className="btn small" onClick={() => opened.again({ scripts: true })}>
          {pageNoteText.runItsScripts}
        </button>
      </p>
    );
  if (trouble === 'focus') return <p className="preview-late">{pageNoteText.thisPageKeepsTaking}</p>;
  if (blocked.length > 0 && !page.outside) return <OtherHosts hosts={blocked} />;
  return late ? <p className="preview-late">{pageNoteText.itsLoadEventNever}</p> : null;
}

function OtherHosts({ hosts }: { hosts: readonly string[] }) {
  const set = useOutside();
  const more = hosts.length > 1 ? ` and ${hosts.length - 1} more` : '';
  return (
    <p className="preview-late" title={hosts.join('\n')}>
      {pageNoteText.filesFromWereNot(hosts[0], more)}{' '}
      <button type="button" className="btn small" onClick={() => set(true)}>
        {pageNoteText.loadFromOtherHosts}
      </button>
    </p>
  );
}
