/** Three frames of an effect, before, midway and after, computed by the core from its real keyframes. */
import { segmentsOf, valueAt } from '@lyvek/core';
import type { EffectDefinition, ElementFacts, Layout } from '@lyvek/core';

const W = 38;
const H = 24;
/** px of the page that the small stage stands for */
const SCALE = 9;

export function Frames3({
  effect,
  element,
  layout,
}: {
  effect: EffectDefinition;
  element: ElementFacts;
  layout: Layout;
}) {
  const context = { box: element.box, viewport: layout.viewport, em: 16, rem: 16, color: 'black' };
  const { keyframes } = effect.build({ ...element, box: { ...element.box, x: 200, width: 400 } }, layout);
  const tracks = Object.entries(keyframes).map(([property, stops]) => ({
    property,
    segments: segmentsOf(property, stops, 'none', context),
  }));
  return (
    <span className="frames3" aria-hidden="true">
      {[0, 0.5, 1].map((p) => {
        const values = Object.fromEntries(tracks.map((t) => [t.property, valueAt(t.segments, p)]));
        const [x = 0, y = 0] = (values.translate ?? '0 0').split(' ').map(Number.parseFloat);
        const scale = Number.parseFloat(values.scale ?? '1');
        const turn = Number.parseFloat(values.rotate ?? '0');
        const blur = Number.parseFloat(/blur\(([\d.]+)/.exec(values.filter ?? '')?.[1] ?? '0');
        return (
          <svg key={p} width={W} height={H} viewBox={`0 0 ${W} ${H}`}>
            <rect className="frame-ground" x={0.5} y={0.5} width={W - 1} height={H - 1} />
            <g
              opacity={0.15 + 0.85 * Number(values.opacity ?? 1)}
              transform={`translate(${W / 2 + x / SCALE} ${H / 2 + y / SCALE}) rotate(${turn}) scale(${scale})`}
              style={blur ? { filter: `blur(${blur / 6}px)` } : undefined}
            >
              <rect className="frame-card" x={-10} y={-7} width={20} height={14} />
              <path className="frame-lines" d="M-7 -3.5h14M-7 0h14M-7 3.5h8" />
            </g>
          </svg>
        );
      })}
    </span>
  );
}
