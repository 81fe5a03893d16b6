/** The probe’s eyes alone, for a browser that the lab drives: no port, no listening. */
import { look } from './look.ts';
import { measure } from './measure.ts';
import { readPageRules } from './page-rules.ts';
import { Patch } from './patch.ts';
import type { HtmlPatch } from '@lyvek/core';

const patch = new Patch();
const lyvek = {
  /** Learns the page’s rules, so that pins know which of them their wrappers would make miss. */
  learn: async () => void patch.learn(await readPageRules()),
  patch: (wanted: HtmlPatch) => patch.apply(wanted),
  measure: (selectors: string[]) => measure(selectors, patch).layout,
  look,
};
export type InPage = typeof lyvek;
(globalThis as unknown as { lyvekInPage: InPage }).lyvekInPage = lyvek;
