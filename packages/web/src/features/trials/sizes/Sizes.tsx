/** A map of window sizes: where the page was measured, where it was reckoned, and what the checks find there. */
import { useState } from 'react';
import type { KeyboardEvent } from 'react';
import { useStore } from 'zustand';
import { checkById, SWEEP_HEIGHTS, SWEEP_WIDTHS, sizeKey, itemAt, lastItem, present } from '@lyvek/core';
import type { SizeFacts, Swept, SweptFinding } from '@lyvek/core';
import { FindingSign } from '../../../ui/glyphs.tsx';
import { useShownPage } from '../../../preview/shown-page.ts';
import { useWork } from '../../../state/work.ts';
import { findName } from '../finding-words.ts';
import { useTrials } from '../trials-context.ts';
import { foundAt, howWords, listRows, findWorst, toZoomed } from './model.ts';
import { useElsewhere } from './use-elsewhere.ts';
import type { Sweep } from './use-sweep.ts';
import { sizesText } from '../text.ts';

const SMALLEST = `${itemAt(SWEEP_WIDTHS, 0)} × ${itemAt(SWEEP_HEIGHTS, 0)}`;
const LARGEST = `${lastItem(SWEEP_WIDTHS)} × ${lastItem(SWEEP_HEIGHTS)}`;
const sizeWords = ({ viewport: { width, height }, zoomed }: SizeFacts): string =>
  zoomed
    ? `${zoomed.window.width} × ${zoomed.window.height} at ${Math.round(100 * zoomed.by)} %`
    : `${width} × ${height}`;

export function Sizes() {
  const { sweep } = useTrials();
  const { swept, stale } = sweep;
  const [pointed, point] = useState<SizeFacts | null>(null);
  const others = useElsewhere();
  if (!swept)
    return (
      <div className="sizes-empty">
        <p>{sizesText.doesEverythingStillStart(SMALLEST, LARGEST)}</p>
        <Progress sweep={sweep} words={sizesText.lookAtOtherSizes} />
      </div>
    );
  const shown = pointed && (swept.sizes.find((s) => sizeWords(s) === sizeWords(pointed)) ?? null);
  return (
    <div className="sizes" data-state={stale ? 'stale' : 'fresh'}>
      <SizeMap swept={swept} others={others} point={point} />
      <Zoomed swept={swept} others={others} point={point} />
      <p className="sizes-said" role="status">
        {shown ? <Said swept={swept} others={others} size={shown} /> : <Legend swept={swept} />}
      </p>
      <Progress sweep={sweep} words={sizesText.goOn} />
    </div>
  );
}

/** What is under way, or what would go on. */
function Progress({ sweep, words }: { sweep: Sweep; words: string }) {
  const { swept, failed } = sweep;
  const { survey, sweeps } = useWork();
  const wanted = useStore(survey.store, (s) => s.wanted);
  const done = useStore(survey.store, (s) => s.done);
  const judged = useStore(sweeps.store, (s) => s.running);
  const under = wanted ? done : judged;
  if (under !== null)
    return (
      <span className="trial-running">
        {wanted ? sizesText.measuring(wanted.width, wanted.height) : sizesText.judging}
        <progress max={1} value={under} aria-label={sizesText.otherSizes} />
        <button type="button" className="btn" onClick={sweep.end}>
          {sizesText.stop}
        </button>
      </span>
    );
  if (failed) return <p className="field-error">{sizesText.itFailed(failed)}</p>;
  if (!sweep.stopped && swept?.sizes.every((s) => s.how !== 'unknown')) return null;
  return (
    <button type="button" className="btn main" onClick={sweep.begin}>
      {words}
    </button>
  );
}

interface MapProps {
  swept: Swept;
  /** what the open size does not show */
  others: readonly SweptFinding[];
  point(size: SizeFacts | null): void;
}

/** Which cell an arrow key leads to. */
const WAYS: Record<string, [number, number]> = {
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
};

function SizeMap({ swept, others, point }: MapProps) {
  const { viewport } = useShownPage();
  const rows = listRows(swept);
  const [at, setAt] = useState<[number, number]>([3, 9]);
  const go = (e: KeyboardEvent<HTMLTableElement>) => {
    const way = WAYS[e.key];
    if (!way) return;
    e.preventDefault();
    const next: [number, number] = [
      Math.min(rows.length - 1, Math.max(0, at[0] + way[0])),
      Math.min(SWEEP_WIDTHS.length - 1, Math.max(0, at[1] + way[1])),
    ];
    setAt(next);
    present(
      itemAt(itemAt(e.currentTarget.rows, next[0] + 1).cells, next[1] + 1).querySelector('button'),
    ).focus();
  };
  return (
    <table className="size-map" role="grid" aria-label={sizesText.windowSizesWidthBy} onKeyDown={go}>
      <thead>
        <tr>
          <td />
          {SWEEP_WIDTHS.map((w) => (
            <th key={w} scope="col">
              {w}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row, i) => (
          <tr key={SWEEP_HEIGHTS[i]}>
            <th scope="row">{SWEEP_HEIGHTS[i]}</th>
            {row.map((size, j) => (
              <td key={SWEEP_WIDTHS[j]}>
                <Cell
                  swept={swept}
                  others={others}
                  size={size}
                  point={point}
                  open={sizeKey(size.viewport) === sizeKey(viewport)}
                  reached={at[0] === i && at[1] === j}
                />
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Zoomed({ swept, others, point }: MapProps) {
  return (
    <p className="sizes-zoomed">
      {sizesText.zoomed}
      {toZoomed(swept).map(({ window: { width, height }, sizes }) => (
        <span key={width}>
          {width} × {height}
          {sizes.map((s) => (
            <Cell
              key={present(s.zoomed).by}
              swept={swept}
              others={others}
              size={s}
              point={point}
              open={false}
              reached
              text
            />
          ))}
        </span>
      ))}
    </p>
  );
}

interface CellProps extends MapProps {
  size: SizeFacts;
  open: boolean;
  /** Tab leads here */
  reached: boolean;
  text?: boolean;
}
function Cell({ swept, others, size, point, open, reached, text = false }: CellProps) {
  const { setViewport } = useShownPage();
  const found = foundAt(swept, others, size);
  const severity = findWorst(found);
  const { zoomed } = size;
  return (
    <button
      type="button"
      className="size-cell"
      data-how={size.how}
      data-found={severity ?? undefined}
      aria-current={open}
      tabIndex={reached ? 0 : -1}
      aria-label={sizesText.openThePageAt(sizeWords(size), howWords(size), found.length)}
      onPointerEnter={() => point(size)}
      onPointerLeave={() => point(null)}
      onFocus={() => point(size)}
      onBlur={() => point(null)}
      onClick={() => setViewport(size.viewport)}
    >
      {text && zoomed && `${Math.round(100 * zoomed.by)} %`}
      {severity && <FindingSign severity={severity} />}
    </button>
  );
}

/** So many are named. */
const NAMED = 3;

function Said({ swept, others, size }: { swept: Swept; others: readonly SweptFinding[]; size: SizeFacts }) {
  const { document } = useTrials();
  const own = foundAt(swept, others, size);
  const here = size.found.length - own.length;
  const named = own
    .slice(0, NAMED)
    .map(
      (f) =>
        [findName(document, f.about), f.brief].filter(Boolean).join(' ') || present(checkById(f.check)).name,
    );
  const more = own.length - named.length;
  return (
    <>
      <b>{sizeWords(size)}</b>{' '}
      <span>
        {howWords(size)}
        {size.how !== 'unknown' && (named.length ? `: ${named.join('; ')}` : sizesText.nothingFound)}
        {more > 0 && sizesText.andMore(more)}
        {here > 0 && (named.length ? sizesText.asHere(here) : sizesText.butTheThatAre(here))}.
      </span>
    </>
  );
}

function Legend({ swept }: { swept: Swept }) {
  const count = (how: SizeFacts['how']) => swept.sizes.filter((s) => s.how === how).length;
  const unknown = count('unknown');
  return (
    <>
      <span className="size-key" data-how="measured" /> {sizesText.measured(count('measured'))}
      <span className="size-key" data-how="between" /> {sizesText.interpolated(count('between'))}
      {unknown > 0 && (
        <>
          <span className="size-key" data-how="unknown" /> {sizesText.notMeasured(unknown)}
        </>
      )}
    </>
  );
}
