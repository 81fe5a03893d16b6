/** The sheet of several selected motions: what is done to all of them at once, and the values they share. */
import { computeTimes, isTimed, removeThings, replaceMotions, switchOn } from '@lyvek/core';
import type { Motion } from '@lyvek/core';
import { CssField } from '../../../editor/fields/CssField.tsx';
import { DriverSign } from '../../../editor/drivers/DriverSign.tsx';
import { useOpenedPage } from '../../../state/opened-page.ts';
import { effectWords } from '../../../editor/words.ts';
import { grouped } from '../../../editor/strip/view.ts';
import { ARRANGEMENTS } from '../model/arrange-several.ts';
import {
  delaysStepped,
  sharedValues,
  shiftedBy,
  steppedBy,
  timesScaled,
  withValueAtEnd,
} from '../model/several.ts';
import type { End } from '../model/several.ts';
import type { Bar } from '../../../editor/model/bars.ts';
import { DRIVER_WORDS } from '../../../editor/drivers/words.ts';
import { useRundown } from '../rundown-context.ts';
import { MoreActions } from './MoreActions.tsx';
import { multiSelectionText } from './text.ts';

export function MultiSelection() {
  const { session } = useOpenedPage();
  const { selection, bars, document, solo, setSolo } = useRundown();
  const motions = document.motions.filter((m) => selection.includes(m.id));
  const chosen = bars.filter((b) => selection.includes(b.motion.id));
  const timed = motions.filter((m) => isTimed(m.driver));
  const kinds = [...new Set(motions.map((m) => DRIVER_WORDS[m.driver.kind].several))];
  const others = selection.length - motions.length;
  const all = [...document.motions, ...document.pins, ...document.triggers];
  const on = all.some((x) => selection.includes(x.id) && x.on);
  return (
    <section className="inspector" aria-label={multiSelectionText.selectedMotions}>
      <header className="inspector-head">
        <span className="inspector-name-plain">
          {others === 0
            ? multiSelectionText.motions(motions.length)
            : multiSelectionText.things(selection.length)}
        </span>
        <i>{kinds.length > 1 ? multiSelectionText.mixedDrivers : kinds[0]}</i>
        <span className="grow" />
        <button type="button" className="btn" aria-pressed={solo} onClick={() => setSolo(!solo)}>
          {multiSelectionText.solo}
        </button>
        <button type="button" className="btn" onClick={() => session.apply(switchOn(selection, !on))}>
          {on ? multiSelectionText.muteAll : multiSelectionText.unmuteAll}
        </button>
        <button
          type="button"
          className="btn"
          onClick={() => session.apply(removeThings(selection, multiSelectionText.deleteAll))}
        >
          {multiSelectionText.deleteIt}
        </button>
        <MoreActions />
      </header>
      {chosen.length > 0 && <Scrubbed bars={chosen} />}
      {timed.length > 0 && <Timed motions={timed} />}
      <SharedValues motions={motions} />
      <Members motions={motions} bars={chosen} />
    </section>
  );
}

/** What is done to stretches of scroll. */
function Scrubbed({ bars }: { bars: readonly Bar[] }) {
  const { session } = useOpenedPage();
  const start = Math.min(...bars.map((b) => b.placed.start));
  const end = Math.max(...bars.map((b) => b.placed.end));
  const apply = (label: string, changed: Motion[]) => session.apply(replaceMotions(label, changed));
  return (
    <div className="several-group">
      <div className="several-acts">
        {ARRANGEMENTS.map(({ label, change }) => (
          <button
            key={label}
            type="button"
            className="btn"
            disabled={bars.length < 2}
            onClick={() => apply(label.toLowerCase(), change(bars))}
          >
            {label}
          </button>
        ))}
      </div>
      <div className="several-acts">
        <Act
          label={multiSelectionText.moveBy}
          unit={multiSelectionText.unitPx}
          onPut={(px) => apply(multiSelectionText.moveMotions, shiftedBy(bars, px))}
        />
        {bars.length > 1 && (
          <Act
            label={multiSelectionText.eachLaterBy}
            unit={multiSelectionText.unitPx}
            onPut={(px) => apply(multiSelectionText.staggerMotions, steppedBy(bars, px))}
          />
        )}
      </div>
      <p className="summary">{multiSelectionText.togetherFromToPx(grouped(start), grouped(end))}</p>
    </div>
  );
}

/** What is done to times. */
function Timed({ motions }: { motions: readonly Motion[] }) {
  const { session } = useOpenedPage();
  const { document } = useRundown();
  const times = computeTimes(document.motions);
  const ends = motions.map((m) => times.get(m.id)?.end ?? 0);
  const apply = (label: string, changed: Motion[]) => session.apply(replaceMotions(label, changed));
  return (
    <div className="several-group">
      <div className="several-acts">
        <button
          type="button"
          className="btn"
          onClick={() => apply(multiSelectionText.twiceAsFast, timesScaled(motions, 0.5))}
        >
          {multiSelectionText.twiceAsFast}
        </button>
        <button
          type="button"
          className="btn"
          onClick={() => apply(multiSelectionText.halfAsFast, timesScaled(motions, 2))}
        >
          {multiSelectionText.halfAsFast}
        </button>
        {motions.length > 1 && (
          <Act
            label={multiSelectionText.eachLaterBy}
            unit={multiSelectionText.unitMs}
            onPut={(ms) => apply(multiSelectionText.staggerMotions, delaysStepped(motions, ms))}
          />
        )}
      </div>
      <p className="summary">
        {multiSelectionText.togetherMs(motions.length, Math.round(Math.max(...ends)))}
      </p>
    </div>
  );
}

/** A number that is done once it is put: “move by 100 px”. */
function Act({ label, unit, onPut }: { label: string; unit: string; onPut(n: number): void }) {
  return (
    <label className="several-act">
      {label}{' '}
      <CssField
        label={`${label} (${unit})`}
        property="number"
        className="w-14"
        value=""
        onPut={(v) => onPut(Number.parseFloat(v))}
      />{' '}
      {unit}
    </label>
  );
}

/** Values of the properties that all have: what is typed counts for all. */
function SharedValues({ motions }: { motions: readonly Motion[] }) {
  const { session } = useOpenedPage();
  const shared = sharedValues(motions);
  if (motions.length < 2 || shared.length === 0) return null;
  const field = (property: string, end: End, value: string | null) => (
    <CssField
      label={end === 'first' ? multiSelectionText.from(property) : multiSelectionText.to(property)}
      property={property}
      className="w-28"
      value={value ?? ''}
      placeholder={value === null ? multiSelectionText.mixed : ''}
      onPut={(v) =>
        session.apply(
          replaceMotions(multiSelectionText.change(property), withValueAtEnd(motions, property, end, v)),
        )
      }
    />
  );
  return (
    <div className="several-values" role="group" aria-label={multiSelectionText.sharedValues}>
      {shared.map(({ property, first, last }) => (
        <p key={property}>
          <b>{property}</b> {field(property, 'first', first)} {multiSelectionText.toWord}{' '}
          {field(property, 'last', last)}
        </p>
      ))}
    </div>
  );
}

const MAX_LISTED = 12;

function Members({ motions, bars }: { motions: readonly Motion[]; bars: readonly Bar[] }) {
  const { session } = useOpenedPage();
  const toSpan = (m: Motion) => {
    const bar = bars.find((b) => b.motion.id === m.id);
    if (bar) return multiSelectionText.px(grouped(bar.placed.start), grouped(bar.placed.end));
    return m.time && isTimed(m.driver) ? m.time.duration.replace('ms', ' ms') : '';
  };
  return (
    <ul className="several">
      {motions.slice(0, MAX_LISTED).map((m) => (
        <li key={m.id}>
          <button type="button" className="btn plain" onClick={() => session.select([m.id])}>
            <DriverSign kind={m.driver.kind} /> {m.name} <i>{effectWords(m)}</i>
          </button>
          <span>{toSpan(m)}</span>
        </li>
      ))}
      {motions.length > MAX_LISTED && <li>{multiSelectionText.andMore(motions.length - MAX_LISTED)}</li>}
    </ul>
  );
}
