/** Values in keyframes that motions of otherwise equal keyframes have of their own. */
import { itemAt } from '../../assert/index.ts';
import type { Entry } from './entry.ts';
import type { Frame, KeyframesBlock } from './keyframes-css.ts';

/** So many motions make a group worth its custom properties. */
export const MIN_USERS = 3;
const MAX_VALUES = 12;

export interface User {
  entry: Entry;
  block: KeyframesBlock;
}

/** A value in keyframes that each motion has its own of. */
export interface Slot {
  frame: number;
  declaration: number;
  place: string;
  property: string;
}

export function grouped(users: readonly User[], key: (entry: Entry, block: KeyframesBlock) => string) {
  const out = new Map<string, User[]>();
  for (const u of users) {
    const k = key(u.entry, u.block);
    out.set(k, [...(out.get(k) ?? []), u]);
  }
  return out;
}

export const countMotions = (users: readonly User[]): number =>
  new Set(users.map((u) => u.entry.motion.id)).size;

const listSlots = (frames: readonly Frame[]): Slot[] =>
  frames.flatMap(({ place, declarations }, frame) =>
    declarations.flatMap(([property], declaration) =>
      // A registered property takes no value that is not there yet.
      property.startsWith('--') ? [] : [{ frame, declaration, place, property }],
    ),
  );

export const valueAt = ({ frames }: Pick<KeyframesBlock, 'frames'>, { frame, declaration }: Slot): string =>
  itemAt(itemAt(frames, frame).declarations, declaration)[1];

/** What is left of keyframes once some values are taken out of them. */
export const masked = ({ frames }: Pick<KeyframesBlock, 'frames'>, slots: readonly Slot[]): string =>
  JSON.stringify(
    frames.map((f, frame) =>
      f.declarations.map(([, value], declaration) =>
        slots.some((s) => s.frame === frame && s.declaration === declaration) ? null : value,
      ),
    ),
  );

/** One slot each, then two, the first of them first. */
function subsets(slots: readonly Slot[]): Slot[][] {
  const pairs = slots.flatMap((a, i) => slots.slice(i + 1).map((b) => [a, b]));
  return [...slots.map((s) => [s]), ...pairs];
}

/** Groups of one shape that differ in a value or two, the largest first. */
export function findGroups(users: readonly User[]): { users: User[]; slots: Slot[] }[] {
  const all = listSlots(itemAt(users, 0).block.frames);
  if (all.length > MAX_VALUES) return [];
  const out: { users: User[]; slots: Slot[] }[] = [];
  let left = users;
  for (const slots of subsets(all)) {
    const groups = [...grouped(left, (_, block) => masked(block, slots)).values()]
      .filter((list) => isWorthIt(list) && slots.every((s) => differ(list, s)))
      .sort((a, b) => b.length - a.length);
    for (const list of groups) out.push({ users: list, slots });
    left = left.filter((u) => !groups.some((list) => list.includes(u)));
  }
  return out;
}

/** Where most motions have values of their own; what many say alike stays one set of keyframes for all of them. */
function isWorthIt(users: readonly User[]): boolean {
  const texts = new Set(users.map((u) => u.block.text)).size;
  return texts >= MIN_USERS && countMotions(users) < 2 * texts;
}

const differ = (users: readonly User[], slot: Slot): boolean =>
  new Set(users.map((u) => valueAt(u.block, slot))).size > 1;

/** The custom property of a slot: `--lv-rise-from`. */
export function slotProperty(slot: Slot, { name, slots }: { name: string; slots: readonly Slot[] }): string {
  const { place, property, frame } = slot;
  const where = /^[a-z]+$/.test(place) ? place : `at-${place.replace(/[^\w]+/g, '')}`;
  const isAlone = slots.filter((s) => s.frame === frame).length === 1;
  return `--${name}-${isAlone ? where : `${where}-${property}`}`;
}
