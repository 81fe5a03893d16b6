/** What a video’s file says of itself, which a page does not tell: it is read from the file, and joined with what was measured. */
import * as z from 'zod';
import type { Layout } from './layout.ts';

export const VideoFileSchema = z.strictObject({
  /** among the files of its page */
  path: z.string().max(500),
  bytes: z.number().int().min(0),
  /** most pictures from one key frame to the next: so many have to be decoded for a single one */
  keyFrames: z.number().int().min(0).max(1e7).optional(),
});
export type VideoFile = z.infer<typeof VideoFileSchema>;

/** Files that hold videos, by their endings. */
export const isVideoPath = (path: string): boolean => /\.(?:mp4|m4v|mov|webm|mkv|ogv)$/i.test(path);

/** Where an address in a page leads among its files; null outside of them. */
export function findPath(src: string, entry: string): string | null {
  const host = 'http://page.invalid/';
  try {
    const url = new URL(src, host + entry.split('/').map(encodeURIComponent).join('/'));
    return url.href.startsWith(host) ? decodeURIComponent(url.pathname.slice(1)) : null;
  } catch {
    return null;
  }
}

/** The layout with what is known of its videos’ files; the same object where nothing is. */
export function withVideoFiles<T extends Layout>(layout: T, files: readonly VideoFile[], entry: string): T {
  if (files.length === 0) return layout;
  const byPath = new Map(files.map((f) => [f.path, f]));
  let some = false;
  const elements = layout.elements.map((e) => {
    if (e.tag !== 'video' || !e.file) return e;
    const known = byPath.get(findPath(e.file.src, entry) ?? '');
    if (!known) return e;
    some = true;
    const { bytes, keyFrames } = known;
    return { ...e, file: { ...e.file, bytes, ...(keyFrames === undefined ? {} : { keyFrames }) } };
  });
  return some ? { ...layout, elements } : layout;
}
