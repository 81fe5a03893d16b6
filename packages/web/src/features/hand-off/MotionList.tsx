/** Which motions are in the hand-off, what plays each, and why; under the chosen one what it would take to do without a script. */
import { isTimed, listTuning, setTunable } from '@lyvek/core';
import type { Assembled, How, Motion, MotionDocument } from '@lyvek/core';
import { DriverSign } from '../../editor/drivers/DriverSign.tsx';
import { useOpenedPage } from '../../state/opened-page.ts';
import { effectWords } from '../../editor/words.ts';
import { motionListText, tuningText } from './text.ts';

const BY = { css: 'CSS', 'css and script': 'CSS + script', script: 'script' } as const;

interface MotionListProps {
  document: MotionDocument;
  assembled: Assembled;
  api: boolean;
  chosen: string | null;
  onChoose(motion: string | null): void;
}

export function MotionList({ document, assembled, api, chosen, onChoose }: MotionListProps) {
  const how = new Map(assembled.how.map((h) => [h.motion, h]));
  const word = (h: How, scrubbed: boolean) => (api && scrubbed && h.by === 'css' ? 'module' : BY[h.by]);
  return (
    <ul>
      {document.motions.map((m) => {
        const h = how.get(m.id);
        const isChosen = chosen === m.id;
        const note = assembled.notes.find((n) => n.motion === m.id)?.note;
        return (
          <li key={m.id}>
            <button
              type="button"
              className={isChosen ? 'chosen' : ''}
              disabled={!h}
              aria-pressed={isChosen}
              onClick={() => onChoose(isChosen ? null : m.id)}
            >
              <DriverSign kind={m.driver.kind} />
              <span className="grow">
                <b>{m.name}</b>
                <i>{h ? (note ?? effectWords(m)) : motionListText.mutedNotWritten}</i>
              </span>
              {h && (
                <span className="as" title={h.why}>
                  {word(h, !isTimed(m.driver))}
                </span>
              )}
            </button>
            {isChosen && h && (
              <p className="why">
                {h.why}
                {h.without && (
                  <>
                    {' '}
                    <b>{motionListText.withoutTheScript}</b> {h.without}
                  </>
                )}
                {h.instead && (
                  <>
                    {' '}
                    <b>{motionListText.asCssAlone}</b> {h.instead}
                  </>
                )}
              </p>
            )}
            {isChosen && h && h.by !== 'script' && <Tuning lines={assembled.lines} motion={m} />}
          </li>
        );
      })}
    </ul>
  );
}

interface TuningProps {
  lines: Assembled['lines'];
  motion: Motion;
}

/** Whether its numbers are custom properties, and which. */
function Tuning({ lines, motion }: TuningProps) {
  const { session } = useOpenedPage();
  const found = motion.tunable ? listTuning(lines, motion.id) : [];
  return (
    <div className="why tuning">
      <label className="tick">
        <input
          type="checkbox"
          checked={motion.tunable === true}
          onChange={(e) => session.apply(setTunable(motion.id, e.target.checked))}
        />
        <span>{tuningText.asCustomProperties}</span>
      </label>
      {found.length > 0 && (
        <>
          <p>{tuningText.toTuneIt}</p>
          <pre>{`${found[0]?.selector} {\n${found.map((f) => `  ${f.name}: ${f.value};`).join('\n')}\n}`}</pre>
        </>
      )}
    </div>
  );
}
