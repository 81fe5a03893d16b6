import { createBrowserRouter, Link, useRouteError } from 'react-router';
import { HandOffScreen } from '../screens/hand-off/HandOffScreen.tsx';
import { OpenPage } from '../screens/OpenPage.tsx';
import { PresetsScreen } from '../screens/presets/PresetsScreen.tsx';
import { RundownScreen } from '../screens/rundown/RundownScreen.tsx';
import { TakesScreen } from '../screens/takes/TakesScreen.tsx';
import { TrialsScreen } from '../screens/trials/TrialsScreen.tsx';
import { ShelfScreen } from '../screens/shelf/ShelfScreen.tsx';

function Failed() {
  const error = useRouteError() as { status?: number; message?: string };
  return (
    <main className="empty-note">
      <h1 className="mb-2 text-[15px] font-semibold">
        {error.status === 404 ? 'There is nothing at this address' : 'This screen has failed'}
      </h1>
      <p className="mb-3">
        {error.status === 404
          ? 'The page may have been moved or deleted.'
          : `${error.message}. Your edits are kept; open the page again.`}
      </p>
      <Link className="btn" to="/">
        To the shelf
      </Link>
    </main>
  );
}

export const router = createBrowserRouter([
  {
    errorElement: <Failed />,
    children: [
      { path: '/', element: <ShelfScreen /> },
      { path: '/projects/:projectId', element: <ShelfScreen /> },
      { path: '/presets', element: <PresetsScreen /> },
      {
        path: '/pages/:pageId',
        element: <OpenPage />,
        children: [
          { index: true, element: <RundownScreen /> },
          { path: 'trials', element: <TrialsScreen /> },
          { path: 'takes', element: <TakesScreen /> },
          { path: 'hand-off', element: <HandOffScreen /> },
        ],
      },
    ],
  },
]);
