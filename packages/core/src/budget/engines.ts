/** Browsers that a hand-off can be proved and measured in, where they are installed. */
export const ENGINES = ['chromium', 'firefox', 'webkit'] as const;
export type EngineName = (typeof ENGINES)[number];

/** For people. */
export const ENGINE_NAMES: Record<EngineName, string> = {
  chromium: 'Chromium',
  firefox: 'Firefox',
  webkit: 'WebKit',
};
