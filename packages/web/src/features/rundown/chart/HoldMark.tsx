/** The rest of a motion on its bar: the waist, and what pulls it. */
import type { PointerEvent } from 'react';
import { withHold, changeMotion } from '@lyvek/core';
import type { Hold } from '@lyvek/core';
import { dragOperation } from '../../../state/drag-operation.ts';
import { useOpenedPage } from '../../../state/opened-page.ts';
import type { Bar } from '../../../editor/model/bars.ts';
import { grouped } from '../../../editor/strip/view.ts';
import type { View } from '../../../editor/strip/view.ts';
import { holdMarkText } from './text.ts';

interface HoldGripsProps {
  bar: Bar;
  hold: Hold;
  x: number;
  y0: number;
  y1: number;
  view: View;
}

/** Its two edges, and the stretch between them; each can be pulled. */
export function HoldGrips({ bar, hold, x, y0, y1, view }: HoldGripsProps) {
  const { session } = useOpenedPage();
  const length = bar.placed.end - bar.placed.start;
  const px = (hold.to - hold.from) * length;
  const [a, b] = [y0 + (y1 - y0) * hold.from, y0 + (y1 - y0) * hold.to];
  const pull = (e: PointerEvent<Element>, which: 'from' | 'to' | 'both') => {
    const operation = (by: number) => {
      const share = (by * view.per) / length;
      const wanted = {
        from: which === 'to' ? hold.from : hold.from + share,
        to: which === 'from' ? hold.to : hold.to + share,
      };
      return changeMotion(bar.motion.id, holdMarkText.changeTheHold, (m) => withHold(m, wanted));
    };
    dragOperation(e, session, { operation });
  };
  return (
    <g className="hold">
      <path className="hold-bracket" d={`M${x + 11} ${a}h4V${b}h-4`} />
      {b - a > 12 && (
        <text className="what" x={x + 19} y={(a + b) / 2 + 4}>
          {holdMarkText.holdsPx(grouped(px))}
        </text>
      )}
      <rect
        className="hold-area"
        x={x - 9}
        y={a}
        width={18}
        height={Math.max(1, b - a)}
        onPointerDown={(e) => pull(e, 'both')}
      />
      {(['from', 'to'] as const).map((side) => (
        <rect
          key={side}
          className="hold-area"
          data-hold={side}
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
