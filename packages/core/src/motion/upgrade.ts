/**
 * Documents of version 1 had other words for what they hold. They are rewritten before they are read, wherever they come from: a database, a
 * file, another window. The table is the whole difference.
 */
import { present } from '../assert/index.ts';
import { contentKey } from './content-key.ts';

type Words = Readonly<Record<string, string>>;

interface Vocabulary {
  document: Words;
  motion: Words;
  preset: Words;
  driver: Words;
  driverKind: Words;
  pin: Words;
  check: Words;
}

/** From version 1 to version 2. */
const RENAMED: Vocabulary = {
  document: { gates: 'triggers', taken: 'importedRules' },
  motion: { follow: 'damping' },
  preset: { taken: 'hash' },
  driver: { gate: 'trigger', turns: 'reverses', rests: 'pauses' },
  driverKind: { page: 'scroll', passage: 'view', gate: 'trigger', belt: 'marquee' },
  pin: { hold: 'sticky' },
  check: {
    'belt-hole': 'marquee-hole',
    'fixed-passage': 'fixed-view',
    'gate-unreachable': 'trigger-unreachable',
  },
};
const inverted = (words: Words): Words =>
  Object.fromEntries(Object.entries(words).map(([was, is]) => [is, was]));
const FORMER = Object.fromEntries(
  Object.entries(RENAMED).map(([of, words]) => [of, inverted(words as Words)]),
) as unknown as Vocabulary;

type Json = Record<string, unknown>;
const isObject = (x: unknown): x is Json => typeof x === 'object' && x !== null && !Array.isArray(x);
const word = (words: Words, x: unknown): unknown =>
  typeof x === 'string' && Object.hasOwn(words, x) ? words[x] : x;

/** The same object in the same order, under other keys; anything else as it is. `inside` rewrites values by their new keys. */
function rewritten(
  x: unknown,
  words: Words,
  inside: Record<string, (value: unknown) => unknown> = {},
): unknown {
  if (!isObject(x)) return x;
  return Object.fromEntries(
    Object.entries(x).map(([key, value]) => {
      const name = word(words, key) as string;
      return [name, Object.hasOwn(inside, name) ? present(inside[name])(value) : value];
    }),
  );
}
const each =
  (of: (x: unknown) => unknown) =>
  (list: unknown): unknown =>
    Array.isArray(list) ? list.map(of) : list;

const driver = (v: Vocabulary) => (x: unknown) =>
  rewritten(x, v.driver, { kind: (kind) => word(v.driverKind, kind) });
const motion = (v: Vocabulary) => (x: unknown) =>
  rewritten(x, v.motion, { driver: driver(v), preset: (p) => rewritten(p, v.preset) });
const pin = (v: Vocabulary) => (x: unknown) => rewritten(x, v.pin);

/** The lists that documents and presets have in common. */
const lists = (v: Vocabulary) => ({ motions: each(motion(v)), pins: each(pin(v)) });

/**
 * Acceptances say by a key what their motion, pin or trigger was like. Where it is still like that under its former words, it gets the key of
 * the new ones.
 */
function acceptedAnew(accepted: unknown, document: Json): unknown {
  const of = (list: unknown, former: (x: unknown) => unknown) =>
    (Array.isArray(list) ? list : []).map((one: unknown) => [one, former(one)] as const);
  const things = [
    ...of(document.motions, motion(FORMER)),
    ...of(document.pins, pin(FORMER)),
    ...of(document.triggers, (x) => x),
  ];
  return each((a) => {
    if (!isObject(a)) return a;
    const known = things.find(([one]) => isObject(one) && one.id === a.where);
    const isSame = known && contentKey.former(known[1]) === a.state;
    return isSame ? { ...a, state: contentKey(known[0]) } : a;
  })(accepted);
}

/** A document of version 1 as one of version 2; everything else as it is. */
export function upgradedDocument(json: unknown): unknown {
  if (!isObject(json) || json.format !== 'lyvek-document' || json.version !== 1) return json;
  const check = (x: unknown) => rewritten(x, {}, { check: (id) => word(RENAMED.check, id) });
  return rewritten(json, RENAMED.document, {
    ...lists(RENAMED),
    version: () => 2,
    accepted: each(check),
  });
}

/** The acceptances of a document that was of version 1, once it has been read. */
export const upgradedAcceptances = <D extends { accepted: unknown }>(document: D): D => ({
  ...document,
  accepted: acceptedAnew(document.accepted, document as Json),
});

/** The body of a preset that was kept by version 1, which said `gates`; any other as it is. */
export const upgradedPreset = (json: unknown): unknown =>
  isObject(json) && 'gates' in json ? rewritten(json, RENAMED.document, lists(RENAMED)) : json;
