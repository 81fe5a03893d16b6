/** Over the smoothness: the feel of the damping, or, of a measured trial, its frames and how trials have gone over time. */
import { useState } from 'react';
import { Feel } from './Feel.tsx';
import { HistoryChart, Intervals } from './Frames.tsx';
import { useTrials } from './trials-context.ts';

const TABS = ['Feel', 'Intervals', 'History'] as const;
type Tab = (typeof TABS)[number];

export function Middle() {
  const { measured } = useTrials();
  const [tab, setTab] = useState<Tab>('Feel');
  const { shown, beside } = measured;
  const tabs = shown && (
    <span className="middle-tabs" role="group" aria-label="Shown above the smoothness">
      {TABS.map((t) => (
        <button key={t} type="button" aria-pressed={t === tab} onClick={() => setTab(t)}>
          {t}
        </button>
      ))}
    </span>
  );
  if (!shown || tab === 'Feel') return <Feel tabs={tabs} />;
  return (
    <section className="feel" aria-label={tab}>
      <h2>{tabs}</h2>
      {tab === 'Intervals' ? <Intervals trial={shown} beside={beside} /> : <HistoryChart trial={shown} />}
    </section>
  );
}
