/** Finding motions by what people know of them: name, element, driver, property, what was found. */
import { driverReferences } from '@lyvek/core';
import type { Finding, Motion, MotionDocument } from '@lyvek/core';
import { DRIVER_WORDS } from '../../../editor/drivers/words.ts';
import { effectWords } from '../../../editor/words.ts';

/** All words must be found. An empty query finds everything. */
export function finds(query: string, m: Motion, findings: readonly Finding[]): boolean {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return true;
  const own = findings.filter((f) => f.about === m.id);
  const text = [
    m.name,
    m.targets.selector,
    effectWords(m),
    DRIVER_WORDS[m.driver.kind].found,
    Object.keys(m.keyframes).join(' '),
    m.damping.kind === 'none' ? '' : `damping damped smooth lag lerp follow ${m.damping.kind}`,
    m.stagger ? 'stagger' : '',
    m.on ? '' : 'muted',
    ...own.map((f) => `finding ${f.check} ${f.brief}`),
  ]
    .join(' ')
    .toLowerCase();
  return words.every((w) => text.includes(w));
}

export const found = (query: string, d: MotionDocument, findings: readonly Finding[]): string[] =>
  d.motions.filter((m) => finds(query, m, findings)).map((m) => m.id);

/** The document with only these on, for looking at them alone. */
export const soloed = (d: MotionDocument, ids: readonly string[]): MotionDocument =>
  ids.length === 0
    ? d
    : {
        ...d,
        motions: d.motions.map((m) =>
          ids.includes(m.id) ||
          driverReferences(m.driver).some((r) => r.list === 'triggers' && ids.includes(r.id))
            ? m
            : { ...m, on: false },
        ),
      };
