/** A field for a CSS value: Enter or leaving takes it, Esc puts it back, a wrong one says why and changes nothing. */
import { useState } from 'react';
import { parseEasing, parseLength, valueError } from '@lyvek/core';

/** What is wrong with a text, or null. `property` is a CSS property, or “length”, “percentage”, “number”, “easing”. */
export function cssError(property: string, text: string): string | null {
  if (property === 'length') {
    const parsed = parseLength(text);
    return parsed.ok ? null : parsed.error;
  }
  if (property === 'easing') {
    const parsed = parseEasing(text);
    return parsed.ok ? null : parsed.error;
  }
  if (property === 'percentage') return /^-?\d+(\.\d+)?\s*%?$/.test(text.trim()) ? null : 'a percentage';
  if (property === 'time') return /^\d+(\.\d+)?(ms)?$/.test(text.trim()) ? null : 'a time such as 60ms';
  if (property === 'number') return /^(-?\d+(\.\d+)?|any)$/.test(text.trim()) ? null : 'a plain number';
  return valueError(property, text);
}

interface CssFieldProps {
  label: string;
  value: string;
  property: string;
  className?: string;
  onPut(value: string): void;
}

export function CssField({ label, value, property, className = 'w-20', onPut }: CssFieldProps) {
  const [text, setText] = useState<string | null>(null);
  const error = text === null ? null : cssError(property, text);
  const take = () => {
    if (text !== null && !error && text.trim() !== value) onPut(text.trim());
    setText(null);
  };
  return (
    <input
      className={`field ${className}`}
      aria-label={label}
      aria-invalid={error !== null}
      title={error ?? undefined}
      spellCheck={false}
      value={text ?? value}
      onChange={(e) => setText(e.target.value)}
      onBlur={take}
      onKeyDown={(e) => {
        // With nothing to put back, Esc is for what the field stands in.
        if (e.key === 'Escape' && text === null) return;
        e.stopPropagation();
        if (e.key === 'Enter') take();
        if (e.key === 'Escape' && text !== null) {
          setText(null);
          e.preventDefault();
        }
      }}
    />
  );
}
