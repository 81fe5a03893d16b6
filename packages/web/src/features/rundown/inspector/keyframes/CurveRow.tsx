/** One value curve with its keyframes and the editor of the open one. */
import { useRef, useState } from 'react';
import type { PointerEvent, ReactNode } from 'react';
import { propertyFacts, itemAt, present } from '@lyvek/core';
import type { Keyframe } from '@lyvek/core';
import { beginDrag } from '../../../../ui/drag.ts';
import {
  cssAt,
  isKnownCurve,
  numberAt,
  keyframeProgress,
  toShare,
  withNumber,
  withKeyframe,
  withKeyframeIn,
  withUnit,
} from '../../../../editor/model/curves.ts';
import type { Curve } from '../../../../editor/model/curves.ts';
import { valueWords } from '../../../../editor/words.ts';
import { findPlaced, placedKeyframe } from '../../../../editor/model/keyframes.ts';
import { KeyframeEditor } from './KeyframeEditor.tsx';
import { curveRowText } from '../text.ts';

const W = 200;
const H = 46;

/** What a keyframe becomes under the pointer. One direction at a time: a value is not changed by a hand that only meant the place. */
function pulled(
  curve: Curve,
  index: number,
  [dx, dy]: readonly [number, number],
  altKey: boolean,
): Keyframe[] | null {
  const { keyframes } = curve;
  const keyframe = itemAt(keyframes, index);
  if (Math.abs(dx) >= Math.abs(dy)) {
    const step = altKey ? 1000 : 100;
    const to = curve.whole(
      Math.min(1, Math.max(0, keyframeProgress(curve, toShare(keyframe)) + dx / (W - 12))),
    );
    const [low, high] = [keyframes[index - 1], keyframes[index + 1]].map((k) => k && toShare(k));
    const at = Math.round(Math.min((high ?? 1.01) - 0.01, Math.max((low ?? -0.01) + 0.01, to)) * step) / step;
    return placedKeyframe(keyframes, index, at);
  }
  const scale = curve.high - curve.low < 1e-9 ? 1 : (curve.high - curve.low) / (H - 8);
  const was = numberAt(curve, keyframeProgress(curve, toShare(keyframe)));
  const from =
    keyframe.value === 'none'
      ? (propertyFacts(curve.property)?.type.example ?? keyframe.value)
      : keyframe.value;
  const value = withNumber(from, curve.number, was - dy * scale * (altKey ? 0.1 : 1));
  const units = keyframes.map((s) => s.value);
  return value === null ? null : withKeyframe(keyframes, index, { value: withUnit(value, units) });
}

interface RowProps {
  curve: Curve;
  progress: number;
  open: number | null;
  /** the open one is chosen in every property at its place */
  together?: boolean;
  onOpen(keyframe: Keyframe | null): void;
  onTry(keyframes: Keyframe[] | null): void;
  onPut(keyframes: Keyframe[] | null, label: string): void;
  children?: ReactNode;
}

type Heard = Pick<RowProps, 'curve' | 'open' | 'onOpen' | 'onTry' | 'onPut'>;

/** Pulls a keyframe. `freeze` keeps the scale of the drawing meanwhile. */
const keyframeDrag =
  (
    { curve, open, onOpen, onTry, onPut }: Heard,
    freeze: (scale: { low: number; high: number } | null) => void,
  ) =>
  (e: PointerEvent<SVGCircleElement>, index: number): void => {
    const { keyframes } = curve;
    const { clientX } = e;
    const keyframe = itemAt(keyframes, index);
    let latest: Keyframe[] | null = null;
    const begun = beginDrag(e, {
      move(by, event) {
        freeze({ low: curve.low, high: curve.high });
        latest = pulled(curve, index, [event.clientX - clientX, by], event.altKey) ?? latest;
        if (latest) onTry(latest);
      },
      drop() {
        freeze(null);
        const moved = latest && findPlaced(keyframes, latest, index);
        if (latest) onPut(latest, curveRowText.change(curve.property));
        if (moved && open === index) onOpen(moved);
      },
      putBack(given) {
        freeze(null);
        onTry(null);
        if (!given) onOpen(keyframe);
      },
    });
    if (begun) e.preventDefault();
  };

export function CurveRow(props: RowProps) {
  const { curve, progress, open, together, onOpen, onTry, onPut, children } = props;
  const svg = useRef<SVGSVGElement>(null);
  const [frozen, setFrozen] = useState<{ low: number; high: number } | null>(null);
  const { low, high } = frozen ?? curve;
  const flat = high - low < 1e-9;
  const y = (n: number) => 4 + (flat ? 0.5 : (high - n) / (high - low)) * (H - 8);
  const x = (p: number) => 6 + p * (W - 12);
  const d = Array.from(
    { length: 61 },
    (_, i) => `${i ? 'L' : 'M'}${x(i / 60).toFixed(1)} ${y(numberAt(curve, i / 60)).toFixed(1)}`,
  ).join('');
  const { keyframes } = curve;
  const selected = open !== null && keyframes[open] ? { index: open } : null;

  const drag = keyframeDrag({ curve, open, onOpen, onTry, onPut }, setFrozen);
  const remove = (index: number) => {
    onOpen(null);
    const left = keyframes.filter((_, i) => i !== index);
    if (left.length) onPut(left, curveRowText.deleteAKeyframe);
    else onPut(null, curveRowText.remove(curve.property));
  };

  return (
    <section className="curve-row" aria-label={curve.name}>
      <Heading
        curve={curve}
        progress={progress}
        onRemove={() => onPut(null, curveRowText.remove(curve.property))}
      />
      <svg
        ref={svg}
        width={W}
        height={H}
        role="group"
        aria-label={curveRowText.keyframesOf(curve.property)}
        onDoubleClick={(e) => {
          const at = (e.clientX - present(svg.current).getBoundingClientRect().left - 6) / (W - 12);
          if (at <= 0 || at >= 1 || (e.target as Element).closest('.keyframe')) return;
          const next = withKeyframeIn(curve, at);
          const made = next.find((k) => !keyframes.includes(k));
          if (!made) return;
          onPut(next, curveRowText.addAKeyframeTo(curve.property));
          onOpen(made);
        }}
      >
        <path className="curve-grid" d={`M0 4H${W}M0 ${H - 4}H${W}`} />
        <path className="curve-now" d={`M${x(progress)} 0V${H}`} />
        <path className="curve-line" d={d} />
        <circle className="curve-dot" cx={x(progress)} cy={y(numberAt(curve, progress))} r={2.6} />
        {keyframes.map((keyframe, i) => {
          const p = keyframeProgress(curve, toShare(keyframe));
          return (
            <Dot
              key={i}
              keyframe={keyframe}
              isOpen={open === i}
              x={x(p)}
              y={y(numberAt(curve, p))}
              onDrag={(e) => drag(e, i)}
              onOpen={() => onOpen(open === i ? null : keyframe)}
              onRemove={keyframes.length > 1 ? () => remove(i) : null}
            />
          );
        })}
      </svg>
      {children}
      {selected && !together && (
        <KeyframeEditor
          curve={curve}
          index={selected.index}
          onOpen={onOpen}
          onTry={onTry}
          onPut={onPut}
          onRemove={() => remove(selected.index)}
        />
      )}
    </section>
  );
}

interface HeadingProps {
  curve: Curve;
  progress: number;
  onRemove(): void;
}

function Heading({ curve, progress, onRemove }: HeadingProps) {
  const { keyframes } = curve;
  const now = valueWords(cssAt(curve, progress));
  return (
    <h4>
      <b>{curve.name}</b>
      <i>
        {curveRowText.fromTo(keyframes.length > 1 ? keyframes[0]?.value : undefined, keyframes.at(-1)?.value)}
      </i>
      {isKnownCurve(curve) ? (
        <span className="now" title={now}>
          {now}
        </span>
      ) : (
        <span className="now unknown" title={curveRowText.notPredictedWhy(curve.property)}>
          {curveRowText.notPredicted}
        </span>
      )}
      <button
        type="button"
        className="btn plain curve-remove"
        aria-label={curveRowText.removeButton(curve.property)}
        title={curveRowText.removeButton(curve.property)}
        onClick={onRemove}
      >
        ×
      </button>
    </h4>
  );
}

interface DotProps {
  keyframe: Keyframe;
  isOpen: boolean;
  x: number;
  y: number;
  onDrag(e: PointerEvent<SVGCircleElement>): void;
  onOpen(): void;
  /** null: the last one stays */
  onRemove: (() => void) | null;
}

function Dot({ keyframe, isOpen, x, y, onDrag, onOpen, onRemove }: DotProps) {
  return (
    <circle
      className={`keyframe${isOpen ? ' open' : ''}`}
      cx={x}
      cy={y}
      r={3.4}
      tabIndex={0}
      role="button"
      aria-label={curveRowText.keyframeAt(keyframe.at, keyframe.value)}
      onPointerDown={onDrag}
      onKeyDown={(e) => {
        if (e.key === 'Enter') onOpen();
        else if ((e.key === 'Delete' || e.key === 'Backspace') && onRemove) onRemove();
        else return;
        e.preventDefault();
        e.stopPropagation();
      }}
    />
  );
}
