/** The sheet of several selected motions. */
import { replaceMotions, switchOn } from '@lyvek/core';
import type { Motion } from '@lyvek/core';
import { DriverSign } from '../../../editor/drivers/DriverSign.tsx';
import { useOpenedPage } from '../../../state/opened-page.ts';
import { effectWords } from '../../../editor/words.ts';
import { alignEnds, alignStarts, scaled, spreadEvenly } from '../model/arrange-several.ts';
import type { Bar } from '../../../editor/model/bars.ts';
import { DRIVER_WORDS } from '../../../editor/drivers/words.ts';
import { useRundown } from '../rundown-context.ts';
import { MoreActions } from './MoreActions.tsx';
import { multiSelectionText } from './text.ts';

const ACTS: readonly [string, (bars: readonly Bar[]) => Motion[]][] = [
  ['Align starts', alignStarts],
  ['Align ends', alignEnds],
  ['Spread evenly', spreadEvenly],
  ['Half as long', (bars) => scaled(bars, 0.5)],
  ['Twice as long', (bars) => scaled(bars, 2)],
];

export function MultiSelection() {
  const { session } = useOpenedPage();
  const { selection, bars, document, solo, setSolo } = useRundown();
  const chosen = bars.filter((b) => selection.includes(b.motion.id));
  const kinds = [...new Set(chosen.map((b) => DRIVER_WORDS[b.motion.driver.kind].several))];
  const start = Math.min(...chosen.map((b) => b.placed.start));
  const end = Math.max(...chosen.map((b) => b.placed.end));
  const on = document.motions.some((m) => selection.includes(m.id) && m.on);
  return (
    <section className="inspector" aria-label={multiSelectionText.selectedMotions}>
      <header className="inspector-head">
        <span className="inspector-name-plain">{multiSelectionText.motions(selection.length)}</span>
        <i>{kinds.length > 1 ? multiSelectionText.mixedDrivers : kinds[0]}</i>
        <span className="grow" />
        <button type="button" className="btn" onClick={() => session.apply(switchOn(selection, !on))}>
          {on ? multiSelectionText.muteAll : multiSelectionText.unmuteAll}
        </button>
        <MoreActions />
      </header>
      <div className="several-acts">
        {ACTS.map(([label, change]) => (
          <button
            key={label}
            type="button"
            className="btn"
            disabled={chosen.length < 2}
            onClick={() => session.apply(replaceMotions(label.toLowerCase(), change(chosen)))}
          >
            {label}
          </button>
        ))}
        <button type="button" className="btn" aria-pressed={solo} onClick={() => setSolo(!solo)}>
          {multiSelectionText.solo}
        </button>
      </div>
      <p className="summary">{multiSelectionText.togetherFromToPx(Math.round(start), Math.round(end))}</p>
      <ul className="several">
        {chosen.slice(0, 12).map((b) => (
          <li key={b.motion.id}>
            <button type="button" className="btn plain" onClick={() => session.select([b.motion.id])}>
              <DriverSign kind={b.motion.driver.kind} /> {b.motion.name} <i>{effectWords(b.motion)}</i>
            </button>
            <span>{multiSelectionText.px(Math.round(b.placed.start), Math.round(b.placed.end))}</span>
          </li>
        ))}
        {chosen.length > 12 && <li>{multiSelectionText.andMore(chosen.length - 12)}</li>}
      </ul>
    </section>
  );
}
