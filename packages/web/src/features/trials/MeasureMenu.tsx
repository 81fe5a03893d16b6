/** Measuring: starts a trial in the lab, tells how far it is, and opens what was measured before. */
import { useStore } from 'zustand';
import type { Trial } from '@lyvek/api';
import { deviceById, GESTURES } from '@lyvek/core';
import { Down } from '../../ui/glyphs.tsx';
import { Popover } from '../../ui/Popover.tsx';
import { useOpenedPage } from '../../state/opened-page.ts';
import { HereTrial } from './HereTrial.tsx';
import { useTrials } from './trials-context.ts';
import { isUnderWay } from './use-measured.ts';

const at = (iso: string): string =>
  new Intl.DateTimeFormat('en', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    hour12: false,
  }).format(new Date(iso));
export const trialWords = (t: Trial): string => {
  const gesture =
    t.setup.trace?.name ?? GESTURES.find((g) => g.id === t.setup.gesture)?.name ?? t.setup.gesture;
  const { width, height } = t.setup.viewport;
  return `${gesture}, ${deviceById(t.setup.device).name}, ${width} × ${height}`;
};
const STATES: Record<Trial['state'], string> = {
  queued: 'waits',
  running: 'runs',
  done: '',
  failed: 'failed',
  cancelled: 'stopped',
};

export function MeasureMenu() {
  const { measured } = useTrials();
  const { session } = useOpenedPage();
  const save = useStore(session.store, (s) => s.save.kind);
  const { underWay, lab, run, starting, stop, here } = measured;
  if (here) return <HereTrial setup={here} done={measured.doneHere} ended={measured.endHere} />;
  if (underWay)
    return (
      <span className="trial-running" role="status">
        {underWay.state === 'queued'
          ? 'waits for the lab'
          : `measuring, ${Math.round(100 * underWay.progress)} %`}
        <progress max={1} value={underWay.progress} aria-label="Measuring" />
        <button type="button" className="btn" onClick={() => stop(underWay.id)}>
          Stop
        </button>
      </span>
    );
  const isSaved = save === 'saved';
  const waits = isSaved ? null : 'It measures the saved version. Saving now.';
  return (
    <Popover
      className="btn main"
      label="Measure"
      placement="bottom-end"
      disabled={starting}
      trigger="Measure"
    >
      {(close) => (
        <div className="measure-choices popover-list">
          <button
            type="button"
            disabled={lab !== true || !isSaved}
            onClick={() => {
              close();
              run();
            }}
          >
            <b>In the lab</b>
            <i>
              {lab === false
                ? 'No Chromium is installed on the server. On Debian: apt-get install --no-install-recommends chromium fonts-liberation'
                : (waits ??
                  'Real wheel input in the server’s Chromium, slowed down like the device: once to warm up, three times to measure')}
            </i>
          </button>
          <button
            type="button"
            disabled={!isSaved}
            onClick={() => {
              close();
              measured.runHere();
            }}
          >
            <b>Here, in this browser</b>
            <i>
              {waits ??
                'The page runs full size over the workbench on this screen: its frames, long ones and what was in them, layout shifts'}
            </i>
          </button>
        </div>
      )}
    </Popover>
  );
}

export function History() {
  const { measured } = useTrials();
  const { takes } = useOpenedPage();
  const { history, shown, beside, show, lab } = measured;
  const findName = (id: string) => takes.find((t) => t.id === id)?.name ?? 'a deleted take';
  return (
    <Popover
      className="btn tall"
      label="Trials"
      placement="bottom-end"
      trigger={
        <>
          {shown ? 'Measured' : 'Predicted'} <Down />
        </>
      }
    >
      {(close) => (
        <div className="trial-history">
          <button
            type="button"
            aria-current={shown === null}
            onClick={() => {
              show(null);
              close();
            }}
          >
            <b>Predicted</b>
            <i>of what is on the screen, always up to date</i>
          </button>
          {history.length === 0 && <p className="quiet">Nothing was measured yet.</p>}
          {history.map((t) => (
            <div key={t.id} className="trial-row">
              <button
                type="button"
                aria-current={shown?.id === t.id}
                disabled={t.state !== 'done'}
                title={t.why ?? undefined}
                onClick={() => {
                  show(t.id);
                  close();
                }}
              >
                <b>
                  {at(t.createdAt)} · {findName(t.takeId)}, rev {t.revision}
                  {STATES[t.state] && <em> {STATES[t.state]}</em>}
                </b>
                <i>{t.why ?? trialWords(t)}</i>
              </button>
              {t.state === 'done' && (
                <>
                  {shown && shown.id !== t.id && (
                    <button
                      type="button"
                      className="btn"
                      aria-pressed={beside?.id === t.id}
                      title="Compare it with the one that is shown"
                      onClick={() => measured.lay(beside?.id === t.id ? null : t.id)}
                    >
                      Beside
                    </button>
                  )}
                  <a
                    className="btn"
                    href={`/api/trials/${t.id}`}
                    download={`trial-${t.createdAt.slice(0, 10)}.json`}
                  >
                    JSON
                  </a>
                  <a className="btn" href={`/api/trials/${t.id}/frames.csv`} download>
                    CSV
                  </a>
                </>
              )}
              {t.kind === 'lab' && !isUnderWay(t) && lab && (
                <button
                  type="button"
                  className="btn"
                  title="Measures the same motions once more, with the same gesture, device and size"
                  disabled={measured.underWay !== null}
                  onClick={() => {
                    measured.repeat(t.id);
                    close();
                  }}
                >
                  Again
                </button>
              )}
              {isUnderWay(t) && (
                <button type="button" className="btn" onClick={() => measured.stop(t.id)}>
                  Stop
                </button>
              )}
            </div>
          ))}
        </div>
      )}
    </Popover>
  );
}
