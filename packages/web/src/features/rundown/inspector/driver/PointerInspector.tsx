/** A motion that the pointer drives: a field to try it in, what it does, and its values. */
import { useState } from 'react';
import { changeMotion, elementName, itemAt } from '@lyvek/core';
import type { Motion, PointerDriver } from '@lyvek/core';
import { useLease } from '../../../../state/use-lease.ts';
import { useOpenedPage } from '../../../../state/opened-page.ts';
import { listAround } from '../../../../editor/drivers/around.ts';
import type { Bar } from '../../../../editor/model/bars.ts';
import { CssField } from '../../../../editor/fields/CssField.tsx';
import { DampingField } from '../../../../editor/fields/DampingField.tsx';
import { Popover } from '../../../../ui/Popover.tsx';
import { useRundown } from '../../rundown-context.ts';
import { EasingField } from '../keyframes/EasingField.tsx';
import { MotionCurves } from '../keyframes/Curves.tsx';
import { AdjustmentsWord } from '../options/Adjustments.tsx';
import { ConditionDifferences } from '../options/ConditionDifferences.tsx';
import { PresetField } from '../options/PresetField.tsx';
import { TargetLine } from '../options/TargetLine.tsx';
import { COMPOSITE } from '../options/composite.ts';
import { ChoiceWord } from '../ChoiceWord.tsx';
import { InspectorHead } from '../InspectorHead.tsx';
import { pointerInspectorText as text } from './text.ts';
import { DriverPicker } from './DriverPicker.tsx';
import { PointerField } from './PointerField.tsx';
import type { Point } from './PointerField.tsx';

const TOUCH: readonly { value: PointerDriver['touch']; text: string; note: string }[] = [
  { value: 'none', text: 'it stays at rest', note: 'a finger has no place before it touches' },
  { value: 'drag', text: 'it follows the finger', note: 'while the finger moves without scrolling' },
  {
    value: 'tilt',
    text: 'it follows the tilt',
    note: 'where the device tells it; some ask their owner first',
  },
];
const RESTS: readonly { value: string; text: string; note: string }[] = [
  { value: '0.5', text: 'it returns to the middle', note: 'at 50 %' },
  { value: '0', text: 'it returns to its start', note: 'at 0 %' },
  { value: '1', text: 'it returns to its end', note: 'at 100 %' },
  { value: 'stay', text: 'it stays where it is', note: '' },
];

/** Where it is with the pointer at a point of the viewport, shares of it; at rest where that is over no part of its area. */
function findProgress({ axis, over, rest }: PointerDriver, at: Point | null): number {
  const isOver = over === 'viewport';
  return at && isOver ? at[axis] : (rest ?? 0.5);
}

export function PointerInspector({ bar }: { bar: Bar }) {
  const { motion } = bar;
  const driver = motion.driver as PointerDriver;
  const [at, setAt] = useState<Point | null>(null);
  return (
    <section className="inspector" aria-label={text.pointerMotion(motion.name)}>
      <InspectorHead motion={motion} />
      <div className="inspector-columns">
        <PointerField driver={driver} at={at} onPoint={setAt} />
        <div className="inspector-middle">
          <PointerSentence bar={bar} driver={driver} />
        </div>
        <MotionCurves
          motion={motion}
          element={bar.element}
          progress={findProgress(driver, at)}
          ends={text.ends[driver.axis]}
        />
      </div>
    </section>
  );
}

function PointerSentence({ bar, driver }: { bar: Bar; driver: PointerDriver }) {
  const { session } = useOpenedPage();
  const preview = useLease(session);
  const { motion } = bar;
  const change = (label: string, part: Partial<Motion>) =>
    session.apply(changeMotion(motion.id, label, (m) => ({ ...m, ...part })));
  const drive = (label: string, part: Partial<PointerDriver>) =>
    session.apply(
      changeMotion(motion.id, label, (m) => {
        const { share, ...rest } = { ...(m.driver as PointerDriver), ...part };
        return { ...m, driver: share === undefined ? rest : { ...rest, share } };
      }),
    );
  return (
    <div className="sentence">
      <p>
        <DriverPicker motion={motion} element={bar.element} length={bar.placed.end - bar.placed.start} />
      </p>
      <Area bar={bar} driver={driver} onChoose={(over) => drive(text.changeTheArea, { over })} />
      <PresetField motion={motion} />
      <ConditionDifferences of={motion} />
      <TargetLine motion={motion} element={bar.element} />
      <Share driver={driver} onPut={(share) => drive(text.changeTheShare, { share })} />
      <p>
        {text.whenThePointerLeaves}{' '}
        <ChoiceWord
          label={text.whenItLeaves}
          options={RESTS}
          value={driver.rest === null ? 'stay' : String(driver.rest)}
          onChoose={(v) => drive(text.changeTheRest, { rest: v === 'stay' ? null : Number(v) })}
        />
      </p>
      <p>
        {text.onATouchScreen}{' '}
        <ChoiceWord
          label={text.touchScreens}
          options={TOUCH}
          value={driver.touch}
          onChoose={(touch) => drive(text.changeTouch, { touch })}
        />
      </p>
      <p>
        {text.eased}{' '}
        <EasingField
          value={motion.easing}
          onChange={(easing) => change('ease', { easing })}
          onTry={(easing) =>
            preview.show(easing === null ? null : changeMotion(motion.id, 'ease', (m) => ({ ...m, easing })))
          }
        />
        {text.damping}{' '}
        <DampingField value={motion.damping} onChange={(damping) => change('damping', { damping })} />
      </p>
      <p>
        {text.it}{' '}
        <ChoiceWord
          label={text.composite}
          options={COMPOSITE}
          value={motion.composite}
          onChoose={(composite) => change(text.changeTheComposite, { composite })}
        />
      </p>
      <p>
        {text.withReducedMotion}
        <AdjustmentsWord of={motion.id} />
      </p>
    </div>
  );
}

const DEPTH = '--depth';

interface ShareProps {
  driver: PointerDriver;
  onPut(share: string | undefined): void;
}

/** “each all the way”, or by its share, so that near ones move further than far ones. */
function Share({ driver, onPut }: ShareProps) {
  return (
    <p>
      {text.each}{' '}
      <Popover
        className="word"
        label={text.share}
        trigger={driver.share === undefined ? text.allTheWay : text.byItsShare(driver.share)}
      >
        {() => (
          <div className="flex w-64 flex-col gap-2">
            <label className="point-row">
              {text.customProperty}
              <CssField
                label={text.customProperty}
                property={DEPTH}
                value={driver.share ?? DEPTH}
                onPut={onPut}
                whyNot={(name) => (/^--[\w-]+$/.test(name) ? null : text.notACustomProperty)}
              />
            </label>
            <p className="small">{text.shareNote}</p>
            {driver.share === undefined ? (
              <button type="button" className="btn self-start" onClick={() => onPut(DEPTH)}>
                {text.useDepth}
              </button>
            ) : (
              <button type="button" className="btn self-start" onClick={() => onPut(undefined)}>
                {text.moveAllAlike}
              </button>
            )}
          </div>
        )}
      </Popover>
    </p>
  );
}

interface AreaProps {
  bar: Bar;
  driver: PointerDriver;
  onChoose(over: string): void;
}

/** “over the viewport”, or over an element: what the pointer has to be over, and what is the whole way. */
function Area({ bar, driver, onChoose }: AreaProps) {
  const { layout, chosen } = useRundown();
  const picked = layout.elements[chosen];
  const around = listAround(bar.element, layout.elements);
  const elements =
    picked && chosen !== bar.element && !around.includes(picked) ? [picked, ...around] : around;
  const known =
    elements.some((e) => e.selector === driver.over) || ['viewport', 'self'].includes(driver.over);
  const options = [
    { value: 'viewport', text: text.theViewport, note: '' },
    { value: 'self', text: elementName(itemAt(layout.elements, bar.element), layout), note: text.itself },
    ...elements.map((e) => ({ value: e.selector, text: elementName(e, layout), note: e.tag })),
    ...(known ? [] : [{ value: driver.over, text: driver.over, note: '' }]),
  ];
  return (
    <p>
      {text.over} <ChoiceWord label={text.area} options={options} value={driver.over} onChoose={onChoose} />
    </p>
  );
}
