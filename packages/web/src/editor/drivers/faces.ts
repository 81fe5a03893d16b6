/** How each kind of driver is drawn and chosen. */
import type { Driver } from '@lyvek/core';
import type { DriverFace } from './kind.ts';
import { face as load } from './load/face.tsx';
import { face as marquee } from './marquee/face.tsx';
import { face as pin } from './pin/face.tsx';
import { face as scroll } from './scroll/face.tsx';
import { face as trigger } from './trigger/face.tsx';
import { face as view } from './view/face.tsx';

/** In the order in which they are offered. */
const FACES = { view, scroll, pin, trigger, load, marquee } as const;

export const driverFace = (kind: Driver['kind']): DriverFace => FACES[kind] as DriverFace;
export const DRIVER_FACES = Object.values(FACES) as readonly DriverFace[];
