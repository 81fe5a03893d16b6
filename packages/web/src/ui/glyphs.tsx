/** Drawn signs: findings by shape, arrows. Decorative unless a label is given. */
import type { ReactNode } from 'react';

export interface SignProps {
  label?: string;
}
export const Sign = ({
  w,
  h,
  label,
  children,
}: SignProps & { w: number; h: number; children: ReactNode }) => (
  <svg
    width={w}
    height={h}
    viewBox={`0 0 ${w} ${h}`}
    role={label ? 'img' : undefined}
    aria-label={label}
    aria-hidden={label ? undefined : true}
    className="shrink-0"
  >
    {children}
  </svg>
);

export const Wordmark = () => (
  <Sign w={12} h={20}>
    <path d="M2 1v18M2 3h9M2 10h5M2 17h3" stroke="var(--ink)" strokeWidth="2" fill="none" />
    <circle cx="7.5" cy="10" r="1.6" fill="var(--trigger, #b4432e)" />
  </Sign>
);

/** Findings: filled triangle = error, outlined = warning. */
export const FindingSign = ({
  severity,
  label,
}: {
  severity: 'error' | 'warning' | 'info';
  label?: string;
}) => (
  <Sign w={11} h={10} {...(label ? { label } : {})}>
    {severity === 'error' ? (
      <path d="M5.5 0.5 10.6 9.5H0.4Z" fill="var(--caution)" />
    ) : severity === 'info' ? (
      <circle cx="5.5" cy="5" r="3.8" fill="none" stroke="var(--ink-3)" strokeWidth="1.3" />
    ) : (
      <path d="M5.5 1.4 9.8 9H1.2Z" fill="none" stroke="var(--near-text)" strokeWidth="1.3" />
    )}
  </Sign>
);

/** A phone, with the page on it. */
export const DeviceGlyph = () => (
  <Sign w={11} h={16}>
    <rect x={1} y={1} width={9} height={14} rx={1.8} stroke="currentColor" strokeWidth="1.3" fill="none" />
    <path d="M3 5h5M3 8h3" stroke="currentColor" strokeWidth="1.3" fill="none" />
  </Sign>
);
export const Down = () => (
  <Sign w={9} h={6}>
    <path d="M1 1l3.5 3.5L8 1" stroke="currentColor" strokeWidth="1.3" fill="none" />
  </Sign>
);
export const Chevron = ({ to }: { to: 'left' | 'right' }) => (
  <Sign w={7} h={11}>
    <path
      d={to === 'left' ? 'M6 1 1.5 5.5 6 10' : 'M1 1l4.5 4.5L1 10'}
      stroke="currentColor"
      strokeWidth="1.4"
      fill="none"
    />
  </Sign>
);
/** Glide: a triangle pointing down onto a line. */
export const PlaySign = ({ on }: { on: boolean }) => (
  <Sign w={11} h={12}>
    {on ? (
      <path d="M1 1h3v10H1zM7 1h3v10H7z" fill="currentColor" />
    ) : (
      <path d="M1 1h9L5.5 7.5zM1 10.3h9" fill="currentColor" stroke="currentColor" strokeWidth="1.4" />
    )}
  </Sign>
);
export const HalfMoon = () => (
  <Sign w={13} h={13}>
    <circle cx="6.5" cy="6.5" r="5.6" fill="none" stroke="currentColor" strokeWidth="1.4" />
    <path d="M6.5 1a5.5 5.5 0 0 1 0 11z" fill="currentColor" />
  </Sign>
);
export const Lens = () => (
  <Sign w={12} h={12}>
    <circle cx="5" cy="5" r="3.8" fill="none" stroke="currentColor" strokeWidth="1.3" />
    <path d="M8 8l3.2 3.2" stroke="currentColor" strokeWidth="1.3" />
  </Sign>
);
