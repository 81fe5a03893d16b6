/** A short number that tells texts apart, the same at every run: FNV-1a over code points, 32 bits, unsigned. Not for secrets. */
export function fingerprint(text: string): number {
  let hash = 0x811c9dc5;
  for (const c of text) hash = Math.imul(hash ^ c.codePointAt(0)!, 0x01000193);
  return hash >>> 0;
}
