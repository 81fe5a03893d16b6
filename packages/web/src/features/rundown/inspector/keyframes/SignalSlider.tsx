/** What a signal is called, and its value by hand: what listens to it is seen without scrolling there. Letting go gives it back. */
import { useEffect, useState } from 'react';
import { isSignalName, renameSignal, signalName } from '@lyvek/core';
import type { Motion } from '@lyvek/core';
import { useOpenedPage } from '../../../../state/opened-page.ts';
import { Popover } from '../../../../ui/Popover.tsx';
import { selectWhole } from '../../../../ui/select-whole.ts';
import { useShownPage } from '../../../../preview/shown-page.ts';
import { Thresholds } from './Thresholds.tsx';
import { signalSliderText } from '../text.ts';

interface SignalSliderProps {
  motion: Motion;
  property: string;
  /** what the scroll makes of it now */
  now: number;
  low: number;
  high: number;
}

export function SignalSlider({ motion, property, now, low, high }: SignalSliderProps) {
  const { link } = useShownPage();
  const [held, setHeld] = useState<number | null>(null);
  const { selector } = motion.targets;
  const put = (value: number | null) => {
    setHeld(value);
    link.hold(selector, property, value === null ? null : String(value));
  };
  useEffect(() => () => link.hold(selector, property, null), [link, selector, property]);
  return (
    <div className="signal">
      <SignalName motion={motion} property={property} />
      <Thresholds motion={motion} property={property} low={low} high={high} />
      <label>
        <input
          type="range"
          aria-label={signalSliderText.byHand(property.slice(2))}
          min={low}
          max={high}
          step={(high - low) / 200 || 1}
          value={held ?? now}
          onChange={(e) => put(Number(e.target.value))}
          onPointerUp={() => put(null)}
          onBlur={() => put(null)}
          onKeyDown={(e) => e.stopPropagation()}
        />
        <span>
          {held === null ? signalSliderText.dragToSendIt : signalSliderText.heldAt(Number(held.toFixed(1)))}
        </span>
      </label>
    </div>
  );
}

/** “sent as sway”: scripts of the page know it by this name. */
function SignalName({ motion, property }: Pick<SignalSliderProps, 'motion' | 'property'>) {
  const { session } = useOpenedPage();
  const [name, setName] = useState(signalName(property));
  const fits = isSignalName(name);
  return (
    <Popover className="word" label={signalSliderText.nameOfTheSignal} trigger={property.slice(2)}>
      {(close) => (
        <form
          className="flex w-64 flex-col gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            if (!fits) return;
            session.apply(renameSignal(motion.id, property, name));
            close();
          }}
        >
          <label className="point-row">
            <span className="mono">{signalSliderText.signalPrefix}</span>
            <input
              className="field mono"
              aria-label={signalSliderText.nameOfTheSignal}
              aria-invalid={!fits}
              value={name}
              spellCheck={false}
              {...selectWhole}
              onChange={(e) => setName(e.target.value.trim())}
            />
          </label>
          <p className="small" role={fits ? undefined : 'alert'}>
            {fits ? signalSliderText.listensTo(name) : signalSliderText.notAName}
          </p>
          <button type="submit" className="btn self-start" disabled={!fits}>
            {signalSliderText.rename}
          </button>
        </form>
      )}
    </Popover>
  );
}
