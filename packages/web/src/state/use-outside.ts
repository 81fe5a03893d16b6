/** Lets a page load files from other hosts while it is previewed, or from its own only. It is opened anew by that. */
import { useCallback } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { api } from './api.ts';
import { notifyError } from '../ui/notices.tsx';
import { useOpenedPage } from './opened-page.ts';

export function useOutside(): (outside: boolean) => void {
  const { page } = useOpenedPage();
  const queries = useQueryClient();
  return useCallback(
    (outside) =>
      void api
        .setOutside({ id: page.id, body: { outside } })
        .then(() => queries.invalidateQueries({ queryKey: ['page', page.id] }))
        .catch(notifyError),
    [page.id, queries],
  );
}
