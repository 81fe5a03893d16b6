/** Mends a finding; while the pointer rests on it, what it would do is shown. */
import { applyFix } from '@lyvek/core';
import type { Finding } from '@lyvek/core';
import { useOpenedPage } from '../../../state/opened-page.ts';
import { useLease } from '../../../state/use-lease.ts';

interface FixButtonProps {
  finding: Finding;
  /** it is about to be done */
  waiting: boolean;
  onFix(finding: Finding): void;
}

export function FixButton({ finding, waiting, onFix }: FixButtonProps) {
  const { session } = useOpenedPage();
  const preview = useLease(session);
  const { fix } = finding;
  if (!fix) return null;
  return (
    <button
      type="button"
      className="btn"
      aria-busy={waiting}
      onPointerEnter={() => preview.begin(applyFix(fix))}
      onPointerLeave={preview.end}
      onClick={() => {
        preview.end();
        onFix(finding);
      }}
    >
      {fix.label}
    </button>
  );
}
