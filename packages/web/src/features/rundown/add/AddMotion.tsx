/** + Motion: starting points for the chosen element. Hovering one tries it on the page, Enter adds it. */
import { useEffect, useRef, useState } from 'react';
import type { RefObject } from 'react';
import { EFFECT_GROUPS, isSeenAtOnce, openedAround, EFFECTS, itemAt, present } from '@lyvek/core';
import type { EffectDefinition } from '@lyvek/core';
import { ranked } from '../../../ui/ranked.ts';
import { usePresets } from '../../../state/presets.ts';
import { DriverSign } from '../../../editor/drivers/DriverSign.tsx';
import { Lens } from '../../../ui/glyphs.tsx';
import { useOpenedPage } from '../../../state/opened-page.ts';
import { elementName } from '../../../editor/words.ts';
import { useRundown } from '../rundown-context.ts';
import { useSeen } from '../../../ui/use-seen.ts';
import { EffectThumbnail } from '../../../editor/EffectThumbnail.tsx';
import { addMotionText } from './text.ts';
import { useTrying } from './use-trying.ts';

export function AddMotion() {
  const rundown = useRundown();
  const { layout, chosen, setAdding } = rundown;
  const [query, setQuery] = useState('');
  const [at, setAt] = useState(0);
  const search = useRef<HTMLInputElement>(null);
  const element = layout.elements[chosen];
  const opened = element ? openedAround(layout, chosen).layout : layout;
  const { effects: kept } = usePresets();
  const find = (text: string) =>
    ranked(text, [...EFFECTS, ...kept], (e) => ({
      name: e.name,
      words: `${e.words ?? ''} ${EFFECT_GROUPS[e.group]}`,
      what: e.what,
    }));
  const shown = find(query);
  const trying = useTrying(rundown);
  const { aimed, attempt, leave, add } = trying;
  const groups = query.trim() ? { found: addMotionText.found } : EFFECT_GROUPS;
  const tryAt = (index: number) => {
    setAt(index);
    attempt(shown[index]);
  };
  // Enter adds the best answer that suits the element.
  const look = (text: string) => {
    setQuery(text);
    setAt(
      Math.max(
        0,
        find(text).findIndex((effect) => aimed(effect).reason === null),
      ),
    );
  };
  const close = () => {
    leave();
    setAdding(false);
  };
  useEffect(() => {
    const workbench = search.current?.closest<HTMLElement>('.rundown');
    search.current?.focus();
    // The next key is for what was added, wherever the panel was opened from.
    return () => {
      if (document.activeElement === document.body) workbench?.focus({ preventScroll: true });
    };
  }, []);
  const onKey = (e: React.KeyboardEvent) => {
    const step = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: 3, ArrowUp: -3 }[e.key];
    if (e.key === 'Escape') close();
    else if (e.key === 'Enter') {
      const effect = shown[at];
      if (effect) add(effect);
    } else if (step !== undefined && shown.length) tryAt(Math.min(shown.length - 1, Math.max(0, at + step)));
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  return (
    <div className="add-panel" onKeyDown={onKey} role="dialog" aria-label={addMotionText.addAMotion}>
      <AddHead search={search} query={query} onQuery={look} onClose={close} />
      <Plates {...{ shown, groups, at, trying }} onTry={tryAt} />
      <p className="add-note">
        {element && isSeenAtOnce(itemAt(opened.elements, chosen), opened)
          ? addMotionText.itIsInThe
          : addMotionText.eachEffectIsA}
      </p>
    </div>
  );
}

interface PlatesProps {
  shown: readonly EffectDefinition[];
  /** headings by group; all that was found stands under one */
  groups: Record<string, string>;
  at: number;
  trying: ReturnType<typeof useTrying>;
  onTry(index: number): void;
}

function Plates({ shown, groups, at, trying: { aimed, leave, add }, onTry }: PlatesProps) {
  const { session } = useOpenedPage();
  const { layout, chosen } = useRundown();
  return (
    <div className="plates" role="listbox" aria-label={addMotionText.startingPoints}>
      {Object.entries(groups).map(([group, heading]) => {
        const plates = shown.flatMap((effect, i) =>
          group === 'found' || effect.group === group ? [{ effect, i }] : [],
        );
        return plates.length === 0 ? null : (
          <section key={group} role="group" aria-label={heading}>
            <h4 aria-hidden="true">{heading}</h4>
            {plates.map(({ effect, i }) => (
              <Plate
                key={effect.id}
                effect={effect}
                chosen={i === at}
                reason={aimed(effect).reason}
                lifted={
                  aimed(effect).element === chosen
                    ? null
                    : elementName(itemAt(layout.elements, aimed(effect).element), layout)
                }
                onTry={() => {
                  if (i !== at || !session.store.getState().tried) onTry(i);
                }}
                onLeave={leave}
                onAdd={() => add(effect)}
              />
            ))}
          </section>
        );
      })}
      {shown.length === 0 && <p className="empty-note">{addMotionText.noStartingPointMatches}</p>}
    </div>
  );
}

interface HeadProps {
  search: RefObject<HTMLInputElement | null>;
  query: string;
  onQuery(query: string): void;
  onClose(): void;
}

/** What it is for, and the search. */
function AddHead({ search, query, onQuery, onClose }: HeadProps) {
  const { layout, chosen, choose } = useRundown();
  const element = layout.elements[chosen];
  const parent = element && layout.elements[element.parent];
  return (
    <div className="add-for">
      {addMotionText.forWord}
      <span className="chip">{element ? elementName(element, layout) : addMotionText.clickAnElementIn}</span>
      {parent && (
        <button
          type="button"
          className="btn small"
          title={parent.selector}
          onClick={() => choose(present(element).parent)}
        >
          {addMotionText.itsParent}
        </button>
      )}
      {element && (
        <i>{addMotionText.px(element.tag, Math.round(element.box.width), Math.round(element.box.height))}</i>
      )}
      <span className="grow" />
      <label className="search">
        <Lens />
        <input
          ref={search}
          className="field"
          placeholder={addMotionText.search}
          aria-label={addMotionText.searchStartingPoints}
          value={query}
          onChange={(e) => onQuery(e.target.value)}
        />
      </label>
      <button type="button" className="btn" onClick={onClose}>
        {addMotionText.close} <kbd className="kbd">{addMotionText.esc}</kbd>
      </button>
    </div>
  );
}

interface PlateProps {
  effect: EffectDefinition;
  chosen: boolean;
  reason: string | null;
  /** the element around the chosen one that it would be for */
  lifted: string | null;
  onTry(): void;
  onLeave(): void;
  onAdd(): void;
}

function Plate({ effect, chosen, reason, lifted, onTry, onLeave, onAdd }: PlateProps) {
  const plate = useRef<HTMLButtonElement>(null);
  const [hovered, setHovered] = useState(false);
  const seen = useSeen(plate);
  // The first one is in sight when the panel opens.
  const was = useRef(chosen);
  useEffect(() => {
    if (chosen && !was.current) plate.current?.scrollIntoView({ block: 'nearest' });
    was.current = chosen;
  }, [chosen]);
  return (
    <button
      ref={plate}
      type="button"
      role="option"
      aria-selected={chosen}
      aria-disabled={reason !== null}
      className={`plate${chosen ? ' chosen' : ''}${reason ? ' unfit' : ''}`}
      onPointerMove={(e) => {
        // A plate that merely appears under a resting pointer is not meant.
        if (!e.movementX && !e.movementY) return;
        setHovered(true);
        onTry();
      }}
      onPointerLeave={() => {
        setHovered(false);
        onLeave();
      }}
      onFocus={onTry}
      onClick={onAdd}
    >
      {seen ? <EffectThumbnail effect={effect} playing={hovered} /> : <span className="frames3" />}
      <span className="plate-name">
        <DriverSign kind={effect.driver} /> {effect.name}
      </span>
      <span className="plate-what">
        {reason ?? effect.what}
        {lifted && <i> {addMotionText.forElement(lifted)}</i>}
      </span>
    </button>
  );
}
