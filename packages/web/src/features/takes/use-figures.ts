/** What both takes amount to: their trials under the same gesture, predicted and measured, and the size of their hand-off. */
import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import { useStore } from 'zustand';
import type { Trial } from '@lyvek/api';
import { clockById, deviceById, GESTURES, summarize, present } from '@lyvek/core';
import type { PinnedLayout, MotionDocument, TrialSummary } from '@lyvek/core';
import { api, readScriptSizes } from '../../state/api.ts';
import { sizeOfHandOff } from '../../state/hand-off-size.ts';
import { WorkerTask } from '../../state/worker-task.ts';
import type { TrialAnswer } from '../../state/workers/trial-work.ts';
import { useShownPage } from '../../preview/shown-page.ts';
import { useChoice } from '../../state/choice.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { useQuestion, useSimulation } from '../../preview/use-simulation.ts';
import type { Figures } from './model/figures.ts';
import { useTakes } from './takes-context.ts';
import type { TakeSide } from './takes-context.ts';

export function useGestureName(): string {
  const { choice } = useChoice();
  const name = GESTURES.find((g) => g.id === choice.gesture)?.name ?? choice.gesture.replace(/^trace /, '');
  return `${name}, ${deviceById(choice.device).name}`;
}

/** The trial of a take that is not the open one. */
function useOtherAnswer(document: MotionDocument | null, layout: PinnedLayout | null): TrialAnswer | null {
  const [simulations] = useState(() => new WorkerTask('trial'));
  useEffect(() => () => simulations.end(), [simulations]);
  const { question } = useQuestion();
  useEffect(() => {
    if (document && layout) simulations.ask({ document, layout, question });
  }, [simulations, document, layout, question]);
  const last = useStore(simulations.store, (s) => s.last);
  return last?.answer ?? null;
}

/** The newest lab trial of a take as it is now, under the chosen gesture and device and at this size. */
function useLab(side: TakeSide | null): { summary: TrialSummary; setup: string } | null {
  const { page } = useOpenedPage();
  const { viewport } = useShownPage();
  const { question } = useQuestion();
  const history = useQuery({ queryKey: ['trials', page.id], queryFn: () => api.trials({ id: page.id }) });
  const store = side?.session?.store;
  const [takeId, revision] = store ? [store.getState().takeId, store.getState().save.revision] : [null, 0];
  const fits = (t: Trial) =>
    t.kind === 'lab' &&
    t.state === 'done' &&
    t.takeId === takeId &&
    t.revision === revision &&
    t.setup.gesture === question.gesture &&
    t.setup.device === question.device &&
    t.setup.viewport.width === viewport.width &&
    t.setup.viewport.height === viewport.height;
  const found = takeId === null ? undefined : history.data?.trials.find(fits);
  const whole = useQuery({
    queryKey: ['trial', found?.id, 'done'],
    enabled: found !== undefined,
    queryFn: () => api.trial({ id: present(found).id }),
    staleTime: Infinity,
  });
  const result = found && whole.data?.result;
  return useMemo(
    () =>
      result && found
        ? { summary: summarize(result.frames, clockById(found.setup.clock).refresh), setup: found.id }
        : null,
    [result, found],
  );
}

/** A series of small changes is asked about once. */
const REST = 500;

function useBytes(side: TakeSide | null): number | null {
  const { page } = useOpenedPage();
  const own = side?.page.id === page.id ? side : null;
  const texts = useQuery({
    queryKey: ['texts', page.id, page.contentHash],
    queryFn: () => api.texts({ id: page.id }),
    staleTime: Infinity,
  });
  const scripts = useQuery({
    queryKey: ['scripts'],
    queryFn: readScriptSizes,
    staleTime: Infinity,
  }).data;
  const document = own?.whole;
  const layout = own?.layout;
  const [bytes, setBytes] = useState<number | null>(null);
  useEffect(() => {
    if (!texts.data || !document || !layout || !scripts) return;
    const over = new AbortController();
    const timer = setTimeout(() => {
      const question = {
        document,
        layout,
        entry: page.entry,
        texts: texts.data,
        scripts,
      };
      sizeOfHandOff(question, over.signal).then(setBytes, () => undefined);
    }, REST);
    return () => {
      clearTimeout(timer);
      over.abort();
    };
  }, [texts.data, scripts, document, layout, page.entry]);
  return bytes;
}

/** Null for a side that is not a take, or not measured yet. */
export function useFigures(): { a: Figures | null; b: Figures | null; working: boolean } {
  const { a, b } = useTakes();
  const left = a.kind === 'take' ? a : null;
  const { question } = useQuestion();
  const { last, stale } = useSimulation();
  const answers = {
    a: useOtherAnswer(left?.document ?? null, left?.layout ?? null),
    b: last?.answer ?? null,
  };
  const labs = { a: useLab(left), b: useLab(b) };
  const bytes = { a: useBytes(left), b: useBytes(b) };
  const { refresh } = clockById(question.clock);
  const of = (letter: 'a' | 'b', side: TakeSide | null): Figures | null => {
    if (!side?.layout) return null;
    const answer = answers[letter];
    return {
      layout: side.layout,
      answer,
      summary: answer && summarize(answer.frames, refresh),
      lab: labs[letter]?.summary ?? null,
      bytes: bytes[letter],
    };
  };
  return { a: of('a', left), b: of('b', b), working: stale || (left !== null && !answers.a) };
}
