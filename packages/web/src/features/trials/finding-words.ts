/** Words for findings that several lists use. */
import type { MotionDocument, Severity } from '@lyvek/core';

export const SEVERITY_WORDS: Record<Severity, string> = {
  error: 'error',
  warning: 'warning',
  info: 'info',
};

/** “3 errors”, “1 warning”, “2 info”. */
export const severityCount = (severity: Severity, count: number): string =>
  `${count} ${SEVERITY_WORDS[severity]}${count === 1 || severity === 'info' ? '' : 's'}`;

/** Name of the motion, pin or trigger that something is about; empty where it is the page. */
export const findName = (d: Pick<MotionDocument, 'motions' | 'pins' | 'triggers'>, id: string): string =>
  [...d.motions, ...d.pins, ...d.triggers].find((x) => x.id === id)?.name ?? '';
