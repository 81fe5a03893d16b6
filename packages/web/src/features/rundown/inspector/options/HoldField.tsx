/** “holds for n px” in the sentence: its length typed, in px or as a share; 0 removes it. */
import { findHold, withoutHold, withHold } from '@lyvek/core';
import type { Motion } from '@lyvek/core';
import { Popover } from '../../../../ui/Popover.tsx';
import type { Bar } from '../../../../editor/model/bars.ts';
import { grouped } from '../../../../editor/strip/view.ts';
import { CssField } from '../../../../editor/fields/CssField.tsx';
import { holdFieldText } from '../text.ts';

interface HoldWordProps {
  bar: Bar;
  onChange(label: string, change: (m: Motion) => Motion): void;
}

export function HoldField({ bar, onChange }: HoldWordProps) {
  const hold = findHold(bar.motion);
  const length = bar.placed.end - bar.placed.start;
  if (!(length > 0)) return null;
  const px = hold ? (hold.to - hold.from) * length : 0;
  const put = (wanted: number) => {
    if (wanted <= 0) return hold && onChange(holdFieldText.removeTheHold, withoutHold);
    const share = Math.min(0.9, wanted / length);
    // A new one lies in the middle; a known one grows about its own.
    const middle = hold ? (hold.from + hold.to) / 2 : 0.5;
    const from = Math.min(0.98 - share, Math.max(0.02, middle - share / 2));
    onChange(holdFieldText.setTheHold, (m) => withHold(m, { from, to: from + share }));
  };
  return (
    <>
      {holdFieldText.withWord}{' '}
      <Popover
        className="word"
        label={holdFieldText.hold}
        trigger={hold ? holdFieldText.aHoldOfPx(grouped(px)) : holdFieldText.noHold}
      >
        {() => (
          <div className="damping-editor">
            <label className="point-row">
              <span>{holdFieldText.holdsForPx}</span>
              <CssField
                label={holdFieldText.holdInPx}
                property="number"
                value={String(Math.round(px))}
                onPut={(v) => put(Number.parseFloat(v))}
              />
            </label>
            <label className="point-row">
              <span>{holdFieldText.ofItsRange}</span>
              <CssField
                label={holdFieldText.holdInPercentOf}
                property="percentage"
                value={`${Number(((px / length) * 100).toFixed(1))}%`}
                onPut={(v) => put((Number.parseFloat(v) / 100) * length)}
              />
            </label>
            <p className="m-0">
              {hold ? holdFieldText.valuesStayConstantThere : holdFieldText.duringAHoldThe}
            </p>
          </div>
        )}
      </Popover>
    </>
  );
}
