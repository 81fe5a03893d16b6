/** A page in a frame: at a host of its own, or under a path where that does not resolve; opened anew when asked to. */
import { useCallback, useEffect, useState } from 'react';
import type { RefObject } from 'react';
import { useStore } from 'zustand';
import type { PageFacts } from '@lyvek/api';
import type { PageLink } from './page-link.ts';
import { previewUrl } from './preview-url.ts';

/** The host form answers within this time, or the path form is tried. */
const FALL_BACK = 4000;

/** What a page in a frame may do. One under development has an origin of its own, which is not ours. */
export const sandboxOf = ({ live }: Pick<PageFacts, 'live'>): string =>
  live ? 'allow-scripts allow-same-origin allow-forms allow-modals allow-popups' : 'allow-scripts';

/** Returns the key that the frame must have, and what opens the page anew. `selectors`: what its elements are measured for. */
export function useOpenedFrame(
  frame: RefObject<HTMLIFrameElement | null>,
  link: PageLink,
  { token, live }: Pick<PageFacts, 'token' | 'live'>,
  selectors: () => string[],
): { key: string; again(): void } {
  const [round, setRound] = useState(0);
  const [form, setForm] = useState<'host' | 'path'>('host');
  const state = useStore(link.store, (s) => s.link);
  useEffect(() => {
    const detach = link.attach(frame.current!, selectors, live);
    // Only after someone listens for its first words.
    frame.current!.src = live?.url ?? previewUrl(token, form);
    return detach;
  }, [link, selectors, token, live, form, round, frame]);
  useEffect(() => {
    if (state !== 'loading' || form === 'path' || live) return;
    const timer = setTimeout(() => setForm('path'), FALL_BACK);
    return () => clearTimeout(timer);
  }, [state, form, round, live]);
  const again = useCallback(() => setRound((r) => r + 1), []);
  return { key: `${round}${form}`, again };
}
