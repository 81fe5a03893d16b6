/** The head of the sheet of a trigger or a pin: its name, what it is, whether it works, and what else can be done to it. */
import type { ReactNode } from 'react';
import { driverHeadText } from './text.ts';

export interface DriverHeadProps {
  readonly driver: { readonly name: string; readonly on: boolean };
  readonly kind: 'trigger' | 'pin';
  /** What it is in words, beside its name. */
  readonly words: string;
  readonly sign: ReactNode;
  readonly change: (label: string, part: { readonly name: string } | { readonly on: boolean }) => void;
  readonly children: ReactNode;
}

export function DriverHead({ driver, kind, words, sign, change, children }: DriverHeadProps) {
  return (
    <header className="inspector-head">
      {sign}
      <input
        className="inspector-name"
        aria-label={driverHeadText.nameOfThe(kind)}
        key={driver.name}
        defaultValue={driver.name}
        maxLength={120}
        onBlur={(e) => {
          const name = e.target.value.trim();
          if (name && name !== driver.name) change('rename', { name });
          else e.target.value = driver.name;
        }}
        onKeyDown={(e) => {
          if (e.key === 'Escape') e.currentTarget.value = driver.name;
          if (e.key === 'Enter' || e.key === 'Escape') e.currentTarget.blur();
        }}
      />
      <i className={`kind-${kind}`}>{words}</i>
      <span className="grow" />
      <button
        type="button"
        className="btn"
        aria-pressed={!driver.on}
        onClick={() =>
          change(driver.on ? driverHeadText.muteThe(kind) : driverHeadText.unmuteThe(kind), {
            on: !driver.on,
          })
        }
      >
        {driver.on ? driverHeadText.mute : driverHeadText.unmute}
      </button>
      {children}
    </header>
  );
}
