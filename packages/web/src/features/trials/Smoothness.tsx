/** Motions by smoothness, the roughest first. */
import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef } from 'react';
import { isTooLongAStep, itemAt } from '@lyvek/core';
import { DriverSign } from '../../editor/drivers/DriverSign.tsx';
import { grouped } from '../../editor/strip/view.ts';
import { useShownPage } from '../../preview/shown-page.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { effectWords } from '../../editor/words.ts';
import { rank } from './model/ranking.ts';
import type { Ranked } from './model/ranking.ts';
import { pointAt, pointAtMotion, useTrials } from './trials-context.ts';
import { smoothnessText } from './text.ts';

/** Height of a row as the style sheet makes it, px. */
const ROW = 27;

export function Smoothness() {
  const { prediction, document } = useTrials();
  const { answer } = prediction;
  const ranking = useMemo(() => rank(document.motions, answer.figures), [document.motions, answer.figures]);
  return (
    <section className="smoothness" aria-label={smoothnessText.smoothness}>
      <h2>
        {smoothnessText.smoothness} <small>{smoothnessText.roughestFirst}</small>
      </h2>
      {ranking.length === 0 ? (
        <p className="quiet">{smoothnessText.noMotionInThis}</p>
      ) : (
        <Table ranking={ranking} />
      )}
    </section>
  );
}

/** Only the rows in sight are drawn: a long page has hundreds of motions. */
function Table({ ranking }: { ranking: readonly Ranked[] }) {
  const { limits } = useTrials().prediction.question;
  const scroller = useRef<HTMLDivElement>(null);
  const rows = useVirtualizer({
    count: ranking.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 6,
    initialRect: { width: 400, height: 500 },
  });
  const shown = rows.getVirtualItems();
  const above = shown[0]?.start ?? 0;
  const below = rows.getTotalSize() - (shown.at(-1)?.end ?? 0);
  return (
    <div className="smoothness-scroll" ref={scroller}>
      <table aria-rowcount={ranking.length}>
        <thead>
          <tr>
            <th>{smoothnessText.motion}</th>
            <th>{smoothnessText.framesInRange}</th>
            <th>{smoothnessText.peakStepPx}</th>
            <th>{smoothnessText.smoothnessHead}</th>
          </tr>
        </thead>
        <tbody>
          {above > 0 && <tr className="gap" aria-hidden="true" style={{ height: above }} />}
          {shown.map(({ index }) => {
            const r = itemAt(ranking, index);
            return (
              <Row key={r.motion.id} ranked={r} fewest={limits.framesInRange} longest={limits.peakStep} />
            );
          })}
          {below > 0 && <tr className="gap" aria-hidden="true" style={{ height: below }} />}
        </tbody>
      </table>
    </div>
  );
}

function Row({ ranked, fewest, longest }: { ranked: Ranked; fewest: number; longest: number }) {
  const { motion, figures: f, targets } = ranked;
  const { session } = useOpenedPage();
  const { link } = useShownPage();
  const { gesture, prediction } = useTrials();
  const { handStep } = prediction.answer;
  // A recorded hand may never have come by.
  const few = f.frames < fewest && !gesture.leaps && !(gesture.trace && f.frames === 0);
  return (
    <tr
      onPointerEnter={() => {
        pointAtMotion(motion.id);
        pointAt(f.peakAt);
      }}
      onPointerLeave={() => {
        pointAtMotion(null);
        pointAt(null);
      }}
    >
      <th scope="row">
        <button
          type="button"
          title={smoothnessText.turnsTimesGoesPx(f.reversals, f.gain.toFixed(2))}
          onClick={() => {
            session.select([motion.id]);
            link.scrollTo(Math.max(0, f.peakAt));
          }}
        >
          <DriverSign kind={motion.driver.kind} />
          <span>{motion.name}</span>
          {targets > 1 && <> × {targets}</>} <i>{effectWords(motion)}</i>
        </button>
      </th>
      <Meter share={f.frames / 80} text={grouped(f.frames)} bad={few} />
      <Meter
        share={f.peakStep / (4 * longest)}
        text={f.peakStep < 10 ? f.peakStep.toFixed(1) : grouped(f.peakStep)}
        bad={isTooLongAStep(f, longest, handStep)}
      />
      <Meter share={f.smoothness} text={f.smoothness.toFixed(2)} bad={false} />
    </tr>
  );
}

const Meter = ({ share, text, bad }: { share: number; text: string; bad: boolean }) => (
  <td className={bad ? 'bad' : ''}>
    <svg width={44} height={6} aria-hidden="true">
      <rect width={44} height={6} className="meter-track" />
      <rect width={Math.max(1, Math.min(1, share) * 44)} height={6} className="meter-fill" />
    </svg>
    <span>
      {text}
      {bad && <span className="sr-only"> {smoothnessText.pastTheLimit}</span>}
    </span>
  </td>
);
