/** A meeting in two numbers: which point of the element meets which line of the viewport. */
import type { ReactNode } from 'react';
import { percent, writeMeeting } from '@lyvek/core';
import type { ExactMeeting, RangePoint } from '@lyvek/core';
import { CssField } from '../../../../editor/fields/CssField.tsx';
import { meetingFieldsText } from '../text.ts';

interface MeetingProps {
  meeting: ExactMeeting;
  /** the point is written so, and not as a share of a phase */
  isStored: boolean;
  onPut(point: RangePoint): void;
  children?: ReactNode;
}

const toShare = (text: string) => Number.parseFloat(text) / 100;
/** An element is met between its edges. */
const clamp = (share: number) => Math.min(1, Math.max(0, share));

export function MeetingFields({ meeting: { edge, line }, isStored, onPut, children }: MeetingProps) {
  return (
    <fieldset className={isStored ? 'stored' : ''}>
      <legend>{meetingFieldsText.meeting}</legend>
      <div className="point-row">
        <CssField
          label={meetingFieldsText.pointOfTheElement}
          property="percentage"
          value={percent(edge)}
          className="w-16"
          onPut={(v) => onPut(writeMeeting({ edge: clamp(toShare(v)), line }))}
        />
        {meetingFieldsText.ofTheElementMeets}
      </div>
      <div className="point-row">
        <CssField
          label={meetingFieldsText.lineOfTheViewport}
          property="percentage"
          value={percent(line)}
          className="w-16"
          onPut={(v) => onPut(writeMeeting({ edge: clamp(edge), line: toShare(v) }))}
        />
        {meetingFieldsText.ofTheViewportFrom}
      </div>
      {children}
    </fieldset>
  );
}
