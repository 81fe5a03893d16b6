/** The sheet of several selected motions. */
import { DriverSign } from '../../../parts/glyphs.tsx';
import { useOpenedPage } from '../../page-context.ts';
import { effectWords } from '../model/words.ts';
import { useRundown } from '../rundown-context.ts';
import { MoreActions } from './SheetHead.tsx';

export function Several() {
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
