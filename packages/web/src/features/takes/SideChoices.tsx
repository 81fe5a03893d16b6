/** All that the open take can be compared with: other takes, its own revisions, takes put away, other pages, pictures. */
import { lastItem, present } from '@lyvek/core';
import { useInfiniteQuery, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { ReactNode } from 'react';
import { api, things } from '../../state/api.ts';
import { NameForm } from '../../ui/NameForm.tsx';
import { notifyError } from '../../ui/notices.tsx';
import { useOpenedPage } from '../../state/opened-page.ts';
import { useBesideKey } from './use-beside.ts';
import type { BesideKey } from './use-beside.ts';
import { sideChoicesText } from './text.ts';

const at = (iso: string): string =>
  new Intl.DateTimeFormat('en', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    hour12: false,
  }).format(new Date(iso));

/** What makes something to compare with, and then shows it. */
function useSideActs(close: () => void) {
  const { page, take, session } = useOpenedPage();
  const [, setKey] = useBesideKey();
  const client = useQueryClient();
  const choose = (next: BesideKey) => {
    close();
    setKey(next);
  };
  const duplicate = async () => {
    const { document, save } = session.store.getState();
    const madeFrom = { takeId: take.id, revision: save.revision };
    const made = await api.createTake({ id: page.id, body: { document, madeFrom } });
    await client.invalidateQueries({ queryKey: ['page', page.id] });
    close();
    // The new one is the one to change; what it was made from stands beside it.
    setKey(`take.${take.id}`, made.id);
  };
  const restore = async (id: string) => {
    await things.takes.restore({ id });
    await Promise.all([
      client.invalidateQueries({ queryKey: ['page', page.id] }),
      client.invalidateQueries({ queryKey: ['away', page.id] }),
    ]);
    choose(`take.${id}`);
  };
  const makeReference = async (name: string) => {
    const set = await api.createReference({ id: page.id, body: { name } });
    await client.invalidateQueries({ queryKey: ['references', page.id] });
    choose(`pictures.${set.id}`);
  };
  return { duplicate, restore, makeReference };
}

export function SideChoices({ close }: { close(): void }) {
  const { page, project, take, takes } = useOpenedPage();
  const [key, setKey] = useBesideKey();
  const [naming, setNaming] = useState(false);
  const shelf = useQuery({ queryKey: ['shelf', project.id], queryFn: () => api.shelf({ id: project.id }) });
  const references = useQuery({
    queryKey: ['references', page.id],
    queryFn: () => api.references({ id: page.id }),
  });
  const away = useQuery({ queryKey: ['away', page.id], queryFn: () => api.takesAway({ id: page.id }) });
  const choose = (next: BesideKey) => {
    close();
    setKey(next);
  };
  const { duplicate, restore, makeReference } = useSideActs(close);
  const item = (to: BesideKey, text: ReactNode, note?: string) => (
    <button key={to} type="button" aria-current={key === to} onClick={() => choose(to)}>
      <span className="grow cut">{text}</span>
      {note && <i>{note}</i>}
    </button>
  );
  const others = takes.filter((t) => t.id !== take.id);
  const elsewhere = (shelf.data?.pages ?? []).filter((p) => p.id !== page.id);
  return (
    <div className="side-choices popover-list">
      <h3>{sideChoicesText.takesOfThisPage}</h3>
      {others.map((t) => item(`take.${t.id}`, t.name, `rev ${t.revision}`))}
      <button type="button" onClick={() => void duplicate().catch(notifyError)}>
        <span className="grow">{sideChoicesText.duplicateAndCompare(take.name)}</span>
      </button>
      <Revisions takeId={take.id} name={take.name} item={item} />
      {(away.data?.takes.length ?? 0) > 0 && (
        <>
          <h3>{sideChoicesText.deleted}</h3>
          {present(away.data).takes.map((t) => (
            <button key={t.id} type="button" onClick={() => void restore(t.id).catch(notifyError)}>
              <span className="grow cut">{t.name}</span>
              <i>{sideChoicesText.restore}</i>
            </button>
          ))}
        </>
      )}
      {elsewhere.length > 0 && (
        <>
          <h3>{sideChoicesText.otherPages}</h3>
          {elsewhere.flatMap((p) => p.takes.map((t) => item(`take.${t.id}`, p.name, t.name)))}
        </>
      )}
      <h3>{sideChoicesText.pictures}</h3>
      {(references.data?.references ?? []).map((s) =>
        item(`pictures.${s.id}`, s.name, String(s.pictures.length)),
      )}
      {naming ? (
        <NameForm
          label={sideChoicesText.whatThePicturesShow}
          action={sideChoicesText.make}
          onName={(name) => void makeReference(name).catch(notifyError)}
        />
      ) : (
        <button type="button" onClick={() => setNaming(true)}>
          <span className="grow">{sideChoicesText.newReferenceOfPictures}</span>
        </button>
      )}
    </div>
  );
}

interface RevisionsProps {
  takeId: string;
  name: string;
  item(key: BesideKey, text: ReactNode, note?: string): ReactNode;
}

/** Earlier revisions of the open take, fifty at a time. */
function Revisions({ takeId, name, item }: RevisionsProps) {
  const list = useInfiniteQuery({
    queryKey: ['revisions', takeId],
    queryFn: ({ pageParam }) => api.revisions({ id: takeId, before: pageParam }),
    initialPageParam: undefined as number | undefined,
    getNextPageParam: ({ revisions }) => (revisions.length < 50 ? undefined : lastItem(revisions).number),
  });
  // The newest one is the take itself.
  const earlier = (list.data?.pages.flatMap((p) => p.revisions) ?? []).slice(1);
  if (earlier.length === 0) return null;
  return (
    <>
      <h3>{sideChoicesText.asItWas(name)}</h3>
      <div className="revision-list">
        {earlier.map((r) =>
          item(
            `rev.${takeId}.${r.number}`,
            `rev ${r.number}, ${at(r.at)}`,
            r.label ?? (r.motions === 1 ? 'one motion' : `${r.motions} motions`),
          ),
        )}
        {list.hasNextPage && (
          <button type="button" disabled={list.isFetchingNextPage} onClick={() => void list.fetchNextPage()}>
            {sideChoicesText.earlierOnes}
          </button>
        )}
      </div>
    </>
  );
}
