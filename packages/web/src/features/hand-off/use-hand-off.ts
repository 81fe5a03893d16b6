/** The hand-off of the shown document, put together here as the server does for the zip. */
import { listWaiting } from '../../ui/Waiting.tsx';
import { useQuery } from '@tanstack/react-query';
import type * as z from 'zod';
import type { HandOffQuery } from '@lyvek/api';
import { useMemo, useState } from 'react';
import { useStore } from 'zustand';
import { PLAIN_HAND_OFF, TARGETS, assemble, canFallBack } from '@lyvek/core';
import type { Assembled, HandOffOptions } from '@lyvek/core';
import { api } from '../../state/api.ts';
import { useLayout, useShownPage } from '../../preview/shown-page.ts';
import { useOpenedPage } from '../../state/opened-page.ts';

const KEPT = 'lyvek-hand-off';

function remembered(): HandOffOptions {
  try {
    const known = JSON.parse(localStorage.getItem(KEPT) ?? '{}') as Partial<HandOffOptions>;
    const target = TARGETS.find((t) => t === known.target) ?? PLAIN_HAND_OFF.target;
    return { target, fallback: known.fallback === true };
  } catch {
    return PLAIN_HAND_OFF;
  }
}

/** Remembered for all pages in this browser. */
export function useHandOffOptions(): [HandOffOptions, (change: Partial<HandOffOptions>) => void] {
  const [options, set] = useState(remembered);
  return [
    options,
    (change) => {
      const next = { ...options, ...change };
      localStorage.setItem(KEPT, JSON.stringify(next));
      set(next);
    },
  ];
}

export interface HandOffView {
  assembled: Assembled | null;
  /** of the page’s texts, as long as they are not there */
  waiting: ReturnType<typeof listWaiting>;
  /** as it was brought */
  html: string;
  /** what the server is asked with, for the same result */
  query: z.output<typeof HandOffQuery>;
}

export function useHandOff(options: HandOffOptions): HandOffView {
  const { page, take, session } = useOpenedPage();
  const { viewport } = useShownPage();
  const { layout, measured, others } = useLayout();
  const document = useStore(session.store, (s) => s.document);
  const revision = useStore(session.store, (s) => s.save.revision);
  const texts = useQuery({
    queryKey: ['texts', page.id, page.contentHash],
    queryFn: () => api.texts({ id: page.id }),
    staleTime: Infinity,
  });
  const title = `${page.name}. Lyvek, ${take.name}, rev ${revision}`;
  const assembled = useMemo(() => {
    if (!measured || !texts.data) return null;
    const { html, sheets } = texts.data;
    const fileAt = (path: string) => (path === page.entry ? html : (sheets[path] ?? null));
    const source = { name: page.name, entry: page.entry, html, fileAt };
    return assemble({ document, layout, others, page: source, title }, options);
  }, [measured, texts.data, document, layout, others, page.name, page.entry, title, options]);
  const { width, height } = viewport;
  const { target } = options;
  const fallback = options.fallback && canFallBack(target);
  const query = useMemo(() => ({ width, height, target, fallback }), [width, height, target, fallback]);
  return {
    assembled,
    waiting: listWaiting(texts),
    html: texts.data?.html ?? '',
    query,
  };
}
