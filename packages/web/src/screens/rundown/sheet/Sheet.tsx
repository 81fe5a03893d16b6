/** The motion sheet: passage diagram, a readable sentence with inline controls, value curves, and what was found. */
import { useState } from 'react';
import type { Finding } from '@lyvek/core';
import { Chevron, DriverSign, FindingSign } from '../../../parts/glyphs.tsx';
import { Pop } from '../../../parts/Pop.tsx';
import { useOpenedPage } from '../../page-context.ts';
import { duplicated, withMotion, withoutMotions } from '../../../data/take-session.ts';
import { effectWords, elementName } from '../model/words.ts';
import { replaceMotions } from '../model/moves.ts';
import { useRundown, useSingle } from '../rundown-context.ts';
import { Curves } from './Curves.tsx';
import { PassageDiagram } from './PassageDiagram.tsx';
import { Sentence } from './Sentence.tsx';

export function Sheet() {
  const { selection, document, bars, unplaced } = useRundown();
  const bar = useSingle();
  if (selection.length > 1) return <Several />;
  if (!bar) {
    const lost = unplaced.find((u) => u.motion.id === selection[0]);
    return lost ? (
      <Lost name={lost.motion.name} reason={lost.reason} id={lost.motion.id} />
    ) : (
      <NothingSelected count={document.motions.length} placed={bars.length} />
    );
  }
  return (
    <section className="sheet" aria-label={`Motion ${bar.motion.name}`}>
      <Head />
      <div className="sheet-columns">
        <PassageDiagram bar={bar} />
        <div className="sheet-middle">
          <Sentence bar={bar} />
          <Findings />
        </div>
        <Curves bar={bar} />
      </div>
    </section>
  );
}

function Head() {
  const { session } = useOpenedPage();
  const { document, select } = useRundown();
  const { motion } = useSingle()!;
  const index = document.motions.findIndex((m) => m.id === motion.id);
  const step = (by: number) =>
    select(document.motions[(index + by + document.motions.length) % document.motions.length]!.id);
  return (
    <header className="sheet-head">
      <DriverSign
        kind={motion.driver.kind}
        label={motion.driver.kind === 'page' ? 'whole page' : 'passage'}
      />
      <Name key={motion.id} />
      <i className={motion.driver.kind === 'page' ? 'kind-page' : 'kind-pass'}>
        {effectWords(motion)}, {motion.driver.kind === 'page' ? 'whole page' : 'passage'}
      </i>
      <span className="grow" />
      <span className="count">
        {index + 1} of {document.motions.length}
      </span>
      <button type="button" className="btn square" aria-label="Motion before" onClick={() => step(-1)}>
        <Chevron to="left" />
      </button>
      <button type="button" className="btn square" aria-label="Next motion" onClick={() => step(1)}>
        <Chevron to="right" />
      </button>
      <button
        type="button"
        className="btn"
        aria-pressed={!motion.on}
        onClick={() =>
          session.act(
            motion.on ? 'mute' : 'unmute',
            withMotion(motion.id, (m) => ({ ...m, on: !m.on })),
          )
        }
      >
        {motion.on ? 'Mute' : 'Muted'}
      </button>
      <MoreActions />
    </header>
  );
}

function Name() {
  const { session } = useOpenedPage();
  const { motion } = useSingle()!;
  const [name, setName] = useState<string | null>(null);
  const take = () => {
    const clean = (name ?? '').trim();
    if (clean && clean !== motion.name)
      session.act(
        'rename',
        withMotion(motion.id, (m) => ({ ...m, name: clean })),
      );
    setName(null);
  };
  if (name === null)
    return (
      <button
        type="button"
        className="sheet-name"
        title="Rename (F2)"
        data-rename
        onClick={() => setName(motion.name)}
      >
        {motion.name}
      </button>
    );
  return (
    <input
      className="field sheet-name-field"
      aria-label="Name of the motion"
      autoFocus
      maxLength={120}
      value={name}
      onFocus={(e) => e.target.select()}
      onChange={(e) => setName(e.target.value)}
      onBlur={take}
      onKeyDown={(e) => {
        e.stopPropagation();
        if (e.key === 'Enter') take();
        if (e.key === 'Escape') setName(null);
      }}
    />
  );
}

function MoreActions() {
  const { session } = useOpenedPage();
  const { selection } = useRundown();
  return (
    <Pop label="More" face="More" placement="bottom-end">
      {(close) => (
        <div className="pop-list">
          <button
            type="button"
            onClick={() => {
              const { document, copies } = duplicated(session.store.getState().document, selection);
              session.act('duplicate', () => document, copies);
              close();
            }}
          >
            <span className="grow">Duplicate</span> <kbd className="kbd">Ctrl D</kbd>
          </button>
          <button
            type="button"
            onClick={() => {
              session.act('delete', withoutMotions(selection), []);
              close();
            }}
          >
            <span className="grow">Delete</span> <kbd className="kbd">Del</kbd>
          </button>
        </div>
      )}
    </Pop>
  );
}

/** What the checks say of this motion, each with a fix that can be tried before it is applied. */
function Findings() {
  const { findings } = useRundown();
  const { motion } = useSingle()!;
  const own = findings.filter((f) => f.motion === motion.id);
  if (own.length === 0) return null;
  return (
    <ul className="findings">
      {own.map((f) => (
        <FindingRow key={f.check} finding={f} />
      ))}
    </ul>
  );
}

function FindingRow({ finding }: { finding: Finding }) {
  const { session, link } = useOpenedPage();
  const { fix } = finding;
  return (
    <li>
      <FindingSign severity={finding.severity} label={finding.severity} />
      <span className="grow">{finding.sentence}</span>
      <button type="button" className="btn" onClick={() => link.scrollTo(finding.at)}>
        Show
      </button>
      {fix && (
        <button
          type="button"
          className="btn"
          onPointerEnter={() => session.try(replaceMotions([fix.motion]))}
          onPointerLeave={() => session.try(null)}
          onClick={() => session.act(fix.label.toLowerCase(), replaceMotions([fix.motion]))}
        >
          {fix.label}
        </button>
      )}
    </li>
  );
}

function Several() {
  const { session } = useOpenedPage();
  const { selection, bars, document } = useRundown();
  const chosen = bars.filter((b) => selection.includes(b.motion.id));
  const kinds = new Set(chosen.map((b) => b.motion.driver.kind));
  const start = Math.min(...chosen.map((b) => b.placed.start));
  const end = Math.max(...chosen.map((b) => b.placed.end));
  const on = document.motions.some((m) => selection.includes(m.id) && m.on);
  return (
    <section className="sheet" aria-label="Selected motions">
      <header className="sheet-head">
        <span className="sheet-name-plain">{selection.length} motions</span>
        <i>{kinds.size === 1 ? (kinds.has('page') ? 'whole page' : 'passages') : 'mixed drivers'}</i>
        <span className="grow" />
        <button
          type="button"
          className="btn"
          onClick={() =>
            session.act(on ? 'mute' : 'unmute', (d) => ({
              ...d,
              motions: d.motions.map((m) => (selection.includes(m.id) ? { ...m, on: !on } : m)),
            }))
          }
        >
          {on ? 'Mute all' : 'Unmute all'}
        </button>
        <MoreActions />
      </header>
      <p className="summary">
        Together from {Math.round(start)} to {Math.round(end)} px of scroll. Drag one to move them all; Shift
        while dragging an end moves the same end of all.
      </p>
      <ul className="several">
        {chosen.slice(0, 12).map((b) => (
          <li key={b.motion.id}>
            <button type="button" className="btn plain" onClick={() => session.select([b.motion.id])}>
              <DriverSign kind={b.motion.driver.kind} /> {b.motion.name} <i>{effectWords(b.motion)}</i>
            </button>
            <span>
              {Math.round(b.placed.start)}–{Math.round(b.placed.end)} px
            </span>
          </li>
        ))}
        {chosen.length > 12 && <li>and {chosen.length - 12} more</li>}
      </ul>
    </section>
  );
}

function NothingSelected({ count, placed }: { count: number; placed: number }) {
  const { layout, chosen, setAdding, findings, select, document } = useRundown();
  const nameOf = (id: string) => document.motions.find((m) => m.id === id)?.name ?? id;
  const element = layout.elements[chosen];
  return (
    <section className="sheet" aria-label="Nothing selected">
      {element ? (
        <>
          <header className="sheet-head">
            <span className="sheet-name-plain">{elementName(element, layout)}</span>
            <i>
              {element.tag}, {Math.round(element.box.width)} × {Math.round(element.box.height)} px
            </i>
            <span className="grow" />
            <button type="button" className="btn main" onClick={() => setAdding(true)}>
              Add a motion <kbd className="kbd in-main">A</kbd>
            </button>
          </header>
          <p className="summary selector">{element.selector}</p>
        </>
      ) : (
        <p className="summary">
          {count === 0 ? 'No motions yet.' : `${count} motions, ${placed} on this page.`} Click a bar to tune
          it, or an element in the page to move it.
        </p>
      )}
      {findings.length > 0 && (
        <ul className="findings wide">
          {findings.slice(0, 8).map((f) => (
            <li key={f.check + f.motion}>
              <FindingSign severity={f.severity} label={f.severity} />
              <button type="button" className="finding-name" onClick={() => select(f.motion)}>
                {nameOf(f.motion)}
              </button>
              <span className="grow">{f.sentence}</span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

function Lost({ name, reason, id }: { name: string; reason: string; id: string }) {
  const { session } = useOpenedPage();
  return (
    <section className="sheet" aria-label={name}>
      <header className="sheet-head">
        <span className="sheet-name-plain">{name}</span>
        <i>has no place on this page</i>
        <span className="grow" />
        <button type="button" className="btn" onClick={() => session.act('delete', withoutMotions([id]), [])}>
          Delete
        </button>
      </header>
      <p className="summary">
        It cannot be placed: {reason}. It is kept as it is and will come back when the page has such an
        element again.
      </p>
    </section>
  );
}
