/** The rest of a motion on its bar: the waist, and what pulls it. */
import type { PointerEvent } from 'react';
import { withRest } from '@lyvek/core';
import type { Rest } from '@lyvek/core';
import { withMotion } from '../../../data/take-session.ts';
import { beginDrag } from '../../../parts/drag.ts';
import { useOpenedPage } from '../../page-context.ts';
import type { Bar } from '../model/bars.ts';
import { grouped } from '../../../parts/strip/view.ts';
import type { View } from '../../../parts/strip/view.ts';

const HALF = 6;
const THIN = 2;
const TAPER = 7;

/** Shoulders of 12 px, a waist of 4 px while it rests. */
export function waistPath(x: number, y0: number, y1: number, rest: Rest): string {
  const [a, b] = [y0 + (y1 - y0) * rest.from, y0 + (y1 - y0) * rest.to];
  const taper = Math.min(TAPER, (b - a) / 2);
  const round = Math.min(HALF, a - y0, y1 - b);
  return [
    `M${x - HALF} ${y0 + round}A${HALF} ${round} 0 0 1 ${x + HALF} ${y0 + round}`,
    `V${a}L${x + THIN} ${a + taper}V${b - taper}L${x + HALF} ${b}V${y1 - round}`,
    `A${HALF} ${round} 0 0 1 ${x - HALF} ${y1 - round}`,
    `V${b}L${x - THIN} ${b - taper}V${a + taper}L${x - HALF} ${a}Z`,
  ].join('');
}

interface RestGripsProps {
  bar: Bar;
  rest: Rest;
  x: number;
  y0: number;
  y1: number;
  view: View;
}

/** Its two edges, and the stretch between them; each can be pulled. */
export function RestGrips({ bar, rest, x, y0, y1, view }: RestGripsProps) {
  const { session } = useOpenedPage();
  const length = bar.placed.end - bar.placed.start;
  const px = (rest.to - rest.from) * length;
  const [a, b] = [y0 + (y1 - y0) * rest.from, y0 + (y1 - y0) * rest.to];
  const pull = (e: PointerEvent<Element>, which: 'from' | 'to' | 'both') => {
    const at = (by: number) => {
      const share = (by * view.per) / length;
      const wanted = {
        from: which === 'to' ? rest.from : rest.from + share,
        to: which === 'from' ? rest.to : rest.to + share,
      };
      return withMotion(bar.motion.id, (m) => withRest(m, wanted));
    };
    beginDrag(e, {
      move: (by) => session.try(at(by)),
      drop: (by) => session.act('pull the rest', at(by)),
      putBack: () => session.try(null),
    });
  };
  return (
    <g className="rest">
      <path className="rest-bracket" d={`M${x + 11} ${a}h4V${b}h-4`} />
      {b - a > 12 && (
        <text className="what" x={x + 19} y={(a + b) / 2 + 4}>
          rests {grouped(px)} px
        </text>
      )}
      <rect
        className="rest-area"
        x={x - 9}
        y={a}
        width={18}
        height={Math.max(1, b - a)}
        onPointerDown={(e) => pull(e, 'both')}
      />
      {(['from', 'to'] as const).map((side) => (
        <rect
          key={side}
          className="rest-area"
          data-rest={side}
          x={x - 12}
          y={(side === 'from' ? a : b) - 5}
          width={24}
          height={10}
          onPointerDown={(e) => pull(e, side)}
        />
      ))}
    </g>
  );
}
