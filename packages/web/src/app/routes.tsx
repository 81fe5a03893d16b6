import { createBrowserRouter, Link, useRouteError } from 'react-router';
import type { ComponentType } from 'react';
import { loadHelp } from './help/HelpOverlay.tsx';
import { routesText } from './text.ts';

/** Each screen is a script of its own. */
const SCREENS = {
  shelf: () => import('../features/shelf/ShelfScreen.tsx').then((m) => m.ShelfScreen),
  presets: () => import('../features/presets/PresetsScreen.tsx').then((m) => m.PresetsScreen),
  page: () => import('./open-page/OpenPage.tsx').then((m) => m.OpenPage),
  rundown: () => import('../features/rundown/RundownScreen.tsx').then((m) => m.RundownScreen),
  trials: () => import('../features/trials/TrialsScreen.tsx').then((m) => m.TrialsScreen),
  takes: () => import('../features/takes/TakesScreen.tsx').then((m) => m.TakesScreen),
  handOff: () => import('../features/hand-off/HandOffScreen.tsx').then((m) => m.HandOffScreen),
} satisfies Record<string, () => Promise<ComponentType>>;

const show = (screen: keyof typeof SCREENS) => ({
  lazy: async () => ({ Component: await SCREENS[screen]() }),
});

/** Loads the other screens once there is nothing else to do, so that they open at once, and without the server too. */
export function loadScreensAhead(): void {
  const charts = () => import('../ui/ApexFigure.tsx').then((m) => m.loadCharts());
  const load = () =>
    void Promise.allSettled([...Object.values(SCREENS), charts, loadHelp].map((one) => one()));
  setTimeout(() => requestIdleCallback(load, { timeout: 5000 }), AHEAD_AFTER_MS);
}
const AHEAD_AFTER_MS = 1500;

function Failed() {
  const error = useRouteError() as { status?: number; message?: string };
  const isNowhere = error.status === 404;
  return (
    <main className="empty-note">
      <h1 className="mb-2 text-[15px] font-semibold">
        {isNowhere ? routesText.thereIsNothingAt : routesText.thisScreenHasFailed}
      </h1>
      <p className="mb-3">
        {isNowhere ? routesText.thePageMayHave : routesText.yourEditsAreSaved(error.message)}
      </p>
      <p className="flex gap-2">
        {!isNowhere && (
          <button type="button" className="btn" onClick={() => location.reload()}>
            {routesText.reload}
          </button>
        )}
        <Link className="btn" to="/">
          {routesText.toTheShelf}
        </Link>
      </p>
    </main>
  );
}

/** While developing: every part of the interface on one page. */
const parts = import.meta.env.DEV
  ? [
      {
        path: '/parts',
        lazy: async () => ({ Component: (await import('./parts/PartsPage.tsx')).PartsPage }),
      },
    ]
  : [];

export const router = createBrowserRouter([
  {
    errorElement: <Failed />,
    HydrateFallback: () => <p className="empty-note">{routesText.loading}</p>,
    children: [
      { path: '/', ...show('shelf') },
      { path: '/projects/:projectId', ...show('shelf') },
      { path: '/presets', ...show('presets') },
      ...parts,
      {
        path: '/pages/:pageId',
        ...show('page'),
        children: [
          { index: true, ...show('rundown') },
          { path: 'trials', ...show('trials') },
          { path: 'takes', ...show('takes') },
          { path: 'hand-off', ...show('handOff') },
        ],
      },
    ],
  },
]);
