/** A line of a trigger as a word: a meeting or a phase point of its subject, with the scroll offset. */
import {
  isMeeting,
  meetingAt,
  movePoint,
  parseMeeting,
  toPhase,
  triggerLines,
  writeMeeting,
  writePhase,
} from '@lyvek/core';
import type { Trigger, RangePoint } from '@lyvek/core';
import { CssField } from '../../../../editor/fields/CssField.tsx';
import { Popover } from '../../../../ui/Popover.tsx';
import { pointWords } from '../../../../editor/words.ts';
import { findOwnAxis } from '../../../../editor/model/own-axis.ts';
import { grouped } from '../../../../editor/strip/view.ts';
import { useShownPage } from '../../../../preview/shown-page.ts';
import { useRundown } from '../../rundown-context.ts';
import { lineFieldText } from '../text.ts';
import { MeetingFields } from './MeetingFields.tsx';

type Line = 'down' | 'up' | 'past';

interface LineFieldProps {
  trigger: Trigger;
  side: Line;
  onPut(point: RangePoint | null): void;
}

/** The viewport is understood here. */
const shortly = (words: string) => words.replace(/ of the viewport$/, '');

/** Lines that a trigger may do without, and what it does then. */
const NONE: Record<Line, { words: string; remove: string } | null> = {
  down: null,
  up: { words: lineFieldText.atTheSameLine, remove: lineFieldText.useTheSameLine },
  past: { words: lineFieldText.itStays, remove: lineFieldText.letItStay },
};

export function LineField({ trigger, side, onPut }: LineFieldProps) {
  const { layout } = useRundown();
  const { link } = useShownPage();
  const lines = triggerLines(trigger, layout);
  if ('reason' in lines) return <span className="wrong">{lineFieldText.nowhere(lines.reason)}</span>;
  const inside = findOwnAxis({ scroller: lines.scroller, axis: 'block' }, layout);
  const point = trigger[side] ?? null;
  const g = lines.geometry;
  // Where it would be if it were set: at the element’s leaving over the top.
  const offset = Number.isFinite(lines[side]) ? lines[side] : g.top + g.size;
  const none = NONE[side];
  const words = point === null ? (none?.words ?? '') : shortly(pointWords(point, 'start', 'view'));
  const meeting = point !== null && isMeeting(point) ? parseMeeting(point) : null;
  const at = meeting?.ok ? meeting.value : meetingAt(offset, g);
  const own = point ?? writeMeeting(at);
  const put = (to: number) =>
    onPut(
      movePoint(to, {
        was: own,
        side: side === 'past' ? 'end' : 'start',
        geometry: g,
        whole: { start: offset, end: offset },
        exact: true,
      }),
    );
  const phase = typeof own === 'string' ? own : writePhase(toPhase(offset, g, 'entry'));
  return (
    <>
      <Popover className="word word-trigger" label={lineFieldText.label[side]} trigger={words}>
        {() => (
          <div className="point-editor">
            <MeetingFields meeting={at} isStored={point !== null && isMeeting(own)} onPut={onPut} />
            <fieldset className={point !== null && !isMeeting(own) ? 'stored' : ''}>
              <legend>{lineFieldText.phase}</legend>
              <div className="point-row">
                <CssField
                  label={lineFieldText.phaseInCss}
                  property="phase"
                  className="w-full"
                  value={phase}
                  onPut={onPut}
                />
              </div>
              {(point === null || isMeeting(own)) && (
                <button type="button" className="btn" onClick={() => onPut(phase)}>
                  {lineFieldText.as(phase)}
                </button>
              )}
            </fieldset>
            <label className="point-row">
              <span>{lineFieldText.scrollOffset}</span>
              <CssField
                label={lineFieldText.scrollOffsetInPx}
                property="number"
                value={String(Math.round(offset * 10) / 10)}
                onPut={(v) => put(Number.parseFloat(v))}
              />{' '}
              {lineFieldText.unitPx}
              <button type="button" className="btn" onClick={() => put(link.store.getState().offset.y)}>
                {lineFieldText.atThePlayhead}
              </button>
            </label>
            {none && point !== null && (
              <button type="button" className="btn self-start" onClick={() => onPut(null)}>
                {none.remove}
              </button>
            )}
          </div>
        )}
      </Popover>{' '}
      {(point !== null || side !== 'past') && (
        <i className="quiet">{lineFieldText.px(grouped(offset), inside?.name)}</i>
      )}
    </>
  );
}
