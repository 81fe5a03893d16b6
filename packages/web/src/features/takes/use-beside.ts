/** What the open take is compared with, as the address says it: another take, one of its revisions, or pictures. */
import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { PageWhole, ReferenceFacts, TakeFacts } from '@lyvek/api';
import type { MotionDocument } from '@lyvek/core';
import { api } from '../../state/api.ts';
import { TakeSession } from '../../state/take-session.ts';
import { useOpenedPage } from '../../state/opened-page.ts';

/** `take.<id>`, `rev.<id of its take>.<number>` or `pictures.<id>` */
export type BesideKey = `take.${string}` | `rev.${string}.${number}` | `pictures.${string}`;
const KEY = /^(?:take\.[\w-]+|rev\.[\w-]+\.\d+|pictures\.[\w-]+)$/;

export type Beside =
  | { kind: 'nothing' }
  | { kind: 'opening' }
  | { kind: 'failed'; why: string }
  | { kind: 'take'; take: TakeFacts; session: TakeSession }
  | { kind: 'revision'; take: TakeFacts; document: MotionDocument }
  | { kind: 'elsewhere'; whole: PageWhole; take: TakeFacts; document: MotionDocument }
  | { kind: 'pictures'; set: ReferenceFacts };

/** Without a word in the address: what the take was made from, else what was made from it, else any other one. */
function likeliest(take: TakeFacts, takes: readonly TakeFacts[]): BesideKey | null {
  const others = takes.filter((t) => t.id !== take.id);
  const near =
    others.find((t) => t.id === take.madeFrom?.takeId) ??
    others.find((t) => t.madeFrom?.takeId === take.id) ??
    others[0];
  return near ? `take.${near.id}` : null;
}

export function useBesideKey(): [BesideKey | null, (key: BesideKey | null, takeId?: string) => void] {
  const { take, takes } = useOpenedPage();
  const [search, setSearch] = useSearchParams();
  const said = search.get('beside');
  const key = said !== null && KEY.test(said) && said !== `take.${take.id}` ? (said as BesideKey) : null;
  return [
    key ?? likeliest(take, takes),
    (next, takeId = take.id) => setSearch({ take: takeId, ...(next ? { beside: next } : {}) }),
  ];
}

export function useBeside(key: BesideKey | null): Beside {
  const { takes, page } = useOpenedPage();
  const [what = '', id = '', number] = key?.split('.') ?? [];
  const own = what === 'take' ? takes.find((t) => t.id === id) : undefined;
  const session = useSession(own?.id ?? null);
  const fixed = useQuery({
    queryKey: ['beside', key],
    enabled: key !== null && !own && what !== 'pictures',
    queryFn: async (): Promise<Beside> => {
      if (what === 'rev') {
        const { document, ...take } = await api.revision({ id, number: String(Number(number)) });
        return { kind: 'revision', take, document };
      }
      const { document, ...take } = await api.take({ id });
      return { kind: 'elsewhere', whole: await api.page({ id: take.pageId }), take, document };
    },
    staleTime: what === 'rev' ? Infinity : 0,
  });
  const sets = useQuery({
    queryKey: ['references', page.id],
    enabled: what === 'pictures',
    queryFn: () => api.references({ id: page.id }),
  });
  return useMemo((): Beside => {
    if (key === null) return { kind: 'nothing' };
    if (own) {
      if (session instanceof Error) return { kind: 'failed', why: session.message };
      return session ? { kind: 'take', take: own, session } : { kind: 'opening' };
    }
    if (what === 'pictures') {
      const set = sets.data?.references.find((s) => s.id === id);
      if (set) return { kind: 'pictures', set };
      if (sets.error) return { kind: 'failed', why: sets.error.message };
      return sets.data ? { kind: 'failed', why: 'These pictures are no longer there.' } : { kind: 'opening' };
    }
    if (fixed.error) return { kind: 'failed', why: fixed.error.message };
    return fixed.data ?? { kind: 'opening' };
  }, [key, own, session, what, id, sets.data, sets.error, fixed.data, fixed.error]);
}

/** Another take of the page, open beside the first one, so that it can be changed as well. */
function useSession(takeId: string | null): TakeSession | Error | null {
  const [opened, setOpened] = useState<TakeSession | Error | null>(null);
  useEffect(() => {
    if (takeId === null) return;
    let session: TakeSession | null = null;
    let gone = false;
    TakeSession.open(takeId).then(
      ({ session: s }) => {
        if (gone) return s.close();
        session = s;
        setOpened(s);
      },
      (error: Error) => !gone && setOpened(error),
    );
    return () => {
      gone = true;
      session?.close();
      setOpened(null);
    };
  }, [takeId]);
  return opened instanceof TakeSession && opened.store.getState().takeId !== takeId ? null : opened;
}
