/** Grips on the selected element in the page: pulled, they set translate, scale or rotate at the stop nearest to the playhead. */
import { useState } from 'react';
import type { PointerEvent } from 'react';
import { useStore } from 'zustand';
import { drawnAt, keyframeOffset, progressAt, changeMotion, itemAt, present } from '@lyvek/core';
import type { Layout } from '@lyvek/core';
import { dragOperation } from '../../../state/drag-operation.ts';
import type { Bar } from '../../../editor/model/bars.ts';
import type { PageLink } from '../../../preview/page-link.ts';
import { useShownPage } from '../../../preview/shown-page.ts';
import { useOpenedPage } from '../../../state/opened-page.ts';
import type { TakeSession } from '../../../state/take-session.ts';
import { cssAt, computeCurves, withKeyframe } from '../../../editor/model/curves.ts';
import type { Curve } from '../../../editor/model/curves.ts';
import { nearestKeyframe, splitParts, pulledRotate, pulledScale, pulledTranslate } from '../model/grips.ts';
import { useRundown, useRanged } from '../rundown-context.ts';
import { moveGripsText } from './text.ts';

type Property = 'translate' | 'scale' | 'rotate';
interface MoveGripsProps {
  scale: number;
  width: number;
  height: number;
}

type Value = (css: string, to: { x: number; y: number }) => string;
type Said = { text: string; x: number; y: number };

interface Pulled {
  session: TakeSession;
  link: PageLink;
  bar: Bar;
  element: Layout['elements'][number];
  curve: Curve;
  /** of the motion, where the playhead is */
  progress: number;
  scale: number;
  height: number;
  /** what a value becomes under the pointer */
  value: Value;
  onSaid(said: Said | null): void;
}

/** Where a grip was pressed, in the drawing. */
function findPoint({ clientX, clientY, currentTarget }: PointerEvent<SVGElement>): { x: number; y: number } {
  const frame = present(currentTarget.ownerSVGElement).getBoundingClientRect();
  return { x: clientX - frame.left, y: clientY - frame.top };
}

/** Pulls the keyframe that is nearest to the playhead. */
function pulling(
  e: PointerEvent<Element>,
  { session, link, bar, element, curve, progress, scale, height, value, onSaid }: Pulled,
): void {
  const { motion } = bar;
  const { property } = curve;
  const index = nearestKeyframe(curve.keyframes, progress);
  const stop = itemAt(curve.keyframes, index);
  const frame = present((e.currentTarget as SVGElement).ownerSVGElement).getBoundingClientRect();
  const place = (event: globalThis.PointerEvent) => ({
    x: event.clientX - frame.left,
    y: event.clientY - frame.top,
  });
  const change = (event: globalThis.PointerEvent) => {
    const css = value(stop.value, place(event));
    const keyframes = withKeyframe(curve.keyframes, index, { value: css });
    const operation = changeMotion(motion.id, moveGripsText.setInThePage(property), (m) => ({
      ...m,
      keyframes: { ...m.keyframes, [property]: keyframes },
    }));
    return { css, operation };
  };
  dragOperation(e, session, {
    operation: (_by, event) => change(event).operation,
    moved(_by, event) {
      onSaid({ text: `${property} ${change(event).css}, at ${stop.at}`, ...place(event) });
      // What is pulled is what is seen, as long as it can be seen there.
      const offset = bar.placed.start + (bar.placed.end - bar.placed.start) * keyframeOffset(stop.at);
      const there = drawnAt(element, offset) + element.box.height / 2;
      if (there > 0 && there < height / scale) link.scrollTo(Math.max(0, offset));
    },
    ended: () => onSaid(null),
  });
}

/** The middle of an element as it is drawn now, and how long the arms of its grips are; px of the screen. */
function findCentre(
  element: Layout['elements'][number],
  moved: Curve | undefined,
  { progress, y, scale }: { progress: number; y: number; scale: number },
) {
  const [tx, ty] = moved && moved.number < 2 ? shownShift(moved, progress) : [0, 0];
  const top = drawnAt(element, y) + ty;
  const centre = {
    x: (element.box.x + tx + element.box.width / 2) * scale,
    y: (top + element.box.height / 2) * scale,
  };
  const arm = Math.max(26, Math.min(70, (element.box.height * scale) / 2 - 10));
  return { centre, arm };
}

export function MoveGrips({ scale, width, height }: MoveGripsProps) {
  const { session } = useOpenedPage();
  const { link } = useShownPage();
  const { layout, outlines } = useRundown();
  const bar = useRanged();
  const y = useStore(link.store, (s) => s.offset.y);
  const [said, setSaid] = useState<Said | null>(null);
  const element = bar && layout.elements[bar.element];
  if (!bar || !element || !outlines || element.scroller !== 0 || bar.placed.axis !== 'block') return null;
  const { motion } = bar;
  const curves = computeCurves(motion, bar.element, layout);
  const of = (p: Property) => curves.find((c) => c.property === p);
  if (!of('translate') && !of('scale') && !of('rotate')) return null;
  const progress = progressAt(y, bar.placed);
  const { centre, arm } = findCentre(element, of('translate'), { progress, y, scale });
  if (!said && (centre.y < -40 || centre.y > height + 40)) return null;
  const at = {
    x: Math.min(width - 20, Math.max(20, centre.x)),
    y: Math.min(height - 20, Math.max(20, centre.y)),
  };

  const pull = (e: PointerEvent<Element>, property: Property, value: Value) =>
    pulling(e, {
      session,
      link,
      bar,
      element,
      curve: present(of(property)),
      progress,
      scale,
      height,
      value,
      onSaid: setSaid,
    });
  const away = (p: { x: number; y: number }) => Math.hypot(p.x - at.x, p.y - at.y);
  const angle = (p: { x: number; y: number }) => (Math.atan2(p.y - at.y, p.x - at.x) * 180) / Math.PI;
  return (
    <svg
      className="move-grips"
      width={width}
      height={height}
      role="group"
      aria-label={moveGripsText.dragTheElement}
    >
      {of('rotate') && (
        <RotateGrip
          at={at}
          arm={arm}
          onDown={(e) => {
            const begun = angle(findPoint(e));
            pull(e, 'rotate', (css, to) => pulledRotate(css, angle(to) - begun));
          }}
        />
      )}
      {of('scale') && (
        <ScaleGrip
          at={at}
          arm={arm}
          onDown={(e) => {
            const begun = Math.max(4, away(findPoint(e)));
            pull(e, 'scale', (css, to) => pulledScale(css, away(to) / begun));
          }}
        />
      )}
      {of('translate') && (
        <TranslateGrip
          at={at}
          onDown={(e) => {
            const begun = findPoint(e);
            pull(e, 'translate', (css, to) =>
              pulledTranslate(css, (to.x - begun.x) / scale, (to.y - begun.y) / scale),
            );
          }}
        />
      )}
      {said && <Plate {...said} width={width} />}
    </svg>
  );
}

interface GripProps {
  at: { x: number; y: number };
  onDown(e: PointerEvent<SVGElement>): void;
}
type ArmProps = GripProps & { arm: number };

const RotateGrip = ({ at, arm, onDown }: ArmProps) => (
  <g>
    <path className="grip-arm" d={`M${at.x} ${at.y}V${at.y - arm}`} />
    <circle className="grip" data-grip="rotate" cx={at.x} cy={at.y - arm} r={5} onPointerDown={onDown}>
      <title>{moveGripsText.rotateAtTheNearest}</title>
    </circle>
  </g>
);

const ScaleGrip = ({ at, arm, onDown }: ArmProps) => (
  <g>
    <path className="grip-arm" d={`M${at.x} ${at.y}l${arm * 0.8} ${arm * 0.8}`} />
    <rect
      className="grip"
      data-grip="scale"
      x={at.x + arm * 0.8 - 5}
      y={at.y + arm * 0.8 - 5}
      width={10}
      height={10}
      onPointerDown={onDown}
    >
      <title>{moveGripsText.scaleAtTheNearest}</title>
    </rect>
  </g>
);

const TranslateGrip = ({ at, onDown }: GripProps) => (
  <g className="grip-moves">
    <path
      className="grip"
      d={`M${at.x} ${at.y - 9}l4 4h-2.5v3.5h3.5v-2.5l4 4 -4 4v-2.5h-3.5v3.5h2.5l-4 4 -4 -4h2.5v-3.5h-3.5v2.5l-4 -4 4 -4v2.5h3.5v-3.5h-2.5z`}
    />
    <circle className="grip-area" data-grip="translate" cx={at.x} cy={at.y} r={12} onPointerDown={onDown}>
      <title>{moveGripsText.moveAtTheNearest}</title>
    </circle>
  </g>
);

/** What is being set, beside the pointer. */
const Plate = ({ text, x, y, width }: { text: string; x: number; y: number; width: number }) => (
  <g className="grip-plate" transform={`translate(${Math.min(width - 190, x + 14)} ${Math.max(4, y - 26)})`}>
    <rect width={Math.max(80, text.length * 6 + 14)} height={20} rx={2} />
    <text x={7} y={14}>
      {text}
    </text>
  </g>
);

/** px by which it is shifted now; what is no px counts as nothing here. */
function shownShift(curve: Curve, progress: number): [number, number] {
  const [x = '0', y = '0'] = splitParts(cssAt(curve, progress));
  const px = (css: string) => (/^-?[\d.]+(px)?$/.test(css) ? Number.parseFloat(css) : 0);
  return [px(x), px(y)];
}
