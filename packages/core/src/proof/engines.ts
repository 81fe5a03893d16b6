/** Engines that a hand-off can be proved in, where they are installed. */
export const ENGINES = ['chromium', 'firefox', 'webkit'] as const;
export type EngineName = (typeof ENGINES)[number];
