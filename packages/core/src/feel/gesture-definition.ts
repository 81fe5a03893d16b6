/** What a gesture is: a way of scrolling. */
import type { Ms, Px } from '../page/index.ts';

export interface GestureDefinition {
  id: string;
  name: string;
  /** one sentence for people */
  what: string;
  /** px after which the gesture repeats itself; start offsets within it count as equally likely */
  period: Px;
  /** constants with where they come from */
  constants: Record<string, { value: number; unit: string; source: string }>;
  /** distance travelled since the start of the gesture, in px, at a time in ms; grows without end */
  distance(t: Ms): Px;
}
