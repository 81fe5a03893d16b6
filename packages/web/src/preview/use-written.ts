/** Whether a page under development plays what is shown by itself: while `lyvek sync` keeps a file of its source in step. */
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useStore } from 'zustand';
import { handOffCss } from '@lyvek/core';
import type { MotionDocument } from '@lyvek/core';
import { useLayout } from './shown-page.ts';
import { api } from '../state/api.ts';
import { useOpenedPage } from '../state/opened-page.ts';

/** ms between looks, as long as a page is connected */
const LOOK_MS = 2000;

/** Keyframes of the code that is in step with what is shown; null where none is. */
export function useWritten(document: MotionDocument): readonly string[] | null {
  const { page, take, session } = useOpenedPage();
  const { layout, others } = useLayout();
  const { data } = useQuery({
    queryKey: ['sync', take.id],
    queryFn: () => api.sync({ id: take.id }),
    refetchInterval: LOOK_MS,
    retry: false,
    enabled: page.live !== null,
  });
  const save = useStore(session.store, (s) => s.save);
  const isDone = useStore(session.store, (s) => s.tried === null && s.document === document);
  const inStep =
    isDone &&
    save.kind === 'saved' &&
    data?.sync?.state === 'in-step' &&
    data.sync.revision === save.revision;
  return useMemo(() => {
    if (!inStep) return null;
    const { css } = handOffCss(document, layout, '', others);
    return [...css.matchAll(/@keyframes\s+([^\s{]+)/g)].flatMap(([, name]) => name ?? []);
  }, [inStep, document, layout, others]);
}
