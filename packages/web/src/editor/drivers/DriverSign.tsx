/** A driver by its form. Decorative unless a label is given. */
import type { Driver } from '@lyvek/core';
import { driverFace } from './faces.ts';

export function DriverSign({ kind, label }: { kind: Driver['kind']; label?: string }) {
  const { Sign } = driverFace(kind);
  return <Sign {...(label ? { label } : {})} />;
}
