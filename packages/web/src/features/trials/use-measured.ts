/** Measured trials of the page: the history, the one that is shown, and the one under way. */
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import type { Trial, TrialWhole } from '@lyvek/api';
import { DEVICES, toDuration, TrialSetupSchema, itemAt, present } from '@lyvek/core';
import type { EngineName, TrialResult, TrialSetup } from '@lyvek/core';
import { api } from '../../state/api.ts';
import { notify, notifyError } from '../../ui/notices.tsx';
import { useLayout, useShownPage } from '../../preview/shown-page.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { useQuestion } from '../../preview/use-simulation.ts';
import { useDeviceTrial } from './use-device-trial.ts';
import type { DeviceTrial } from './use-device-trial.ts';

export type ShownTrial = TrialWhole & { result: TrialResult };

export interface Measured {
  history: readonly Trial[];
  /** whether the server has a browser to measure in; null before it has said so */
  lab: boolean | null;
  /** the one that waits or runs, if it is of this page */
  underWay: Trial | null;
  /** the finished one that is shown; null: the prediction */
  shown: ShownTrial | null;
  /** another finished one, laid over it; null: the prediction is */
  beside: ShownTrial | null;
  lay(id: string | null): void;
  /** why the chosen one came to nothing */
  came: string | null;
  show(id: string | null): void;
  /** in a browser of the lab */
  run(engine: EngineName): void;
  starting: boolean;
  /** the trial that this browser is running, if it is */
  here: TrialSetup | null;
  runHere(): void;
  onDevice: DeviceTrial;
  doneHere(result: TrialResult): void;
  /** ended without a result; null when the user ended it */
  endHere(why: string | null): void;
  stop(id: string): void;
  /** runs one of the lab once more, as it was then */
  repeat(id: string): void;
}

/** What is asked of the lab. `onStarted` hears of a new trial, `again` reads the list. */
function useTrialActs(onStarted: (id: string) => void, again: () => Promise<unknown>) {
  const { take } = useOpenedPage();
  const { viewport } = useShownPage();
  const { question, gesture } = useQuestion();
  const max = itemAt(useLayout().layout.scrollers, 0).max.block;
  const setupFor = (device: string, engine: EngineName = 'chromium'): TrialSetup => {
    const { trace, gesture: id, values, direction } = question;
    return TrialSetupSchema.parse({
      gesture: trace ? 'recorded' : id,
      values: values[id] ?? {},
      ...(trace ? { trace } : {}),
      clock: '60',
      direction,
      viewport,
      device,
      ...(engine === 'chromium' ? {} : { engine }),
      lasts: toDuration(gesture, max),
    });
  };
  const start = useMutation({
    mutationFn: (how: TrialResult | EngineName) =>
      api.startTrial({
        id: take.id,
        body:
          typeof how === 'string'
            ? // Only Chromium can be slowed down like a device.
              { setup: setupFor(how === 'chromium' ? question.device : itemAt(DEVICES, 0).id, how) }
            : { setup: how.setup, result: how },
      }),
    onSuccess: (t) => {
      onStarted(t.id);
      void again();
    },
    onError: notifyError,
  });
  const repeat = useMutation({
    mutationFn: (id: string) => api.repeatTrial({ id }),
    onSuccess: (t) => {
      onStarted(t.id);
      void again();
    },
    onError: notifyError,
  });
  const end = useMutation({
    mutationFn: (id: string) => api.cancelTrial({ id }),
    onSettled: again,
    onError: notifyError,
  });
  return { setupFor, start, repeat, end };
}

export function useMeasured(): Measured {
  const { page, project } = useOpenedPage();
  const client = useQueryClient();
  const key = ['trials', page.id];
  const [chosen, show] = useState<string | null>(null);
  const history = useQuery({
    queryKey: key,
    queryFn: () => api.trials({ id: page.id }),
    refetchInterval: (q) => (q.state.data?.trials.some(isUnderWay) ? 1000 : false),
  });
  const trials = history.data?.trials ?? [];
  const picked = trials.find((t) => t.id === chosen);
  const state = picked?.state;
  const whole = useWhole(state === 'done' ? chosen : null);
  const [laid, lay] = useState<string | null>(null);
  const beside = useWhole(laid);
  const waiting = trials.find(isUnderWay)?.id ?? null;
  // A trial of the lab that has ended may have brought other prices.
  useEffect(() => {
    if (waiting === null) void client.invalidateQueries({ queryKey: ['unit-costs', project.id] });
  }, [waiting, client, project.id]);
  const again = () => client.invalidateQueries({ queryKey: key });
  const [here, setHere] = useState<TrialSetup | null>(null);
  const { setupFor, start, repeat, end } = useTrialActs((id) => show(id), again);
  const onDevice = useDeviceTrial(setupFor, (result) => start.mutate(result));
  return {
    history: trials,
    lab: history.data?.lab ?? null,
    underWay: trials.find(isUnderWay) ?? null,
    shown: whole,
    beside: laid === chosen ? null : beside,
    lay,
    came:
      state === 'failed'
        ? `The trial failed: ${present(picked).why ?? 'it gave no reason'}`
        : state === 'cancelled'
          ? 'The trial was stopped.'
          : null,
    show,
    run: (engine) => start.mutate(engine),
    starting: start.isPending,
    here,
    // This browser is as fast as it is: it plays no other device.
    onDevice,
    runHere: () => setHere(setupFor(itemAt(DEVICES, 0).id)),
    doneHere(result) {
      setHere(null);
      start.mutate(result);
    },
    endHere(why) {
      setHere(null);
      if (why !== null) notify(why, { wrong: true });
    },
    stop: end.mutate,
    repeat: repeat.mutate,
  };
}

/** A finished trial with its frames; null until they are there. */
function useWhole(id: string | null): ShownTrial | null {
  const { data } = useQuery({
    queryKey: ['trial', id, 'done'],
    queryFn: () => api.trial({ id: present(id) }),
    enabled: id !== null,
    staleTime: Infinity,
  });
  const result = id === null ? null : data?.result;
  return useMemo(() => (data && result ? { ...data, result } : null), [data, result]);
}

export const isUnderWay = (t: Trial): boolean => t.state === 'queued' || t.state === 'running';
