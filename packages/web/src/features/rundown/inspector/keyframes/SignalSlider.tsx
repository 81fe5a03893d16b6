/** Drags a signal’s value by hand: what listens to it is seen without scrolling there. Letting go gives it back to the scroll. */
import { useEffect, useState } from 'react';
import type { Motion } from '@lyvek/core';
import { useShownPage } from '../../../../preview/shown-page.ts';
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
    <label className="signal">
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
  );
}
