/** The points of a shape, on the page: the way that the selected element takes, or what it is clipped to. Pulled or moved by arrow keys. */
import { useState } from 'react';
import { useStore } from 'zustand';
import { drawnAt, progressAt } from '@lyvek/core';
import type { Operation, ShapePoint } from '@lyvek/core';
import { dragOperation } from '../../../state/drag-operation.ts';
import { useOpenedPage } from '../../../state/opened-page.ts';
import { useShownPage } from '../../../preview/shown-page.ts';
import { useRanged, useRundown } from '../rundown-context.ts';
import { drawOutline, findShape } from '../model/shapes.ts';
import { shapeGripsText } from './text.ts';

interface ShapeGripsProps {
  scale: number;
  width: number;
  height: number;
}

const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
/** px of an arrow key with Shift. */
const FAR = 10;

export function ShapeGrips({ scale, width, height }: ShapeGripsProps) {
  const { session } = useOpenedPage();
  const { link } = useShownPage();
  const { layout, document, outlines } = useRundown();
  const bar = useRanged();
  const y = useStore(link.store, (s) => s.offset.y);
  const [pulled, setPulled] = useState<number | null>(null);
  const element = bar && layout.elements[bar.element];
  if (!element || !outlines || element.scroller !== 0) return null;
  const shape = findShape(bar.motion, document, element.box, progressAt(y, bar.placed));
  if (!shape) return null;
  const left = element.box.x;
  const top = drawnAt(element, y);
  const place = (p: { x: number; y: number }) => ({ x: (left + p.x) * scale, y: (top + p.y) * scale });
  const move = (point: ShapePoint, index: number, dx: number, dy: number): Operation =>
    shape.move(index, { x: Math.round(point.x + dx), y: Math.round(point.y + dy) });
  return (
    <svg
      className="move-grips"
      width={width}
      height={height}
      role="group"
      aria-label={shapeGripsText.shape(shape.property)}
    >
      <path
        className="shape-outline"
        vectorEffect="non-scaling-stroke"
        transform={`translate(${left * scale} ${top * scale}) scale(${scale})`}
        d={drawOutline(shape.css, shape.points)}
      />
      {shape.points.map((point, i) => {
        const end = point.controls === undefined ? undefined : shape.points[point.controls];
        const [at, to] = [place(point), end && place(end)];
        return (
          <g key={i}>
            {to && <path className="grip-arm" d={`M${at.x} ${at.y}L${to.x} ${to.y}`} />}
            <circle
              className={`grip${end ? ' control' : ''}`}
              data-grip={`point-${i}`}
              cx={at.x}
              cy={at.y}
              r={end ? 4 : 5.5}
              tabIndex={0}
              role="button"
              aria-label={shapeGripsText.point(i + 1, shape.points.length, point)}
              onKeyDown={(e) => {
                const step = STEPS[e.key];
                if (!step) return;
                e.preventDefault();
                e.stopPropagation();
                const px = e.shiftKey ? FAR : 1;
                session.nudge(move(point, i, step[0] * px, step[1] * px));
              }}
              onPointerDown={(e) => {
                const { clientX, clientY } = e;
                const operation = (event: PointerEvent) =>
                  move(point, i, (event.clientX - clientX) / scale, (event.clientY - clientY) / scale);
                dragOperation(e, session, {
                  operation: (_by, event) => operation(event),
                  moved: () => setPulled(i),
                  ended: () => setPulled(null),
                });
              }}
            >
              <title>{shapeGripsText.pull}</title>
            </circle>
            {pulled === i && (
              <text className="shape-place" x={at.x + 10} y={at.y - 10}>
                {shapeGripsText.place(point)}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}
