/** Settings of a project: Lyvek default until they are there; a change is shown at once, and put back where it could not be stored. */
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { ProjectSettings } from '@lyvek/api';
import { notifyError } from '../ui/notices.tsx';
import { api } from './api.ts';
import { useOpenedPage } from './opened-page.ts';

const OWN_SETTINGS = ProjectSettings.parse({});

export function useSettings(): { settings: ProjectSettings; putSettings(settings: ProjectSettings): void } {
  const { id } = useOpenedPage().project;
  const client = useQueryClient();
  const key = useMemo(() => ['settings', id], [id]);
  const { data } = useQuery({ queryKey: key, queryFn: () => api.settings({ id }), staleTime: 60_000 });
  const { mutate } = useMutation({
    mutationFn: (next: ProjectSettings) => api.putSettings({ id, body: next }),
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
