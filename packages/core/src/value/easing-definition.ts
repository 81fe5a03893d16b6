/** What an easing function is. */

/** Output progress for an input progress. */
export type Ease = (t: number) => number;

export interface EasingDefinition {
  /** the function's name in CSS */
  name: string;
  keywords: Record<string, () => Ease>;
  /** arguments as text, null where there are none; null for arguments that the standard refuses */
  parse(args: string[] | null): Ease | null;
}
