/** What a hand-off can be asked for; apart, so that naming it loads nothing that makes one. */
/** `css`: CSS and, where needed, a module. `standards`: CSS alone. `web-animations`: scrubbed motions as Web Animations of a module. */
export const TARGETS = ['css', 'standards', 'web-animations'] as const;
export type Target = (typeof TARGETS)[number];

export interface HandOffOptions {
  target: Target;
  /** a script for browsers without scroll timelines too */
  fallback: boolean;
}

/** Scripts of ours that a hand-off may include. */
export type OwnScript = 'runtime' | 'marquees' | 'fallback';

export const PLAIN_HAND_OFF: HandOffOptions = { target: 'css', fallback: false };
