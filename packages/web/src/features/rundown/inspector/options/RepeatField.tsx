/** “plays 5 times, back and forth” in the sentence; once is what is usual. */
import type { Motion } from '@lyvek/core';
import { unrolledLists } from '@lyvek/core';
import { NumberField } from '../../../../ui/NumberField.tsx';
import { Popover } from '../../../../ui/Popover.tsx';
import { repeatFieldText } from '../text.ts';

type Repeat = NonNullable<Motion['repeat']>;
const MAX_COUNT = 40;

interface RepeatFieldProps {
  motion: Motion;
  onChange(repeat: Repeat | undefined): void;
}

export function RepeatField({ motion, onChange }: RepeatFieldProps) {
  const { repeat, keyframes, easing } = motion;
  const tried = unrolledLists(keyframes, easing, repeat ?? { count: 2, alternate: true });
  const obstacle = 'obstacle' in tried ? tried.obstacle : null;
  const put = (count: number, alternate: boolean) => onChange(count > 1 ? { count, alternate } : undefined);
  return (
    <p>
      {repeatFieldText.plays}{' '}
      <Popover
        className="word"
        label={repeatFieldText.repeat}
        trigger={repeat ? repeatFieldText.times(repeat.count, repeat.alternate) : repeatFieldText.once}
      >
        {() => (
          <div className="damping-editor">
            <label className="point-row">
              <span>{repeatFieldText.howManyTimes}</span>
              <NumberField
                label={repeatFieldText.howManyTimes}
                value={repeat?.count ?? 1}
                min={1}
                max={MAX_COUNT}
                whole
                onChange={(count) => put(count, repeat?.alternate ?? true)}
              />
            </label>
            <label className="tick">
              <input
                type="checkbox"
                checked={repeat?.alternate ?? true}
                disabled={!repeat}
                onChange={(e) => repeat && put(repeat.count, e.target.checked)}
              />{' '}
              {repeatFieldText.backAndForth}
            </label>
            {obstacle && <p className="m-0">{repeatFieldText.cannot(obstacle)}</p>}
          </div>
        )}
      </Popover>
    </p>
  );
}
