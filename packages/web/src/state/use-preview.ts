/** Showing a change before it is done: after a short rest on its control, and only as long as that control is there. */
import { useEffect, useMemo } from 'react';
import type { MotionDocument } from '@lyvek/core';
import type { TakeSession } from './take-session.ts';

/** A pointer that only passes over tries nothing, ms. */
const DWELL_MS = 160;

export interface ChangePreview {
  begin(change: (d: MotionDocument) => MotionDocument): void;
  end(): void;
}

export function usePreview(session: TakeSession): ChangePreview {
  const preview = useMemo(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    let on = false;
    return {
      begin(change: (d: MotionDocument) => MotionDocument) {
        clearTimeout(timer);
        timer = setTimeout(() => {
          on = true;
          session.try(change);
        }, DWELL_MS);
      },
      end() {
        clearTimeout(timer);
        if (on) session.try(null);
        on = false;
      },
    };
  }, [session]);
  useEffect(() => preview.end, [preview]);
  return preview;
}
