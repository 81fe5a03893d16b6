/** What the open page moves by its own CSS, and what is wrong in it; null until it is known. */
import { useQuery } from '@tanstack/react-query';
import type { PageImport } from '@lyvek/api';
import { api } from './api.ts';
import { useOpenedPage } from './opened-page.ts';

export function useImport(): PageImport | null {
  const { page } = useOpenedPage();
  const { data } = useQuery({
    queryKey: ['reading', page.id, page.contentHash],
    queryFn: () => api.imported({ id: page.id }),
    staleTime: Infinity,
  });
  return data ?? null;
}
