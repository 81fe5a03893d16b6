/** Files of a page as texts. Those that are not UTF-8 are left to the browser. */
import type { FileAt } from '@lyvek/core';
import type { PageFile } from '../store/pages.ts';

const decoder = new TextDecoder('utf-8', { fatal: true, ignoreBOM: true });

export function readText(bytes: Uint8Array): string | null {
  try {
    return decoder.decode(bytes);
  } catch {
    return null;
  }
}

export function readTexts(files: readonly PageFile[]): FileAt {
  const known = new Map<string, string | null>();
  return (path) => {
    if (!known.has(path)) {
      const file = files.find((f) => f.path === path);
      known.set(path, file ? readText(file.bytes) : null);
    }
    return known.get(path) ?? null;
  };
}
