/** A timed motion as a sentence: what it moves, when it begins, how long it takes. */
import { changeMotion, present, whyNotEased } from '@lyvek/core';
import type { Motion } from '@lyvek/core';
import { CssField } from '../../../../editor/fields/CssField.tsx';
import { useOpenedPage } from '../../../../state/opened-page.ts';
import { Choices, Popover } from '../../../../ui/Popover.tsx';
import { ChoiceWord } from '../ChoiceWord.tsx';
import { EasingField } from '../keyframes/EasingField.tsx';
import { AdjustmentsWord } from '../options/Adjustments.tsx';
import { ConditionDifferences } from '../options/ConditionDifferences.tsx';
import { PresetField } from '../options/PresetField.tsx';
import { REDUCED_MOTION } from '../options/reduced-motion.ts';
import { RepeatField } from '../options/RepeatField.tsx';
import { StaggerField } from '../options/StaggerField.tsx';
import { TargetLine } from '../options/TargetLine.tsx';
import { sentenceText } from '../text.ts';
import { timedInspectorText } from './text.ts';
import { DriverPicker } from './DriverPicker.tsx';

interface PartProps {
  part: Motion;
  element: number;
  parts: readonly Motion[];
}

export function PartSentence({ part, element, parts }: PartProps) {
  const { session } = useOpenedPage();
  const time = present(part.time);
  const put = (label: string, change: Partial<Motion>) =>
    session.apply(changeMotion(part.id, label, (m) => ({ ...m, ...change })));
  const ms = (text: string) => `${Math.max(0, Math.round(Number.parseFloat(text) * 10) / 10)}ms`;
  return (
    <div className="sentence">
      <p>
        <DriverPicker motion={part} element={element} length={Number.parseFloat(time.duration) * 1.5} />
      </p>
      <TargetLine motion={part} element={element} />
      <StaggerField motion={part} timed onChange={(stagger) => put('stagger', { stagger })} />
      <p>
        {timedInspectorText.itWaits}{' '}
        <CssField
          label={timedInspectorText.delayInMs}
          property="number"
          className="w-14"
          value={String(Number.parseFloat(time.delay))}
          onPut={(v) => put(timedInspectorText.changeADelay, { time: { ...time, delay: ms(v) } })}
        />{' '}
        {timedInspectorText.ms} <CountedFrom part={part} parts={parts} onPut={put} />
      </p>
      <p>
        {timedInspectorText.andPlays}{' '}
        <CssField
          label={timedInspectorText.durationInMs}
          property="number"
          className="w-14"
          value={String(Number.parseFloat(time.duration))}
          onPut={(v) =>
            put(timedInspectorText.changeADuration, {
              time: { ...time, duration: ms(String(Math.max(1, Number.parseFloat(v)))) },
            })
          }
        />{' '}
        {timedInspectorText.msEased}{' '}
        <EasingField
          value={part.easing}
          whyNot={(css) => whyNotEased(part, css)}
          onChange={(easing) => put('ease', { easing })}
        />
        <AdjustmentsWord of={part.id} />
      </p>
      <RepeatField motion={part} onChange={(repeat) => put(sentenceText.repeat, { repeat })} />
      <p>
        {sentenceText.withReducedMotionIt}{' '}
        <ChoiceWord
          label={sentenceText.withReducedMotion}
          options={REDUCED_MOTION}
          value={part.reducedMotion}
          onChoose={(reducedMotion) => put(sentenceText.changeReducedMotion, { reducedMotion })}
        />
      </p>
      <PresetField motion={part} />
      <ConditionDifferences of={part} />
    </div>
  );
}

interface CountedProps extends Pick<PartProps, 'part' | 'parts'> {
  onPut(label: string, change: Partial<Motion>): void;
}

/** What its delay is counted from: the trigger, or the end of another part. */
function CountedFrom({ part, parts, onPut }: CountedProps) {
  const time = present(part.time);
  const others = parts.filter((p) => p.id !== part.id);
  return (
    <Popover
      className="word"
      label={timedInspectorText.countedFrom}
      trigger={
        time.after === undefined
          ? timedInspectorText.fromTheStart
          : timedInspectorText.after(others.find((p) => p.id === time.after)?.name)
      }
    >
      {(close) => (
        <Choices
          options={[
            { value: '', text: 'from the start' },
            ...others.map((p) => ({ value: p.id, text: `after ${p.name}`, note: 'from its end' })),
          ]}
          value={time.after ?? ''}
          onChoose={(v) => {
            const { delay, duration } = time;
            onPut(timedInspectorText.chainAPart, { time: { delay, duration, ...(v ? { after: v } : {}) } });
            close();
          }}
        />
      )}
    </Popover>
  );
}
