/** “holds for n px” in the sentence: its length typed, in px or as a share; 0 removes it. */
import { findHold, withoutHold, withHold } from '@lyvek/core';
import type { Motion } from '@lyvek/core';
import { Popover } from '../../../../ui/Popover.tsx';
import type { Bar } from '../../../../editor/model/bars.ts';
import { grouped } from '../../../../editor/strip/view.ts';
import { CssField } from '../../../../editor/fields/CssField.tsx';

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
    if (wanted <= 0) return hold && onChange('remove the hold', withoutHold);
    const share = Math.min(0.9, wanted / length);
    // A new one lies in the middle; a known one grows about its own.
    const middle = hold ? (hold.from + hold.to) / 2 : 0.5;
    const from = Math.min(0.98 - share, Math.max(0.02, middle - share / 2));
    onChange('set the hold', (m) => withHold(m, { from, to: from + share }));
  };
  return (
    <>
      with{' '}
      <Popover className="word" label="Hold" trigger={hold ? `a hold of ${grouped(px)} px` : 'no hold'}>
        {() => (
          <div className="damping-editor">
            <label className="point-row">
              <span>holds for, px</span>
              <CssField
                label="Hold in px"
                property="number"
                value={String(Math.round(px))}
                onPut={(v) => put(Number.parseFloat(v))}
              />
            </label>
            <label className="point-row">
              <span>of its range</span>
              <CssField
                label="Hold in percent of the range"
                property="percentage"
                value={`${Number(((px / length) * 100).toFixed(1))}%`}
                onPut={(v) => put((Number.parseFloat(v) / 100) * length)}
              />
            </label>
            <p className="m-0">
              {hold
                ? 'Values stay constant there. Drag the hold or its edges on the bar; 0 removes it.'
                : 'During a hold the motion has arrived and stays for a while; then it goes on, back the way it came unless its keyframes say otherwise.'}
            </p>
          </div>
        )}
      </Popover>
    </>
  );
}
