/** How each kind of driver is chosen. */
import type { Driver } from '@lyvek/core';
import type { DriverChoices } from './kind.ts';
import { choices as load } from './load/choices.tsx';
import { choices as marquee } from './marquee/choices.tsx';
import { choices as pin } from './pin/choices.tsx';
import { choices as pointer } from './pointer/choices.tsx';
import { choices as scroll } from './scroll/choices.tsx';
import { choices as trigger } from './trigger/choices.tsx';
import { choices as view } from './view/choices.tsx';

/** In the order in which they are offered. */
const CHOICES = { view, scroll, pin, trigger, load, pointer, marquee } as const;

export const driverChoices = (kind: Driver['kind']): DriverChoices => CHOICES[kind] as DriverChoices;
export const DRIVER_CHOICES = Object.values(CHOICES) as readonly DriverChoices[];
