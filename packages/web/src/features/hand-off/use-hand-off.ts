/** The hand-off of the shown document, put together here as the server does for the zip. */
import { listWaiting } from '../../ui/Waiting.tsx';
import { useQuery } from '@tanstack/react-query';
import type * as z from 'zod';
import type { HandOffQuery } from '@lyvek/api';
import { useEffect, useMemo, useState } from 'react';
import { useStore } from 'zustand';
import { PLAIN_HAND_OFF, TARGETS, canFallBack } from '@lyvek/core';
import type { Assembled, HandOffOptions } from '@lyvek/core';
import { api } from '../../state/api.ts';
import { useLayout, useShownPage } from '../../preview/shown-page.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { handOffScreenText } from './text.ts';
import { useWork } from '../../state/work.ts';
import type { HandOffInput } from '../../state/workers/hand-off-jobs.ts';

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
  /** of what was shown last, as long as it is written anew */
  assembled: Assembled | null;
  isFresh: boolean;
  /** as long as there is nothing to show */
  waiting: ReturnType<typeof listWaiting>;
  /** as it was brought */
  html: string;
  /** what the server is asked with, for the same result */
  query: z.output<typeof HandOffQuery>;
}

const isSame = (made: HandOffInput, input: HandOffInput | null): boolean =>
  input !== null && (Object.keys(input) as (keyof HandOffInput)[]).every((key) => made[key] === input[key]);

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
  const { handOffs } = useWork();
  const input = useMemo<HandOffInput | null>(() => {
    if (!measured || !texts.data) return null;
    const { name, entry } = page;
    return { take: take.id, document, layout, others, name, entry, texts: texts.data, title, options };
  }, [measured, texts.data, take.id, document, layout, others, page, title, options]);
  useEffect(() => {
    if (input) handOffs.ask(input);
  }, [handOffs, input]);
  const last = useStore(handOffs.store, (s) => s.last);
  const failed = useStore(handOffs.store, (s) => s.failed);
  const shown = last?.take === take.id ? last : null;
  const { width, height } = viewport;
  const { target } = options;
  const fallback = options.fallback && canFallBack(target);
  const query = useMemo(() => ({ width, height, target, fallback }), [width, height, target, fallback]);
  const isFresh = shown !== null && isSame(shown, input);
  const isFailed = failed !== null && !isFresh;
  return {
    assembled: input && shown && !isFailed ? shown.answer : null,
    isFresh,
    waiting: isFailed
      ? {
          failure: new Error(handOffScreenText.couldNotBeWritten(failed)),
          goesOn: false,
          again: () => input && handOffs.ask(input),
        }
      : listWaiting(texts),
    html: texts.data?.html ?? '',
    query,
  };
}
