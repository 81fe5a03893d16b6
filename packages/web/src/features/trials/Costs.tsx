/** The page as a strip, scroll offsets, the budget band, and what frames cost by stretches of scroll, all on one vertical scale. */
import { useMemo } from 'react';
import type { PointerEvent } from 'react';
import { useStore } from 'zustand';
import { fillBuckets, COST_PARTS, PART_NAMES } from '@lyvek/core';
import type { Bucket } from '@lyvek/core';
import { bucketSize } from '../../editor/strip/bands.ts';
import { CostBand } from '../../editor/strip/CostBand.tsx';
import { StripArt } from '../../editor/strip/StripArt.tsx';
import { Ticks } from '../../editor/strip/Ticks.tsx';
import { grouped, offsetAt, toRow, computeTicks } from '../../editor/strip/view.ts';
import { useShownPage } from '../../preview/shown-page.ts';
import { Bar, PeakMark } from './CostMarks.tsx';
import { EventKeys, Events } from './Events.tsx';
import { toAxis, findPeaks } from './model/costs.ts';
import { pointAt, pointStore, useTrials } from './trials-context.ts';
import { costsText } from './text.ts';

/** Where strip and ruler end, where the bars begin, and what is left free behind the longest one. */
const LEFT = 144;
const BARS = 151;
const FREE = 21;
/** Both of them drawn, whichever one is the budget. */
const RATES = [60, 120];

/** Frame times of the usual rates, and the budget, ms. */
function rateLines(budget: number): { ms: number; isBudget: boolean }[] {
  const lines = RATES.map((r) => ({ ms: 1000 / r, isBudget: Math.abs(1000 / r - budget) < 0.1 }));
  if (!lines.some((l) => l.isBudget)) lines.push({ ms: budget, isBudget: true });
  return lines;
}

export function Costs() {
  const { layout, frames, beside, prediction, summary, view, rows, max, document, measured, costs } =
    useTrials();
  const at = useStore(pointStore, (p) => p.at);
  const { link } = useShownPage();
  const offset = useStore(link.store, (s) => s.offset.y);
  const size = bucketSize(view);
  const buckets = useMemo(() => fillBuckets(frames, max, size), [frames, max, size]);
  const others = useMemo(() => beside && fillBuckets(beside, max, size), [beside, max, size]);
  const { budget } = summary;
  const axis = toAxis(buckets, budget);
  const x = (ms: number) => BARS + (ms / axis) * (costs - BARS - FREE);
  const peaks = useMemo(
    () => findPeaks(buckets, prediction.answer.charges, view),
    [buckets, prediction.answer.charges, view],
  );
  const names = useMemo(() => new Map(document.motions.map((m) => [m.id, m.name])), [document.motions]);
  const toOffset = (e: PointerEvent<SVGElement>) =>
    Math.min(max, Math.max(0, offsetAt(e.clientY - e.currentTarget.getBoundingClientRect().top, view)));
  const lines = rateLines(budget);
  const height = layout.viewport.height;
  return (
    <div className="costs">
      <div className="head-row">
        <span className="head-strip">{costsText.px(grouped(layout.page.height))}</span>
        <span className="head-scroll">{costsText.scrollPx}</span>
        <CostAxis width={costs} lines={lines} worst={summary.worst} budget={budget} x={x} />
      </div>
      <svg
        width={costs}
        height={rows}
        className="costs-chart"
        role="img"
        aria-label={costsText.costOfFramesAlong(
          summary.worst.toFixed(1),
          grouped(summary.worstAt),
          budget.toFixed(1),
        )}
        onPointerMove={(e) => pointAt(toOffset(e))}
        onPointerLeave={() => pointAt(null)}
        onClick={(e) => link.scrollTo(Math.round(toOffset(e as unknown as PointerEvent<SVGElement>)))}
      >
        <StripArt layout={layout} view={view} x={4} width={80} />
        <path className="rules" d={`M88.5 0V${rows}M143.5 0V${rows}`} />
        <Ticks view={view} rows={rows} max={max} />
        <CostBand frames={frames} max={max} view={view} budget={budget} />
        <Grid width={costs} />
        <PointedRanges width={costs} />
        {buckets.map((b) => (
          <Bar key={b.from} bucket={b} x={x} budget={budget} per={view.per} row={toRow(b.from, view)} />
        ))}
        {others && <BesideLines buckets={others} x={(ms) => x(Math.min(axis, ms))} />}
        {measured.shown && <Events events={measured.shown.result.events} x={costs - 14} />}
        {lines.map((l) => (
          <path key={l.ms} d={`M${x(l.ms)} 0V${rows}`} className={l.isBudget ? 'budget-line' : 'rate-line'} />
        ))}
        {peaks.map(({ bucket, charge }) => (
          <PeakMark
            key={bucket.from}
            y={toRow((bucket.from + bucket.to) / 2, view)}
            end={x(bucket.total)}
            width={costs}
            name={short(names.get(charge.motion) ?? '')}
            total={bucket.total}
            over={bucket.total > budget}
          />
        ))}
        <rect
          className="window"
          x={3}
          width={82}
          y={toRow(offset, view)}
          height={Math.min(height / view.per, rows - toRow(offset, view))}
        />
        {at !== null && <Pointed at={at} width={costs} cost={totalAt(buckets, at, size)} />}
      </svg>
      <Legend size={size} />
    </div>
  );
}

function Grid({ width }: { width: number }) {
  const { view, rows, max } = useTrials();
  return (
    <path
      className="grid"
      d={computeTicks(view, rows, max)
        .filter((t) => t.bold)
        .map((t) => `M${LEFT} ${toRow(t.offset, view)}H${width}`)
        .join('')}
    />
  );
}

/** Ranges of the motion that is pointed at. */
function PointedRanges({ width }: { width: number }) {
  const { prediction, view, max } = useTrials();
  const motion = useStore(pointStore, (p) => p.motion);
  const pointed = useMemo(
    () => prediction.answer.figures.filter((f) => f.motion === motion),
    [prediction.answer.figures, motion],
  );
  return pointed.map((f) => (
    <rect
      key={f.element}
      className="pointed"
      x={LEFT}
      width={width - LEFT}
      y={toRow(Math.max(0, f.start), view)}
      height={Math.max(1, (Math.min(max, f.end) - Math.max(0, f.start)) / view.per)}
    />
  ));
}

/** Totals of what is laid beside. */
function BesideLines({ buckets, x }: { buckets: readonly Bucket[]; x(ms: number): number }) {
  const { view } = useTrials();
  return (
    <path
      className="beside"
      d={buckets
        .filter((b) => b.frames > 0)
        .map((b) => `M${x(b.total)} ${toRow(b.from, view)}v${(b.to - b.from) / view.per}`)
        .join('')}
    />
  );
}

function Pointed({ at, width, cost }: { at: number; width: number; cost: string }) {
  const { view } = useTrials();
  return (
    <g className="pointer">
      <path d={`M4 ${toRow(at, view)}H${width}`} />
      <text x={width - 6} y={Math.max(11, toRow(at, view) - 4)}>
        {costsText.pxAndCost(grouped(at), cost)}
      </text>
    </g>
  );
}

interface AxisProps {
  width: number;
  lines: readonly { ms: number; isBudget: boolean }[];
  worst: number;
  budget: number;
  x(ms: number): number;
}

function CostAxis({ width, lines, worst, budget, x }: AxisProps) {
  return (
    <svg width={width - LEFT} height={28} className="cost-axis" aria-hidden="true">
      <text x={x(0) - LEFT} y={18}>
        0
      </text>
      {lines
        .filter((l) => l.isBudget || Math.abs(x(l.ms) - x(budget)) > 58)
        .map((l) => (
          <text
            key={l.ms}
            x={x(l.ms) - LEFT}
            y={18}
            textAnchor={l.isBudget && x(l.ms) < BARS + 90 ? 'start' : 'middle'}
            className={l.isBudget ? 'budget' : ''}
          >
            {l.isBudget ? costsText.msBudget(l.ms.toFixed(1)) : l.ms.toFixed(1)}
          </text>
        ))}
      {worst > 1.35 * budget && (
        <text x={x(worst) - LEFT} y={18} textAnchor="end">
          {Math.round(worst)}
        </text>
      )}
    </svg>
  );
}

function Legend({ size }: { size: number }) {
  const { beside, measured } = useTrials();
  return (
    <footer className="cost-legend">
      {COST_PARTS.map((p) => (
        <span key={p} title={PART_NAMES[p].what}>
          <i className={`part-${p}`} />
          {PART_NAMES[p].name}
        </span>
      ))}
      {measured.shown && <EventKeys events={measured.shown.result.events} />}
      {beside && (
        <span>
          <i className="beside-key" />
          {measured.beside ? costsText.rev(measured.beside.revision) : costsText.predicted}
        </span>
      )}
      {!measured.shown && <em>{costsText.msOfTheMost(grouped(size))}</em>}
    </footer>
  );
}

const short = (name: string) => (name.length > 18 ? `${name.slice(0, 17)}…` : name);

function totalAt(buckets: readonly Bucket[], at: number, size: number): string {
  const b = buckets[Math.min(buckets.length - 1, Math.floor(at / size))];
  return b && b.frames > 0 ? `${b.total.toFixed(1)} ms` : 'no frame';
}
