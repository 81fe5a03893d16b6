/** Showing an operation before it is done, as long as what shows it is there. */
import { useEffect, useMemo } from 'react';
import type { Operation } from '@lyvek/core';
import type { TakeSession } from './take-session.ts';

/** A pointer that only passes over tries nothing, ms. */
const DWELL_MS = 160;

export interface ChangePreview {
  /** at once; null puts back */
  show(operation: Operation | null): void;
  /** after the pointer has rested on its control */
  begin(operation: Operation): void;
  end(): void;
}

export function useLease(session: TakeSession): ChangePreview {
  const preview = useMemo(() => {
    const lease = session.lease();
    let timer: ReturnType<typeof setTimeout> | undefined;
    const end = () => {
      clearTimeout(timer);
      lease.cancel();
    };
    return {
      show(operation: Operation | null) {
        end();
        if (operation) lease.show(operation);
      },
      begin(operation: Operation) {
        clearTimeout(timer);
        timer = setTimeout(() => lease.show(operation), DWELL_MS);
      },
      end,
    };
  }, [session]);
  useEffect(() => preview.end, [preview]);
  return preview;
}
