/** Which motions are in the hand-off, what plays each, and why; under the chosen one what it would take to do without a script. */
import { isTimed, listTuning } from '@lyvek/core';
import type { Assembled, How, MotionDocument } from '@lyvek/core';
import { DriverSign } from '../../editor/drivers/DriverSign.tsx';
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
            {isChosen && h && <Tuning lines={assembled.lines} motion={m.id} />}
          </li>
        );
      })}
    </ul>
  );
}

/** The custom properties that its rule begins with. */
function Tuning({ lines, motion }: { lines: Assembled['lines']; motion: string }) {
  const found = listTuning(lines, motion);
  if (found.length === 0) return null;
  return (
    <div className="why tuning">
      <p>{tuningText.toTuneIt}</p>
      <pre>{`${found[0]?.selector} {\n${found.map((f) => `  ${f.name}: ${f.value};`).join('\n')}\n}`}</pre>
    </div>
  );
}
