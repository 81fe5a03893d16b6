/** Opens a page and one of its takes for all modes, with the bar over them. */
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { Link, NavLink, Outlet, useParams, useSearchParams } from 'react-router';
import { useStore } from 'zustand';
import { ProjectSettings } from '@lyvek/api';
import type { PageWhole } from '@lyvek/api';
import { CLOCKS, DEFAULT_GESTURE, DEVICES } from '@lyvek/core';
import type { Layout, Viewport } from '@lyvek/core';
import { ShortcutsButton } from '../app/Shortcuts.tsx';
import { ThemeButton } from '../app/ThemeButton.tsx';
import { api, ApiError } from '../data/api.ts';
import { WorkerTask } from '../data/worker-task.ts';
import { Survey } from '../data/survey.ts';
import { TakeSession } from '../data/take-session.ts';
import { PageLink } from '../parts/page-link.ts';
import type { LinkEvents } from '../parts/page-link.ts';
import { notify, notifyError } from '../parts/notices.tsx';
import { TopBar } from '../parts/TopBar.tsx';
import { Waiting, listWaiting } from '../parts/Waiting.tsx';
import { ConditionPopover } from './ConditionPopover.tsx';
import { ConflictBanner } from './ConflictBanner.tsx';
import { PageCrumbs } from './PageCrumbs.tsx';
import { PageContext, useOpenedPage } from './page-context.ts';
import type { Choice } from './page-context.ts';
import { SaveMark } from './SaveMark.tsx';
import { TakePopover } from './TakePopover.tsx';
import { keepViewport, storedViewport, ViewportPopover } from './ViewportPopover.tsx';

export function OpenPage() {
  const { pageId = '' } = useParams();
  const page = useQuery({ queryKey: ['page', pageId], queryFn: () => api.page(pageId) });
  if (!page.data)
    return (
      <main>
        <Waiting what="Opening the page …" {...listWaiting(page)}>
          <Link className="btn" to="/">
            To the shelf
          </Link>
        </Waiting>
      </main>
    );
  return <WithTake whole={page.data} />;
}

function WithTake({ whole }: { whole: PageWhole }) {
  const client = useQueryClient();
  const [search, setSearch] = useSearchParams();
  const take = whole.takes.find((t) => t.id === search.get('take')) ?? whole.takes[0];
  const [opened, setOpened] = useState<TakeSession | Error | null>(null);
  const [round, setRound] = useState(0);
  const takeId = take?.id;
  useEffect(() => {
    if (!takeId) return;
    let session: TakeSession | null = null;
    let gone = false;
    let timer: ReturnType<typeof setTimeout>;
    const open = () =>
      TakeSession.open(takeId).then(
        ({ session: s, rescued }) => {
          if (rescued.length) {
            void client.invalidateQueries({ queryKey: ['page', whole.page.id] });
            notify(`Edits from another tab were kept as ${rescued.map((n) => `“${n}”`).join(', ')}.`);
          }
          if (gone) return s.close();
          session = s;
          setOpened(s);
        },
        (error: Error) => {
          if (gone) return;
          setOpened(error);
          if (error instanceof ApiError && error.away) timer = setTimeout(open, 1200);
        },
      );
    void open();
    return () => {
      gone = true;
      clearTimeout(timer);
      session?.close();
      setOpened(null);
    };
  }, [takeId, round, client, whole.page.id]);
  if (!take) return <p className="empty-note">This page has no take left. Restore one from the shelf.</p>;
  if (opened instanceof Error)
    return (
      <main>
        <Waiting
          what=""
          failure={opened}
          goesOn={opened instanceof ApiError && opened.away}
          again={() => setRound((r) => r + 1)}
        />
      </main>
    );
  if (!opened || opened.store.getState().takeId !== take.id)
    return <p className="empty-note">Opening {take.name} …</p>;
  return (
    <Opened
      key={opened.store.getState().takeId + round}
      whole={whole}
      take={take}
      session={opened}
      goTo={(id) => setSearch({ take: id })}
      again={() => setRound((r) => r + 1)}
    />
  );
}

interface OpenedProps {
  whole: PageWhole;
  take: PageWhole['takes'][number];
  session: TakeSession;
  goTo(takeId: string): void;
  again(): void;
}

function Opened({ whole, take, session, goTo, again }: OpenedProps) {
  const client = useQueryClient();
  const pageId = whole.page.id;
  const [viewport, showAt] = useState<Viewport>(() => storedViewport(pageId));
  const setViewport = useCallback(
    (v: Viewport) => {
      keepViewport(pageId, v);
      showAt(v);
    },
    [pageId],
  );
  const [reducedMotion, setReducedMotion] = useState(false);
  const [stored, setStored] = useState<Layout[]>(whole.layouts);
  const [events] = useState<Partial<LinkEvents>>(() => ({}));
  const [link] = useState(() => new PageLink(events));
  events.layout = (layout) => {
    setStored((list) => [
      layout,
      ...list.filter(
        (l) => l.viewport.width !== layout.viewport.width || l.viewport.height !== layout.viewport.height,
      ),
    ]);
    void api
      .putLayout(whole.page.id, whole.page.contentHash, layout)
      .then(() => client.invalidateQueries({ queryKey: ['shelf'] }))
      .catch(() => undefined);
  };
  useEffect(
    () => session.look({ viewport, reducedMotion: reducedMotion }),
    [session, viewport, reducedMotion],
  );
  useEffect(
    () =>
      session.store.subscribe((s, before) => {
        if (s.blocked && s.blocked !== before.blocked) notify(`Not done: ${s.blocked.why}`, { wrong: true });
      }),
    [session],
  );
  const [choice, setChoice] = useState<Choice>(FIRST_CHOICE);
  const choose = useCallback((change: Partial<Choice>) => setChoice((c) => ({ ...c, ...change })), []);
  const [work] = useState(() => ({
    simulations: new WorkerTask('trial'),
    survey: new Survey(),
    sweeps: new WorkerTask('sweep'),
    ways: new WorkerTask('ways'),
  }));
  useEffect(() => () => Object.values(work).forEach((w) => w.end()), [work]);
  const { settings, putSettings } = useSettings(whole.project.id);
  const value = useMemo(
    () => ({
      page: whole.page,
      project: whole.project,
      takes: whole.takes,
      take,
      session,
      link,
      events,
      viewport,
      setViewport,
      stored,
      reducedMotion,
      setReducedMotion,
      choice,
      choose,
      settings,
      putSettings,
      ...work,
    }),
    [
      whole,
      take,
      session,
      link,
      events,
      viewport,
      setViewport,
      stored,
      reducedMotion,
      choice,
      choose,
      settings,
      putSettings,
      work,
    ],
  );
  return (
    <PageContext value={value}>
      <div className="flex h-full flex-col">
        <Bar goTo={goTo} />
        <ConflictBanner goTo={goTo} again={again} />
        <div className="min-h-0 flex-1">
          <Outlet />
        </div>
      </div>
    </PageContext>
  );
}

const FIRST_CHOICE: Choice = {
  gesture: DEFAULT_GESTURE,
  clock: CLOCKS[0]!.id,
  direction: 'down',
  device: DEVICES[0]!.id,
};
const OWN_SETTINGS = ProjectSettings.parse({});

/** Lyvek default until the project’s are there. */
function useSettings(projectId: string) {
  const client = useQueryClient();
  const key = useMemo(() => ['settings', projectId], [projectId]);
  const { data } = useQuery({ queryKey: key, queryFn: () => api.settings(projectId), staleTime: 60_000 });
  const { mutate } = useMutation({
    mutationFn: (next: ProjectSettings) => api.putSettings(projectId, next),
    onMutate: (next) => {
      const before = client.getQueryData<ProjectSettings>(key);
      client.setQueryData(key, next);
      return { before };
    },
    onError: (error, _next, before) => {
      client.setQueryData(key, before?.before);
      notifyError(error);
    },
  });
  return { settings: data ?? OWN_SETTINGS, putSettings: mutate };
}

function Bar({ goTo }: { goTo(takeId: string): void }) {
  const { page, take, session } = useOpenedPage();
  const search = `?take=${take.id}`;
  const save = useStore(session.store, (s) => s.save);
  return (
    <TopBar crumbs={<PageCrumbs />}>
      <nav className="mode-tabs modes" aria-label="Mode">
        <NavLink to={`/pages/${page.id}${search}`} end>
          Rundown
        </NavLink>
        <NavLink to={`/pages/${page.id}/trials${search}`}>Trials</NavLink>
        <NavLink to={`/pages/${page.id}/takes${search}`}>Takes</NavLink>
        <NavLink to={`/pages/${page.id}/hand-off${search}`}>Hand-off</NavLink>
        <NavLink to="/presets">Presets</NavLink>
      </nav>
      <span className="grow" />
      <SaveMark save={save} />
      <ConditionPopover />
      <ViewportPopover />
      <TakePopover goTo={goTo} />
      <ThemeButton />
      <ShortcutsButton />
    </TopBar>
  );
}
