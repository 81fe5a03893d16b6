/** Motions by smoothness, the roughest first. */
import { useMemo } from 'react';
import { isTooLongAStep } from '@lyvek/core';
import { DriverSign } from '../../parts/glyphs.tsx';
import { grouped } from '../../parts/strip/view.ts';
import { useOpenedPage } from '../page-context.ts';
import { effectWords } from '../rundown/model/words.ts';
import { rankingOf } from './model/ranking.ts';
import type { Ranked } from './model/ranking.ts';
import { pointAt, pointAtMotion, useTrials } from './trials-context.ts';

export function Smoothness() {
  const { prediction, document } = useTrials();
  const { answer, question } = prediction;
  const ranking = useMemo(
    () => rankingOf(document.motions, answer.figures),
    [document.motions, answer.figures],
  );
  const { limits } = question;
  return (
    <section className="smoothness" aria-label="Smoothness">
      <h2>
        Smoothness <small>roughest first</small>
      </h2>
      {ranking.length === 0 ? (
        <p className="quiet">
          No motion of this take hangs on the page’s scroll; what plays in time is judged by the findings.
        </p>
      ) : (
        <div className="smoothness-scroll">
          <table>
            <thead>
              <tr>
                <th>motion</th>
                <th>frames in range</th>
                <th>peak step, px</th>
                <th>smoothness</th>
              </tr>
            </thead>
            <tbody>
              {ranking.map((r) => (
                <Row key={r.motion.id} ranked={r} fewest={limits.framesInRange} longest={limits.peakStep} />
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}

function Row({ ranked, fewest, longest }: { ranked: Ranked; fewest: number; longest: number }) {
  const { motion, figures: f, targets } = ranked;
  const { link, session } = useOpenedPage();
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
          title={`Turns ${f.reversals} times; goes ${f.gain.toFixed(2)} px per px of scroll at most`}
          onClick={() => {
            session.select([motion.id]);
            link.scrollTo(Math.max(0, f.peakAt));
          }}
        >
          <DriverSign kind={motion.driver.kind} />
          {motion.name}
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
      {bad && <span className="sr-only"> (past the limit)</span>}
    </span>
  </td>
);
