import { useEffect, useState } from 'react';
import { selectWhole } from './select-whole.ts';
import { numberFieldText } from './text.ts';

/** A number within bounds: counts on Enter or when it is left; arrows step it. Out of bounds it says so and changes nothing. */
export function NumberField({
  label,
  value,
  min,
  max,
  whole = false,
  className = 'field',
  onChange,
}: {
  label: string;
  value: number;
  min: number;
  max: number;
  whole?: boolean;
  className?: string;
  onChange(n: number): void;
}) {
  const [text, setText] = useState(String(value));
  useEffect(() => setText(String(value)), [value]);
  const n = Number(text);
  const isValid =
    text.trim() !== '' && Number.isFinite(n) && n >= min && n <= max && (!whole || Number.isInteger(n));
  const settle = () => {
    if (!isValid) setText(String(value));
    else if (n !== value) onChange(n);
  };
  const step = whole || max - min > 20 ? 1 : (max - min) / 100;
  return (
    <input
      className={className}
      inputMode="decimal"
      aria-label={label}
      aria-invalid={!isValid}
      title={numberFieldText.to(min, max)}
      data-committed={text === String(value) || undefined}
      value={text}
      onChange={(e) => setText(e.target.value)}
      onBlur={settle}
      {...selectWhole}
      onKeyDown={(e) => {
        if (e.key === 'Enter') settle();
        // With nothing to put back, Esc leaves the field.
        if (e.key === 'Escape' && text === String(value) && !e.currentTarget.closest('.popover'))
          e.currentTarget.blur();
        if (e.key === 'Escape') setText(String(value));
        if (e.key !== 'ArrowUp' && e.key !== 'ArrowDown') return;
        e.preventDefault();
        const by = (e.key === 'ArrowUp' ? step : -step) * (e.shiftKey ? 10 : 1);
        setText(String(Number(Math.min(max, Math.max(min, (isValid ? n : value) + by)).toFixed(4))));
      }}
    />
  );
}
