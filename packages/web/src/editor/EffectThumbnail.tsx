/** Three frames of an effect, before, midway and after, as the core samples it on a small made-up page; while hovered they play. */
import { useEffect, useState } from 'react';
import { SEQUENCE, sketch, SKETCH_VIEWPORT, VIDEO } from '@lyvek/core';
import type { EffectDefinition, SketchPart } from '@lyvek/core';

const W = 38;
const H = 24;
const PERIOD = 1600;

export function EffectThumbnail({ effect, playing }: { effect: EffectDefinition; playing: boolean }) {
  const [share, setShare] = useState(0);
  useEffect(() => {
    if (!playing) return;
    let frame = 0;
    const began = performance.now();
    const step = () => {
      const t = ((performance.now() - began) % PERIOD) / PERIOD;
      // Forth and back, with a rest at both ends.
      setShare(Math.min(1, Math.max(0, 1.25 - Math.abs(2.5 * t - 1.25) - 0.12)));
      frame = requestAnimationFrame(step);
    };
    frame = requestAnimationFrame(step);
    return () => cancelAnimationFrame(frame);
  }, [playing]);
  return (
    <span className="frames3" aria-hidden="true">
      {[0.04, 0.5, 1].map((p, i) => (
        <Frame key={p} parts={sketch(effect, playing && i === 1 ? share : p)} />
      ))}
    </span>
  );
}

function Frame({ parts }: { parts: SketchPart[] }) {
  return (
    <span className="frame3" style={{ width: W, height: H }}>
      <span
        className="frame3-page"
        style={{ transform: `scale(${W / SKETCH_VIEWPORT.width})`, ...SKETCH_VIEWPORT }}
      >
        {parts.map((p, i) => (
          <Part key={i} part={p} />
        ))}
      </span>
    </span>
  );
}

/** The one value that a drawn figure shows. */
const toFigure = (values: Record<string, string>) =>
  Object.entries(values).find(([name]) => name.startsWith('--'))?.[1];
/** Percent of a gauge; NaN where there is none to draw. */
const toGauge = (values: Record<string, string>): number => {
  const share = values[VIDEO] ?? values[SEQUENCE];
  return share === undefined ? Number(toFigure(values) ?? NaN) : 100 * Number(share);
};

/** What would take a part out of its place in the drawing. */
const PLACED = new Set(['position', 'overflow', 'overflow-x', 'display']);

function Part({ part: { kind, x, y, width, height, values } }: { part: SketchPart }) {
  const { opacity = '1', perspective, ...rest } = values;
  const shown = {
    ...Object.fromEntries(
      Object.entries(rest)
        .filter(([name]) => !PLACED.has(name))
        .map(([name, value]) => [
          name.startsWith('--') ? name : name.replace(/-(\w)/g, (_, c: string) => c.toUpperCase()),
          value,
        ]),
    ),
    // What is invisible before is drawn faintly, so that one sees where it will be.
    opacity: 0.16 + 0.84 * Number(opacity),
    ...(perspective ? { perspective } : {}),
  };
  const gauge = toGauge(values);
  const place = { left: x, top: y, width, height };
  if (kind === 'drawing')
    return (
      <svg className="frame3-part drawing" style={place} viewBox="0 0 100 60" preserveAspectRatio="none">
        <path
          d="M4 52C22 52 24 10 46 14S66 56 96 8"
          pathLength={1}
          strokeDasharray="1"
          style={{ strokeDashoffset: values['stroke-dashoffset'] }}
        />
      </svg>
    );
  if (kind === 'figure')
    return (
      <span className="frame3-part figure" style={place}>
        {Math.round(Number(toFigure(values) ?? 0))}
      </span>
    );
  return (
    <span className={`frame3-part ${kind}`} style={{ ...place, ...shown }}>
      {gauge >= 0 && kind === 'card' && <span className="frame3-gauge" style={{ width: `${gauge}%` }} />}
    </span>
  );
}
