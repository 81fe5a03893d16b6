/** The predicted trial of what is done, always up to date: asked anew when the document, the layout or the choice changes. */
import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { useStore } from 'zustand';
import type { Gesture } from '@lyvek/core';
import { api } from '../data/api.ts';
import type { Simulation } from '../data/worker-task.ts';
import { gestureFor, traceKey } from '../workers/trial-work.ts';
import type { TrialQuestion } from '../workers/trial-work.ts';
import { useImport } from './use-reading.ts';
import { useOpenedPage, useSettledDocument, useSettledLayout } from './page-context.ts';

/** A series of small changes is asked about once. */
const REST = 90;

const NONE: never[] = [];

export function useQuestion(): { question: TrialQuestion; gesture: Gesture } {
  const { choice, settings, viewport, project } = useOpenedPage();
  const fitted = useQuery({
    queryKey: ['unit-costs', project.id],
    queryFn: () => api.unitCosts(project.id),
    staleTime: 60_000,
  }).data;
  const mistakes = useImport()?.mistakes ?? NONE;
  return useMemo(() => {
    const trace = settings.traces.find((t) => traceKey(t) === choice.gesture) ?? null;
    const unitCosts =
      fitted?.unitCosts.find((p) => p.coefficients.device === choice.device)?.coefficients ?? null;
    const question = {
      ...choice,
      values: settings.gestures,
      trace,
      unitCosts,
      limits: settings.limits,
      mistakes,
    };
    return { question, gesture: gestureFor(question, viewport.height) };
  }, [choice, settings, fitted, mistakes, viewport.height]);
}

export interface SimulationView {
  last: Simulation | null;
  failed: string | null;
  /** what is shown is of an older document, size or choice */
  stale: boolean;
}

export function useSimulation(): SimulationView {
  const { simulations } = useOpenedPage();
  const { layout, measured } = useSettledLayout();
  const document = useSettledDocument();
  const { question } = useQuestion();
  useEffect(() => {
    if (!measured) return;
    const timer = setTimeout(() => simulations.ask({ document, layout, question }), REST);
    return () => clearTimeout(timer);
  }, [simulations, document, layout, measured, question]);
  // How far it is changes often, and only its bar needs to know.
  const last = useStore(simulations.store, (s) => s.last);
  const failed = useStore(simulations.store, (s) => s.failed);
  const stale =
    last === null || last.document !== document || last.question !== question || last.layout !== layout;
  return { last, failed, stale };
}
