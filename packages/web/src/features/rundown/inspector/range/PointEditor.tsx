/** A range point in both notations, with px; writing in one changes the other. */
import {
  isMeeting,
  meetingAt,
  movePoint,
  parseMeeting,
  parsePhasePoint,
  percent,
  phaseSpans,
  plainPercent,
  toMeeting,
  toPhase,
  writeMeeting,
  writePhase,
  asPin,
} from '@lyvek/core';
import type { Phase, RangePoint } from '@lyvek/core';
import type { Bar } from '../../../../editor/model/bars.ts';
import type { Side } from '../../model/moves.ts';
import { CssField } from '../../../../editor/fields/CssField.tsx';
import { pointEditorText } from '../text.ts';
import { MeetingFields } from './MeetingFields.tsx';

const PHASES: readonly Phase[] = [
  'entry',
  'contain',
  'exit',
  'cover',
  'entry-crossing',
  'exit-crossing',
  'scroll',
];

export function PointEditor({ bar, side, onPut }: { bar: Bar; side: Side; onPut(p: RangePoint): void }) {
  const { motion, placed } = bar;
  const point = motion.range[side];
  const g = placed.geometry;
  const offset = placed[side];
  const toPx = (text: string) =>
    onPut(movePoint(Number.parseFloat(text), { was: point, side, geometry: g, whole: placed.whole }));
  const px = (
    <label className="point-row">
      <span>{pointEditorText.scrollOffset}</span>
      <CssField
        label={pointEditorText.scrollOffsetInPx}
        property="percentage"
        value={String(Math.round(offset * 10) / 10)}
        onPut={toPx}
      />{' '}
      {pointEditorText.px}
    </label>
  );
  if (!g) {
    const css = typeof point === 'string' ? point : '';
    return (
      <div className="point-editor">
        <label className="point-row">
          <span>{asPin(motion.driver) ? pointEditorText.ofThePin : pointEditorText.ofThePage}</span>
          <CssField
            label={asPin(motion.driver) ? pointEditorText.shareOfThePin : pointEditorText.shareOfThePage}
            property="length"
            value={css}
            onPut={(v) => onPut(/^-?[\d.]+$/.test(v) ? `${v}%` : v)}
          />
        </label>
        {px}
      </div>
    );
  }
  const m = toMeeting(point, g, side) ?? meetingAt(offset, g);
  const exact = isMeeting(point) ? parseMeeting(point) : null;
  const meeting = exact?.ok ? exact.value : m;
  return (
    <div className="point-editor">
      <PhaseFields point={point} side={side} offset={offset} geometry={g} onPut={onPut} />
      <MeetingFields meeting={meeting} isStored={isMeeting(point)} onPut={onPut}>
        <div className="point-row quick">
          {(
            [
              ['top', 0],
              ['middle', 0.5],
              ['bottom', 1],
            ] as const
          ).map(([word, edge]) => (
            <button
              key={word}
              type="button"
              className="btn"
              aria-pressed={meeting.edge === edge && isMeeting(point)}
              onClick={() => onPut(writeMeeting({ edge, line: meetingAt(offset, g, edge).line }))}
            >
              {pointEditorText.its(word)}
            </button>
          ))}
        </div>
      </MeetingFields>
      {px}
    </div>
  );
}

interface PhaseProps {
  point: RangePoint;
  side: Side;
  offset: number;
  geometry: NonNullable<Bar['placed']['geometry']>;
  onPut(p: RangePoint): void;
}

function PhaseFields({ point, side, offset, geometry: g, onPut }: PhaseProps) {
  const written = isMeeting(point) ? null : parsePhasePoint(point, side);
  const phase = written?.ok ? (written.value.phase ?? 'cover') : toPhase(offset, g, 'entry').phase;
  const share = written?.ok ? plainPercent(written.value.offset) : null;
  const spans = phaseSpans(g);
  const shareNow = (offset - spans[phase].start) / Math.max(1e-9, spans[phase].end - spans[phase].start);
  const keepPhase = (name: Phase) =>
    onPut(
      writePhase({
        phase: name,
        share: (offset - spans[name].start) / Math.max(1e-9, spans[name].end - spans[name].start),
      }),
    );
  return (
    <fieldset className={isMeeting(point) ? '' : 'stored'}>
      <legend>{pointEditorText.phaseOfItsView}</legend>
      <div className="point-row">
        <select
          className="field"
          aria-label={pointEditorText.phase}
          value={phase}
          onChange={(e) => keepPhase(e.target.value as Phase)}
        >
          {PHASES.map((p) => (
            <option key={p} value={p}>
              {p}
            </option>
          ))}
        </select>
        <CssField
          label={pointEditorText.shareOfThePhase}
          property="length"
          value={
            share !== null
              ? `${share}%`
              : isMeeting(point)
                ? percent(shareNow)
                : point.replace(/^[a-z-]+\s*/, '')
          }
          className="w-28"
          onPut={(v) => onPut(`${phase} ${/^-?[\d.]+$/.test(v) ? `${v}%` : v}`)}
        />
      </div>
    </fieldset>
  );
}
