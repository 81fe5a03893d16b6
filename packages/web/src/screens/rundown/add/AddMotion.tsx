/** + Motion: starting points for the chosen element. Hovering one tries it on the page, Enter adds it. */
import { useEffect, useMemo, useRef, useState } from 'react';
import { EFFECTS, startingPoint } from '@lyvek/core';
import type { EffectDefinition, Motion } from '@lyvek/core';
import { newMotionId } from '../../../data/take-session.ts';
import { Lens, PassageSign } from '../../../parts/glyphs.tsx';
import { useOpenedPage } from '../../page-context.ts';
import { barOf, isPlaced } from '../model/bars.ts';
import { elementName } from '../model/words.ts';
import { useRundown } from '../rundown-context.ts';
import { Frames3 } from './Frames3.tsx';

const HOVER = 120;

/** A motion of an effect for an element. A second writer of a property must not hold before its range, or the first is never seen. */
export function motionFrom(
  effect: EffectDefinition,
  element: number,
  layout: Parameters<EffectDefinition['build']>[1],
  existing: readonly Motion[],
): Motion {
  const e = layout.elements[element]!;
  const { leaving, ...built } = startingPoint(effect, e, layout);
  const shares = existing.some(
    (m) => m.targets.selector === e.selector && Object.keys(m.keyframes).some((p) => p in built.keyframes),
  );
  return {
    id: newMotionId(),
    name: `${elementName(e, layout)} ${leaving ? 'leaves' : effect.name.toLowerCase()}`.slice(0, 120),
    on: true,
    targets: { selector: e.selector },
    driver: { kind: 'passage', subject: 'self', axis: 'block', insets: ['0px', '0px'] },
    ...built,
    easing: 'linear',
    fill: shares ? 'forwards' : 'both',
    composite: 'replace',
    follow: { kind: 'none' },
    reducedMotion: 'fade',
  };
}

export function AddMotion() {
  const { session, link } = useOpenedPage();
  const { layout, chosen, setAdding } = useRundown();
  const [query, setQuery] = useState('');
  const [at, setAt] = useState(0);
  const search = useRef<HTMLInputElement>(null);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const element = layout.elements[chosen];
  const shown = useMemo(
    () => EFFECTS.filter((e) => `${e.name} ${e.what}`.toLowerCase().includes(query.trim().toLowerCase())),
    [query],
  );
  const settled = session.store.getState().document.motions;
  const make = (effect: EffectDefinition) => motionFrom(effect, chosen, layout, settled);
  const unfit = (effect: EffectDefinition) =>
    element ? (effect.unfit?.(element, layout) ?? null) : 'Choose an element first.';

  const attempt = (index: number) => {
    setAt(index);
    const effect = shown[index];
    if (timer.current) clearTimeout(timer.current);
    if (!effect || unfit(effect)) return session.try(null);
    timer.current = setTimeout(() => {
      const motion = make(effect);
      session.try((d) => ({ ...d, motions: [...d.motions, motion] }));
      const bar = barOf(motion, layout);
      if (isPlaced(bar))
        link.scrollTo(Math.min(bar.max, Math.max(0, (bar.placed.start + bar.placed.end) / 2)));
    }, HOVER);
  };
  const close = () => {
    if (timer.current) clearTimeout(timer.current);
    session.try(null);
    setAdding(false);
  };
  const add = (effect: EffectDefinition) => {
    if (unfit(effect)) return;
    if (timer.current) clearTimeout(timer.current);
    const motion = make(effect);
    session.act(`add ${effect.name.toLowerCase()}`, (d) => ({ ...d, motions: [...d.motions, motion] }), [
      motion.id,
    ]);
    setAdding(false);
  };
  useEffect(() => {
    search.current?.focus();
    return () => {
      if (timer.current) clearTimeout(timer.current);
    };
  }, []);
  const onKey = (e: React.KeyboardEvent) => {
    const step = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: 2, ArrowUp: -2 }[e.key];
    if (e.key === 'Escape') close();
    else if (e.key === 'Enter') {
      const effect = shown[at];
      if (effect) add(effect);
    } else if (step !== undefined && shown.length)
      attempt(Math.min(shown.length - 1, Math.max(0, at + step)));
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  return (
    <div className="add-panel" onKeyDown={onKey} role="dialog" aria-label="Add a motion">
      <div className="add-for">
        for
        <span className="chip">
          {element ? elementName(element, layout) : 'click an element in the page'}
        </span>
        {element && (
          <i>
            {element.tag}, {Math.round(element.box.width)} × {Math.round(element.box.height)} px
          </i>
        )}
        <span className="grow" />
        <label className="search">
          <Lens />
          <input
            ref={search}
            className="field"
            placeholder="Search"
            aria-label="Search starting points"
            value={query}
            onChange={(e) => setQuery(e.target.value)}
          />
        </label>
        <button type="button" className="btn" onClick={close}>
          Close <kbd className="kbd">Esc</kbd>
        </button>
      </div>
      <div className="plates" role="listbox" aria-label="Starting points">
        {shown.map((effect, i) => {
          const reason = unfit(effect);
          return (
            <button
              key={effect.id}
              type="button"
              role="option"
              aria-selected={i === at}
              aria-disabled={reason !== null}
              className={`plate${i === at ? ' chosen' : ''}${reason ? ' unfit' : ''}`}
              onPointerMove={(e) => {
                // A plate that merely appears under a resting pointer is not meant.
                if ((e.movementX || e.movementY) && (i !== at || !session.store.getState().tried)) attempt(i);
              }}
              onPointerLeave={() => {
                if (timer.current) clearTimeout(timer.current);
                session.try(null);
              }}
              onFocus={() => attempt(i)}
              onClick={() => add(effect)}
            >
              <span className="plate-name">
                <PassageSign /> {effect.name}
              </span>
              {element && <Frames3 effect={effect} element={element} layout={layout} />}
              <span className="plate-what">{reason ?? effect.what}</span>
            </button>
          );
        })}
        {shown.length === 0 && (
          <p className="empty-note">No starting point is called that. Clear the search to see all.</p>
        )}
      </div>
      <p className="add-note">
        {element && startingPoint(EFFECTS[0]!, element, layout).leaving
          ? 'It stands in the first screen already, so these play backwards as it leaves. Each is a starting point, to be changed afterwards.'
          : 'Each is a starting point: ordinary keyframes on the element’s own passage, to be changed afterwards.'}
      </p>
    </div>
  );
}
