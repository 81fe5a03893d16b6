/** A line of a trigger as a word: a meeting or a phase point of its subject, with the scroll offset. */
import {
  triggerLines,
  isMeeting,
  meetingAt,
  parseMeeting,
  toPhase,
  writeMeeting,
  writePhase,
} from '@lyvek/core';
import type { Trigger, RangePoint } from '@lyvek/core';
import { Popover } from '../../../../ui/Popover.tsx';
import { pointWords } from '../../../../editor/words.ts';
import { grouped } from '../../../../editor/strip/view.ts';
import { useRundown } from '../../rundown-context.ts';
import { lineFieldText } from '../text.ts';
import { MeetingFields } from './MeetingFields.tsx';

interface LineWordProps {
  trigger: Trigger;
  side: 'down' | 'up';
  onPut(point: RangePoint): void;
}

/** The viewport is understood here. */
const shortly = (words: string) => words.replace(/ of the viewport$/, '');

export function LineField({
  trigger,
  side,
  onPut,
}: LineWordProps & { onPut(point: RangePoint | null): void }) {
  const { layout } = useRundown();
  const lines = triggerLines(trigger, layout);
  if ('reason' in lines) return <span className="wrong">{lineFieldText.nowhere(lines.reason)}</span>;
  const point = trigger[side];
  const offset = lines[side];
  const g = lines.geometry;
  const words = point === null ? 'at the same line' : shortly(pointWords(point, 'start', 'view'));
  const meeting = point !== null && isMeeting(point) ? parseMeeting(point) : null;
  const at = meeting?.ok ? meeting.value : meetingAt(offset, g);
  const own = point ?? writeMeeting(at);
  return (
    <>
      <Popover
        className="word word-trigger"
        label={side === 'down' ? lineFieldText.lineGoingDown : lineFieldText.lineGoingUp}
        trigger={words}
      >
        {() => (
          <div className="point-editor">
            <MeetingFields meeting={at} isStored={isMeeting(own)} onPut={onPut} />
            <fieldset className={isMeeting(own) ? '' : 'stored'}>
              <legend>{lineFieldText.phase}</legend>
              <div className="point-row">
                <button
                  type="button"
                  className="btn"
                  onClick={() => onPut(writePhase(toPhase(offset, g, 'entry')))}
                >
                  {lineFieldText.as(writePhase(toPhase(offset, g, 'entry')))}
                </button>
              </div>
            </fieldset>
            {side === 'up' && point !== null && (
              <button type="button" className="btn self-start" onClick={() => onPut(null)}>
                {lineFieldText.useTheSameLine}
              </button>
            )}
          </div>
        )}
      </Popover>{' '}
      <i className="quiet">{lineFieldText.px(grouped(offset))}</i>
    </>
  );
}
