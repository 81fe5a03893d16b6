/** A driver by its form. Decorative unless a label is given. */
import type { Driver } from '@lyvek/core';
import { driverDrawing } from './drawings.ts';

export function DriverSign({ kind, label }: { kind: Driver['kind']; label?: string }) {
  const { Sign } = driverDrawing(kind);
  return <Sign {...(label ? { label } : {})} />;
}
