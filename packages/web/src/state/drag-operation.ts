/** A drag that edits: it shows an operation while it goes on, does it when it is dropped, and puts everything back when it is given up. */
import type { PointerEvent as ReactPointerEvent } from 'react';
import type { Operation } from '@lyvek/core';
import { beginDrag } from '../ui/drag.ts';
import type { TakeSession } from './take-session.ts';

export interface OperationDrag {
  /** what dropping here would do; `by` px down since the press; null: nothing */
  operation(by: number, event: PointerEvent): Operation | null;
  /** after it is shown */
  moved?(by: number, event: PointerEvent): void;
  /** it is over; `how`: dropped, given up, or pressed without ever having moved */
  ended?(how: 'dropped' | 'given up' | 'pressed'): void;
}

/** Begins it for the main button, and says whether it did. */
export function dragOperation(
  e: ReactPointerEvent<Element>,
  session: Pick<TakeSession, 'lease'>,
  drag: OperationDrag,
): boolean {
  const lease = session.lease();
  return beginDrag(e, {
    move(by, event) {
      const operation = drag.operation(by, event);
      if (operation) lease.show(operation);
      drag.moved?.(by, event);
    },
    drop(by, event) {
      const operation = drag.operation(by, event);
      if (operation) lease.commit(operation);
      else lease.cancel();
      drag.ended?.('dropped');
    },
    putBack(given) {
      lease.cancel();
      drag.ended?.(given ? 'given up' : 'pressed');
    },
  });
}
