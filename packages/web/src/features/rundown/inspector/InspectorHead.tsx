/** The head of the sheet: which motion, its name, the ones before and after, and what can be done to it. */
import { switchOn, rename, itemAt } from '@lyvek/core';
import { useState } from 'react';
import type { ReactNode } from 'react';
import type { Motion } from '@lyvek/core';
import { DriverSign } from '../../../editor/drivers/DriverSign.tsx';
import { Chevron } from '../../../ui/glyphs.tsx';
import { useOpenedPage } from '../../../state/opened-page.ts';
import { DRIVER_WORDS } from '../../../editor/drivers/words.ts';
import { effectWords } from '../../../editor/words.ts';
import { useRundown } from '../rundown-context.ts';
import { MoreActions } from './MoreActions.tsx';
import { inspectorHeadText } from './text.ts';

export function InspectorHead({ motion, children }: { motion: Motion; children?: ReactNode }) {
  const { session } = useOpenedPage();
  const { document, select, solo, setSolo } = useRundown();
  const index = document.motions.findIndex((m) => m.id === motion.id);
  const step = (by: number) =>
    select(itemAt(document.motions, (index + by + document.motions.length) % document.motions.length).id);
  return (
    <header className="inspector-head">
      <DriverSign kind={motion.driver.kind} label={DRIVER_WORDS[motion.driver.kind].short} />
      <Name key={motion.id} motion={motion} />
      <i className={`kind-${motion.driver.kind}`}>
        {effectWords(motion)}, {DRIVER_WORDS[motion.driver.kind].short}
      </i>
      <span className="grow" />
      {children}
      <span className="count">{inspectorHeadText.ofWord(index + 1, document.motions.length)}</span>
      <button
        type="button"
        className="btn square"
        aria-label={inspectorHeadText.previousMotion}
        onClick={() => step(-1)}
      >
        <Chevron to="left" />
      </button>
      <button
        type="button"
        className="btn square"
        aria-label={inspectorHeadText.nextMotion}
        onClick={() => step(1)}
      >
        <Chevron to="right" />
      </button>
      <button type="button" className="btn" aria-pressed={solo} onClick={() => setSolo(!solo)}>
        {inspectorHeadText.solo}
      </button>
      <button
        type="button"
        className="btn"
        aria-pressed={!motion.on}
        onClick={() => session.apply(switchOn([motion.id], !motion.on))}
      >
        {motion.on ? inspectorHeadText.mute : inspectorHeadText.muted}
      </button>
      <MoreActions />
    </header>
  );
}

function Name({ motion }: { motion: Motion }) {
  const { session } = useOpenedPage();
  const [name, setName] = useState<string | null>(null);
  const take = () => {
    const clean = (name ?? '').trim();
    if (clean && clean !== motion.name) session.apply(rename(motion.id, clean));
    setName(null);
  };
  if (name === null)
    return (
      <button
        type="button"
        className="inspector-name"
        title={inspectorHeadText.renameF2}
        data-rename
        onClick={() => setName(motion.name)}
      >
        {motion.name}
      </button>
    );
  return (
    <input
      className="field inspector-name-field"
      aria-label={inspectorHeadText.nameOfTheMotion}
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
