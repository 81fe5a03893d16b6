/** Where brought pictures belong. */
import type { Px } from '@lyvek/core';

const OFFSET = /(\d{1,6})(?: ?px)?\.\w+$/i;

/** By the number at the end of a file’s name; those without one follow each other from `at`, one screen apart. */
export function placedAt<F extends { name: string }>(
  files: readonly F[],
  at: Px,
  screen: Px,
  max: Px,
): { file: F; offset: Px }[] {
  let next = at;
  return files.map((file) => {
    const said = OFFSET.exec(file.name)?.[1];
    if (said !== undefined) return { file, offset: Number(said) };
    const offset = Math.round(Math.min(max, next));
    next += screen;
    return { file, offset };
  });
}
