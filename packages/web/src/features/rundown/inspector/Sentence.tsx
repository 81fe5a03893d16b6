/** A motion as a sentence whose words in boxes are its controls. One clause a line. */
import { changeMotion, isEstimated, whyNotEased } from '@lyvek/core';
import type { Motion, RangePoint } from '@lyvek/core';
import { Popover } from '../../../ui/Popover.tsx';
import { useLease } from '../../../state/use-lease.ts';
import { useOpenedPage } from '../../../state/opened-page.ts';
import type { Bar } from '../../../editor/model/bars.ts';
import { nudged, untied } from '../model/moves.ts';
import type { Side } from '../model/moves.ts';
import { pointWords } from '../../../editor/words.ts';
import { useRundown } from '../rundown-context.ts';
import { AdjustmentsWord } from './options/Adjustments.tsx';
import { ConditionDifferences } from './options/ConditionDifferences.tsx';
import { DriverPicker } from './driver/DriverPicker.tsx';
import { EasingField } from './keyframes/EasingField.tsx';
import { DampingField } from '../../../editor/fields/DampingField.tsx';
import { PointEditor } from './range/PointEditor.tsx';
import { PresetField } from './options/PresetField.tsx';
import { DepthField } from './options/DepthField.tsx';
import { HoldField } from './options/HoldField.tsx';
import { StaggerField } from './options/StaggerField.tsx';
import { COMPOSITE } from './options/composite.ts';
import { REDUCED_MOTION } from './options/reduced-motion.ts';
import { RepeatField } from './options/RepeatField.tsx';
import { TargetLine } from './options/TargetLine.tsx';
import { TieEditor, tieWords } from './range/TieEditor.tsx';
import { ChoiceWord } from './ChoiceWord.tsx';
import { sentenceText } from './text.ts';

const FILL: readonly { value: Motion['fill']; text: string; note: string }[] = [
  { value: 'both', text: 'fills before and after', note: 'fill: both' },
  { value: 'forwards', text: 'fills after', note: 'fill: forwards' },
  { value: 'backwards', text: 'fills before', note: 'fill: backwards' },
  { value: 'none', text: 'fills neither', note: 'fill: none' },
];

export function Sentence({ bar }: { bar: Bar }) {
  const { session } = useOpenedPage();
  const preview = useLease(session);
  const { layout } = useRundown();
  const { motion } = bar;
  const change = (label: string, part: Partial<Motion>) =>
    session.apply(changeMotion(motion.id, label, (m) => ({ ...m, ...part })));
  return (
    <div className="sentence">
      <p>
        <DriverPicker motion={motion} element={bar.element} length={bar.placed.end - bar.placed.start} />
      </p>
      <PresetField motion={motion} />
      <ConditionDifferences of={motion} />
      <TargetLine motion={motion} element={bar.element} />
      <DepthField motion={motion} />
      <StaggerField motion={motion} timed={false} onChange={(stagger) => change('stagger', { stagger })} />
      <p>
        {sentenceText.from} <Point bar={bar} side="start" />
      </p>
      <p>
        {sentenceText.until} <Point bar={bar} side="end" />{' '}
        <HoldField bar={bar} onChange={(label, how) => session.apply(changeMotion(motion.id, label, how))} />
      </p>
      {isEstimated(layout, bar.element) && <p className="quiet">{sentenceText.estimated}</p>}
      <RepeatField motion={motion} onChange={(repeat) => change(sentenceText.repeat, { repeat })} />
      <p>
        {sentenceText.eased}{' '}
        <EasingField
          value={motion.easing}
          whyNot={(css) => whyNotEased(motion, css)}
          onChange={(easing) => change('ease', { easing })}
          onTry={(easing) =>
            preview.show(easing === null ? null : changeMotion(motion.id, 'ease', (m) => ({ ...m, easing })))
          }
        />
        {sentenceText.damping}{' '}
        <DampingField value={motion.damping} onChange={(damping) => change('damping', { damping })} />
      </p>
      <p>
        {sentenceText.it}{' '}
        <ChoiceWord
          label={sentenceText.fill}
          options={FILL}
          value={motion.fill}
          onChoose={(fill) => change(sentenceText.changeTheFill, { fill })}
        />{' '}
        {sentenceText.and}{' '}
        <ChoiceWord
          label={sentenceText.composite}
          options={COMPOSITE}
          value={motion.composite}
          onChoose={(composite) => change(sentenceText.changeTheComposite, { composite })}
        />
      </p>
      <p>
        {sentenceText.withReducedMotionIt}{' '}
        <ChoiceWord
          label={sentenceText.withReducedMotion}
          options={REDUCED_MOTION}
          value={motion.reducedMotion}
          onChoose={(reducedMotion) => change(sentenceText.changeReducedMotion, { reducedMotion })}
        />
        <AdjustmentsWord of={motion.id} />
      </p>
    </div>
  );
}

function Point({ bar, side }: { bar: Bar; side: Side }) {
  const { session } = useOpenedPage();
  const { setGrip, document } = useRundown();
  const { motion } = bar;
  const put = (point: RangePoint) =>
    session.apply(
      changeMotion(motion.id, sentenceText.moveThe(side), (m) =>
        untied({ ...m, range: { ...m.range, [side]: point } }, side),
      ),
    );
  const step = (steps: number) =>
    session.nudge(
      changeMotion(motion.id, sentenceText.moveThe(side), (m) => untied(nudged(m, side, steps), side)),
    );
  return (
    <span
      onKeyDown={(e) => {
        if (e.key !== 'ArrowUp' && e.key !== 'ArrowDown') return;
        if ((e.target as Element).closest('.popover')) return;
        e.preventDefault();
        e.stopPropagation();
        setGrip(side);
        step((e.key === 'ArrowDown' ? 1 : -1) * (e.shiftKey ? 5 : 1));
      }}
    >
      <Popover
        className={`word point-${motion.driver.kind}`}
        label={sentenceText.the(side)}
        trigger={tieWords(motion, side, document) ?? pointWords(motion.range[side], side, motion.driver.kind)}
      >
        {() => (
          <>
            <PointEditor bar={bar} side={side} onPut={put} />
            <TieEditor motion={motion} side={side} />
          </>
        )}
      </Popover>
    </span>
  );
}
