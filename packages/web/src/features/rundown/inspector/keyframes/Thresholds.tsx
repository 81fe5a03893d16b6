/** “2 thresholds”: values of a signal at which scripts of the page hear an event, and those at which it is left again. */
import { newThreshold, setThresholds, ThresholdSchema } from '@lyvek/core';
import type { Motion, Threshold } from '@lyvek/core';
import { CssField } from '../../../../editor/fields/CssField.tsx';
import { useOpenedPage } from '../../../../state/opened-page.ts';
import { Popover } from '../../../../ui/Popover.tsx';
import { notify } from '../../../../ui/notices.tsx';
import { thresholdsText } from '../text.ts';

interface ThresholdsProps {
  motion: Motion;
  property: string;
  low: number;
  high: number;
}

export function Thresholds({ motion, property, low, high }: ThresholdsProps) {
  const { session } = useOpenedPage();
  const own = motion.thresholds?.filter((t) => t.property === property) ?? [];
  const put = (next: readonly Threshold[]) => session.apply(setThresholds(motion.id, property, next));
  /** What can be kept; else it is said why not. */
  const change = (i: number, by: Partial<Threshold>) => {
    const next = { ...own[i], ...by };
    const read = ThresholdSchema.safeParse(next);
    if (!read.success) return notify(thresholdsText.notKept(read.error.issues[0]?.message ?? ''));
    if (own.some((t, k) => k !== i && t.name === read.data.name))
      return notify(thresholdsText.notKept(thresholdsText.anotherIsCalledSo));
    put(own.map((t, k) => (k === i ? read.data : t)));
  };
  return (
    <Popover className="word" label={thresholdsText.thresholds} trigger={thresholdsText.count(own.length)}>
      {() => (
        <div className="flex w-80 flex-col gap-1">
          {own.map((t, i) => (
            <fieldset key={t.name} className="point-row" aria-label={t.name}>
              <ThresholdName name={t.name} onPut={(name) => change(i, { name })} />
              <span>{thresholdsText.at}</span>
              <NumberField
                label={thresholdsText.reachedAt}
                value={t.at}
                onPut={(at) => change(i, { at, back: Math.min(t.back, at) })}
              />
              <span>{thresholdsText.back}</span>
              <NumberField
                label={thresholdsText.leftAt}
                value={t.back}
                onPut={(back) => change(i, { back })}
              />
              <button
                type="button"
                className="btn bare"
                aria-label={thresholdsText.remove(t.name)}
                onClick={() => put(own.filter((_, k) => k !== i))}
              >
                {thresholdsText.cross}
              </button>
            </fieldset>
          ))}
          <button
            type="button"
            className="btn self-start"
            onClick={() => put([...own, newThreshold(property, own, [low, high])])}
          >
            {thresholdsText.add}
          </button>
          <p className="small">{thresholdsText.whatFor}</p>
        </div>
      )}
    </Popover>
  );
}

const ThresholdName = ({ name, onPut }: { name: string; onPut(name: string): void }) => (
  <input
    key={name}
    className="field mono w-24"
    aria-label={thresholdsText.name}
    defaultValue={name}
    spellCheck={false}
    onKeyDown={(e) => {
      if (e.key === 'Enter') e.currentTarget.blur();
    }}
    onBlur={(e) => {
      const next = e.target.value.trim();
      if (next === name) return;
      e.target.value = name;
      onPut(next);
    }}
  />
);

const NumberField = (given: { label: string; value: number; onPut(value: number): void }) => (
  <CssField
    label={given.label}
    property="number"
    className="w-14"
    value={String(given.value)}
    onPut={(text) => given.onPut(Number.parseFloat(text))}
  />
);
