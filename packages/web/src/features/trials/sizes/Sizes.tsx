/** A map of window sizes: where the page was measured, where it was reckoned, and what the checks find there. */
import { useState } from 'react';
import type { KeyboardEvent } from 'react';
import { useStore } from 'zustand';
import { checkById, SWEEP_HEIGHTS, SWEEP_WIDTHS, sizeKey, itemAt, present } from '@lyvek/core';
import type { SizeFacts, Swept, SweptFinding } from '@lyvek/core';
import { FindingSign } from '../../../ui/glyphs.tsx';
import { useShownPage } from '../../../preview/shown-page.ts';
import { useWork } from '../../../state/work.ts';
import { findName } from '../finding-words.ts';
import { useTrials } from '../trials-context.ts';
import { foundAt, howWords, listRows, findWorst, toZoomed } from './model.ts';
import { useElsewhere } from './use-elsewhere.ts';
import type { Sweep } from './use-sweep.ts';

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
        <p>
          Does everything still start, end and stay pinned on a phone, on a large screen, zoomed to 200 %? The
          page is measured at a few dozen sizes between {SWEEP_WIDTHS[0]} × {SWEEP_HEIGHTS[0]} and{' '}
          {SWEEP_WIDTHS.at(-1)} × {SWEEP_HEIGHTS.at(-1)}, and interpolated in between where that is reliable.
        </p>
        <Progress sweep={sweep} face="Look at other sizes" />
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
      <Progress sweep={sweep} face="Go on" />
    </div>
  );
}

/** What is under way, or what would go on. */
function Progress({ sweep, face }: { sweep: Sweep; face: string }) {
  const { swept, failed } = sweep;
  const { survey, sweeps } = useWork();
  const wanted = useStore(survey.store, (s) => s.wanted);
  const done = useStore(survey.store, (s) => s.done);
  const judged = useStore(sweeps.store, (s) => s.running);
  const under = wanted ? done : judged;
  if (under !== null)
    return (
      <span className="trial-running">
        {wanted ? `measuring ${wanted.width} × ${wanted.height}` : 'judging'}
        <progress max={1} value={under} aria-label="Other sizes" />
        <button type="button" className="btn" onClick={sweep.end}>
          Stop
        </button>
      </span>
    );
  if (failed) return <p className="field-error">It failed: {failed}.</p>;
  if (!sweep.stopped && swept?.sizes.every((s) => s.how !== 'unknown')) return null;
  return (
    <button type="button" className="btn main" onClick={sweep.begin}>
      {face}
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
    <table className="size-map" role="grid" aria-label="Window sizes, width by height" onKeyDown={go}>
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
      Zoomed
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
      aria-label={`${sizeWords(size)}, ${howWords(size)}: ${found.length === 0 ? 'nothing that the open size does not show' : `${found.length} that the open size does not show`}. Open the page at this size`}
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
        {size.how !== 'unknown' && (named.length ? `: ${named.join('; ')}` : ': nothing found')}
        {more > 0 && ` and ${more} more`}
        {here > 0 && (named.length ? `. ${here} as here` : ` but the ${here} that are found here too`)}.
      </span>
    </>
  );
}

function Legend({ swept }: { swept: Swept }) {
  const count = (how: SizeFacts['how']) => swept.sizes.filter((s) => s.how === how).length;
  const unknown = count('unknown');
  return (
    <>
      <span className="size-key" data-how="measured" /> {count('measured')} measured
      <span className="size-key" data-how="between" /> {count('between')} reckoned
      {unknown > 0 && (
        <>
          <span className="size-key" data-how="unknown" /> {unknown} not measured
        </>
      )}
    </>
  );
}
