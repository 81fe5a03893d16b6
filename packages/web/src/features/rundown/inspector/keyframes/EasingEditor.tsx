/** An easing pulled by hand, drawn as its small signs are: time runs to the right, values up. Two handles for a curve, rings for points. */
import { useMemo, useRef } from 'react';
import type { KeyboardEvent, PointerEvent } from 'react';
import { parseEasing, shapeCss, springCss, springRatio, toShape, itemAt, present } from '@lyvek/core';
import type { EasingShape } from '@lyvek/core';
import { NumberField } from '../../../../ui/NumberField.tsx';
import { beginDrag } from '../../../../ui/drag.ts';
import { easingEditorText } from '../text.ts';

const W = 210;
const H = 180;
/** values that the drawing shows, so that overshoot has room */
const [LOW, HIGH] = [-0.25, 1.35];
const x = (t: number) => 6 + t * (W - 12);
const y = (v: number) => H - ((v - LOW) / (HIGH - LOW)) * H;
const STEP = 0.05;
/** px of a handle’s blade */
const BLADE = 10;

interface EasingEditorProps {
  value: string;
  /** why an easing cannot be had here, or null */
  whyNot(css: string): string | null;
  onTry(css: string | null): void;
  onPut(css: string): void;
}

type Point = [t: number, v: number];

export function EasingEditor({ value, whyNot, onTry, onPut }: EasingEditorProps) {
  const svg = useRef<SVGSVGElement>(null);
  const parsed = parseEasing(value);
  const shape = toShape(value);
  if (!parsed.ok || !shape) return null;
  const f = parsed.value;
  const path = Array.from(
    { length: 81 },
    (_, i) => `${i ? 'L' : 'M'}${x(i / 80).toFixed(1)} ${y(f(i / 80)).toFixed(1)}`,
  ).join('');
  const findPlace = (e: { clientX: number; clientY: number; shiftKey: boolean }): Point => {
    const frame = present(svg.current).getBoundingClientRect();
    const snap = (n: number) => (e.shiftKey ? Math.round(n / STEP) * STEP : n);
    const t = (e.clientX - frame.left - 6) / (W - 12);
    const v = ((frame.top + H - e.clientY) / H) * (HIGH - LOW) + LOW;
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
    const step = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, by], ArrowDown: [0, -by] }[e.key];
    if (!step) return;
    e.preventDefault();
    e.stopPropagation();
    onPut(at([Math.min(1, Math.max(0, p[0] + itemAt(step, 0))), p[1] + itemAt(step, 1)]));
  };
  return (
    <div className="easing-editor">
      <ShapeButtons {...{ value, shape, whyNot, onPut }} easing={f} />
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
          d={`M0 ${y(0)}H${W}M0 ${y(1)}H${W}${[0, 0.25, 0.5, 0.75, 1].map((t) => `M${x(t)} 0V${H}`).join('')}`}
        />
        <text x={W - 30} y={y(0) - 4}>
          {easingEditorText.from}
        </text>
        <text x={8} y={y(1) - 4}>
          {easingEditorText.to}
        </text>
        <path className="easing-line" d={path} />
        {shape.kind === 'curve' && <Handles shape={shape} pull={pull} keys={keys} />}
        {shape.kind === 'points' && springRatio(value) === null && (
          <Rings points={shape.points} pull={pull} keys={keys} onPut={onPut} />
        )}
      </svg>
      <p className="m-0">
        {springRatio(value) !== null
          ? easingEditorText.aSpringSettles
          : shape.kind === 'points'
            ? easingEditorText.doubleClickTheLine
            : shape.kind === 'curve'
              ? easingEditorText.dragTheHandlesArrow
              : easingEditorText.stepsHaveNoHandles}
      </p>
    </div>
  );
}

interface ButtonsProps extends Pick<EasingEditorProps, 'value' | 'whyNot'> {
  shape: EasingShape;
  easing(t: number): number;
  onPut(css: string): void;
}

/** What each form begins as. */
const CURVE = 'cubic-bezier(0.4, 0, 0.6, 1)';
const STEPS = 'steps(4, jump-end)';

function ShapeButtons({ value, shape, easing, whyNot, onPut }: ButtonsProps) {
  const ratio = useMemo(() => springRatio(value), [value]);
  const forms = [
    { name: 'curve', isOn: shape.kind === 'curve', css: CURVE },
    { name: 'points', isOn: shape.kind === 'points' && ratio === null, css: quarters(easing) },
    { name: 'spring', isOn: ratio !== null, css: springCss(FIRST_RATIO) },
    { name: 'steps', isOn: shape.kind === 'steps', css: STEPS },
  ];
  return (
    <>
      <div className="point-row quick" role="group" aria-label={easingEditorText.shape}>
        {forms.map(({ name, isOn, css }) => (
          <button
            key={name}
            type="button"
            className="btn"
            aria-pressed={isOn}
            disabled={!isOn && whyNot(css) !== null}
            title={whyNot(css) ?? undefined}
            onClick={() => !isOn && onPut(css)}
          >
            {name}
          </button>
        ))}
      </div>
      {ratio !== null && (
        <label className="point-row">
          {easingEditorText.dampingRatio}
          <NumberField
            className="field w-14"
            label={easingEditorText.dampingRatio}
            value={ratio}
            min={0.1}
            max={0.95}
            onChange={(n) => {
              const css = springCss(Math.round(n * 100) / 100);
              if (whyNot(css) === null) onPut(css);
            }}
          />
          <i>{easingEditorText.overshoots(Math.round(computeOvershoot(ratio) * 100))}</i>
        </label>
      )}
    </>
  );
}

const FIRST_RATIO = 0.45;
/** How far an underdamped spring swings past its end, as a share of its way: e^(−πζ/√(1−ζ²)). */
const computeOvershoot = (z: number) => Math.exp((-Math.PI * z) / Math.sqrt(1 - z * z));

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
        cx={x(p[0])}
        cy={y(p[1])}
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
    const [px, py, ox, oy] = [x(t), y(v), x(i), y(i)];
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
