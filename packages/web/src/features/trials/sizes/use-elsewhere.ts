import { useMemo } from 'react';
import type { SweptFinding } from '@lyvek/core';
import { useTrials } from '../trials-context.ts';
import { elsewhere } from './model.ts';

/** What the sweep found and the open size does not show, accepted or not; the worst first. */
export function useElsewhere(): SweptFinding[] {
  const { sweep, prediction, layout } = useTrials();
  const { swept } = sweep;
  const { findings, accepted } = prediction.answer;
  return useMemo(
    () =>
      swept
        ? elsewhere(
            swept,
            [...findings, ...accepted.map((a) => a.finding)],
            (f) => layout.elements[f.element]?.selector ?? '',
          )
        : [],
    [swept, findings, accepted, layout],
  );
}
