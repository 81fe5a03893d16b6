/** What was measured, as charts: the time between frames, and trials of the same kind over time. */
import { clockById, itemAt, present } from '@lyvek/core';
import { ApexFigure, axisText, plainChart, token } from '../../ui/ApexFigure.tsx';
import { binNames, comparable, intervalShares, STEP } from './model/history.ts';
import { useTrials } from './trials-context.ts';
import type { ShownTrial } from './use-measured.ts';
import { trialWords } from './MeasureMenu.tsx';
import { framesText } from './text.ts';

const HEIGHT = 168;

export function Intervals({ trial, beside }: { trial: ShownTrial; beside: ShownTrial | null }) {
  const both = [trial, ...(beside ? [beside] : [])];
  const shares = both.map((t) => intervalShares(t.result.frames));
  const { refresh } = clockById(trial.setup.clock);
  const onTime = Math.round(1000 / refresh / STEP);
  const late = itemAt(shares, 0).reduce((s, n, k) => s + (k > onTime ? n : 0), 0);
  return (
    <>
      <ApexFigure
        label={framesText.timeBetweenFramesWithin((100 - late).toFixed(1), (1000 / refresh).toFixed(1))}
        height={HEIGHT}
        shows={JSON.stringify(shares)}
        options={() => ({
          ...plainChart('bar', HEIGHT),
          series: shares.map((data, k) => ({
            name: k ? 'beside it' : 'shown',
            data: data.map((n) => Math.round(10 * n) / 10),
          })),
          colors: ['--cost-style', '--near'].map(token),
          plotOptions: { bar: { columnWidth: '80%', borderRadius: 0 } },
          fill: {
            type: both.map((_, k) => (k ? 'pattern' : 'solid')),
            pattern: { style: 'slantedLines', width: 4, height: 4 },
          },
          xaxis: {
            categories: [...binNames],
            labels: { style: axisText() },
            axisTicks: { show: false },
            title: { text: 'ms from frame to frame', style: { fontSize: '11px', fontWeight: 400 } },
          },
          yaxis: {
            min: 0,
            max: 100,
            tickAmount: 4,
            labels: { style: axisText(), formatter: (v) => `${Math.round(v)} %` },
          },
          tooltip: { y: { formatter: (v) => `${v.toFixed(1)} % of frames` } },
        })}
      />
      <p className="feel-legend">
        <span className="bar-shown" /> {when(trial)}
        {beside && (
          <>
            <span className="bar-beside" /> {when(beside)}
          </>
        )}
      </p>
    </>
  );
}

const when = (t: ShownTrial) => `rev ${t.revision}, ${t.kind === 'lab' ? 'lab' : 'here'}`;

export function HistoryChart({ trial }: { trial: ShownTrial }) {
  const { measured } = useTrials();
  const list = comparable(measured.history, trial);
  const of = (pick: 'p95' | 'worst') => list.map((t) => Math.round(10 * present(t.summary)[pick]) / 10);
  const names = list.map((t) => `rev ${t.revision}`);
  const series = [
    { name: 'p95', data: of('p95') },
    { name: 'worst frame', data: of('worst') },
  ];
  if (list.length < 2) return <p className="quiet">{framesText.oneTrialOfThis(trialWords(trial))}</p>;
  return (
    <>
      <ApexFigure
        label={framesText.trialsOverTimeP95(
          names.map((n, k) => framesText.ofTrial(n, itemAt(series, 0).data[k])),
        )}
        height={HEIGHT}
        shows={JSON.stringify([names, series])}
        options={() => ({
          ...plainChart('line', HEIGHT),
          series,
          colors: ['--ink', '--near'].map(token),
          stroke: { width: 1.5, dashArray: [0, 4] },
          markers: { size: 3, strokeWidth: 0, shape: ['circle', 'square'] },
          xaxis: {
            categories: names,
            labels: { style: axisText(), rotate: 0, hideOverlappingLabels: true },
            axisTicks: { show: false },
            tooltip: { enabled: false },
          },
          yaxis: { min: 0, labels: { style: axisText(), formatter: (v) => `${Math.round(v)} ms` } },
          tooltip: { y: { formatter: (v) => `${v.toFixed(1)} ms` } },
        })}
      />
      <p className="feel-legend">
        <span className="line-hand" /> p95 <span className="line-worst" />{' '}
        {framesText.worstFrame(trialWords(trial))}
      </p>
    </>
  );
}
