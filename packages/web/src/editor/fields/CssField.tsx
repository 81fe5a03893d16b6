/** A field for a CSS value: Enter or leaving takes it, Esc puts it back, a wrong one says why and changes nothing. */
import { useRef, useState } from 'react';
import { selectWhole, useMarkedAnew } from '../../ui/select-whole.ts';
import { isUndoOfActs } from '../../state/use-undo-keys.ts';
import { parseEasing, parseLength, parsePhasePoint, parseSequence, valueError } from '@lyvek/core';

/** What is wrong with a text, or null. `property` is a CSS property, or “length”, “percentage”, “number”, “time”, “easing”, “phase”. */
export function cssError(property: string, text: string): string | null {
  if (property === 'length') {
    const parsed = parseLength(text);
    return parsed.ok ? null : parsed.error;
  }
  if (property === 'files')
    return parseSequence(text) ? null : 'numbered pictures, such as frames/{001..120}.webp';
  if (property === 'easing') {
    const parsed = parseEasing(text);
    return parsed.ok ? null : parsed.error;
  }
  if (property === 'phase') {
    const parsed = parsePhasePoint(text, 'start');
    return parsed.ok ? null : parsed.error;
  }
  if (property === 'percentage') return /^-?\d+(\.\d+)?\s*%?$/.test(text.trim()) ? null : 'a percentage';
  if (property === 'time') return /^\d+(\.\d+)?(ms)?$/.test(text.trim()) ? null : 'a time such as 60ms';
  if (property === 'number') return /^(-?\d+(\.\d+)?|any)$/.test(text.trim()) ? null : 'a plain number';
  return valueError(property, text);
}

/** A plain number where a length is meant stands for px, as on the rulers. */
const withUnit = (property: string, text: string): string =>
  property === 'length' && /^[-+]?(\d+\.?\d*|\.\d+)$/.test(text) && Number(text) !== 0 ? `${text}px` : text;

interface CssFieldProps {
  label: string;
  value: string;
  property: string;
  className?: string;
  placeholder?: string;
  /** what was typed, as the whole value that is meant */
  toValue?(text: string): string;
  /** why a right value cannot be had here, or null */
  whyNot?(value: string): string | null;
  onPut(value: string): void;
}

export function CssField(props: CssFieldProps) {
  const {
    label,
    value,
    property,
    placeholder,
    className = 'w-20',
    toValue = (t) => t,
    whyNot,
    onPut,
  } = props;
  const input = useRef<HTMLInputElement>(null);
  const [text, setText] = useState<string | null>(null);
  const [before, setBefore] = useState(value);
  // What was typed and cannot be kept stays, with the reason, until something else is the value.
  if (before !== value) {
    setBefore(value);
    setText(null);
  }
  useMarkedAnew(input, value);
  const typed = text === null ? value : withUnit(property, toValue(text.trim()));
  const error = text === null ? null : (cssError(property, typed) ?? whyNot?.(typed) ?? null);
  const take = () => {
    if (text === null || error) return;
    if (typed !== value) onPut(typed);
    setText(null);
  };
  const field = (
    <input
      ref={input}
      className="field"
      aria-label={label}
      aria-invalid={error !== null}
      title={error ?? undefined}
      data-committed={text === null || text === value || undefined}
      placeholder={placeholder}
      spellCheck={false}
      value={text ?? value}
      onChange={(e) => setText(e.target.value)}
      onBlur={take}
      {...selectWhole}
      onKeyDown={(e) => {
        // With nothing to put back, Esc is for what the field stands in, and undo for the last act.
        if (text === null && (e.key === 'Escape' || isUndoOfActs(e.nativeEvent))) {
          if (e.key === 'Escape' && !e.currentTarget.closest('.popover')) e.currentTarget.blur();
          return;
        }
        e.stopPropagation();
        if (e.key === 'Enter') take();
        if (e.key === 'Escape' && text !== null) {
          setText(null);
          e.preventDefault();
        }
      }}
    />
  );
  return (
    <span className={`css-field ${className}`}>
      {field}
      {error && (
        <span className="field-tip" role="alert">
          {error}
        </span>
      )}
    </span>
  );
}
