/** How each kind of driver is drawn. */
import type { Driver } from '@lyvek/core';
import type { DriverFace } from './kind.ts';
import { face as load } from './load/face.tsx';
import { face as marquee } from './marquee/face.tsx';
import { face as pin } from './pin/face.tsx';
import { face as scroll } from './scroll/face.tsx';
import { face as trigger } from './trigger/face.tsx';
import { face as view } from './view/face.tsx';

const FACES: Record<Driver['kind'], DriverFace> = { view, scroll, pin, trigger, load, marquee };

export const driverFace = (kind: Driver['kind']): DriverFace => FACES[kind];
