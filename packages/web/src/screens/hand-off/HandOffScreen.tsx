/** Hand-off: the CSS, the HTML with it linked, what each motion became, and the files to take away. */
import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useStore } from 'zustand';
import {
  handOffCss,
  headLines,
  hasSheetsInBody,
  insertLastInHead,
  patchHtml,
  olderPlan,
  patchOf,
  RUNTIME_FILE,
  scriptText,
  stylesheetPath,
} from '@lyvek/core';
import { api } from '../../data/api.ts';
import { DriverSign } from '../../parts/glyphs.tsx';
import { notify, notifyError } from '../../parts/notices.tsx';
import { useLayout, useOpenedPage } from '../page-context.ts';
import { effectWords } from '../rundown/model/words.ts';
import { Code } from './Code.tsx';
import { TakeAway, wantsOlder } from './TakeAway.tsx';

const WHERE = {
  page: 'on the scroll of the page',
  passage: 'on a view timeline',
  pin: 'on the timeline of its pin',
  gate: 'in time, on a trigger',
  load: 'in time, from page load',
  belt: 'by the script: CSS has no speed that listens to the scroll',
} as const;

export function HandOffScreen() {
  const { page, take, session, viewport } = useOpenedPage();
  const { layout, measured, others } = useLayout();
  const document = useStore(session.store, (s) => s.document);
  const save = useStore(session.store, (s) => s.save);
  const html = useQuery({
    queryKey: ['html', page.id, page.contentHash],
    queryFn: () => api.html(page.id),
    staleTime: Infinity,
  });
  const [chosen, setChosen] = useState<string | null>(null);
  const sheet = stylesheetPath(page.entry, page.name);
  const title = `${page.name}. Lyvek, ${take.name}, rev ${save.revision}`;
  const [older, setOlder] = useState(wantsOlder);
  const out = useMemo(
    () => handOffCss(document, layout, title, others, { older }),
    [document, layout, others, title, older],
  );
  const data = useMemo(() => (older ? olderPlan(document, layout) : null), [older, document, layout]);
  const script = useMemo(() => scriptText(out.plan, title, data?.plan ?? null), [out.plan, title, data]);
  const scriptHref = stylesheetPath(page.entry, page.name, 'js').href;
  const lines = headLines(sheet.href, script === null ? null : scriptHref);
  const link = lines.join('\n');
  const runtime = useQuery({
    queryKey: ['runtime'],
    queryFn: api.runtime,
    enabled: script !== null,
    staleTime: Infinity,
  });
  const scripted = new Set([...out.plan.follow, ...out.plan.signals, ...out.plan.belts].map((f) => f.motion));
  const patched = useMemo(() => {
    if (html.data === undefined) return null;
    const inner = patchHtml(html.data, patchOf(document, layout.kept));
    return {
      ...insertLastInHead(inner.html, ...link.split('\n')),
      changes: inner.changes,
      notes: inner.notes,
    };
  }, [html.data, link, document, layout.kept]);
  useEffect(() => {
    window.document.title = `Hand-off · ${page.name} · Lyvek`;
  }, [page.name]);
  if (!measured)
    return (
      <div className="empty-note">
        <p className="mb-3">
          The page has not been measured at {viewport.width} × {viewport.height} yet. Open it in the Rundown
          once; then the code can be written.
        </p>
        <Link className="btn" to={`/pages/${page.id}?take=${take.id}`}>
          To the Rundown
        </Link>
      </div>
    );
  const marked = out.lines.filter((l) => chosen !== null && l.piece.motions.includes(chosen));
  const copy = (text: string, what: string) =>
    void navigator.clipboard.writeText(text).then(() => notify(`${what} is copied.`), notifyError);
  const on = document.motions.filter((m) => m.on);
  const download = `/api/takes/${take.id}/hand-off.zip?width=${viewport.width}&height=${viewport.height}${older ? '&older=true' : ''}`;
  return (
    <div className="hand-off">
      <section className="hand-left">
        <header className="hand-head">
          <b>Hand-off</b>
        </header>
        <p className="hand-sentence">
          {on.length === 0
            ? 'Nothing moves yet, so there is nothing to write.'
            : `${on.length} ${on.length === 1 ? 'motion' : 'motions'} of ${take.name}, ${
                scripted.size === 0 ? 'as CSS alone' : `as CSS; ${scripted.size} also need the script`
              }.`}
        </p>
        <h2>
          In this hand-off{' '}
          <span>
            {on.length - scripted.size} CSS, {scripted.size} script
          </span>
        </h2>
        <ul>
          {document.motions.map((m) => (
            <li key={m.id}>
              <button
                type="button"
                className={chosen === m.id ? 'chosen' : ''}
                disabled={!m.on}
                aria-pressed={chosen === m.id}
                onClick={() => setChosen(chosen === m.id ? null : m.id)}
              >
                <DriverSign kind={m.driver.kind} />
                <span className="grow">
                  <b>{m.name}</b>
                  <i>
                    {m.on
                      ? (out.notes.find((n) => n.motion === m.id)?.note ??
                        `${effectWords(m)}, ${WHERE[m.driver.kind]}${
                          scripted.has(m.id)
                            ? m.follow.kind === 'none'
                              ? '; scripts of the page hear of it'
                              : '; it follows the hand, which CSS cannot do'
                            : ''
                        }`)
                      : 'muted, not written'}
                  </i>
                </span>
                {m.on && <span className="as">{scripted.has(m.id) ? 'script' : 'CSS'}</span>}
              </button>
            </li>
          ))}
        </ul>
      </section>
      <section className="hand-css">
        <header className="hand-head">
          <b>{sheet.href}</b> <span>written, {out.css.split('\n').length - 1} lines</span>
          <span className="grow" />
          <button type="button" className="btn small" onClick={() => copy(out.css, 'The CSS')}>
            Copy
          </button>
        </header>
        <Code text={out.css} language="css" marks={marked} />
      </section>
      <section className="hand-html">
        <header className="hand-head">
          <b>{page.entry}</b>{' '}
          <span>
            {!patched || patched.changes.length === 0
              ? 'one line added'
              : `one line and ${patched.changes.length} pieces added`}
          </span>
          <span className="grow" />
          <button
            type="button"
            className="btn small"
            disabled={!patched}
            onClick={() => patched && copy(patched.html, 'The HTML')}
          >
            Copy
          </button>
        </header>
        {html.isError && <p className="empty-note">{html.error.message}</p>}
        {patched && (
          <Code
            text={around(
              patched.html,
              patched.changes.map((c) => c.line),
              patched.line,
            )}
            language="html"
            marks={[]}
            added={[...lines, ...patched.changes.map((c) => c.text)]}
          />
        )}
        {script !== null && (
          <>
            <header className="hand-head">
              <b>{scriptHref}</b> <span>written; it starts {RUNTIME_FILE}, which the zip holds</span>
              <span className="grow" />
              <button type="button" className="btn small" onClick={() => copy(script, 'The script')}>
                Copy
              </button>
            </header>
            <Code text={script} language="html" marks={[]} />
          </>
        )}
        <div className="hand-notes">
          <p>
            <b>Added</b> one link, last in the head, after the page’s own style sheets.
          </p>
          {patched && patched.changes.length > 0 && (
            <p>
              <b>Added</b> what pins and adjustments need: a track around each pinned stage, and attributes or
              marks where the lines show them.
            </p>
          )}
          {patched?.notes.map((note) => (
            <p key={note} role="note">
              <b>Take care:</b> {note}
            </p>
          ))}
          <p>
            <b>Touched</b> nothing else. <b>Removed</b> nothing.
          </p>
          {html.data !== undefined && hasSheetsInBody(html.data) && (
            <p role="note">
              <b>Take care:</b> the page has style sheets in its body. They come later and win where they set
              an animation with the same weight; move the link behind them if a motion stays still.
            </p>
          )}
          <p>
            Without scroll-driven animations a browser skips the whole block: the page stands still and
            complete{older ? ', unless its script may run' : ''}. So it does in print. With reduced motion
            only what each motion allows is left: it fades, stands still, or moves all the same.
          </p>
        </div>
      </section>
      <TakeAway
        href={download}
        saved={save.is === 'saved'}
        empty={on.length === 0}
        older={older}
        onOlder={setOlder}
        count={data?.plan.motions.length ?? 0}
        notes={(data?.notes ?? []).map((n) => ({
          ...n,
          name: document.motions.find((m) => m.id === n.motion)?.name ?? n.motion,
        }))}
        css={out.css}
        script={script === null ? null : script.length + (runtime.data?.length ?? 0)}
        sizes={[viewport, ...others.map((l) => l.viewport)]}
      />
    </div>
  );
}

/** The lines that were changed, each with a few around it. */
function around(html: string, changed: readonly number[], link: number): string {
  const lines = html.split('\n');
  const wanted = new Set<number>();
  const show = (line: number, before: number, after: number) => {
    for (let i = line - before; i <= line + after; i++) if (i >= 1 && i <= lines.length) wanted.add(i);
  };
  show(link, 11, 7);
  for (const line of changed) show(line, 2, 2);
  const out: string[] = [];
  let last = 0;
  for (const n of [...wanted].sort((a, b) => a - b)) {
    if (n > last + 1) out.push('…');
    out.push(lines[n - 1]!);
    last = n;
  }
  return [...out, ...(last < lines.length ? ['…'] : [])].join('\n');
}
