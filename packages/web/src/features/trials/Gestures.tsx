/** Which way of scrolling is tried, on which screen and device, and the numbers that a gesture is made with. */
import {
  CLOCKS,
  DEVICES,
  DIRECTIONS,
  toDuration,
  GESTURES,
  findGesture,
  recordedGesture,
  listValues,
  itemAt,
  present,
} from '@lyvek/core';
import type { Direction, Gesture } from '@lyvek/core';
import { GestureCurve } from '../../editor/GestureCurve.tsx';
import { Down } from '../../ui/glyphs.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { Choices, Popover } from '../../ui/Popover.tsx';
import { traceKey } from '../../state/workers/trial-work.ts';
import { useLayout, useShownPage } from '../../preview/shown-page.ts';
import { useChoice } from '../../state/choice.ts';
import { useSettings } from '../../state/settings.ts';
import { MeasureMenu } from './MeasureMenu.tsx';
import { gesturesText } from './text.ts';

const WAYS: Record<Direction, string> = { down: 'Down', up: 'Up', both: 'Down and up' };

const lasts = (g: Gesture, max: number): string => {
  const s = toDuration(g, max) / 1000;
  return s >= 120 ? `${Math.round(s / 60)} min` : `${s.toFixed(s < 20 ? 1 : 0)} s`;
};

export function Gestures() {
  const { viewport } = useShownPage();
  const { settings } = useSettings();
  const { choice, choose } = useChoice();
  const max = itemAt(useLayout().layout.scrollers, 0).max.block;
  const all = [
    ...GESTURES.map((d) => ({ key: d.id, gesture: findGesture(d.id, viewport.height, settings.gestures) })),
    ...settings.traces.map((t) => ({
      key: traceKey(t),
      gesture: recordedGesture(t),
    })),
  ];
  const clock = CLOCKS.find((c) => c.id === choice.clock) ?? itemAt(CLOCKS, 0);
  const device = DEVICES.find((d) => d.id === choice.device) ?? itemAt(DEVICES, 0);
  return (
    <header className="trials-head">
      <div className="gesture-chips" role="group" aria-label={gesturesText.gesture}>
        {all.map(({ key, gesture }) => (
          <button
            key={key}
            type="button"
            className="gesture-chip"
            aria-pressed={key === choice.gesture}
            onClick={() => choose({ gesture: key })}
          >
            <b>{gesture.name}</b>
            <span>
              <GestureCurve gesture={gesture} width={40} height={22} />
              <i>{lasts(gesture, max)}</i>
            </span>
          </button>
        ))}
      </div>
      <div className="trial-setup">
        <span>
          <Pick
            label={gesturesText.device}
            words={device.name}
            options={DEVICES.map((d) => ({ value: d.id, text: d.name }))}
            value={device.id}
            onChoose={(id) => choose({ device: id })}
          />
          <MeasureMenu />
        </span>
        <span>
          <Pick
            label={gesturesText.frames}
            words={clock.name}
            options={CLOCKS.map((c) => ({ value: c.id, text: c.name, note: c.what }))}
            value={clock.id}
            onChoose={(id) => choose({ clock: id })}
          />
          <Pick
            label={gesturesText.direction}
            words={WAYS[choice.direction]}
            options={DIRECTIONS.map((d) => ({ value: d, text: WAYS[d] }))}
            value={choice.direction}
            onChoose={(direction) => choose({ direction })}
          />
        </span>
      </div>
    </header>
  );
}

function Pick<T extends string>({
  label,
  words,
  options,
  value,
  onChoose,
}: {
  label: string;
  words: string;
  options: readonly { value: T; text: string; note?: string }[];
  value: T;
  onChoose(v: T): void;
}) {
  return (
    <Popover
      className="btn tall"
      label={`${label}: ${words}`}
      placement="bottom-end"
      trigger={
        <>
          {words} <Down />
        </>
      }
    >
      {(close) => (
        <Choices
          options={options}
          value={value}
          onChoose={(v) => {
            onChoose(v);
            close();
          }}
        />
      )}
    </Popover>
  );
}

/** The numbers of the chosen gesture; they count for the whole project. */
export function Constants() {
  const { settings, putSettings } = useSettings();
  const { choice } = useChoice();
  const d = GESTURES.find((g) => g.id === choice.gesture);
  if (!d) return null;
  const own = settings.gestures[d.id] ?? {};
  const values = listValues(d, own);
  const put = (next: Record<string, number>) =>
    putSettings({ ...settings, gestures: { ...settings.gestures, [d.id]: next } });
  return (
    <Popover
      className="btn tall"
      label={gesturesText.numbersOf(d.name)}
      placement="bottom-end"
      trigger={gesturesText.numbers}
    >
      {() => (
        <div className="constants">
          <p>
            <b>{d.name}</b> {d.what}
          </p>
          {Object.entries(d.constants).map(([key, c]) => (
            <label key={key}>
              <span>
                {c.name}
                <i>{c.source}</i>
              </span>
              <NumberField
                label={c.name}
                value={present(values[key])}
                min={c.min}
                max={c.max}
                onChange={(n) => put({ ...own, [key]: n })}
              />
              <em>{c.unit}</em>
            </label>
          ))}
          <div>
            <span className="grow">{gesturesText.countsForAllPages}</span>
            <button type="button" className="btn" disabled={!Object.keys(own).length} onClick={() => put({})}>
              {gesturesText.lyvekDefault}
            </button>
          </div>
        </div>
      )}
    </Popover>
  );
}
