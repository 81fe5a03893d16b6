/** Damping: how a setting answers a push of scroll input at two refresh rates, with the figures that the limits are set on. */
import { useCallback, useMemo, useState } from 'react';
import type { ReactNode } from 'react';
import { clockById, HAND_INPUTS, itemAt, lastItem } from '@lyvek/core';
import type { Damping, HandInput, Response } from '@lyvek/core';
import { Choices, Popover } from '../../../ui/Popover.tsx';
import { TimeChart } from '../../../ui/TimeChart.tsx';
import { dampingLabel, DampingField } from '../../../editor/fields/DampingField.tsx';
import { useSettings } from '../../../state/settings.ts';
import { DampedPage } from './DampedPage.tsx';
import { apart, DISTANCE, listDampings, ratesFor, computeResponse } from './model.ts';
import { useTrials } from '../trials-context.ts';
import { tryItText } from '../text.ts';

interface TryItProps {
  /** stands in place of its name */
  tabs: ReactNode;
  /** the page lies under the hand */
  damped: boolean;
  tryIt(on: boolean): void;
}

const FIRST: Damping = { kind: 'half-life', halfLife: 90 };
const INPUTS = Object.keys(HAND_INPUTS) as HandInput['id'][];

export function TryIt({ tabs, damped, tryIt }: TryItProps) {
  const { document, prediction } = useTrials();
  const used = useMemo(() => listDampings(document), [document]);
  const [own, setOwn] = useState<Damping | null>(null);
  const [other, setOther] = useState<Damping | null>(null);
  const [input, setInput] = useState<HandInput['id']>('flick');
  const how = own ?? used[0] ?? FIRST;
  const rates = ratesFor(prediction.question.clock);
  const seen = useMemo(() => rates.map((r) => computeResponse(how, input, r)), [how, input, ...rates]); // eslint-disable-line react-hooks/exhaustive-deps
  const second = useMemo(
    () => other && rates.map((r) => computeResponse(other, input, r)),
    [other, input, ...rates], // eslint-disable-line react-hooks/exhaustive-deps
  );
  const all = [...seen, ...(second ?? [])];
  const longest = Math.max(1000, ...all.map((r) => Math.min(4000, lastItem(r.times))));
  const until = Math.ceil(longest / 400) * 400;
  const past = Math.max(0, ...all.map((r) => r.overshoot));
  // In hundreds, so that the lines lie at round numbers.
  const top = past > 0.004 ? 100 * Math.ceil((DISTANCE * (1 + past)) / 100) : DISTANCE;
  const away = useCallback(() => tryIt(false), [tryIt]);
  return (
    <>
      <section className="feel" aria-label={tryItText.region}>
        <h2>
          {tabs}
          <span className="grow" />
          {!damped && (
            <button type="button" className="btn small" onClick={() => tryIt(true)}>
              {tryItText.tryIt}
            </button>
          )}
          {!other && (
            <button
              type="button"
              className="btn small"
              onClick={() => setOther(used[1] ?? { kind: 'spring', frequency: 2.4, ratio: 0.8 })}
            >
              {tryItText.compare}
            </button>
          )}
        </h2>
        <p className="feel-setup">
          <InputChoice input={input} onChoose={setInput} />
          {tryItText.damping} <DampingField value={how} onChange={setOwn} />
          {other && (
            <>
              {tryItText.comparedWith} <DampingField value={other} onChange={setOther} />
              <button type="button" className="btn small" onClick={() => setOther(null)}>
                {tryItText.remove}
              </button>
            </>
          )}
        </p>
        <div className="feel-charts">
          {rates.map((rate, k) => (
            <RateChart
              key={rate}
              rate={rate}
              how={how}
              response={itemAt(seen, k)}
              other={second?.[k] ?? null}
              until={until}
              top={top}
            />
          ))}
        </div>
        <Legend compared={other !== null} difference={apart(itemAt(seen, 0), itemAt(seen, 1))} />
      </section>
      {damped && <DampedPage how={how} other={other} close={away} />}
    </>
  );
}

/** `difference`: between both rates, px. */
const Legend = ({ compared, difference }: { compared: boolean; difference: number }) => (
  <p className="feel-legend">
    <span className="line-hand" /> {tryItText.scroll} <span className="line-page" /> {tryItText.pageADotPer}
    {compared && (
      <>
        <span className="line-other" /> {tryItText.theOther}
      </>
    )}
    <span className="grow" />
    {tryItText.largestDifference} <b>{tryItText.px(difference.toFixed(1))}</b>
  </p>
);

interface ChoiceProps {
  input: HandInput['id'];
  onChoose(input: HandInput['id']): void;
}

const InputChoice = ({ input, onChoose }: ChoiceProps) => (
  <Popover className="word" label={tryItText.scrollInput} trigger={HAND_INPUTS[input](DISTANCE).what}>
    {(close) => (
      <Choices
        options={INPUTS.map((id) => ({
          value: id,
          text: HAND_INPUTS[id](DISTANCE).name,
          note: HAND_INPUTS[id](DISTANCE).what,
        }))}
        value={input}
        onChoose={(id) => {
          onChoose(id);
          close();
        }}
      />
    )}
  </Popover>
);

interface ChartProps {
  /** a frame clock */
  rate: string;
  how: Damping;
  response: Response;
  other: Response | null;
  /** ms at the right edge */
  until: number;
  /** px at the top */
  top: number;
}

/** How the page answers at one refresh rate. */
function RateChart({ rate, how, response: r, other, until, top }: ChartProps) {
  const { limits } = useSettings().settings;
  const clip = <T,>(ts: ArrayLike<number>, of: (i: number) => T) =>
    Array.from(ts).flatMap((t, i) => (t <= until ? [of(i)] : []));
  const points = ({ times }: Response, values: ArrayLike<number>) =>
    clip(times, (i) => [round(itemAt(times, i)), round(itemAt(values, i))] as const);
  return (
    <div>
      <h3>
        {clockById(rate).name}
        <Figure name="lag" value={r.lag} unit="px" limit={limits.lag} />
        <Figure name="settles" value={r.after} unit="ms" limit={limits.settle} />
        {r.overshoot > 0.005 && <small>{tryItText.swingsPast(Math.round(100 * r.overshoot))}</small>}
      </h3>
      <TimeChart
        label={tryItText.atLargestLagPx(
          clockById(rate).name,
          dampingLabel(how),
          Math.round(r.lag),
          Math.round(r.settled),
        )}
        height={148}
        x={{ max: until, unit: 'ms' }}
        y={{ min: 0, max: top, unit: 'px' }}
        marks={[{ at: Math.min(until, r.settled), text: 'settled', end: true }]}
        curves={[
          { name: 'scroll', colour: '--ink', points: points(r, r.hand) },
          { name: 'page', colour: '--pass', dots: true, points: points(r, r.shown) },
          ...(other
            ? [{ name: 'the other', colour: '--pin', dashed: true, points: points(other, other.shown) }]
            : []),
        ]}
      />
    </div>
  );
}

const round = (n: number) => Math.round(n * 10) / 10;

function Figure({ name, value, unit, limit }: { name: string; value: number; unit: string; limit: number }) {
  const over = value > limit;
  return (
    <small className={over ? 'bad' : ''} title={tryItText.limit(limit, unit)}>
      {name} {Math.round(value)} {unit}
      {over && <span className="sr-only"> {tryItText.pastTheLimit}</span>}
    </small>
  );
}
