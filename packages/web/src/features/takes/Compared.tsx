/** Both sides are there: the strips, the curves, the enlarged offset with its wipe, the figures. */
import { useEffect, useMemo, useState } from 'react';
import { createStore } from 'zustand/vanilla';
import { listDifferences, visualDifference, itemAt } from '@lyvek/core';
import { useSize } from '../../ui/use-size.ts';
import { useShownPage } from '../../preview/shown-page.ts';
import { CurvesOver } from './CurvesOver.tsx';
import { DifferenceList } from './DifferenceList.tsx';
import { Figures } from './Figures.tsx';
import { MergeBar } from './MergeBar.tsx';
import { PICTURES, firstAxis, largestDifference } from './model/axis.ts';
import { Pictures } from './Pictures.tsx';
import type { ComparedProps } from './sides.tsx';
import { Strips, SCALE } from './Strips.tsx';
import { TakesContext } from './takes-context.ts';
import type { Looking } from './takes-context.ts';
import { useTakesKeys } from './use-keys.ts';
import { Wipe } from './Wipe.tsx';

const HEAD = 28;
const CURVES = 160;
const EDGE = 14;
/** Under every picture of a strip. */
const CAPTION = 18;

export function Compared({ a, b }: ComparedProps) {
  const { link, viewport } = useShownPage();
  const { ref, width, height } = useSize();
  const left = a.kind === 'take' && a.page.id === b.page.id ? a : null;
  const differences = useMemo(
    () => left && listDifferences(left.whole, b.whole),
    [left?.whole, b.whole], // eslint-disable-line react-hooks/exhaustive-deps
  );
  const difference = useMemo(
    () => (left?.take && b.take ? visualDifference(left.take, b.take) : null),
    [left?.take, b.take],
  );
  const max = Math.max(
    ...[a, b].map((s) => (s.kind === 'take' && s.layout ? itemAt(s.layout.scrollers, 0).max.block : 0)),
  );
  const [looking] = useState(() =>
    createStore<Looking>(() => {
      const at = link.store.getState().offset.y;
      return {
        axis: firstAxis(at, viewport.height, max),
        at,
        wipe: 0.5,
        whole: null,
        motion: null,
        property: null,
      };
    }),
  );
  // Once it is known where they differ, that is where people want to look first.
  const [placed, setPlaced] = useState(false);
  useEffect(() => {
    if (placed || max <= 0 || (left && !difference)) return;
    setPlaced(true);
    const there = difference && largestDifference(difference, max);
    const at = there && there.much > 0 ? there.at : Math.min(max, link.store.getState().offset.y);
    const axis = firstAxis(at, viewport.height, max);
    looking.setState({ axis, at: there && there.much > 0 ? at : axis.middle });
  }, [placed, max, left, difference, looking, viewport.height, link]);
  useTakesKeys(looking, max);

  const rows = Math.max(300, height - HEAD);
  const picture = Math.max(
    20,
    Math.min(rows / PICTURES - CAPTION, ((0.155 * width) / viewport.width) * viewport.height),
  );
  const scale = picture / viewport.height;
  const strips = 2 * viewport.width * scale + SCALE + 2 * EDGE;
  const right = width - strips - CURVES;
  return (
    <div
      className="takes"
      ref={ref}
      style={{ gridTemplateColumns: `${strips}px ${CURVES}px minmax(0, 1fr)` }}
    >
      <TakesContext value={{ a, b, differences, difference, looking, max }}>
        <Strips rows={rows} scale={scale} />
        <CurvesOver rows={rows} width={CURVES} />
        <div className="takes-right">
          <Wipe width={right - 32} height={0.5 * height} />
          {a.kind === 'pictures' ? (
            <Pictures set={a.set} />
          ) : (
            <div className="takes-below">
              <Figures />
              <DifferenceList />
            </div>
          )}
          <MergeBar />
        </div>
      </TakesContext>
    </div>
  );
}
