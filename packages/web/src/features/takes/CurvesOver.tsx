/** One motion’s value in both takes, along the axis of the strips. */
import { itemAt, present } from '@lyvek/core';
import { useMemo } from 'react';
import { useStore } from 'zustand';
import type { Px } from '@lyvek/core';
import { DriverSign } from '../../editor/drivers/DriverSign.tsx';
import { Down } from '../../ui/glyphs.tsx';
import { Choices, Popover } from '../../ui/Popover.tsx';
import { offsetAt, toRow } from '../../editor/strip/view.ts';
import type { View } from '../../editor/strip/view.ts';
import { isInner, keyframeRow, listKeyframes } from '../../editor/model/keyframes.ts';
import { makeView } from './model/axis.ts';
import { drawnAtOffset, computeDrawn, motionPairs, listProperties } from './model/pairs.ts';
import type { Drawn, MotionPair } from './model/pairs.ts';
import { useTakes } from './takes-context.ts';
import { useChooseMotion } from './use-choose-motion.ts';
import { curvesOverText } from './text.ts';

/** Room for the numbers over the curves. */
const TOP = 22;
const EDGE = 14;

/** The chosen motion, or the first that differs and can be drawn. */
export function useChosenPair(): { pairs: MotionPair[]; pair: MotionPair | null; property: string | null } {
  const { a, b, differences, looking } = useTakes();
  const pairs = useMemo(
    () => motionPairs(a.kind === 'take' ? a.document : null, b.document, differences),
    [a, b.document, differences],
  );
  const wanted = useStore(looking, (s) => s.motion);
  const property = useStore(looking, (s) => s.property);
  const left = a.kind === 'take' && differences ? a.layout : null;
  return useMemo(() => {
    const drawable = (p: MotionPair) =>
      listProperties(p).some((name) => computeDrawn(p.b, b.layout, name) ?? computeDrawn(p.a, left, name));
    const pair = pairs.find((p) => p.id === wanted) ?? pairs.find(drawable) ?? pairs[0] ?? null;
    const all = pair ? listProperties(pair) : [];
    return {
      pairs,
      pair,
      property: property !== null && all.includes(property) ? property : (all[0] ?? null),
    };
  }, [pairs, wanted, property, b.layout, left]);
}

export function CurvesOver({ rows, width }: { rows: number; width: number }) {
  const { a, b, differences, looking } = useTakes();
  const axis = useStore(looking, (s) => s.axis);
  const at = useStore(looking, (s) => s.at);
  const { pairs, pair, property } = useChosenPair();
  const choose = useChooseMotion();
  const view = makeView(axis, rows);
  const left = a.kind === 'take' && differences ? a.layout : null;
  const [x, y] = useMemo(
    () =>
      pair && property !== null
        ? [computeDrawn(pair.a, left, property), computeDrawn(pair.b, b.layout, property)]
        : [null, null],
    [pair, property, left, b.layout],
  );
  return (
    <section className="curves-over" aria-label={curvesOverText.curvesOfBothTakes}>
      <header className="takes-head">
        {pair ? (
          <>
            <Popover
              label={curvesOverText.motion}
              trigger={
                <>
                  <DriverSign kind={present(pair.b ?? pair.a).driver.kind} />
                  <span className="cut">{pair.name}</span> <Down />
                </>
              }
            >
              {(close) => (
                <div className="pair-list">
                  <Choices
                    value={pair.id}
                    options={pairs.map((p) => ({
                      value: p.id,
                      text: p.name,
                      ...(p.differs ? { note: 'differs' } : {}),
                    }))}
                    onChoose={(motion) => {
                      choose(motion);
                      close();
                    }}
                  />
                </div>
              )}
            </Popover>
            <Popover
              label={curvesOverText.property}
              className="btn plain"
              trigger={<span className="cut">{property}</span>}
            >
              {(close) => (
                <Choices
                  {...(property === null ? {} : { value: property })}
                  options={listProperties(pair).map((p) => ({ value: p, text: p }))}
                  onChoose={(p) => {
                    looking.setState({ motion: pair.id, property: p });
                    close();
                  }}
                />
              )}
            </Popover>
          </>
        ) : (
          <span className="quiet">{curvesOverText.noMotion}</span>
        )}
      </header>
      {x || y ? (
        <Over a={x} b={y} view={view} rows={rows} width={width} at={at} />
      ) : (
        <p className="quiet curves-none">{pair ? curvesOverText.itIsTimeBased : ''}</p>
      )}
    </section>
  );
}

const write = (n: number) => String(Number(n.toFixed(Math.abs(n) < 10 ? 2 : Math.abs(n) < 100 ? 1 : 0)));

interface OverProps {
  a: Drawn | null;
  b: Drawn | null;
  view: View;
  rows: number;
  width: number;
  at: Px;
}

function Over({ a, b, view, rows, width, at }: OverProps) {
  const both = [a, b].filter((d) => d !== null);
  const low = Math.min(...both.map((d) => d.curve.low));
  const high = Math.max(...both.map((d) => d.curve.high));
  const across = (n: number) => EDGE + (high > low ? (n - low) / (high - low) : 0.5) * (width - 2 * EDGE);
  const points = (d: Drawn | null) => {
    if (!d) return [];
    const out: string[] = [];
    for (let row = 0; row <= rows; row += 3)
      out.push(`${across(drawnAtOffset(d, offsetAt(row, view))).toFixed(1)} ${row}`);
    return out;
  };
  const [p, q] = [points(a), points(b)];
  const now = toRow(at, view);
  const here = [a, b].map((d) => (d ? drawnAtOffset(d, at) : null));
  const kind = present(b ?? a).bar.motion.driver.kind;
  const apart = here[0] !== null && here[1] !== null ? Math.abs(itemAt(here, 0) - itemAt(here, 1)) : 0;
  return (
    <svg
      width={width}
      height={rows}
      className="over-chart"
      data-driver={kind}
      role="img"
      aria-label={curvesOverText.valueOverScroll}
    >
      {[0, 1, 2, 3].map((k) => {
        const n = low + ((high - low) * k) / 3;
        return (
          <g key={k}>
            <path d={`M${across(n)} ${TOP}V${rows}`} className="over-grid" />
            <text x={across(n)} y={14} textAnchor={k === 0 ? 'start' : k === 3 ? 'end' : 'middle'}>
              {write(n)}
            </text>
          </g>
        );
      })}
      <g clipPath={`inset(${TOP}px 0 0 0)`}>
        {p.length > 0 && q.length > 0 && (
          <path d={`M${[...p, ...q.toReversed()].join('L')}Z`} className="over-wash" />
        )}
        {p.length > 0 && <path d={`M${p.join('L')}`} className="over-a" />}
        {q.length > 0 && <path d={`M${q.join('L')}`} className="over-b" />}
        {[a, b].map(
          (d, k) =>
            d &&
            listKeyframes(d.bar.motion)
              .filter(isInner)
              .map((share) => {
                const o = keyframeRow(d.bar, share);
                return (
                  <circle
                    key={`${k}${share}`}
                    cx={across(drawnAtOffset(d, o))}
                    cy={toRow(o, view)}
                    r={2.6}
                    className={k === 0 ? 'over-keyframe' : 'over-keyframe b'}
                  />
                );
              }),
        )}
        <path d={`M0 ${now}H${width}`} className="over-now" />
        {here.map(
          (n, k) => n !== null && <circle key={k} cx={across(n)} cy={now} r={2.6} className="over-here" />,
        )}
      </g>
      <Letters a={a} b={b} across={across} view={view} rows={rows} now={now} />
      {apart > 0.005 * (high - low) && (
        <text x={width / 2} y={now - 6} textAnchor="middle" className="over-apart">
          {curvesOverText.apart(write(apart))}
        </text>
      )}
    </svg>
  );
}

/** Each curve’s letter where the curves are furthest apart in sight, away from the line of the enlarged offset. */
function Letters({
  a,
  b,
  across,
  view,
  rows,
  now,
}: Pick<OverProps, 'a' | 'b' | 'view' | 'rows'> & { across(n: number): number; now: number }) {
  let best = { row: rows / 4, gap: -1 };
  for (let row = 40; row < rows - 20; row += 12) {
    if (Math.abs(row - now) < 30) continue;
    const y = offsetAt(row, view);
    const gap = a && b ? Math.abs(across(drawnAtOffset(a, y)) - across(drawnAtOffset(b, y))) : 0;
    if (gap > best.gap) best = { row, gap };
  }
  const y = offsetAt(best.row, view);
  const [x, z] = [a, b].map((d) => (d ? across(drawnAtOffset(d, y)) : null));
  const aFirst = (x ?? 0) <= (z ?? 0);
  const put = (at: number, first: boolean, letter: string) => (
    <text
      x={at + (first ? 6 : -6)}
      y={best.row + 4}
      textAnchor={first ? 'start' : 'end'}
      className={`over-letter ${letter}`}
    >
      {letter}
    </text>
  );
  return (
    <>
      {x !== null && x !== undefined && put(x, aFirst, 'A')}
      {z !== null && z !== undefined && put(z, !aFirst, 'B')}
    </>
  );
}
