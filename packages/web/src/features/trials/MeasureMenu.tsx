/** Measuring: starts a trial in the lab, tells how far it is, and opens what was measured before. */
import { useStore } from 'zustand';
import type { Trial } from '@lyvek/api';
import { deviceById, ENGINE_NAMES, GESTURES } from '@lyvek/core';
import { Down } from '../../ui/glyphs.tsx';
import { Popover } from '../../ui/Popover.tsx';
import { useLabEngines } from '../../state/lab-engines.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { HereTrial } from './HereTrial.tsx';
import { useTrials } from './trials-context.ts';
import { isUnderWay } from './use-measured.ts';
import { measureMenuText } from './text.ts';

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
  const where =
    t.setup.on ?? (t.setup.engine ? ENGINE_NAMES[t.setup.engine] : deviceById(t.setup.device).name);
  return `${gesture}, ${where}, ${width} × ${height}`;
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
  const { underWay, lab, run, starting, stop, here, onDevice } = measured;
  const others = useLabEngines().filter((e) => e.name !== 'chromium');
  if (here) return <HereTrial setup={here} done={measured.doneHere} ended={measured.endHere} />;
  if (onDevice.on) return <MeasuringOn name={onDevice.on.name} />;
  if (underWay)
    return (
      <span className="trial-running" role="status">
        {underWay.state === 'queued'
          ? measureMenuText.waitsForTheLab
          : measureMenuText.measuring(Math.round(100 * underWay.progress))}
        <progress max={1} value={underWay.progress} aria-label={measureMenuText.measuringLabel} />
        <button type="button" className="btn" onClick={() => stop(underWay.id)}>
          {measureMenuText.stop}
        </button>
      </span>
    );
  const isSaved = save === 'saved';
  const waits = isSaved ? null : 'It measures the saved version. Saving now.';
  return (
    <Popover
      className="btn main"
      label={measureMenuText.measure}
      placement="bottom-end"
      disabled={starting}
      trigger={measureMenuText.measure}
    >
      {(close) => (
        <div className="measure-choices popover-list">
          <button
            type="button"
            disabled={lab !== true || !isSaved}
            onClick={() => {
              close();
              run('chromium');
            }}
          >
            <b>{measureMenuText.inTheLab}</b>
            <i>
              {lab === false
                ? measureMenuText.noChromiumIsInstalled
                : (waits ?? measureMenuText.realWheelInputIn)}
            </i>
          </button>
          {others.map(({ name, label, missing }) => (
            <button
              key={name}
              type="button"
              disabled={missing !== null || !isSaved}
              onClick={() => {
                close();
                run(name);
              }}
            >
              <b>{measureMenuText.inEngine(label)}</b>
              <i>{missing ?? waits ?? measureMenuText.itsFrames}</i>
            </button>
          ))}
          <OnDevices waits={waits} close={close} />
          <button
            type="button"
            disabled={!isSaved}
            onClick={() => {
              close();
              measured.runHere();
            }}
          >
            <b>{measureMenuText.hereInThisBrowser}</b>
            <i>{waits ?? measureMenuText.thePageRunsFull}</i>
          </button>
        </div>
      )}
    </Popover>
  );
}

const MeasuringOn = ({ name }: { name: string }) => (
  <span className="trial-running" role="status">
    {measureMenuText.measuringOn(name)}
  </span>
);

/** Devices that show the take. */
function OnDevices({ waits, close }: { waits: string | null; close(): void }) {
  const { measured } = useTrials();
  const { onDevice } = measured;
  return onDevice.devices.map((device) => (
    <button
      key={device.id}
      type="button"
      disabled={waits !== null}
      onClick={() => {
        close();
        onDevice.run(device);
      }}
    >
      <b>{measureMenuText.onDevice(device.name)}</b>
      <i>{waits ?? measureMenuText.inItsOwnBrowser}</i>
    </button>
  ));
}

export function History() {
  const { measured } = useTrials();
  const { history, shown, show } = measured;
  return (
    <Popover
      className="btn tall"
      label={measureMenuText.trials}
      placement="bottom-end"
      trigger={
        <>
          {shown ? measureMenuText.measured : measureMenuText.predicted} <Down />
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
            <b>{measureMenuText.predicted}</b>
            <i>{measureMenuText.ofWhatIsOn}</i>
          </button>
          {history.length === 0 && <p className="quiet">{measureMenuText.nothingWasMeasuredYet}</p>}
          {history.map((t) => (
            <HistoryRow key={t.id} trial={t} close={close} />
          ))}
        </div>
      )}
    </Popover>
  );
}

function HistoryRow({ trial: t, close }: { trial: Trial; close(): void }) {
  const { measured } = useTrials();
  const { takes } = useOpenedPage();
  const { shown, beside, show, lab } = measured;
  const take = takes.find((one) => one.id === t.takeId)?.name ?? measureMenuText.aDeletedTake;
  return (
    <div className="trial-row">
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
          {measureMenuText.takenAt(at(t.createdAt), take, t.revision)}
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
              title={measureMenuText.compareItWithThe}
              onClick={() => measured.lay(beside?.id === t.id ? null : t.id)}
            >
              {measureMenuText.beside}
            </button>
          )}
          <a className="btn" href={`/api/trials/${t.id}`} download={`trial-${t.createdAt.slice(0, 10)}.json`}>
            {measureMenuText.json}
          </a>
          <a className="btn" href={`/api/trials/${t.id}/frames.csv`} download>
            {measureMenuText.csv}
          </a>
        </>
      )}
      {t.kind === 'lab' && !isUnderWay(t) && lab && (
        <button
          type="button"
          className="btn"
          title={measureMenuText.measuresTheSameMotions}
          disabled={measured.underWay !== null}
          onClick={() => {
            measured.repeat(t.id);
            close();
          }}
        >
          {measureMenuText.again}
        </button>
      )}
      {isUnderWay(t) && (
        <button type="button" className="btn" onClick={() => measured.stop(t.id)}>
          {measureMenuText.stop}
        </button>
      )}
    </div>
  );
}
