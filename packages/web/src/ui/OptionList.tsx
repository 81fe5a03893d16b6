/** A list under a field: arrows and Enter are heard by the field, the pointer by the rows. */
import { useEffect, useRef } from 'react';
import type { KeyboardEvent, ReactNode } from 'react';

export interface Option {
  id: string;
  text: ReactNode;
  note?: ReactNode;
  keys?: string | undefined;
  /** of options of one kind, which stand together */
  group: string;
  /** why it cannot be chosen now */
  disabled?: string | undefined;
  choose(): void;
}

/** The place among the options that a key leads to, or null where it is no key of the list. */
export function stepOption(e: KeyboardEvent, at: number, count: number): number | null {
  const to = { ArrowDown: at + 1, ArrowUp: at - 1, PageDown: at + 8, PageUp: at - 8 }[e.key];
  return to === undefined || count === 0 ? null : Math.min(count - 1, Math.max(0, to));
}

interface OptionListProps {
  id: string;
  label: string;
  options: readonly Option[];
  at: number;
  onAt(at: number): void;
  onChoose(option: Option): void;
}

export const optionId = (list: string, at: number): string => `${list}-${at}`;

export function OptionList({ id, label, options, at, onAt, onChoose }: OptionListProps) {
  const list = useRef<HTMLDivElement>(null);
  useEffect(() => {
    list.current?.querySelector('[aria-selected="true"]')?.scrollIntoView({ block: 'nearest' });
  }, [at, options]);
  return (
    <div ref={list} id={id} role="listbox" aria-label={label} className="option-list">
      {options.map((o, i) => (
        <div key={o.id} className="contents">
          {o.group !== options[i - 1]?.group && (
            <h4 role="presentation" className="option-group">
              {o.group}
            </h4>
          )}
          <div
            role="option"
            id={optionId(id, i)}
            aria-selected={i === at}
            aria-disabled={o.disabled !== undefined}
            title={o.disabled}
            className="option"
            onPointerMove={() => i !== at && onAt(i)}
            // The field keeps the focus.
            onPointerDown={(e) => e.preventDefault()}
            onClick={() => onChoose(o)}
          >
            <span className="option-text">{o.text}</span>
            {o.note && <i>{o.note}</i>}
            {o.keys && <kbd className="kbd">{o.keys}</kbd>}
          </div>
        </div>
      ))}
    </div>
  );
}
