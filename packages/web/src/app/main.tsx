import { present } from '@lyvek/core';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { RouterProvider } from 'react-router';
import * as z from 'zod';
import { ApiError } from '../state/api.ts';
import { Notices } from '../ui/notices.tsx';
import './index.css';
import { loadScreensAhead, router } from './routes.tsx';
import { CommandPalette } from '../ui/CommandPalette.tsx';
import { HelpOverlay } from './help/HelpOverlay.tsx';
import { showKey } from './show-key.ts';
import { startTheme } from '../ui/theme.ts';

// The content security policy allows no code made from strings.
z.config({ jitless: true });
startTheme();
await showKey();

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      // As long as it takes: whoever looks sees that it goes on, and why.
      retry: (_count, error) => error instanceof ApiError && error.away,
      retryDelay: (count) => Math.min(3000, 300 * 2 ** count),
      refetchOnWindowFocus: false,
      // The server is on this machine: without a network it may well answer, and where it does not, that is said.
      networkMode: 'always',
      staleTime: 2000,
    },
    mutations: { networkMode: 'always' },
  },
});

createRoot(present(document.getElementById('root'))).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <RouterProvider router={router} />
      <Notices />
      <HelpOverlay onNavigate={(path) => void router.navigate(path)} />
      <CommandPalette />
    </QueryClientProvider>
  </StrictMode>,
);
loadScreensAhead();
