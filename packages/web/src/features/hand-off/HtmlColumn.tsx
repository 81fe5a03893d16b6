/** The page’s own files beside what becomes of them: what is added, and what was read into motions and is taken out. */
import { useState } from 'react';
import { RUNTIME_FILE, hasSheetsInBody } from '@lyvek/core';
import type { Assembled } from '@lyvek/core';
import { Code } from './Code.tsx';
import { around } from './changed-lines.ts';
import type { Excerpt } from './changed-lines.ts';

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
          Original
        </button>
        <button type="button" className="btn small" onClick={() => onCopy(patched.text, 'The HTML')}>
          Copy
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
              <span className="truncate">{lines.length} lines are motions now and are removed</span>
            </header>
            <Code {...excerpt(around(f.before, lines, lines[0] ?? 1))} language="css" marks={[]} />
          </div>
        );
      })}
      {script !== null && (
        <>
          <header className="hand-head">
            <b>{script.href}</b>{' '}
            <span>
              written
              {assembled.runtimes.length
                ? `; it starts ${RUNTIME_FILE}, which the zip holds`
                : '; it needs nothing else'}
            </span>
            <span className="grow" />
            <button type="button" className="btn small" onClick={() => onCopy(script.text, 'The script')}>
              Copy
            </button>
          </header>
          <Code text={script.text} language="html" marks={[]} />
        </>
      )}
      <div className="hand-notes">
        {patched.lines.length > 0 ? (
          <p>
            <b>Added</b> {patched.lines.length === 1 ? 'one line' : `${patched.lines.length} lines`}, last in
            the head, after the page’s own style sheets.
          </p>
        ) : (
          <p>
            <b>Added</b> no line: the page links its motions already.
          </p>
        )}
        {added > 0 && (
          <p>
            <b>Added</b> what pins and adjustments need: a track around each pinned stage, and attributes or
            marks where the lines show them.
          </p>
        )}
        {patched.notes.map((note) => (
          <p key={note} role="note">
            <b>Note:</b> {note}
          </p>
        ))}
        <p>
          <b>Removed</b>{' '}
          {gone.length + pageFiles.length === 0
            ? 'nothing.'
            : 'the page’s own rules that were imported as motions, and nothing else.'}
        </p>
        {hasSheetsInBody(html) && (
          <p role="note">
            <b>Note:</b> the page has style sheets in its body. They come later and win where they set an
            animation with the same specificity; move the link after them if a motion does not play.
          </p>
        )}
        <p>
          Browsers without scroll-driven animations skip the whole block: the page is static and complete
          {assembled.fallback ? ', unless its script may run' : ''}. The same goes for print. With reduced
          motion only what each motion allows remains.
        </p>
      </div>
    </section>
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
