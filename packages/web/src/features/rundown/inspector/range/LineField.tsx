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
import { CssField } from '../../../../editor/fields/CssField.tsx';
import { lineFieldText } from '../text.ts';

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
            <fieldset className={isMeeting(own) ? 'stored' : ''}>
              <legend>{lineFieldText.meeting}</legend>
              <div className="point-row">
                <CssField
                  label={lineFieldText.pointOfTheElement}
                  property="percentage"
                  className="w-16"
                  value={`${Math.round(at.edge * 1000) / 10}%`}
                  onPut={(v) =>
                    onPut(
                      writeMeeting({
                        edge: Math.min(1, Math.max(0, Number.parseFloat(v) / 100)),
                        line: at.line,
                      }),
                    )
                  }
                />
                {lineFieldText.ofTheElementMeets}
              </div>
              <div className="point-row">
                <CssField
                  label={lineFieldText.lineOfTheViewport}
                  property="percentage"
                  className="w-16"
                  value={`${Math.round(at.line * 1000) / 10}%`}
                  onPut={(v) => onPut(writeMeeting({ edge: at.edge, line: Number.parseFloat(v) / 100 }))}
                />
                {lineFieldText.ofTheViewportFrom}
              </div>
            </fieldset>
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
