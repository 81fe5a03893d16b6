/** A page’s files as the lab and the command line read them: from memory or from a folder, and never from anywhere else. */
import { existsSync, readFileSync, realpathSync, statSync } from 'node:fs';
import { join, resolve, sep } from 'node:path';
import type { FileAt } from '@lyvek/core';
import { readText } from '../add-page/texts.ts';

export interface PageFiles {
  /** path of the HTML */
  entry: string;
  /** null where there is no such file */
  bytesAt(path: string): Uint8Array | null;
}

export const filesInMemory = (entry: string, files: ReadonlyMap<string, Uint8Array>): PageFiles => ({
  entry,
  bytesAt: (path) => files.get(path) ?? null,
});

/** Files below a folder. A link that leads out of it finds nothing. */
export function filesInFolder(folder: string, entry: string): PageFiles {
  const root = realpathSync(resolve(folder));
  return {
    entry,
    bytesAt(path) {
      const wanted = join(root, path);
      if (!existsSync(wanted)) return null;
      const real = realpathSync(wanted);
      if (!real.startsWith(root + sep) || !statSync(real).isFile()) return null;
      return readFileSync(real);
    },
  };
}

/** The same files with some of them as other texts. */
export const withTexts = (files: PageFiles, texts: ReadonlyMap<string, string>): PageFiles => ({
  entry: files.entry,
  bytesAt: (path) => {
    const text = texts.get(path);
    return text === undefined ? files.bytesAt(path) : new TextEncoder().encode(text);
  },
});

export function textsIn(files: PageFiles): FileAt {
  const known = new Map<string, string | null>();
  return (path) => {
    if (!known.has(path)) {
      const bytes = files.bytesAt(path);
      known.set(path, bytes && readText(bytes));
    }
    return known.get(path) ?? null;
  };
}
