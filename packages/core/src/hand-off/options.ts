/** What a hand-off can be asked for; apart, so that naming it loads nothing that makes one. */
/**
 * `css`: CSS and, where needed, a module with its scripts beside it. `package`: the same, with the scripts from the installed package, for
 * bundlers. `standards`: CSS alone. `web-animations`: scrubbed motions as Web Animations of a module.
 */
export const TARGETS = ['css', 'package', 'standards', 'web-animations'] as const;
export type Target = (typeof TARGETS)[number];

/** Those that have a script for browsers without scroll timelines. */
export const canFallBack = (target: Target): boolean => target === 'css' || target === 'package';

export interface HandOffOptions {
  target: Target;
  /** a script for browsers without scroll timelines too */
  fallback: boolean;
}

/** Scripts of ours that a hand-off may include. */
export const OWN_SCRIPTS = [
  'runtime',
  'marquees',
  'pointers',
  'events',
  'videos',
  'sequences',
  'texts',
  'fallback',
] as const;
export type OwnScript = (typeof OWN_SCRIPTS)[number];

export const PLAIN_HAND_OFF: HandOffOptions = { target: 'css', fallback: false };

/** What a browser can be shown without a bundler: the same code, with its scripts beside it. */
export const provable = <O extends HandOffOptions>(options: O): O =>
  options.target === 'package' ? { ...options, target: 'css' } : options;
