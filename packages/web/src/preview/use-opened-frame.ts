/** A page in a frame: at a host of its own, or under a path where that does not resolve; opened anew when asked to. */
import { present } from '@lyvek/core';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { RefObject } from 'react';
import { useStore } from 'zustand';
import type { PageFacts } from '@lyvek/api';
import type { MeasureRequest } from '@lyvek/core';
import type { PageLink } from './page-link.ts';
import { previewUrl } from './preview-url.ts';

/** The host form says hello within this time, or the path form is tried. */
const FALL_BACK = 4000;

/** What a page in a frame may do. One under development has an origin of its own, which is not ours. */
export const makeSandbox = ({ live }: Pick<PageFacts, 'live'>): string =>
  live ? 'allow-scripts allow-same-origin allow-forms allow-modals allow-popups' : 'allow-scripts';

export interface OpenedFrame {
  /** what the frame must have as its key */
  key: string;
  /** opens the page anew; without its own scripts, if asked to */
  again(how?: { scripts?: boolean }): void;
  /** its own scripts run */
  scripts: boolean;
  /** they kept taking the keyboard, and were turned off for that */
  sentOff: boolean;
}

/** `request`: what the page is measured for. */
export function useOpenedFrame(
  frame: RefObject<HTMLIFrameElement | null>,
  link: PageLink,
  { id, token, live, outside }: Pick<PageFacts, 'id' | 'token' | 'live' | 'outside'>,
  request: () => MeasureRequest,
): OpenedFrame {
  const [round, setRound] = useState(0);
  const [scripts, setScripts] = useState(true);
  const insisted = useRef(false);
  const [form, setForm] = useState<'host' | 'path'>('host');
  const state = useStore(link.store, (s) => s.link);
  useEffect(() => {
    const detach = link.attach(present(frame.current), request, live);
    // Only after someone listens for its first words.
    present(frame.current).src = live ? `/live/${id}` : previewUrl(token, form, location, undefined, scripts);
    return detach;
  }, [link, request, id, token, live, form, round, frame, scripts, outside]);
  const greeted = useStore(link.store, (s) => s.greeted);
  useEffect(() => {
    if (state !== 'loading' || greeted || form === 'path' || live) return;
    const timer = setTimeout(() => setForm('path'), FALL_BACK);
    return () => clearTimeout(timer);
  }, [state, greeted, form, round, live]);
  // It takes the keyboard from people who type: that ends, unless they have asked for its scripts.
  const takes = useStore(link.store, (s) => s.trouble === 'focus');
  const [sentOff, setSentOff] = useState(false);
  const again = useCallback((how: { scripts?: boolean } = {}) => {
    insisted.current ||= how.scripts === true;
    setScripts(how.scripts ?? true);
    setRound((r) => r + 1);
  }, []);
  // Development only: the probe has been built anew.
  useEffect(() => {
    const hear = () => again();
    import.meta.hot?.on('probe-changed', hear);
    return () => import.meta.hot?.off('probe-changed', hear);
  }, [again]);
  useEffect(() => {
    if (!takes || live || insisted.current) return;
    setSentOff(true);
    again({ scripts: false });
  }, [takes, live, again]);
  return { key: `${round}${form}`, again, scripts, sentOff };
}
