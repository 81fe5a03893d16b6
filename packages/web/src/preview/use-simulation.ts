/** The predicted trial of what is done, always up to date: asked anew when the document, the layout or the choice changes. */
import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { useStore } from 'zustand';
import type { Gesture } from '@lyvek/core';
import { api } from '../state/api.ts';
import type { Simulation } from '../state/worker-task.ts';
import { gestureFor, traceKey } from '../state/workers/trial-work.ts';
import type { TrialQuestion } from '../state/workers/trial-work.ts';
import { useImport } from '../state/use-import.ts';
import { useSettledLayout, useShownPage } from './shown-page.ts';
import { useChoice } from '../state/choice.ts';
import { useOpenedPage, useSettledDocument } from '../state/opened-page.ts';
import { useSettings } from '../state/settings.ts';
import { useWork } from '../state/work.ts';

/** A series of small changes is asked about once. */
const REST = 90;

const NONE: never[] = [];

export function useQuestion(): { question: TrialQuestion; gesture: Gesture } {
  const { project } = useOpenedPage();
  const { viewport } = useShownPage();
  const { settings } = useSettings();
  const { choice } = useChoice();
  const fitted = useQuery({
    queryKey: ['unit-costs', project.id],
    queryFn: () => api.unitCosts({ id: project.id }),
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
  const { simulations } = useWork();
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
