/**
 * Plays a plan that Lyvek has written beside its CSS. Importing it touches nothing, so it may be imported where a page is rendered on a
 * server.
 */

/** How a damped motion follows the scroll offset. */
export type Damping =
  /** its lag halves in this time, ms; `cap` keeps the lag below so many px */
  | { kind: 'half-life'; halfLife: number; cap?: number | undefined }
  /** frequency in Hz; a ratio of 1 does not overshoot */
  | { kind: 'spring'; frequency: number; ratio: number };

/** A strip that moves endlessly. */
export interface MarqueePlan {
  selector: string;
  axis: 'block' | 'inline';
  /** px per second */
  speed: number;
  /** turns with the direction of the scroll */
  reverses: boolean;
  /** px by which it is pushed for each px of scroll */
  push: number;
  /** rests under the pointer and while it has the focus */
  pauses: boolean;
  damping: { kind: 'none' } | Damping;
  /** the media condition under which it runs */
  when?: string | undefined;
}

/** What the pointer moves, by how far across an area it is. */
export interface PointerPlan {
  selector: string;
  axis: 'x' | 'y';
  /** selector of the area; null: the viewport, empty: each element itself */
  over: string | null;
  /** where it goes when the pointer leaves, 0 to 1; null: it stays */
  rest: number | null;
  /** what a finger does: nothing, the same while it touches the screen, or nothing but how the device is held */
  touch: 'none' | 'drag' | 'tilt';
  /** custom property that says by which share of the way each target is moved; none: all of it */
  share?: string | undefined;
  /** one list for each property, as `element.animate` takes it */
  keyframes: Record<string, string | number>[][];
  composite: 'replace' | 'add' | 'accumulate';
  damping: { kind: 'none' } | Damping;
  /** the media condition under which it plays */
  when?: string | undefined;
}

/** What a click, the pointer or the focus starts. */
export interface EventPlan {
  /** id of its animations */
  name: string;
  /** selector of what is clicked, pointed at or focused */
  subject: string;
  event: 'click' | 'hover' | 'focus';
  plays: 'once' | 'each-time';
  back: 'keeps-end' | 'plays-back' | 'returns';
  selector: string;
  /** one list for each property, as `element.animate` takes it */
  keyframes: Record<string, string | number>[][];
  /** ms */
  delay: number;
  duration: number;
  /** ms by which each target is later, in page order */
  late?: number[] | undefined;
  count: number;
  alternate: boolean;
  fill: 'none' | 'forwards' | 'backwards' | 'both';
  composite: 'replace' | 'add' | 'accumulate';
  /** readers who ask for reduced motion get it as it is; others see its end at once */
  keeps: boolean;
  /** the media condition under which it plays */
  when?: string | undefined;
}

/** A video whose time a custom property says: 0 its start, 1 its end. */
export interface VideoPlan {
  property: string;
  selector: string;
}

/** A picture whose number in its sequence a custom property says: 0 the first, 1 the last. */
export interface SequencePlan {
  property: string;
  /** of an `img` or a `canvas` */
  selector: string;
  /** addresses of its pictures, such as `frames/{001..120}.webp` */
  files: string;
  /** stands: a canvas shows the first one, since without one it is empty */
  still?: boolean | undefined;
}

/** A text whose lines, words or letters move: each is a `text-part`, with `--text-part` from 0 to 1 by its order. */
export interface TextPlan {
  selector: string;
  by: 'lines' | 'words' | 'letters';
  order: 'reading' | 'middle' | 'random';
  /** of the random order */
  seed?: number | undefined;
  /** each is seen only inside of its own box */
  mask?: boolean | undefined;
}

/** A number that scripts of the page hear of. */
export interface SignalPlan {
  property: string;
  selector: string;
  /** values at which an event is told: reached at `at`, left again at `back` */
  thresholds?: { name: string; at: number; back: number }[] | undefined;
}

export interface Plan {
  /** media conditions; where one of them changes, everything begins anew */
  media?: string[] | undefined;
  /** custom properties that scripts of the page hear of, as an event named `signal` */
  signals?: SignalPlan[] | undefined;
  marquees?: MarqueePlan[] | undefined;
  pointers?: PointerPlan[] | undefined;
  events?: EventPlan[] | undefined;
  videos?: VideoPlan[] | undefined;
  sequences?: SequencePlan[] | undefined;
  texts?: TextPlan[] | undefined;
  /** strips that a pin moves sideways: what has the focus in them is brought into sight */
  travels?: { selector: string }[] | undefined;
  /** CSS animations, by their names, and the elements that have them */
  damping: { names: string[]; selector: string; damping: Damping }[];
}

/** `detail` of the event `signal`. */
export interface SignalDetail {
  /** of the custom property, without its hyphens */
  name: string;
  value: number;
}

/** `detail` of the event `threshold`. */
export interface ThresholdDetail {
  /** of the signal */
  name: string;
  threshold: string;
  /** it is reached, or left again */
  above: boolean;
}

export interface Clock {
  /** ms */
  now(): number;
  request(frame: () => void): number;
  cancel(id: number): void;
}

export interface Options {
  clock?: Clock | undefined;
  /** plays marquees: `playMarquees` of `@lyvek/runtime/marquees`; without it there are none */
  marquees?:
    ((root: Document | Element, plans: readonly MarqueePlan[], clock: Clock) => () => void) | undefined;
  /** plays what the pointer moves: `playPointers` of `@lyvek/runtime/pointers`; without it, that stands as the page has it */
  pointers?:
    ((root: Document | Element, plans: readonly PointerPlan[], clock: Clock) => () => void) | undefined;
  /** plays what events start: `playEvents` of `@lyvek/runtime/events`; without it, that stands as the page has it */
  events?: ((root: Document | Element, plans: readonly EventPlan[], clock: Clock) => () => void) | undefined;
  /** brings videos to their time: `playVideos` of `@lyvek/runtime/videos`; without it, they stay at their start */
  videos?: ((root: Document | Element, plans: readonly VideoPlan[], clock: Clock) => () => void) | undefined;
  /** takes texts apart: `playTexts` of `@lyvek/runtime/texts`; without it, they stay whole */
  texts?: ((root: Document | Element, plans: readonly TextPlan[], clock: Clock) => () => void) | undefined;
  /** shows the pictures of sequences: `playSequences` of `@lyvek/runtime/sequences`; without it, the page’s own picture stays */
  sequences?:
    ((root: Document | Element, plans: readonly SequencePlan[], clock: Clock) => () => void) | undefined;
}

/**
 * Plays a plan below a root, as long as readers do not ask for reduced motion. Returns what stops it and leaves the page as it was. Started again
 * on the same root, the same plan plays once, until all who started it have stopped it.
 */
export function start(root: Document | Element, plan: Plan, options?: Options): () => void;
