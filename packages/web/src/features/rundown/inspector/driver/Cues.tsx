/** The cues of a pin, or of the whole page: named named positions that ranges can be attached to. */
import { selectWhole } from '../../../../ui/select-whole.ts';
import { CueSchema, percent, changeCue, removeThings, addCue } from '@lyvek/core';
import type { Cue } from '@lyvek/core';
import { newId } from '../../../../state/new-id.ts';
import { notify } from '../../../../ui/notices.tsx';
import { useShownPage } from '../../../../preview/shown-page.ts';
import { useOpenedPage } from '../../../../state/opened-page.ts';
import { useRundown } from '../../rundown-context.ts';
import { CssField } from '../../../../editor/fields/CssField.tsx';
import { cuesText } from './text.ts';

export function Cues({ pin }: { pin: string | null }) {
  const { session } = useOpenedPage();
  const { link } = useShownPage();
  const { document, layout, max } = useRundown();
  const own = document.cues.filter((c) => c.pin === pin);
  const add = () => {
    const hold = pin === null ? { start: 0, end: max } : layout.pinnedSpans.find((h) => h.id === pin);
    const y = link.store.getState().offset.y;
    const share = hold
      ? Math.min(1, Math.max(0, (y - hold.start) / Math.max(1, hold.end - hold.start)))
      : 0.5;
    const cue: Cue = { id: newId('c'), name: `Cue ${document.cues.length + 1}`, pin, at: percent(share) };
    session.apply(addCue(cue));
  };
  return (
    <div className="cues">
      <h4>
        {cuesText.cues} <i>{cuesText.namedPositionsThatRanges}</i>
      </h4>
      {own.map((cue) => (
        <CueRow key={cue.id} cue={cue} />
      ))}
      <button type="button" className="btn self-start" onClick={add}>
        {cuesText.cueAtThePlayhead}
      </button>
    </div>
  );
}

function CueRow({ cue }: { cue: Cue }) {
  const { session } = useOpenedPage();
  const { document } = useRundown();
  const rename = (name: string) => {
    const clean = name.trim().slice(0, 120);
    if (clean && clean !== cue.name)
      session.apply(changeCue(cue.id, cuesText.renameACue, (c) => ({ ...c, name: clean })));
  };
  const linkable = document.pins.some((p) => p.id === cue.pin && p.sticky.by === 'top');
  const relink = (text: string) => {
    const name = text.trim().replace(/^#/, '');
    if (name === (cue.link ?? '')) return;
    const taken = document.cues.some((c) => c.id !== cue.id && c.link === name);
    if (name && (taken || !CueSchema.shape.link.safeParse(name).success))
      return notify(taken ? cuesText.anotherCueIsLinked(name) : cuesText.aLinkBeginsWith);
    session.apply(
      changeCue(cue.id, cuesText.linkACue, ({ link: _, ...c }) => (name ? { ...c, link: name } : c)),
    );
  };
  return (
    <div className="cue-row">
      <input
        className="field"
        aria-label={cuesText.nameOfTheCue}
        key={cue.name}
        defaultValue={cue.name}
        onBlur={(e) => rename(e.target.value)}
        onKeyDown={(e) => {
          e.stopPropagation();
          if (e.key === 'Enter') e.currentTarget.blur();
        }}
      />
      <CssField
        label={cuesText.placeOf(cue.name)}
        property="length"
        className="w-16"
        value={cue.at}
        onPut={(at) =>
          session.apply(
            changeCue(cue.id, cuesText.moveACue, (c) => ({
              ...c,
              at: /^-?[\d.]+$/.test(at) ? `${at}%` : at,
            })),
          )
        }
      />
      {linkable && (
        <input
          {...selectWhole}
          className="field w-24"
          aria-label={cuesText.linkTo(cue.name)}
          title={cuesText.aNameThatLinks}
          placeholder={cuesText.link}
          key={cue.link ?? ''}
          defaultValue={cue.link ? `#${cue.link}` : ''}
          onBlur={(e) => relink(e.target.value)}
          onKeyDown={(e) => {
            e.stopPropagation();
            if (e.key === 'Enter') e.currentTarget.blur();
          }}
        />
      )}
      <button
        type="button"
        className="btn"
        aria-label={cuesText.deleteNamed(cue.name)}
        onClick={() => session.apply(removeThings([cue.id], cuesText.deleteACue))}
      >
        {cuesText.deleteIt}
      </button>
    </div>
  );
}
