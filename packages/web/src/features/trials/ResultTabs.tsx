/**
 * The feel of the damping, the take at other sizes and under other hands, and what a measured trial knows; below it how smoothly motions go,
 * or the page under the hand.
 */
import { itemAt } from '@lyvek/core';
import { useState } from 'react';
import type { ComponentType, ReactNode } from 'react';
import { TryIt } from './damping/TryIt.tsx';
import { HistoryChart, Intervals } from './Frames.tsx';
import { Smoothness } from './Smoothness.tsx';
import { Sizes } from './sizes/Sizes.tsx';
import { useTrials } from './trials-context.ts';
import type { ShownTrial } from './use-measured.ts';
import { Ways } from './ways/Ways.tsx';
import { resultTabsText } from './text.ts';

interface View {
  name: string;
  /** null: it draws its own head */
  Body: ComponentType | null;
}
const VIEWS: readonly View[] = [
  { name: 'Damping', Body: null },
  { name: 'Sizes', Body: Sizes },
  { name: 'All gestures', Body: Ways },
];
const OfMeasured = (Draw: ComponentType<{ trial: ShownTrial; beside: ShownTrial | null }>) =>
  function Measured() {
    const { shown, beside } = useTrials().measured;
    return shown && <Draw trial={shown} beside={beside} />;
  };
const MEASURED: readonly View[] = [
  { name: 'Intervals', Body: OfMeasured(Intervals) },
  { name: 'History', Body: OfMeasured(HistoryChart) },
];

export function ResultTabs() {
  const { measured } = useTrials();
  const [chosen, choose] = useState(itemAt(VIEWS, 0).name);
  const [damped, tryIt] = useState(false);
  const views = measured.shown ? [...VIEWS, ...MEASURED] : VIEWS;
  const { name, Body } = views.find((v) => v.name === chosen) ?? itemAt(VIEWS, 0);
  const tabs: ReactNode = (
    <span className="middle-tabs" role="group" aria-label={resultTabsText.shownAboveTheSmoothness}>
      {views.map((v) => (
        <button key={v.name} type="button" aria-pressed={v.name === name} onClick={() => choose(v.name)}>
          {v.name}
        </button>
      ))}
    </span>
  );
  return (
    <div className="trials-middle">
      {Body ? (
        <section className="feel" aria-label={name}>
          <h2>{tabs}</h2>
          <Body />
        </section>
      ) : (
        <TryIt tabs={tabs} damped={damped} tryIt={tryIt} />
      )}
      {(Body || !damped) && <Smoothness />}
    </div>
  );
}
