/** What the parts of a document must keep to among each other. */
import { driverReferences } from '../drivers/index.ts';
import { mediaProblems } from './conditions.ts';
import type { MotionDocument } from './document.ts';
import { tieProblems } from './tie.ts';
import { timeProblems } from './timed.ts';

/** Ids that are used twice, and references that lead nowhere, each with its path in the document. */
export function crossProblems(d: MotionDocument): { path: (string | number)[]; message: string }[] {
  const out: { path: (string | number)[]; message: string }[] = [];
  const put = (message: string, ...path: (string | number)[]) => void out.push({ path, message });
  const seen = new Set<string>();
  for (const list of ['motions', 'pins', 'triggers', 'cues', 'adjustments', 'media'] as const)
    d[list].forEach((one, i) => {
      if (seen.has(one.id)) put(`the id ${one.id} is used twice`, list, i, 'id');
      seen.add(one.id);
    });
  for (const [i, side, message] of tieProblems(d.motions, d.cues)) put(message, 'motions', i, 'ties', side);
  for (const [path, message] of mediaProblems(d)) put(message, ...path);
  const pins = new Set(d.pins.map((p) => p.id));
  const triggers = new Set(d.triggers.map((g) => g.id));
  const links = new Set<string>();
  d.cues.forEach((c, i) => {
    if (c.link !== undefined && links.has(c.link)) put(`the link ${c.link} is used twice`, 'cues', i, 'link');
    if (c.link !== undefined) links.add(c.link);
    if (c.pin !== null && !pins.has(c.pin)) put(`no pin has the id ${c.pin}`, 'cues', i, 'pin');
  });
  for (const [i, message] of timeProblems(d.motions)) put(message, 'motions', i, 'time', 'after');
  const known = { pins: { ids: pins, one: 'pin' }, triggers: { ids: triggers, one: 'trigger' } };
  d.motions.forEach(({ driver }, i) => {
    for (const { list, id } of driverReferences(driver))
      if (!known[list].ids.has(id))
        put(`no ${known[list].one} has the id ${id}`, 'motions', i, 'driver', known[list].one);
  });
  return out;
}
