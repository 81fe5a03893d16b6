/** What an effect is. */
import type { Motion } from '../motion/index.ts';
import type { ElementFacts, Layout } from '../page/index.ts';

export interface EffectDefinition {
  id: string;
  name: string;
  /** what a reader of the page sees, in a short sentence */
  what: string;
  build(element: ElementFacts, layout: Layout): Pick<Motion, 'keyframes' | 'range'>;
  /** why it does not suit an element, or null */
  unfit?(element: ElementFacts, layout: Layout): string | null;
}

/** Two stops that run linearly, as every scrubbed starting point does. */
export const between = (from: string, to: string) => [
  { at: '0%', value: from },
  { at: '100%', value: to },
];
