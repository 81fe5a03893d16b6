/** Two filmstrips of the real page at the same scroll offsets, and between them the axis that both share. */
import { itemAt } from '@lyvek/core';
import { useState } from 'react';
import { useStore } from 'zustand';
import type { Px } from '@lyvek/core';
import { PagePreview } from '../../preview/PagePreview.tsx';
import { grouped } from '../../editor/strip/view.ts';
import { useShownPage } from '../../preview/shown-page.ts';
import { computeOffsets } from './model/axis.ts';
import { placeWords } from './model/place-words.ts';
import { ReferencePicture } from './ReferencePicture.tsx';
import { Scale } from './Scale.tsx';
import { SideHead } from './SideHead.tsx';
import { useTakes } from './takes-context.ts';
import type { Letter, Side } from './takes-context.ts';
import './strips.css';
import { stripsText } from './text.ts';

/** px between the strips */
export const SCALE = 96;
/** Frames that are opened at once: more of them only make each other wait. */
const AT_ONCE = 4;

export function Strips({ rows, scale }: { rows: number; scale: number }) {
  const { a, b, looking, max } = useTakes();
  const axis = useStore(looking, (s) => s.axis);
  const offsets = computeOffsets(axis, max);
  const [opened, setOpened] = useState(0);
  const strip = (letter: Letter, side: Side) => (
    <div className="film-column" data-strip={letter}>
      {offsets.map((at, k) => (
        <Picture
          key={k}
          letter={letter}
          side={side}
          at={at}
          scale={scale}
          // The middle ones first: they are what is looked at.
          there={2 * itemAt(ORDER, k) + (letter === 'b' ? 1 : 0) < opened + AT_ONCE}
          shown={() => setOpened((n) => n + 1)}
        />
      ))}
    </div>
  );
  return (
    <section className="strips" aria-label={stripsText.filmstrips}>
      <header className="takes-head">
        <SideHead letter="a" side={a} />
        <span className="axis-names">
          <i>{stripsText.scrollPx}</i>
          <i title={stripsText.shareOfTheWindow}>{stripsText.difference}</i>
        </span>
        <SideHead letter="b" side={b} />
      </header>
      <div className="strips-body" style={{ height: rows }}>
        {strip('a', a)}
        <Scale rows={rows} width={SCALE} />
        {strip('b', b)}
      </div>
    </section>
  );
}

const ORDER = [3, 1, 0, 2, 4] as const;

interface PictureProps {
  letter: Letter;
  side: Side;
  at: Px;
  scale: number;
  there: boolean;
  shown(): void;
}

function Picture({ letter, side, at, scale, there, shown }: PictureProps) {
  const { looking } = useTakes();
  const { viewport } = useShownPage();
  const chosen = useStore(looking, (s) => s.at === at);
  const words = side.kind === 'take' && side.layout ? placeWords(side.layout, at) : '';
  return (
    <button
      type="button"
      className="film-picture"
      aria-pressed={chosen}
      aria-label={stripsText.atPx(side.name, grouped(at), words)}
      style={{ width: viewport.width * scale }}
      onClick={() => looking.setState({ at })}
    >
      <span className="film-frame" style={{ height: viewport.height * scale }}>
        {side.kind === 'pictures' ? (
          <ReferencePicture set={side.set} at={at} width={viewport.width * scale} />
        ) : (
          there &&
          side.dress && (
            <PagePreview
              page={side.page}
              title={stripsText.sideAtPx(side.name, letter, at)}
              viewport={viewport}
              scale={scale}
              dress={side.dress}
              at={at}
              shown={shown}
            />
          )
        )}
      </span>
      <span className="film-caption">{words || ' '}</span>
    </button>
  );
}
