/** An easing as a word with its curve; common ones by name, any CSS easing typed. */
import { parseEasing, springRatio } from '@lyvek/core';
import { Popover } from '../../../../ui/Popover.tsx';
import { CssField } from '../../../../editor/fields/CssField.tsx';
import { EasingEditor } from './EasingEditor.tsx';
import { easingFieldText } from '../text.ts';

export const NAMED_EASINGS: readonly { name: string; css: string }[] = [
  { name: 'linear', css: 'linear' },
  { name: 'soft landing', css: 'cubic-bezier(0.2, 0.6, 0.3, 1)' },
  { name: 'slow start', css: 'cubic-bezier(0.6, 0, 0.8, 0.4)' },
  { name: 'soft at both ends', css: 'cubic-bezier(0.5, 0, 0.5, 1)' },
  { name: 'slight overshoot', css: 'cubic-bezier(0.3, 1.4, 0.5, 1)' },
  { name: 'four steps', css: 'steps(4, jump-end)' },
];

export function easingName(css: string): string {
  const ratio = springRatio(css);
  if (ratio !== null) return easingFieldText.spring(ratio);
  return NAMED_EASINGS.find((e) => e.css === css)?.name ?? css.replace(/\(.*/s, '(…)');
}

export function EasingCurve({ css, size = 16 }: { css: string; size?: number }) {
  const parsed = parseEasing(css);
  if (!parsed.ok) return null;
  const f = parsed.value;
  const d = Array.from(
    { length: 25 },
    (_, i) =>
      `${i ? 'L' : 'M'}${((i / 24) * (size - 2) + 1).toFixed(1)} ${(size - 2 - f(i / 24) * (size - 5)).toFixed(1)}`,
  ).join('');
  return (
    <svg width={size} height={size} aria-hidden="true" className="easing-curve">
      <path d={d} />
    </svg>
  );
}

export function EasingField({
  value,
  onChange,
  onTry,
  whyNot = () => null,
  className = 'word',
}: {
  value: string;
  onChange(css: string): void;
  /** shows one without taking it; null puts the old one back */
  onTry?(css: string | null): void;
  /** why an easing cannot be had here, or null: what is offered can be kept */
  whyNot?(css: string): string | null;
  className?: string;
}) {
  return (
    <Popover
      className={className}
      label={easingFieldText.easing(easingName(value))}
      trigger={
        <>
          {easingName(value)} <EasingCurve css={value} />
        </>
      }
    >
      {() => (
        <div className="popover-list easing-pop">
          {NAMED_EASINGS.map((e) => (
            <button
              key={e.css}
              type="button"
              aria-current={e.css === value}
              disabled={whyNot(e.css) !== null}
              title={whyNot(e.css) ?? undefined}
              onClick={() => onChange(e.css)}
            >
              <EasingCurve css={e.css} /> {e.name}
            </button>
          ))}
          <EasingEditor value={value} whyNot={whyNot} onTry={(css) => onTry?.(css)} onPut={onChange} />
          <label className="flex items-center gap-2 px-2">
            {easingFieldText.css}{' '}
            <CssField
              label={easingFieldText.easingInCss}
              value={value}
              property="easing"
              className="w-56"
              whyNot={whyNot}
              onPut={onChange}
            />
          </label>
        </div>
      )}
    </Popover>
  );
}
