/** One value curve with its beads and the editor of the open one. */
import { useRef, useState } from 'react';
import type { PointerEvent, ReactNode } from 'react';
import { keyframeOffset, percent, propertyFacts } from '@lyvek/core';
import type { Keyframe } from '@lyvek/core';
import { cssAt, numberAt, withNumber, withStop, withStopAt, withUnit } from '../model/curves.ts';
import type { Curve } from '../model/curves.ts';
import { valueWords } from '../model/words.ts';
import { CssField } from './CssField.tsx';
import { EasingWord } from './EasingWord.tsx';

const W = 200;
const H = 46;

interface RowProps {
  curve: Curve;
  progress: number;
  open: number | null;
  onOpen(stop: number | null): void;
  onTry(stops: Keyframe[] | null): void;
  onPut(stops: Keyframe[] | null, label: string): void;
  children?: ReactNode;
}

export function CurveRow({ curve, progress, open, onOpen, onTry, onPut, children }: RowProps) {
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
  const { stops } = curve;
  const selected = open === null ? undefined : stops[open];

  const drag = (e: PointerEvent<SVGCircleElement>, index: number) => {
    if (e.button !== 0) return;
    e.preventDefault();
    e.stopPropagation();
    const target = e.currentTarget;
    target.setPointerCapture(e.pointerId);
    const frame = svg.current!.getBoundingClientRect();
    const { clientX, clientY } = e;
    const scale = flat ? 1 : (curve.high - curve.low) / (H - 8);
    const stop = stops[index]!;
    const was = numberAt(curve, keyframeOffset(stop.at));
    const range = { low: curve.low, high: curve.high };
    let latest: Keyframe[] | null = null;
    const move = (event: globalThis.PointerEvent) => {
      const dx = event.clientX - clientX;
      const dy = event.clientY - clientY;
      if (!latest && Math.abs(dx) + Math.abs(dy) < 3) return;
      setFrozen(range);
      // One direction at a time: a value is not changed by a hand that only meant the place.
      const sideways = Math.abs(dx) >= Math.abs(dy);
      const inner = index > 0 && index < stops.length - 1;
      if (sideways && inner) {
        const at = (event.clientX - frame.left - 6) / (W - 12);
        const step = event.altKey ? 1000 : 100;
        latest = withStop(stops, index, {
          at: percent(Math.round(Math.min(0.99, Math.max(0.01, at)) * step) / step),
        });
      } else {
        const fine = event.altKey ? 0.1 : 1;
        const value = withNumber(
          stop.value === 'none' ? (propertyFacts(curve.property)?.type.example ?? stop.value) : stop.value,
          curve.number,
          was - dy * scale * fine,
        );
        if (value)
          latest = withStop(stops, index, {
            value: withUnit(
              value,
              stops.map((s) => s.value),
            ),
          });
      }
      if (latest) onTry(latest);
    };
    const end = (event: globalThis.PointerEvent) => {
      target.removeEventListener('pointermove', move);
      target.removeEventListener('pointerup', end);
      target.removeEventListener('pointercancel', end);
      setFrozen(null);
      if (latest && event.type === 'pointerup') onPut(latest, `change ${curve.property}`);
      else onOpen(open === index ? null : index);
    };
    target.addEventListener('pointermove', move);
    target.addEventListener('pointerup', end);
    target.addEventListener('pointercancel', end);
  };

  return (
    <section className="curve-row" aria-label={curve.name}>
      <h4>
        <b>{curve.name}</b>
        <i>
          {stops[0]?.value} to {stops.at(-1)?.value}
        </i>
        <span className="now">{valueWords(cssAt(curve, progress))}</span>
      </h4>
      <svg
        ref={svg}
        width={W}
        height={H}
        role="group"
        aria-label={`Stops of ${curve.property}`}
        onDoubleClick={(e) => {
          const at = (e.clientX - svg.current!.getBoundingClientRect().left - 6) / (W - 12);
          if (at > 0 && at < 1) onPut(withStopAt(curve, at), `add a stop to ${curve.property}`);
        }}
      >
        <path className="curve-grid" d={`M0 4H${W}M0 ${H - 4}H${W}`} />
        <path className="curve-now" d={`M${x(progress)} 0V${H}`} />
        <path className="curve-line" d={d} />
        <circle className="curve-dot" cx={x(progress)} cy={y(numberAt(curve, progress))} r={2.6} />
        {stops.map((s, i) => {
          const p = keyframeOffset(s.at);
          return (
            <circle
              key={i}
              className={`bead${open === i ? ' open' : ''}`}
              cx={x(p)}
              cy={y(numberAt(curve, p))}
              r={3.4}
              tabIndex={0}
              role="button"
              aria-label={`Stop at ${s.at}: ${s.value}`}
              onPointerDown={(e) => drag(e, i)}
              onKeyDown={(e) => {
                if (e.key === 'Enter') onOpen(open === i ? null : i);
                else if ((e.key === 'Delete' || e.key === 'Backspace') && stops.length > 1) {
                  onOpen(null);
                  onPut(
                    stops.filter((_, k) => k !== i),
                    'delete a stop',
                  );
                } else return;
                e.preventDefault();
                e.stopPropagation();
              }}
            />
          );
        })}
      </svg>
      {children}
      {selected && (
        <div className="stop-editor">
          <CssField
            label="Place of the stop"
            property="percentage"
            className="w-14"
            value={selected.at}
            onPut={(v) =>
              onPut(
                withStop(stops, open!, { at: percent(Math.min(1, Math.max(0, Number.parseFloat(v) / 100))) }),
                'move a stop',
              )
            }
          />
          <CssField
            label="Value of the stop"
            property={curve.property}
            className="w-full"
            value={selected.value}
            onPut={(value) => onPut(withStop(stops, open!, { value }), `change ${curve.property}`)}
          />
          {open! < stops.length - 1 && (
            <EasingWord
              className="btn"
              value={selected.easing ?? 'linear'}
              onChange={(easing) => onPut(withStop(stops, open!, { easing }), 'ease a stop')}
              onTry={(easing) => onTry(easing === null ? null : withStop(stops, open!, { easing }))}
            />
          )}
          <button
            type="button"
            className="btn"
            aria-label="Delete the stop"
            onClick={() => {
              onOpen(null);
              onPut(
                stops.length > 1 ? stops.filter((_, i) => i !== open) : null,
                stops.length > 1 ? 'delete a stop' : `no longer animate ${curve.property}`,
              );
            }}
          >
            Delete
          </button>
        </div>
      )}
    </section>
  );
}
