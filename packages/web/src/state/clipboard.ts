/** What was copied last, kept in the browser. */
import { asPin, DocumentSchema } from '@lyvek/core';
import type { Copied } from '@lyvek/core';

const KEY = 'lyvek.copied';

/** Kept in the browser, so that another page of the workbench can paste them. */
export const keepCopied = (clip: Copied): void => localStorage.setItem(KEY, JSON.stringify(clip));

/** What was copied last, or null; what does not match the format counts as nothing. */
export function lastCopied(): Copied | null {
  try {
    const text = localStorage.getItem(KEY);
    if (text === null) return null;
    const clip = JSON.parse(text) as Copied;
    // Pins are not copied, so references to them are not checked here.
    const read = DocumentSchema.safeParse({
      format: 'lyvek-document',
      version: 2,
      ...clip,
      motions: clip.motions.map((m) =>
        asPin(m.driver) ? { ...m, driver: { kind: 'scroll', axis: 'block' } } : m,
      ),
    });
    return read.success ? clip : null;
  } catch {
    return null;
  }
}
