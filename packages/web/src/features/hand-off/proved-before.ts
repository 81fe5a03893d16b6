/** What was proved of a take on this machine, and when: kept by this browser, so that the table of browsers can say it. */
import * as z from 'zod';
import { useSyncExternalStore } from 'react';
import { ENGINES } from '@lyvek/core';

const KEY = 'lyvek-proofs';
/** Newest takes that are kept. */
const MAX_TAKES = 30;

const ProvedBefore = z.object({
  /** this browser, or one on the server’s machine */
  where: z.enum(['here', ...ENGINES]),
  /** the browser, as it calls itself; empty for this one */
  version: z.string().max(80),
  /** largest difference, px or hundredths; null: nothing could be looked at */
  worst: z.number().nullable(),
  /** motions that were looked at, of how many */
  motions: z.number(),
  of: z.number(),
  /** which version of the document, as what */
  mark: z.string().max(2000),
  /** ms since 1970 */
  at: z.number(),
});
export type ProvedBefore = z.infer<typeof ProvedBefore>;
const Kept = z.record(z.string(), z.array(ProvedBefore));

const listeners = new Set<() => void>();
let text: string | null = null;
let kept: z.infer<typeof Kept> = {};

function readKept(): z.infer<typeof Kept> {
  const now = localStorage.getItem(KEY);
  if (now !== text) {
    text = now;
    try {
      kept = Kept.parse(JSON.parse(now ?? '{}'));
    } catch {
      kept = {};
    }
  }
  return kept;
}

export function keepProof(takeId: string, proof: ProvedBefore): void {
  const { [takeId]: known = [], ...others } = readKept();
  const rest = Object.entries(others).slice(-(MAX_TAKES - 1));
  const own = [proof, ...known.filter((k) => k.where !== proof.where)];
  try {
    localStorage.setItem(KEY, JSON.stringify({ ...Object.fromEntries(rest), [takeId]: own }));
  } catch {
    // Full, or not allowed: it is said for as long as the page stays.
  }
  for (const tell of listeners) tell();
}

const NONE: readonly ProvedBefore[] = [];

/** Newest first. */
export const useProvedBefore = (takeId: string): readonly ProvedBefore[] =>
  useSyncExternalStore(
    (tell) => {
      listeners.add(tell);
      return () => listeners.delete(tell);
    },
    () => readKept()[takeId] ?? NONE,
  );
