/** Which media condition edits count for, and the list of conditions. */
import { useState } from 'react';
import { useStore } from 'zustand';
import {
  mediaMatches,
  parseMedia,
  shorten,
  viewportFor,
  putMedia,
  removeMedia,
  countUses,
  itemAt,
} from '@lyvek/core';
import type { Media } from '@lyvek/core';
import { newId } from '../../state/new-id.ts';
import { Down } from '../../ui/glyphs.tsx';
import { notify } from '../../ui/notices.tsx';
import { Popover } from '../../ui/Popover.tsx';
import { useShownPage } from '../../preview/shown-page.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { keepViewport } from './ViewportPopover.tsx';
import { conditionPopoverText } from '../text.ts';

export function ConditionPopover() {
  const { session } = useOpenedPage();
  const scope = useStore(session.store, (s) => s.document.media.find((m) => m.id === s.scope));
  return (
    <Popover
      className={scope ? 'btn scoped' : 'btn'}
      label={conditionPopoverText.editing(scope?.name)}
      trigger={
        <>
          <span className="editing">{conditionPopoverText.editingLabel}</span>
          <span className="cut" title={scope?.name}>
            {scope ? scope.name : conditionPopoverText.allScreens}
          </span>
          <Down />
        </>
      }
    >
      {(close) => <Conditions close={close} />}
    </Popover>
  );
}

function Conditions({ close }: { close(): void }) {
  const { session, page } = useOpenedPage();
  const { viewport, setViewport, reducedMotion, setReducedMotion } = useShownPage();
  const document = useStore(session.store, (s) => s.document);
  const scope = useStore(session.store, (s) => s.scope);
  const [open, setOpen] = useState<string | null>(document.media.length ? null : 'new');
  const holds = (m: Media) => mediaMatches(m.query, { viewport, reducedMotion });
  const choose = (m: Media | null) => {
    if (m && !holds(m)) {
      const size = viewportFor(m.query, viewport);
      const reduces = m.query.includes('prefers-reduced-motion') && !reducedMotion;
      if (!size && !reduces) return notify(conditionPopoverText.noCommonScreenSize(m.query));
      const next = size ?? viewport;
      keepViewport(page.id, next);
      setViewport(next);
      if (reduces) setReducedMotion(true);
      session.showFor({ viewport: next, reducedMotion: reducedMotion || reduces });
      notify(conditionPopoverText.thePageIsShown(next.width, next.height, reduces, m.name));
    }
    session.editFor(m?.id ?? null);
    close();
  };
  return (
    <div className="conditions">
      <div className="popover-list">
        <button type="button" aria-current={scope === null} onClick={() => choose(null)}>
          <span className="grow">{conditionPopoverText.allScreens}</span>
          <i>{conditionPopoverText.anEditChangesWhat}</i>
        </button>
        {document.media.map((m) => (
          <div key={m.id} className="condition-row">
            <button type="button" aria-current={scope === m.id} onClick={() => choose(m)}>
              <span className="grow">
                {conditionPopoverText.only(m.name)} <code>{m.query}</code>
              </span>
              <i>{conditionPopoverText.differ(holds(m), countUses(document, m.id))}</i>
            </button>
            <button
              type="button"
              className="btn small"
              aria-expanded={open === m.id}
              onClick={() => setOpen(open === m.id ? null : m.id)}
            >
              {conditionPopoverText.change}
            </button>
          </div>
        ))}
      </div>
      {open === null ? (
        <button type="button" className="btn self-start" onClick={() => setOpen('new')}>
          {conditionPopoverText.newCondition}
        </button>
      ) : (
        <Editor
          key={open}
          media={document.media.find((m) => m.id === open) ?? null}
          onDone={(m) => {
            session.apply(putMedia(m, open === 'new'));
            setOpen(null);
            if (open === 'new') choose(m);
          }}
          onRemove={(m) => {
            session.apply(removeMedia(m.id));
            session.editFor(null);
            setOpen(null);
            notify(conditionPopoverText.andEverythingSetFor(m.name), {
              action: { label: 'Undo', run: () => void session.undo() },
            });
          }}
        />
      )}
    </div>
  );
}

const EXAMPLES = [
  '(width < 600px)',
  '(height < 500px)',
  '(orientation: portrait)',
  '(prefers-reduced-motion: reduce)',
];

interface EditorProps {
  media: Media | null;
  onDone(m: Media): void;
  onRemove(m: Media): void;
}

function Editor({ media, onDone, onRemove }: EditorProps) {
  const [name, setName] = useState(media?.name ?? 'Narrow');
  const [query, setQuery] = useState(media?.query ?? itemAt(EXAMPLES, 0));
  const parsed = parseMedia(query);
  const valid = parsed.ok && name.trim() !== '';
  return (
    <form
      className="condition-editor"
      onSubmit={(e) => {
        e.preventDefault();
        if (valid)
          onDone({ id: media?.id ?? newId('q'), name: shorten(name.trim(), 120), query: query.trim() });
      }}
    >
      <label>
        {conditionPopoverText.name}
        <input className="field" value={name} maxLength={120} onChange={(e) => setName(e.target.value)} />
      </label>
      <label>
        {conditionPopoverText.matchesWhen}
        <input
          className="field"
          value={query}
          spellCheck={false}
          aria-invalid={!parsed.ok}
          list="condition-examples"
          onChange={(e) => setQuery(e.target.value)}
        />
      </label>
      <datalist id="condition-examples">
        {EXAMPLES.map((x) => (
          <option key={x} value={x} />
        ))}
      </datalist>
      {!parsed.ok && <p className="field-error m-0">{parsed.error}.</p>}
      <div className="flex gap-2">
        <button type="submit" className="btn" disabled={!valid}>
          {media ? conditionPopoverText.keep : conditionPopoverText.addAndEditFor}
        </button>
        {media && (
          <button type="button" className="btn" onClick={() => onRemove(media)}>
            {conditionPopoverText.remove}
          </button>
        )}
      </div>
    </form>
  );
}
