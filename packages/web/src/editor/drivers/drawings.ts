/** How each kind of driver is drawn. */
import type { Driver } from '@lyvek/core';
import type { DriverDrawing } from './kind.ts';
import { drawing as load } from './load/drawing.tsx';
import { drawing as marquee } from './marquee/drawing.tsx';
import { drawing as pin } from './pin/drawing.tsx';
import { drawing as pointer } from './pointer/drawing.tsx';
import { drawing as scroll } from './scroll/drawing.tsx';
import { drawing as trigger } from './trigger/drawing.tsx';
import { drawing as view } from './view/drawing.tsx';

const DRAWINGS: Record<Driver['kind'], DriverDrawing> = {
  view,
  scroll,
  pin,
  trigger,
  load,
  pointer,
  marquee,
};

export const driverDrawing = (kind: Driver['kind']): DriverDrawing => DRAWINGS[kind];
