/** One line: how many frames, how many on time, the slow ones and where the worst is. */
import { useStore } from 'zustand';
import { deviceById } from '@lyvek/core';
import type { Coefficients } from '@lyvek/core';
import { grouped } from '../../editor/strip/view.ts';
import { useShownPage } from '../../preview/shown-page.ts';
import { useWork } from '../../state/work.ts';
import { Constants } from './Gestures.tsx';
import { History, trialWords } from './MeasureMenu.tsx';
import { Traces } from './Traces.tsx';
import { pointAt, useTrials } from './trials-context.ts';
import { summaryText } from './text.ts';

const unitCostWords = (fitted: Coefficients | null): string =>
  fitted
    ? `Fitted to ${grouped(fitted.frames)} frames that the lab has measured in this project`
    : 'Not fitted to any measured trial yet: the unit costs are Lyvek defaults. Three trials in the lab are enough to fit them.';
const ms = (n: number) => n.toFixed(n < 10 ? 1 : 0);

export function Summary({ failed }: { failed: string | null }) {
  const { link } = useShownPage();
  const { simulations } = useWork();
  const { summary: s, prediction, stale, measured } = useTrials();
  const running = useStore(simulations.store, (x) => x.running);
  const { shown } = measured;
  const { slower } = deviceById(prediction.question.device);
  const over = s.worst > s.budget;
  return (
    <div className="trial-summary" role="status">
      <span>
        <b>{grouped(s.frames)}</b> {summaryText.frames}
      </span>
      <span>
        <b>{(100 * s.onTime).toFixed(1)} %</b> {summaryText.onTime}
      </span>
      <span>
        p95 <b>{summaryText.ms(ms(s.p95))}</b>
      </span>
      <button
        type="button"
        onPointerEnter={() => pointAt(s.worstAt)}
        onPointerLeave={() => pointAt(null)}
        onClick={() => link.scrollTo(s.worstAt)}
      >
        {summaryText.worst} <b className={over ? 'over' : ''}>{summaryText.ms(ms(s.worst))}</b>{' '}
        {summaryText.at} <b>{summaryText.px(grouped(s.worstAt))}</b>
      </button>
      <span className="grow" />
      {shown ? (
        <i
          title={[trialWords(shown), ...shown.result.notes].join('. ')}
          className={shown.result.notes.length ? 'warning' : ''}
        >
          {summaryText.rev(shown.kind, shown.revision)}
          {shown.result.notes.length > 0 && `: ${shown.result.notes[0]}`}
        </i>
      ) : measured.came !== null ? (
        <i className="warning" title={measured.came}>
          {measured.came}
        </i>
      ) : running !== null ? (
        <span className="trial-running">
          <progress max={1} value={running} aria-label={summaryText.trialUnderWay} />
          <button type="button" className="btn" onClick={() => simulations.end()}>
            {summaryText.stop}
          </button>
        </span>
      ) : (
        <i title={unitCostWords(prediction.question.unitCosts)}>
          {failed
            ? summaryText.theTrialFailed(failed)
            : stale
              ? summaryText.outdated
              : summaryText.predicted(Math.round(100 * prediction.answer.band), slower)}
        </i>
      )}
      <Constants />
      <Traces />
      <History />
    </div>
  );
}
