/** Browsers on the server’s machine; those that are not installed say how to get them. */
import { useQuery } from '@tanstack/react-query';
import { api } from './api.ts';

export function useLabEngines() {
  const { data: engines = [] } = useQuery({
    queryKey: ['lab engines'],
    queryFn: () => api.labEngines(),
    staleTime: Infinity,
  });
  return engines;
}
