/** The show of this take on devices, as the server has it; asked for while it runs, which also keeps it running. */
import { useEffect, useRef } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { ShowMode, ShowState } from '@lyvek/api';
import { lastItem } from '@lyvek/core';
import type { PageLink } from '../../preview/page-link.ts';
import { useShownPage } from '../../preview/shown-page.ts';
import { api } from '../../state/api.ts';
import { useChoice } from '../../state/choice.ts';
import { useSettings } from '../../state/settings.ts';
import { traceFrom, withTrace } from '../../state/traces.ts';
import { traceKey } from '../../state/workers/trial-work.ts';
import { notify, notifyError } from '../../ui/notices.tsx';
import { showText } from '../text.ts';
import { useOpenedPage } from '../../state/opened-page.ts';

const POLL_MS = 500;
/** While the device leads, its scroll has to be followed. */
const LEAD_POLL_MS = 150;
const TELL_MS = 80;

export interface Shown {
  state: ShowState | undefined;
  problem: string | null;
  start(address: string): void;
  stop(): void;
  admit(id: string, admitted: boolean): void;
  setMode(mode: ShowMode): void;
  /** waits for the next scroll of a finger and makes it a gesture of the project */
  record(id: string): void;
  /** the device that is being recorded */
  recording: string | null;
}

/** `wanted`: somebody has looked at it; nothing is asked before. */
export function useShow(wanted: boolean): Shown {
  const client = useQueryClient();
  const { take } = useOpenedPage();
  const { viewport, link } = useShownPage();
  const key = ['show', take.id];
  const { data: state } = useQuery({
    queryKey: key,
    queryFn: () => api.show({ id: take.id }),
    enabled: wanted,
    refetchInterval: ({ state }) => {
      const running = state.data?.running;
      return running ? (running.mode === 'leads' ? LEAD_POLL_MS : POLL_MS) : false;
    },
    refetchIntervalInBackground: true,
  });
  const put = (next: ShowState) => client.setQueryData(key, next);
  const starting = useMutation({
    mutationFn: (address: string) =>
      api.startShow({ id: take.id, body: { address, width: viewport.width, height: viewport.height } }),
    onSuccess: put,
  });
  const other = useMutation({ mutationFn: (work: () => Promise<unknown>) => work(), onError: notifyError });
  useFollowing(take.id, state?.running ?? null);
  const { settings, putSettings } = useSettings();
  const { choose } = useChoice();
  const recording = useMutation({
    mutationFn: (id: string) => api.recordDevice({ id: take.id, name: id }),
    onSuccess({ samples }) {
      const trace = traceFrom(samples, settings.traces);
      if (!trace) return notify(showText.nothingMoved);
      putSettings({ ...settings, traces: withTrace(settings.traces, trace) });
      choose({ gesture: traceKey(trace) });
      notify(showText.recorded(trace.name, lastItem(trace.samples).t / 1000));
    },
    onError: notifyError,
  });
  const mode = (next: ShowMode) => {
    if (state?.running) put({ ...state, running: { ...state.running, mode: next } });
    other.mutate(() => api.followShow({ id: take.id, body: { mode: next, share: readShare(link) } }));
  };
  return {
    state,
    problem: starting.error?.message ?? null,
    start: (address) => starting.mutate(address),
    stop: () =>
      other.mutate(() =>
        api.stopShow({ id: take.id }).then(() => client.invalidateQueries({ queryKey: key })),
      ),
    admit: (id, admitted) =>
      other.mutate(() => api.admitDevice({ id: take.id, name: id, body: { admitted } }).then(put)),
    setMode: mode,
    record: recording.mutate,
    recording: recording.isPending ? (recording.variables ?? null) : null,
  };
}

const readMax = (link: PageLink): number => link.store.getState().layout?.scrollers[0]?.max.block ?? 0;
/** Where the playhead is, as a share of the page: a page is longer on a phone. */
const readShare = (link: PageLink): number => {
  const max = readMax(link);
  return max > 0 ? Math.min(1, link.store.getState().offset.y / max) : 0;
};

/** Playhead and device, whichever leads. */
function useFollowing(id: string, running: ShowState['running']): void {
  const { link } = useShownPage();
  const mode = running?.mode ?? null;
  const told = useRef(-1);
  useEffect(() => {
    if (mode !== 'follows') return;
    const timer = setInterval(() => {
      const share = readShare(link);
      if (share === told.current) return;
      told.current = share;
      // What is lost is said again with the next move.
      api.followShow({ id, body: { mode: 'follows', share } }).catch(() => undefined);
    }, TELL_MS);
    return () => {
      clearInterval(timer);
      told.current = -1;
    };
  }, [mode, id, link]);
  const reports = (running?.devices ?? []).flatMap((d) => d.report ?? []);
  // Of several the one in the hand; a single one leads also when an edit has just loaded it anew.
  const leader = reports.find((r) => r.touched) ?? (reports.length === 1 ? reports[0] : undefined);
  const lead = mode === 'leads' && leader && leader.max > 0 ? leader.y / leader.max : null;
  useEffect(() => {
    if (lead === null) return;
    link.scrollTo(Math.round(Math.min(1, lead) * readMax(link)));
  }, [lead, link]);
}
