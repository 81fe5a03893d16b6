/** What stands where a screen waits for the server: what is being opened; and once that did not work, why, and what can be done. */
import type { ReactNode } from 'react';
import { waitingText } from './text.ts';

interface WaitingProps {
  /** “Opening the page …” */
  what: string;
  /** why the last try failed; null: none did */
  failure: Error | null;
  /** it is tried again by itself */
  goesOn: boolean;
  again(): void;
  children?: ReactNode;
}

export function Waiting({ what, failure, goesOn, again, children }: WaitingProps) {
  if (!failure) return <p className="empty-note">{what}</p>;
  return (
    <div className="empty-note" role="status">
      <p className="mb-2">{failure.message}</p>
      {goesOn && <p className="mb-2">{waitingText.editsThatWereNot}</p>}
      <p className="mt-3 flex gap-2">
        <button type="button" className="btn" onClick={again}>
          {goesOn ? waitingText.tryNow : waitingText.tryAgain}
        </button>
        {children}
      </p>
    </div>
  );
}

/** The part of a query that is shown while it has no data. */
export const listWaiting = (query: {
  failureReason: Error | null;
  isError: boolean;
  refetch(): Promise<unknown>;
}): Omit<WaitingProps, 'what'> => ({
  failure: query.failureReason,
  goesOn: !query.isError,
  again: () => void query.refetch(),
});
