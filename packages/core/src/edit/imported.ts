/** Puts what was read from a page into a document that is already being worked on. */
import { present } from '../assert/index.ts';
import { refersTo, withDriverReferences } from '../drivers/index.ts';
import type { Correction, Motion, MotionDocument } from '../motion/index.ts';
import { edit } from './operation.ts';
import type { Operation } from './operation.ts';

const fresh = (taken: ReadonlySet<string>, id: string): string => {
  if (!taken.has(id)) return id;
  for (let i = 2; ; i++) {
    const next = `${id.slice(0, 36)}-${i}`;
    if (!taken.has(next)) return next;
  }
};

const content = ({ id: _, name: __, driver, conditions: ___, ...m }: Motion) =>
  JSON.stringify({ ...m, driver: withDriverReferences(driver, () => '') });

/** Motions of the document that are still as they were read before. */
export function replacedBy(
  document: Pick<MotionDocument, 'motions'>,
  { instead }: Pick<Correction, 'instead'>,
): Motion[] {
  const gone = new Set(instead.map(content));
  return gone.size === 0 ? [] : document.motions.filter((m) => gone.has(content(m)));
}

/** The document with motions that were read, with the triggers, media conditions and registrations that they need, under ids of their own. */
export function addRead(whole: MotionDocument, { read, instead }: Correction): MotionDocument {
  const replaced = new Set(replacedBy(whole, { instead }));
  const document = { ...whole, motions: whole.motions.filter((m) => !replaced.has(m)) };
  const added = read.motions;
  const ids = new Set(
    [document.motions, document.triggers, document.media].flatMap((list) => list.map((x) => x.id)),
  );
  const give = (id: string) => {
    const next = fresh(ids, id);
    ids.add(next);
    return next;
  };
  const media = new Map<string, string>();
  const newMedia = read.media.filter((m) => {
    const same = document.media.find((o) => o.query === m.query);
    const used = added.some((a) => a.conditions?.some((c) => c.media === m.id));
    media.set(m.id, same?.id ?? (used ? give(m.id) : m.id));
    return !same && used;
  });
  const triggers = new Map<string, string>();
  const newTriggers = read.triggers.filter((g) => {
    const used = added.some((a) => refersTo(a.driver, g.id));
    if (used) triggers.set(g.id, give(g.id));
    return used;
  });
  const names = new Set(document.motions.map((m) => m.name));
  const named = (name: string): string => {
    let next = name;
    for (let i = 2; names.has(next); i++) next = `${name} ${i}`;
    names.add(next);
    return next;
  };
  const motions = added.map((m): Motion => ({
    ...m,
    id: give(m.id),
    name: named(m.name),
    driver: withDriverReferences(m.driver, (id) => triggers.get(id) ?? id),
    ...(m.conditions
      ? { conditions: m.conditions.map((c) => ({ ...c, media: present(media.get(c.media)) })) }
      : {}),
  }));
  return {
    ...document,
    motions: [...document.motions, ...motions],
    triggers: [...document.triggers, ...newTriggers.map((g) => ({ ...g, id: present(triggers.get(g.id)) }))],
    media: [...document.media, ...newMedia.map((m) => ({ ...m, id: present(media.get(m.id)) }))],
    properties: [
      ...document.properties,
      ...read.properties.filter((p) => !document.properties.some((o) => o.name === p.name)),
    ],
    importedRules: [...new Set([...document.importedRules, ...read.importedRules])],
  };
}

export const importWithCorrection = (correction: Correction): Operation =>
  edit('import with correction', (d) => addRead(d, correction));
