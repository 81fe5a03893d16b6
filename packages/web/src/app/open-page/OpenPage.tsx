/** Opens a page and one of its takes for all modes, with the bar over them. */
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { Link, NavLink, Outlet, useParams, useSearchParams } from 'react-router';
import { useStore } from 'zustand';
import type { PageWhole } from '@lyvek/api';
import type { Layout, Viewport } from '@lyvek/core';
import { PageLink } from '../../preview/page-link.ts';
import { ShownPageContext } from '../../preview/shown-page.ts';
import type { ShownPage } from '../../preview/shown-page.ts';
import { api, ApiError } from '../../state/api.ts';
import { ChoiceContext, FIRST_CHOICE } from '../../state/choice.ts';
import type { Choice } from '../../state/choice.ts';
import { OpenedPageContext, useOpenedPage } from '../../state/opened-page.ts';
import { useAdopted } from '../../state/use-adopted.ts';
import { TakeSession } from '../../state/take-session.ts';
import { startWork, WorkContext } from '../../state/work.ts';
import { notify } from '../../ui/notices.tsx';
import { HelpButton } from '../../ui/HelpButton.tsx';
import { ThemeButton } from '../../ui/ThemeButton.tsx';
import { TopBar } from '../../ui/TopBar.tsx';
import { Waiting, listWaiting } from '../../ui/Waiting.tsx';
import { TourCard } from '../tour/TourCard.tsx';
import { ConditionPopover } from './ConditionPopover.tsx';
import { ConflictBanner } from './ConflictBanner.tsx';
import { PageCrumbs } from './PageCrumbs.tsx';
import { SaveMark } from './SaveMark.tsx';
import { TakePopover } from './TakePopover.tsx';
import { ShowPopover } from './ShowPopover.tsx';
import { keepViewport, storedViewport, ViewportPopover } from './ViewportPopover.tsx';
import { openPageText } from '../text.ts';

export function OpenPage() {
  const { pageId = '' } = useParams();
  const page = useQuery({ queryKey: ['page', pageId], queryFn: () => api.page({ id: pageId }) });
  if (!page.data)
    return (
      <main>
        <Waiting what={openPageText.openingThePage} {...listWaiting(page)}>
          <Link className="btn" to="/">
            {openPageText.toTheShelf}
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
            notify(openPageText.editsFromAnotherTab(rescued.map((n) => `“${n}”`).join(', ')));
          }
          if (gone) return s.close();
          session = s;
          setOpened(s);
        },
        (error: Error) => {
          if (gone) return;
          setOpened(error);
          if (error instanceof ApiError && error.away) timer = setTimeout(() => void open(), 1200);
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
  if (!take) return <p className="empty-note">{openPageText.thisPageHasNo}</p>;
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
    return <p className="empty-note">{openPageText.opening(take.name)}</p>;
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
  useAdopted(session);
  useEffect(
    () =>
      session.store.subscribe((s, before) => {
        if (s.blocked && s.blocked !== before.blocked)
          notify(openPageText.notDone(s.blocked.why), { wrong: true });
      }),
    [session],
  );
  const opened = useMemo(
    () => ({ page: whole.page, project: whole.project, takes: whole.takes, take, session }),
    [whole, take, session],
  );
  const [choice, setChoice] = useState<Choice>(FIRST_CHOICE);
  const choose = useCallback((change: Partial<Choice>) => setChoice((c) => ({ ...c, ...change })), []);
  const choosing = useMemo(() => ({ choice, choose }), [choice, choose]);
  const [work] = useState(startWork);
  useEffect(() => () => Object.values(work).forEach((w) => w.end()), [work]);
  const shown = useShowing(whole, session);
  return (
    <OpenedPageContext value={opened}>
      <ShownPageContext value={shown}>
        <ChoiceContext value={choosing}>
          <WorkContext value={work}>
            <div className="opened-page flex h-full flex-col">
              <Bar goTo={goTo} />
              <ConflictBanner goTo={goTo} again={again} />
              <div className="screen min-h-0 flex-1">
                <Outlet />
              </div>
              <TourCard />
            </div>
          </WorkContext>
        </ChoiceContext>
      </ShownPageContext>
    </OpenedPageContext>
  );
}

const isSameSize = (a: Layout, b: Layout) =>
  a.viewport.width === b.viewport.width && a.viewport.height === b.viewport.height;

/** The page's frame, its size, and the layouts known of it; what is measured is stored for the shelf too. */
function useShowing({ page, layouts }: PageWhole, session: TakeSession): ShownPage {
  const client = useQueryClient();
  const [viewport, showAt] = useState<Viewport>(() => storedViewport(page.id));
  const setViewport = useCallback(
    (v: Viewport) => {
      keepViewport(page.id, v);
      showAt(v);
    },
    [page.id],
  );
  const [reducedMotion, setReducedMotion] = useState(false);
  const [stored, setStored] = useState<Layout[]>(layouts);
  const [link] = useState(() => new PageLink());
  const keepLayout = useCallback(
    (layout: Layout) => {
      setStored((list) => [layout, ...list.filter((l) => !isSameSize(l, layout))]);
      void api
        .putLayout({ id: page.id, contentHash: page.contentHash, body: layout })
        .then(() => client.invalidateQueries({ queryKey: ['shelf'] }))
        .catch(() => undefined);
    },
    [page.id, page.contentHash, client],
  );
  useEffect(() => link.on('layout', keepLayout), [link, keepLayout]);
  useEffect(() => session.showFor({ viewport, reducedMotion }), [session, viewport, reducedMotion]);
  return useMemo(
    () => ({ link, viewport, setViewport, stored, keepLayout, reducedMotion, setReducedMotion }),
    [link, viewport, setViewport, stored, keepLayout, reducedMotion],
  );
}

function Bar({ goTo }: { goTo(takeId: string): void }) {
  const { page, project, take, session } = useOpenedPage();
  const search = `?take=${take.id}`;
  const save = useStore(session.store, (s) => s.save);
  return (
    <TopBar crumbs={<PageCrumbs />} home={`/projects/${project.id}`}>
      <nav className="mode-tabs modes" aria-label={openPageText.mode}>
        <NavLink to={`/pages/${page.id}${search}`} end>
          {openPageText.rundown}
        </NavLink>
        <NavLink to={`/pages/${page.id}/trials${search}`}>{openPageText.trials}</NavLink>
        <NavLink to={`/pages/${page.id}/takes${search}`}>{openPageText.takes}</NavLink>
        <NavLink to={`/pages/${page.id}/hand-off${search}`} data-tour="hand-off">
          {openPageText.handOff}
        </NavLink>
        <NavLink to={`/presets?page=${page.id}&take=${take.id}`}>{openPageText.presets}</NavLink>
      </nav>
      <span className="grow" />
      <SaveMark save={save} />
      <ConditionPopover />
      <ViewportPopover />
      <ShowPopover />
      <TakePopover goTo={goTo} />
      <ThemeButton />
      <HelpButton />
    </TopBar>
  );
}
