/** The probe’s eyes alone, for a browser that the lab drives: no port, no listening. */
import { keptCss } from '@lyvek/core/kept';
import { look } from './look.ts';
import { measure } from './measure.ts';
import { readPageRules } from './page-rules.ts';
import { Patch } from './patch.ts';
import { ride } from './ride.ts';
import type { HtmlPatch, MeasureRequest } from '@lyvek/core';

const patch = new Patch();
const lyvek = {
  /** Learns the page’s rules, so that pins know which of them their wrappers would make miss. */
  learn: async () => void patch.learn(await readPageRules()),
  /** Returns what has to be written again of the page’s rules for it, as CSS. */
  patch(wanted: HtmlPatch): string {
    patch.apply(wanted);
    return keptCss(patch.kept, patch.classes);
  },
  measure: (request: MeasureRequest) => measure(request, patch).layout,
  look,
  ride,
};
export type InPage = typeof lyvek;
(globalThis as unknown as { lyvekInPage: InPage }).lyvekInPage = lyvek;
