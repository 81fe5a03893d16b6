import { chromium } from './chromium.ts';
import type { EngineName } from '@lyvek/core';
import type { Engine } from './engine.ts';
import { firefox } from './firefox.ts';
import { webkit } from './webkit.ts';

export * from './engine.ts';
const ALL: Record<EngineName, Engine> = { chromium, firefox, webkit };
export const engineByName = (name: EngineName): Engine => ALL[name];
/** Those that are installed here. */
export const listEngines = (): Engine[] => Object.values(ALL).filter((e) => e.missing() === null);
