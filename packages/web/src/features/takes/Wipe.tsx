/** The enlarged offset: both takes over each other, with an edge that is dragged across. Scrolling it scrolls both. */
import { present } from '@lyvek/core';
import { useEffect, useRef } from 'react';
import { useStore } from 'zustand';
import { PagePreview } from '../../preview/PagePreview.tsx';
import { grouped } from '../../editor/strip/view.ts';
import { makeSandbox } from '../../preview/use-opened-frame.ts';
import { useShownPage } from '../../preview/shown-page.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { useLinkedPage } from '../../preview/use-linked-page.ts';
import { useChosenPair } from './CurvesOver.tsx';
import { drawnAtOffset, computeDrawn } from './model/pairs.ts';
import { placeWords } from './model/place-words.ts';
import { ReferencePicture } from './ReferencePicture.tsx';
import { beginDrag } from '../../ui/drag.ts';
import { useTakes } from './takes-context.ts';
import type { Letter } from './takes-context.ts';
import { useGestureName } from './use-figures.ts';
import './wipe.css';
import { wipeText } from './text.ts';

const HEAD = 28;

export function Wipe({ width, height }: { width: number; height: number }) {
  const { a, looking, max, b } = useTakes();
  const { page } = useOpenedPage();
  const { viewport, link } = useShownPage();
  const at = useStore(looking, (s) => s.at);
  const wipe = useStore(looking, (s) => (s.whole === 'a' ? 1 : s.whole === 'b' ? 0 : s.wipe));
  const scale = Math.min(1, width / viewport.width, (height - HEAD) / viewport.height);
  const [w, h] = [viewport.width * scale, viewport.height * scale];
  const frame = useRef<HTMLIFrameElement>(null);
  const other = a.kind === 'take' && a.page.id === page.id ? a.document : null;
  const { key } = useLinkedPage(frame, b.document, other);
  const ready = useStore(link.store, (s) => s.link === 'ready');
  useEffect(() => {
    if (ready) link.scrollTo(at);
  }, [link, at, ready]);
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const roll = (e: WheelEvent) => {
      e.preventDefault();
      looking.setState((s) => ({ at: Math.round(Math.min(max, Math.max(0, s.at + e.deltaY))) }));
    };
    const el = present(box.current);
    el.addEventListener('wheel', roll, { passive: false });
    return () => el.removeEventListener('wheel', roll);
  }, [looking, max]);
  return (
    <section className="wipe-part" aria-label={wipeText.bothTakesOverEach}>
      <header className="takes-head">
        <span>
          {wipeText.at(a.kind)} <b>{wipeText.px(grouped(at))}</b>
          {wipeText.shownAt(Math.round(100 * scale))}
        </span>
        <span className="grow" />
        <GestureName />
      </header>
      <div className="wipe" ref={box} style={{ width: w, height: h }}>
        <iframe
          key={key}
          ref={frame}
          title={wipeText.atPx(b.name, at)}
          sandbox={makeSandbox(page)}
          tabIndex={-1}
          style={{ width: viewport.width, height: viewport.height, transform: `scale(${scale})` }}
        />
        <div className="wipe-a" style={{ clipPath: `inset(0 ${100 * (1 - wipe)}% 0 0)` }}>
          {a.kind === 'take' ? (
            <PagePreview
              page={a.page}
              title={wipeText.atPx(a.name, at)}
              viewport={viewport}
              scale={scale}
              dress={a.dress}
              at={at}
              {...(a.measured ? { measure: { document: a.document, onProgress: a.measured } } : {})}
            />
          ) : (
            <ReferencePicture set={a.set} at={at} width={w} />
          )}
        </div>
        {!ready && <p className="seen-note">{wipeText.openingThePage}</p>}
        <div className="wipe-cover" />
        <Plate width={w} />
      </div>
      <p className="wipe-states" style={{ width: w + 24 }}>
        <State letter="a" />
        <span className="grow" />
        <State letter="b" />
      </p>
    </section>
  );
}

function Plate({ width }: { width: number }) {
  const { looking } = useTakes();
  const wipe = useStore(looking, (s) => s.wipe);
  const press = (e: React.PointerEvent<HTMLElement>) => {
    const { left } = present(e.currentTarget.parentElement).getBoundingClientRect();
    const put = (_by: number, event: { clientX: number }) =>
      looking.setState({ wipe: Math.min(1, Math.max(0, (event.clientX - left) / width)) });
    beginDrag(e, { move: put, drop: put, putBack: () => looking.setState({ wipe }) });
  };
  return (
    <div
      className="wipe-edge"
      style={{ left: `${100 * wipe}%` }}
      role="slider"
      tabIndex={0}
      aria-label={wipeText.howMuchOfThe}
      aria-valuenow={Math.round(100 * wipe)}
      aria-valuemin={0}
      aria-valuemax={100}
      title={wipeText.dragOrHoldA}
      onPointerDown={press}
    >
      <span className="wipe-plate" aria-hidden="true">
        <svg width={30} height={10}>
          <path d="M6 1L2 5l4 4M13 1v8M17 1v8M24 1l4 4-4 4" />
        </svg>
      </span>
    </div>
  );
}

/** “A scale 1.34, held 60 %” */
function State({ letter }: { letter: Letter }) {
  const takes = useTakes();
  const at = useStore(takes.looking, (s) => s.at);
  const { pair, property } = useChosenPair();
  const side = takes[letter];
  if (side.kind !== 'take' || !side.layout)
    return (
      <span className={`wipe-state ${letter}`}>
        <b>{letter.toUpperCase()}</b>
        <span>{side.name}</span>
      </span>
    );
  const motion = takes.differences || letter === 'b' ? pair?.[letter] : null;
  const drawn = property === null ? null : computeDrawn(motion ?? null, side.layout, property);
  const value = drawn && `${drawn.curve.name} ${Number(drawnAtOffset(drawn, at).toFixed(2))}`;
  const words = [value, placeWords(side.layout, at)].filter(Boolean).join(', ');
  return (
    <span className={`wipe-state ${letter}`}>
      <b>{letter.toUpperCase()}</b>
      <span title={words}>{words}</span>
    </span>
  );
}

function GestureName() {
  return <i className="quiet">{wipeText.figuresUnder(useGestureName())}</i>;
}
