/** The page’s own files beside what becomes of them: what is added, and what was read into motions and is taken out. */
import { useState } from 'react';
import { RUNTIME_FILE } from '@lyvek/core';
import type { Assembled } from '@lyvek/core';
import { Code } from './Code.tsx';
import { around } from './changed-lines.ts';
import type { Excerpt } from './changed-lines.ts';
import { htmlColumnText } from './text.ts';

interface HtmlColumnProps {
  entry: string;
  /** as it was brought */
  html: string;
  assembled: Assembled;
  onCopy(text: string, what: string): void;
}

export function HtmlColumn({ entry, html, assembled, onCopy }: HtmlColumnProps) {
  const [brought, setAdded] = useState(false);
  const { html: patched, pageFiles, script } = assembled;
  const added = patched.changes.length;
  const gone = patched.removed;
  return (
    <section className="hand-html">
      <header className="hand-head">
        <b className="flex-none">{entry}</b>{' '}
        <span className="truncate">{summary(patched.lines.length, added, gone.length)}</span>
        <span className="grow" />
        <button type="button" className="btn small" aria-pressed={brought} onClick={() => setAdded(!brought)}>
          {htmlColumnText.original}
        </button>
        <button
          type="button"
          className="btn small"
          onClick={() => onCopy(patched.text, htmlColumnText.theHtml)}
        >
          {htmlColumnText.copy}
        </button>
      </header>
      {brought ? (
        <Code {...excerpt(around(html, gone, gone[0] ?? headLine(html)))} language="html" marks={[]} />
      ) : (
        <Code
          text={
            around(
              patched.text,
              patched.changes.map((c) => c.line),
              patched.line || headLine(patched.text),
            ).text
          }
          language="html"
          marks={[]}
          added={[...patched.lines, ...patched.changes.map((c) => c.text)]}
        />
      )}
      {pageFiles.map((f) => {
        const lines = f.removed;
        return (
          <div key={f.path}>
            <header className="hand-head">
              <b className="flex-none">{f.path}</b>{' '}
              <span className="truncate">{htmlColumnText.linesAreMotionsNow(lines.length)}</span>
            </header>
            <Code {...excerpt(around(f.before, lines, lines[0] ?? 1))} language="css" marks={[]} />
          </div>
        );
      })}
      {script !== null && (
        <>
          <header className="hand-head">
            <b>{script.href}</b>{' '}
            <span>{htmlColumnText.written(assembled.runtimes.length, RUNTIME_FILE)}</span>
            <span className="grow" />
            <button
              type="button"
              className="btn small"
              onClick={() => onCopy(script.text, htmlColumnText.theScript)}
            >
              {htmlColumnText.copy}
            </button>
          </header>
          <Code text={script.text} language="html" marks={[]} />
        </>
      )}
      <Notes assembled={assembled} />
    </section>
  );
}

function Notes({ assembled }: Pick<HtmlColumnProps, 'assembled'>) {
  const { html: patched, pageFiles } = assembled;
  const added = patched.changes.length;
  const gone = patched.removed;
  return (
    <div className="hand-notes">
      {patched.lines.length > 0 ? (
        <p>
          <b>{htmlColumnText.added}</b> {htmlColumnText.lastInTheHead(patched.lines.length)}
        </p>
      ) : (
        <p>
          <b>{htmlColumnText.added}</b> {htmlColumnText.noLineThePage}
        </p>
      )}
      {added > 0 && (
        <p>
          <b>{htmlColumnText.added}</b> {htmlColumnText.whatPinsAndAdjustments}
        </p>
      )}
      {patched.notes.map((note) => (
        <p key={note} role="note">
          <b>{htmlColumnText.note}</b> {note}
        </p>
      ))}
      <p>
        <b>{htmlColumnText.removed}</b>{' '}
        {gone.length + pageFiles.length === 0 ? htmlColumnText.nothing : htmlColumnText.thePagesOwnRules}
      </p>
      {patched.hasSheetsInBody && (
        <p role="note">
          <b>{htmlColumnText.note}</b> {htmlColumnText.thePageHasStyle}
        </p>
      )}
      <p>{htmlColumnText.browsersWithoutScroll(assembled.fallback !== null)}</p>
    </div>
  );
}

const excerpt = ({ text, changed }: Excerpt) => ({ text, removed: changed });

const headLine = (html: string): number =>
  html.slice(0, Math.max(0, html.search(/<\/head>|<body/i))).split('\n').length;

function summary(lines: number, added: number, gone: number): string {
  const parts = [
    lines === 1 ? 'one line added' : lines > 1 ? `${lines} lines added` : '',
    added ? `${added} pieces added` : '',
    gone ? (gone === 1 ? 'one line shortened' : `${gone} lines shortened`) : '',
  ].filter(Boolean);
  return parts.length ? parts.join(', ') : 'as it was';
}
