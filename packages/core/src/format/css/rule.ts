export const indent = (css: string, by: string): string => css.replace(/^(?=.)/gm, by);

/** A style rule, one declaration a line. */
export const rule = (selector: string, lines: readonly string[]): string =>
  `${selector} {\n${lines.map((l) => `  ${l}`).join('\n')}\n}`;
