/** Value curves with keyframes: drag, add by double click, delete, type. Progress runs to the right here, values upwards. */
import { useStore } from 'zustand';
import {
  addDeclaration,
  changeMotion,
  isSignal,
  isSvgShape,
  itemAt,
  lastItem,
  needsShapeOrigin,
  progressAt,
  SEQUENCE,
  SHAPE_ORIGIN,
  together,
} from '@lyvek/core';
import { newId } from '../../../../state/new-id.ts';
import type { Keyframe, Motion } from '@lyvek/core';
import { useShownPage } from '../../../../preview/shown-page.ts';
import { useLease } from '../../../../state/use-lease.ts';
import { useOpenedPage } from '../../../../state/opened-page.ts';
import type { Bar } from '../../../../editor/model/bars.ts';
import { keyframeStore, chooseKeyframe } from '../../../../editor/model/keyframes.ts';
import { computeCurves, numberAt, toShare } from '../../../../editor/model/curves.ts';
import type { Curve } from '../../../../editor/model/curves.ts';
import { grouped } from '../../../../editor/strip/view.ts';
import { useRundown } from '../../rundown-context.ts';
import { AddProperty } from './AddProperty.tsx';
import { AlsoMoved } from '../options/AlsoMoved.tsx';
import { CurveRow } from './CurveRow.tsx';
import { PathField } from './PathField.tsx';
import { SequenceField } from './SequenceField.tsx';
import { SignalSlider } from './SignalSlider.tsx';

/** Curves over the scroll. */
export function Curves({ bar }: { bar: Bar }) {
  const { link } = useShownPage();
  const offset = useStore(link.store, (s) =>
    bar.placed.scroller === 0 ? s.offset[bar.placed.axis === 'block' ? 'y' : 'x'] : 0,
  );
  const { start, end, scroller } = bar.placed;
  // Between the ends only: outside of them the number would stand in the wrong order.
  const isBetween = scroller === 0 && offset >= start && offset <= end;
  return (
    <MotionCurves
      motion={bar.motion}
      element={bar.element}
      progress={progressAt(offset, bar.placed)}
      ends={[grouped(start), isBetween ? grouped(offset) : '', `${grouped(end)} px`]}
    />
  );
}

interface MotionCurvesProps {
  motion: Motion;
  element: number;
  progress: number;
  /** what stands under the curves: where they begin, where it stands now if that is in between, where they end */
  ends: [string, string, string];
}

export function MotionCurves({ motion, element, progress, ends }: MotionCurvesProps) {
  const { session } = useOpenedPage();
  const { layout } = useRundown();
  // The keyframe that is open in the sheet is the chosen keyframe everywhere: Del, arrows and the lanes mean the same one.
  const open = useStore(keyframeStore, (s) =>
    s.chosen.length === 1 && itemAt(s.chosen, 0).motion === motion.id ? itemAt(s.chosen, 0) : null,
  );
  const openIn = ({ property, keyframes }: Curve) => {
    if (!open || (open.property !== undefined && open.property !== property)) return null;
    const i = keyframes.findIndex((k) => Math.abs(toShare(k) - open.share) < 5e-4);
    return i < 0 ? null : i;
  };
  const choose = (property: string, keyframe: Keyframe | null) =>
    chooseKeyframe(keyframe && { motion: motion.id, property, share: toShare(keyframe) });
  const curves = computeCurves(motion, element, layout);
  // One that was chosen in the lanes is chosen in every property; the first of them opens.
  const first = curves.find((c) => openIn(c) !== null);
  const preview = useLease(session);
  const withList = (property: string, list: Keyframe[] | null, label: string) =>
    changeMotion(motion.id, label, (m) => {
      const keyframes = { ...m.keyframes };
      if (list && list.length > 0) keyframes[property] = list;
      else delete keyframes[property];
      return { ...m, keyframes };
    });
  return (
    <div className="curves">
      {curves.map((c) => (
        <CurveRow
          key={c.property}
          curve={c}
          progress={progress}
          open={openIn(c)}
          together={c !== first}
          onOpen={(keyframe) => choose(c.property, keyframe)}
          onTry={(list) => preview.show(list && withList(c.property, list, 'try'))}
          onPut={(list, label) => session.apply(withList(c.property, list, label))}
        >
          {c.property === SEQUENCE && <SequenceField motion={motion} />}
          {c.property === 'offset-distance' && <PathField motion={motion} element={element} />}
          {isSignal(c.property) && (
            <SignalSlider
              motion={motion}
              property={c.property}
              now={numberAt(c, progress)}
              low={c.low}
              high={c.high}
            />
          )}
        </CurveRow>
      ))}
      <p className="curve-axis">
        <span>{ends[0]}</span>
        <b>{ends[1]}</b>
        <span>{ends[2]}</span>
      </p>
      <AddProperty
        motion={motion}
        element={element}
        onAdd={(property, list) => {
          const { selector } = motion.targets;
          const shape = needsShapeOrigin(property) && isSvgShape(itemAt(layout.elements, element));
          const origin = shape ? Object.entries(SHAPE_ORIGIN) : [];
          session.apply(
            together(`animate ${property}`, [
              withList(property, list, ''),
              ...origin.map((declaration) => addDeclaration(motion.id, selector, declaration, newId)),
            ]),
          );
          choose(property, lastItem(list));
        }}
      />
      <AlsoMoved motion={motion} element={element} />
    </div>
  );
}
