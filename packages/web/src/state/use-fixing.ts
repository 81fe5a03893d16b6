/** Applying a fix. One that belongs to an older state of the document waits until the checks have caught up, and is then the newest one. */
import { useEffect, useState } from 'react';
import { applyFix } from '@lyvek/core';
import type { Finding } from '@lyvek/core';
import type { TakeSession } from './take-session.ts';
import { notify } from '../ui/notices.tsx';
import { useFixingText } from './text.ts';

const isSame = (a: Finding, b: Finding) =>
  a.check === b.check && a.about === b.about && a.element === b.element;

/** Returns what applies the fix of a finding, and whether one waits. */
export function useFixing(session: TakeSession, findings: readonly Finding[], stale: boolean) {
  const [wanted, want] = useState<Finding | null>(null);
  useEffect(() => {
    if (!wanted || stale) return;
    want(null);
    const fix = findings.find((f) => isSame(f, wanted))?.fix;
    if (!fix) return notify(useFixingText.thereIsNothingLeft);
    if (!session.apply(applyFix(fix)).done) return;
    notify(useFixingText.done(fix.label), { action: { label: 'Undo', run: () => void session.undo() } });
  }, [wanted, stale, findings, session]);
  return { fix: want, waiting: wanted };
}
