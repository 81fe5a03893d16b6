/** The take at other sizes: measured when asked for, judged anew by itself whenever it changes. */
import { useEffect, useMemo, useState } from 'react';
import { useStore } from 'zustand';
import { makeMeasureRequest } from '@lyvek/core';
import type { Swept } from '@lyvek/core';
import { useShownPage } from '../../../preview/shown-page.ts';
import { useOpenedPage } from '../../../state/opened-page.ts';
import { useSettings } from '../../../state/settings.ts';
import { useWork } from '../../../state/work.ts';

/** A series of small changes is judged once. */
const REST = 300;

export interface Sweep {
  /** null: nothing was asked for yet */
  swept: Swept | null;
  /** outdated */
  stale: boolean;
  /** somebody has stopped it before it was of this state */
  stopped: boolean;
  failed: string | null;
  begin(): void;
  end(): void;
}

export function useSweep(): Sweep {
  const { page, session } = useOpenedPage();
  const { reducedMotion } = useShownPage();
  const { settings } = useSettings();
  const { survey, sweeps } = useWork();
  const document = useStore(session.store, (s) => s.document);
  const { limits } = settings;
  // What boxes depend on besides the page itself; pins are reckoned in wherever they are.
  const shape = useMemo(
    () => JSON.stringify([page.contentHash, document.adjustments, makeMeasureRequest(document)]),
    [page.contentHash, document],
  );
  const layouts = useStore(survey.store, (s) => s.layouts);
  const measuring = useStore(survey.store, (s) => s.wanted !== null);
  const last = useStore(sweeps.store, (s) => s.last);
  const failed = useStore(sweeps.store, (s) => s.failed);
  const [asked, setAsked] = useState(() => survey.store.getState().layouts.length > 0);
  useEffect(() => {
    if (!asked || survey.isOf(shape)) return;
    const timer = setTimeout(() => survey.begin(shape), REST);
    return () => clearTimeout(timer);
  }, [asked, survey, shape]);
  const isKnown =
    last?.document === document &&
    last.layouts === layouts &&
    last.limits === limits &&
    last.reducedMotion === reducedMotion;
  useEffect(() => {
    if (measuring || layouts.length === 0 || isKnown || !survey.isOf(shape)) return;
    const timer = setTimeout(
      () => sweeps.ask({ document, layouts, limits, reducedMotion: reducedMotion }),
      REST,
    );
    return () => clearTimeout(timer);
  }, [sweeps, survey, shape, measuring, document, layouts, limits, reducedMotion, isKnown]);
  return {
    swept: last?.answer ?? null,
    stale: !isKnown,
    stopped: !isKnown && !asked,
    failed,
    begin() {
      setAsked(true);
      survey.begin(shape);
    },
    end() {
      setAsked(false);
      survey.end();
      sweeps.end();
    },
  };
}
