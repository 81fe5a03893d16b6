/** An easing pulled by hand. Time, or scroll, runs down as everywhere; values run to the right. Two handles for a curve, rings for points. */
import { useRef } from 'react';
import type { KeyboardEvent, PointerEvent } from 'react';
import { parseEasing, shapeCss, toShape, springCss, itemAt, present } from '@lyvek/core';
import type { EasingShape } from '@lyvek/core';
import { beginDrag } from '../../../../ui/drag.ts';
import { easingEditorText } from '../text.ts';

const W = 210;
const H = 170;
/** values that the drawing shows, so that overshoot has room */
const [LOW, HIGH] = [-0.25, 1.35];
const x = (v: number) => ((v - LOW) / (HIGH - LOW)) * W;
const y = (t: number) => 6 + t * (H - 12);
const STEP = 0.05;
/** px of a handle’s blade */
const BLADE = 10;

interface EasingEditorProps {
  value: string;
  onTry(css: string | null): void;
  onPut(css: string): void;
}

type Point = [t: number, v: number];

export function EasingEditor({ value, onTry, onPut }: EasingEditorProps) {
  const svg = useRef<SVGSVGElement>(null);
  const parsed = parseEasing(value);
  const shape = toShape(value);
  if (!parsed.ok || !shape) return null;
  const f = parsed.value;
  const path = Array.from(
    { length: 81 },
    (_, i) => `${i ? 'L' : 'M'}${x(f(i / 80)).toFixed(1)} ${y(i / 80).toFixed(1)}`,
  ).join('');
  const findPlace = (e: { clientX: number; clientY: number; shiftKey: boolean }): Point => {
    const frame = present(svg.current).getBoundingClientRect();
    const snap = (n: number) => (e.shiftKey ? Math.round(n / STEP) * STEP : n);
    const t = (e.clientY - frame.top - 6) / (H - 12);
    const v = ((e.clientX - frame.left) / W) * (HIGH - LOW) + LOW;
    return [snap(Math.min(1, Math.max(0, t))), snap(Math.min(HIGH, Math.max(LOW, v)))];
  };
  const pull = (e: PointerEvent<Element>, at: (p: Point) => string) =>
    beginDrag(e, {
      move: (_, event) => onTry(at(findPlace(event))),
      drop: (_, event) => onPut(at(findPlace(event))),
      putBack: () => onTry(null),
    });
  const keys = (e: KeyboardEvent, p: Point, at: (p: Point) => string) => {
    const by = e.shiftKey ? STEP : 0.01;
    const step = { ArrowLeft: [0, -by], ArrowRight: [0, by], ArrowUp: [-by, 0], ArrowDown: [by, 0] }[e.key];
    if (!step) return;
    e.preventDefault();
    e.stopPropagation();
    onPut(at([Math.min(1, Math.max(0, p[0] + itemAt(step, 0))), p[1] + itemAt(step, 1)]));
  };
  return (
    <div className="easing-editor">
      <ShapeButtons shape={shape} easing={f} onPut={onPut} />
      <svg
        ref={svg}
        width={W}
        height={H}
        role="group"
        aria-label={easingEditorText.easingTimeDownwardsValues}
        onDoubleClick={(e) => {
          if (shape.kind !== 'points') return;
          const [t] = findPlace(e);
          if (t > 0.01 && t < 0.99) onPut(pointsWith(shape.points, [t, f(t)]));
        }}
      >
        <path
          className="easing-grid"
          d={`M${x(0)} 0V${H}M${x(1)} 0V${H}${[0, 0.25, 0.5, 0.75, 1].map((t) => `M0 ${y(t)}H${W}`).join('')}`}
        />
        <text x={x(0) + 3} y={H - 8}>
          {easingEditorText.from}
        </text>
        <text x={x(1) + 3} y={12}>
          {easingEditorText.to}
        </text>
        <path className="easing-line" d={path} />
        {shape.kind === 'curve' && <Handles shape={shape} pull={pull} keys={keys} />}
        {shape.kind === 'points' && <Rings points={shape.points} pull={pull} keys={keys} onPut={onPut} />}
      </svg>
      <p className="m-0">
        {shape.kind === 'points'
          ? easingEditorText.doubleClickTheLine
          : shape.kind === 'curve'
            ? easingEditorText.dragTheHandlesArrow
            : easingEditorText.stepsHaveNoHandles}
      </p>
    </div>
  );
}

interface ButtonsProps {
  shape: EasingShape;
  easing(t: number): number;
  onPut(css: string): void;
}

/** What each form begins as. */
const CURVE = 'cubic-bezier(0.4, 0, 0.6, 1)';
const STEPS = 'steps(4, jump-end)';

function ShapeButtons({ shape, easing, onPut }: ButtonsProps) {
  return (
    <div className="point-row quick" role="group" aria-label={easingEditorText.shape}>
      {(['curve', 'points'] as const).map((kind) => (
        <button
          key={kind}
          type="button"
          className="btn"
          aria-pressed={shape.kind === kind}
          onClick={() => shape.kind !== kind && onPut(kind === 'curve' ? CURVE : quarters(easing))}
        >
          {kind}
        </button>
      ))}
      <button type="button" className="btn" onClick={() => onPut(springCss(0.45))}>
        {easingEditorText.spring}
      </button>
      <button
        type="button"
        className="btn"
        aria-pressed={shape.kind === 'steps'}
        onClick={() => onPut(STEPS)}
      >
        {easingEditorText.steps}
      </button>
    </div>
  );
}

interface RingsProps extends Pick<HandlesProps, 'pull' | 'keys'> {
  points: readonly Point[];
  onPut(css: string): void;
}

function Rings({ points, pull, keys, onPut }: RingsProps) {
  return points.map((p, i) => {
    const moved = (to: Point) => pointWith(points, i, to);
    return (
      <circle
        key={i}
        className="easing-ring"
        cx={x(p[1])}
        cy={y(p[0])}
        r={4}
        tabIndex={0}
        role="button"
        aria-label={easingEditorText.pointAt(Math.round(p[0] * 100), p[1].toFixed(2))}
        onPointerDown={(e) => pull(e, moved)}
        onKeyDown={(e) => {
          if ((e.key === 'Delete' || e.key === 'Backspace') && i > 0 && i < points.length - 1) {
            e.preventDefault();
            e.stopPropagation();
            onPut(shapeCss({ kind: 'points', points: points.filter((_, k) => k !== i) }));
          } else keys(e, p, moved);
        }}
      />
    );
  });
}

interface HandlesProps {
  shape: Extract<EasingShape, { kind: 'curve' }>;
  pull(e: PointerEvent<Element>, at: (p: Point) => string): void;
  keys(e: KeyboardEvent, p: Point, at: (p: Point) => string): void;
}

function Handles({ shape: { handles }, pull, keys }: HandlesProps) {
  return ([0, 1] as const).map((i) => {
    const [t, v] = [itemAt(handles, i * 2), itemAt(handles, i * 2 + 1)];
    const at = ([t, v]: Point) => {
      const next = [...handles] as typeof handles;
      next[i * 2] = t;
      next[i * 2 + 1] = v;
      return shapeCss({ kind: 'curve', handles: next });
    };
    const [px, py, ox, oy] = [x(v), y(t), x(i), y(i)];
    const length = Math.hypot(px - ox, py - oy) || 1;
    const [bx, by] = [((py - oy) / length) * (BLADE / 2), (-(px - ox) / length) * (BLADE / 2)];
    return (
      <g key={i} className="easing-handle">
        <path d={`M${ox} ${oy}L${px} ${py}`} />
        <path className="easing-blade" d={`M${px - bx} ${py - by}L${px + bx} ${py + by}`} />
        <circle
          className="easing-area"
          cx={px}
          cy={py}
          r={9}
          tabIndex={0}
          role="button"
          aria-label={i === 0 ? easingEditorText.firstHandle : easingEditorText.secondHandle}
          onPointerDown={(e) => pull(e, at)}
          onKeyDown={(e) => keys(e, [t, v], at)}
        />
      </g>
    );
  });
}

const quarters = (f: (t: number) => number): string =>
  shapeCss({ kind: 'points', points: [0, 0.25, 0.5, 0.75, 1].map((t): Point => [t, f(t)]) });

const pointsWith = (points: readonly Point[], p: Point): string =>
  shapeCss({ kind: 'points', points: [...points, p].sort((a, b) => a[0] - b[0]) });

/** A point stays between its neighbours; the outer two keep their times. */
function pointWith(points: readonly Point[], i: number, [t, v]: Point): string {
  const [low, high] = [points[i - 1]?.[0] ?? 0, points[i + 1]?.[0] ?? 1];
  const ends = i === 0 || i === points.length - 1;
  const at = ends ? itemAt(points, i)[0] : Math.min(high - 0.005, Math.max(low + 0.005, t));
  return shapeCss({ kind: 'points', points: points.map((p, k): Point => (k === i ? [at, v] : p)) });
}
