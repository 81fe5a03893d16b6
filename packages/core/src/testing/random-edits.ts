/** Edits as people make them, each chosen by two numbers so that it fits whatever document there is. For tests of laws. */
import { itemAt, present } from '../assert/index.ts';
import { addFragment, EFFECTS } from '../effect/index.ts';
import {
  addCue,
  changeCue,
  changeMotion,
  changePin,
  changeTrigger,
  copied,
  duplicateMotions,
  edit,
  editWhole,
  pasteMotions,
  putMedia,
  removeMedia,
  removeThings,
  setDriver,
  setTarget,
  switchOn,
  withMotion,
} from '../edit/index.ts';
import type { Operation } from '../edit/index.ts';
import { asView, cuesAt, isTriggered, stageKey } from '../drivers/index.ts';
import { measuresAlike, cueSuits } from '../motion/index.ts';
import type { Motion, MotionDocument } from '../motion/index.ts';
import { withPins } from '../page/index.ts';
import { element, makeLayout } from './small.ts';

const ELEMENTS = [
  element({ selector: '#a', text: '212 nights' }),
  element({ selector: '#scene', tag: 'section', box: { x: 0, y: 3000, width: 1000, height: 1800 } }),
  element({ selector: '#left', parent: 1, box: { x: 0, y: 3000, width: 480, height: 1800 } }),
  element({ selector: '#right', parent: 1, box: { x: 520, y: 3000, width: 480, height: 1500 } }),
  element({ selector: '#strip', parent: 1, box: { x: 0, y: 3200, width: 2600, height: 400 } }),
  element({ selector: '#art', tag: 'svg' }),
];
const LAYOUT = makeLayout(ELEMENTS);
const QUERIES = ['(min-width: 768px)', '(min-width: 1024px)', '(max-height: 700px)'];

let ids = 0;
const newId = (kind: string) => `${kind}_${ids++}`;

const NOTHING: Operation = edit('nothing', (d) => d);

/** One of a list by a number that may be larger than it. */
const pickFrom = <T>(list: readonly T[], n: number): T | undefined => list[n % Math.max(1, list.length)];
/** What fits the document that it meets. */
const fitting = (scope: Operation['scope'], choose: (d: MotionDocument) => Operation): Operation => ({
  label: 'random',
  scope,
  apply: (d) => choose(d).apply(d),
});
/** Does it with one of a list; nothing where the list is empty. */
const withOne = <T>(
  toList: (d: MotionDocument) => readonly T[],
  n: number,
  choose: (one: T, d: MotionDocument) => Operation,
  scope: Operation['scope'] = 'seen',
): Operation =>
  fitting(scope, (d) => {
    const one = pickFrom(toList(d), n);
    return one === undefined ? NOTHING : choose(one, d);
  });
const WHOLE = 'whole';
const listMotions = (d: MotionDocument) => d.motions;
const toSelector = (n: number) => itemAt(ELEMENTS, n % ELEMENTS.length).selector;

const driversFor = (d: MotionDocument) => [
  'new trigger' as const,
  { kind: 'load' as const },
  { kind: 'scroll' as const, axis: 'block' as const },
  {
    kind: 'view' as const,
    subject: 'self',
    axis: 'block' as const,
    insets: ['0px', '0px'] as [string, string],
  },
  ...d.pins.map((p) => ({ kind: 'pin' as const, pin: p.id })),
  ...d.triggers.map((g) => ({ kind: 'trigger' as const, trigger: g.id })),
];

const listAll = (d: MotionDocument) => [...d.motions, ...d.pins, ...d.triggers, ...d.cues];

export const RANDOM_EDITS: Record<string, (a: number, b: number) => Operation> = {
  'add an effect': (a, b) =>
    fitting('seen', (d) => {
      const effect = present(pickFrom(EFFECTS, a));
      const context = { layout: withPins(LAYOUT, d.pins), element: b % ELEMENTS.length, document: d, newId };
      return effect.unfit?.(context) ? NOTHING : addFragment(effect.name, effect.compose(context));
    }),
  delete: (a) => withOne(listAll, a, (one) => removeThings([one.id], 'delete'), WHOLE),
  'delete several': (a, b) =>
    fitting(WHOLE, (d) =>
      removeThings(
        listAll(d)
          .filter((_, i) => (i + a) % (2 + (b % 3)) === 0)
          .map((x) => x.id),
        'delete',
      ),
    ),
  duplicate: (a) => withOne(listMotions, a, (one) => duplicateMotions([one.id], newId), WHOLE),
  'copy and paste': (a, b) =>
    withOne(
      listMotions,
      a,
      (one, d) => pasteMotions(copied(d, [one.id, present(pickFrom(d.motions, b)).id]), null, newId),
      WHOLE,
    ),
  'paste on another element': (a, b) =>
    withOne(
      listMotions,
      a,
      (one, d) =>
        pasteMotions(copied(d, [one.id]), { selector: toSelector(b), nameOf: () => 'Other' }, newId),
      WHOLE,
    ),
  'move to another element': (a, b) =>
    withOne(listMotions, a, (one) => setTarget(one.id, toSelector(b), newId)),
  'change the driver': (a, b) =>
    withOne(
      listMotions,
      a,
      (one, d) =>
        setDriver(one.id, present(pickFrom(driversFor(d), b)), { target: '#a', length: 500, newId }),
      WHOLE,
    ),
  mute: (a) => withOne(listMotions, a, (one) => switchOn([one.id], !one.on)),
  'move an end': (a, b) =>
    withOne(
      (d) => d.motions.filter((m) => measureOwn(m)),
      a,
      (one) => changeMotion(one.id, 'move', (m) => ({ ...m, range: { ...m.range, end: `cover ${b}%` } })),
    ),
  'change values': (a, b) =>
    withOne(
      (d) => d.motions.filter((m) => m.keyframes.opacity),
      a,
      (one) =>
        changeMotion(one.id, 'values', (m) => ({
          ...m,
          keyframes: {
            ...m.keyframes,
            opacity: present(m.keyframes.opacity).map((k) =>
              k.value === '' ? k : { ...k, value: `${b / 100}` },
            ),
          },
        })),
    ),
  'hold longer': (a, b) =>
    withOne(
      (d) => d.pins,
      a,
      (one) => changePin(one.id, 'hold', (p) => ({ ...p, distance: { kind: 'length', value: `${b}px` } })),
    ),
  'chain a part': (a, b) =>
    fitting('seen', (d) => {
      const isFree = (m: Motion) => isTriggered(m.driver) && m.time?.after === undefined;
      const isWaitedFor = (m: Motion) => d.motions.some((x) => x.time?.after === m.id);
      const pairs = d.motions.flatMap((one) =>
        d.motions
          .filter((m) => m !== one && isFree(m) && stageKey(m.driver) === stageKey(one.driver))
          .map((after) => ({ one, after })),
      );
      const pair = pickFrom(
        pairs.filter(({ one }) => isFree(one) && !isWaitedFor(one)),
        a + b,
      );
      return pair
        ? changeMotion(pair.one.id, 'chain', (m) => ({
            ...m,
            time: { ...present(m.time), after: pair.after.id },
          }))
        : NOTHING;
    }),
  'play once': (a) =>
    withOne(
      (d) => d.triggers,
      a,
      (one) => changeTrigger(one.id, 'play once', (g) => ({ ...g, plays: 'once' })),
    ),
  'add a cue': (a, b) =>
    fitting('seen', (d) =>
      addCue({
        id: newId('c'),
        name: `Cue ${b}`,
        pin: pickFrom([null, ...d.pins.map((p) => p.id)], a) ?? null,
        at: `${b}%`,
      }),
    ),
  'move a cue': (a, b) =>
    withOne(
      (d) => d.cues,
      a,
      (one) => changeCue(one.id, 'move a cue', (c) => ({ ...c, at: `${b}%` })),
    ),
  'hang an end on a cue': (a, b) =>
    withOne(
      (d) => d.motions.filter((m) => cuesAt(m.driver) !== undefined),
      a,
      (one) =>
        edit('hang', (d) => {
          const pin = cuesAt(one.driver) ?? null;
          const cue = pickFrom(
            d.cues.filter((c) => cueSuits(c, one.driver)),
            b,
          ) ?? { id: newId('c'), name: `Cue ${b}`, pin, at: `${b}%` };
          const cues = d.cues.includes(cue) ? d.cues : [...d.cues, cue];
          return withMotion(one.id, (m) => ({
            ...m,
            ties: { ...m.ties, end: { to: 'cue', cue: cue.id, offset: '0px' } },
          }))({ ...d, cues });
        }),
    ),
  'hang a start on another motion': (a, b) =>
    withOne(listMotions, a, (one, d) => {
      const other = pickFrom(
        d.motions.filter((m) => m !== one && !m.ties && measuresAlike(m, one)),
        b,
      );
      const isHungOn = d.motions.some((m) => JSON.stringify(m.ties ?? {}).includes(`"${one.id}"`));
      if (!other || isHungOn) return NOTHING;
      return changeMotion(one.id, 'hang', (m) => ({
        ...m,
        ties: { ...m.ties, start: { to: 'motion', motion: other.id, side: 'end', offset: '10px' } },
      }));
    }),
  'add a condition': (a) =>
    fitting(WHOLE, (d) => {
      const query = present(pickFrom(QUERIES, a));
      return d.media.some((m) => m.query === query)
        ? NOTHING
        : putMedia({ id: newId('q'), name: query, query }, true);
    }),
  'remove a condition': (a) =>
    withOne(
      (d) => d.media,
      a,
      (one) => removeMedia(one.id),
      WHOLE,
    ),
  'differ under a condition': (a, b) =>
    withOne(
      listMotions,
      a,
      (one, d) => {
        const media = pickFrom(d.media, b);
        if (!media || one.conditions?.some((c) => c.media === media.id)) return NOTHING;
        return editWhole(
          'differ',
          withMotion(one.id, (m) => ({
            ...m,
            conditions: [...(m.conditions ?? []), { media: media.id, on: !m.on }],
          })),
        );
      },
      WHOLE,
    ),
};
/** View progress of its own: a phase point fits it. */
const measureOwn = (m: Motion) => asView(m.driver) !== null && !m.ties;

/** Their names, those that make something more often, so that documents grow. */
export const EDIT_NAMES = [
  ...Object.keys(RANDOM_EDITS),
  ...new Array<string>(12).fill('add an effect'),
  // Few documents have two parts on one trigger.
  ...new Array<string>(3).fill('chain a part'),
];
