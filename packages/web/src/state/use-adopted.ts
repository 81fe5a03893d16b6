/** Follows a file that is kept in step: what is edited there appears here as an act that can be undone. */
import { useEffect } from 'react';
import { SYNC_AUTHOR } from '@lyvek/api';
import { api } from './api.ts';
import { adoptedText } from './text.ts';
import type { TakeSession } from './take-session.ts';

const rest = (ms: number) => new Promise((done) => setTimeout(done, ms));
/** ms until the next try where the server is away */
const PAUSE_MS = 3000;

/** The revision that is known then. */
async function follow(session: TakeSession, after: number, signal: AbortSignal): Promise<number> {
  const { takeId } = session.store.getState();
  const { revision, author } = await api.newer({ id: takeId, after }, { signal });
  if (author === SYNC_AUTHOR && revision > after && !signal.aborted)
    session.adopt(await api.take({ id: takeId }), adoptedText.editInTheFile);
  return revision;
}

export function useAdopted(session: TakeSession): void {
  useEffect(() => {
    const over = new AbortController();
    const run = async () => {
      let known = session.store.getState().save.revision;
      while (!over.signal.aborted)
        try {
          known = await follow(session, known, over.signal);
        } catch {
          await rest(PAUSE_MS);
        }
    };
    void run();
    return () => over.abort();
  }, [session]);
}
