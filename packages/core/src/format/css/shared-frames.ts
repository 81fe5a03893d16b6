/**
 * Keyframes that several motions have in common are written once, under what the names of those motions share. Where no more than two values
 * differ among at least three motions, those values are custom properties on their elements.
 */
import { itemAt, present } from '../../assert/index.ts';
import { isTimed } from '../../drivers/index.ts';
import type { MotionDocument } from '../../motion/index.ts';
import { findMatches } from '../../page/index.ts';
import { cssNames, slug, withPrefix } from '../selectors/names.ts';
import type { Naming } from '../selectors/names.ts';
import type { Entry } from './entry.ts';
import {
  MIN_USERS,
  countMotions,
  findGroups,
  grouped,
  masked,
  slotProperty,
  valueAt,
} from './frame-slots.ts';
import type { Slot, User } from './frame-slots.ts';
import { framesText, named } from './keyframes-css.ts';
import type { Frame, KeyframesBlock } from './keyframes-css.ts';
import type { CssDraft } from './write-css.ts';

/** What a group of keyframes is written as. */
interface Form {
  name: string;
  slots: readonly Slot[];
  /** its keyframes; they hold but for the slots */
  frames: readonly Frame[];
}

/** The words that all names end with; empty where there are none, or a name has no other. */
function sharedWords(names: readonly string[]): string {
  const words = names.map((n) => n.split(/\s+/).reverse());
  const [first = []] = words;
  const own = first.findIndex((w, i) => words.some((list) => list[i] !== w || list.length === i + 1));
  const shared = first.slice(0, Math.max(0, own)).reverse().join(' ');
  // A number is no name.
  return /\p{L}{2}/u.test(shared) ? shared : '';
}

/** What keyframes do that have no other name in common: by the properties that they set. */
const DEEDS: Record<string, string> = {
  'opacity translate': 'slide in',
  'opacity scale': 'grow in',
  'opacity transform': 'come in',
  'opacity rotate': 'turn in',
  'clip-path': 'wipe',
  opacity: 'fade',
  rotate: 'turn',
  scale: 'grow',
  transform: 'shift',
  translate: 'slide',
};

const toDeed = (frames: readonly Frame[]): string => {
  const properties = new Set(frames.flatMap((f) => f.declarations.map(([property]) => property)));
  return DEEDS[[...properties].sort().join(' ')] ?? '';
};

/** Keyframes of what time plays are told from those of what the scroll scrubs, so that each keeps a name that fits it. */
const toKind = ({ motion }: Entry, { name }: KeyframesBlock): string =>
  isTimed(motion.driver) && !name.endsWith('-still') ? 'timed' : '';

const toKey = (entry: Entry, block: KeyframesBlock): string => `${toKind(entry, block)}\n${block.text}`;

/** The same for keyframes that differ in values only. */
const toShape = (entry: Entry, block: KeyframesBlock): string =>
  JSON.stringify([
    toKind(entry, block),
    block.frames.map((f) => [f.place, f.easing, f.declarations.map(([property]) => property)]),
  ]);

export class SharedFrames {
  /** by text, and by shape */
  private readonly plain = new Map<string, Form>();
  private readonly shaped = new Map<string, Form[]>();
  private readonly own: ReadonlyMap<string, string>;

  constructor(
    private readonly document: MotionDocument,
    private readonly naming: Naming & { prefix: string },
  ) {
    this.own = cssNames(document.motions, naming);
  }

  /** Drafts with their keyframes under the names that they share. What is known already keeps its form. */
  share(drafts: readonly CssDraft[]): CssDraft[] {
    const users = drafts.flatMap((d) =>
      d.entries.filter(isShared).flatMap((entry) => entry.blocks.map((block) => ({ entry, block }))),
    );
    const left = users.filter(({ entry, block }) => !this.find(entry, block));
    for (const [shape, list] of grouped(left, toShape))
      for (const group of countMotions(list) >= MIN_USERS ? findGroups(list) : []) {
        if (this.meet(group.users, drafts)) continue;
        const { frames } = itemAt(group.users, 0).block;
        const form = { name: this.choose(group.users), slots: group.slots, frames };
        this.shaped.set(shape, [...(this.shaped.get(shape) ?? []), form]);
      }
    for (const [key, list] of grouped(left, toKey)) {
      const { entry, block } = itemAt(list, 0);
      if (!this.find(entry, block))
        this.plain.set(key, { name: this.choose(list), slots: [], frames: block.frames });
    }
    return drafts.map((d) => ({ ...d, entries: d.entries.map((e) => (isShared(e) ? this.written(e) : e)) }));
  }

  private find(entry: Entry, block: KeyframesBlock): Form | undefined {
    const shaped = this.shaped.get(toShape(entry, block)) ?? [];
    return (
      shaped.find((f) => masked(f, f.slots) === masked(block, f.slots)) ?? this.plain.get(toKey(entry, block))
    );
  }

  /** Whether an element has two of them: it would have one custom property for both. */
  private meet(users: readonly User[], drafts: readonly CssDraft[]): boolean {
    const layout = itemAt(itemAt(drafts, 0).layouts, 0);
    const owner = new Map<number, string>();
    return users.some(({ entry: { motion } }) =>
      findMatches(layout, motion.targets.selector).some((e) => {
        const other = owner.get(e);
        owner.set(e, motion.id);
        return other !== undefined && other !== motion.id;
      }),
    );
  }

  /** What all of their names end with, or what they do, where nothing else is called so; else the name of the first. */
  private choose(users: readonly User[]): string {
    const ids = new Set(users.map((u) => u.entry.motion.id));
    const motions = this.document.motions.filter((m) => ids.has(m.id));
    const first = users.find((u) => u.entry.motion.id === motions[0]?.id) ?? itemAt(users, 0);
    // Several of one name, told apart by numbers, keep it.
    if (new Set(motions.map((m) => m.name.replace(/(?:\s+\d+)+$/, ''))).size < 2) return first.block.name;
    const suffix = first.block.name.slice((this.own.get(first.entry.motion.id) ?? '').length);
    const shared = suffix === '-still' ? '' : sharedWords(motions.map((m) => m.name));
    const deed = toDeed(first.block.frames);
    const bases = [...(shared ? [slug(shared) + suffix] : []), ...(deed ? [slug(deed)] : [])];
    const taken = new Set([
      ...this.own.values(),
      ...[...this.plain.values(), ...[...this.shaped.values()].flat()].map((f) => f.name),
      ...(this.naming.taken ?? []),
    ]);
    const free = bases.map((b) => withPrefix(this.naming.prefix, b)).find((name) => !taken.has(name));
    return free ?? first.block.name;
  }

  private written(entry: Entry): Entry {
    const blocks = entry.blocks.map((block) => inForm(block, present(this.find(entry, block))));
    return blocks.every((b, i) => b === entry.blocks[i]) ? entry : { ...entry, blocks };
  }
}

function inForm(block: KeyframesBlock, form: Form): KeyframesBlock {
  const { name, slots } = form;
  if (slots.length === 0) return named(block, name);
  const frames = block.frames.map((f, frame): Frame => ({
    ...f,
    declarations: f.declarations.map(([p, value], declaration) => {
      const slot = slots.find((s) => s.frame === frame && s.declaration === declaration);
      return [p, slot ? `var(${slotProperty(slot, form)})` : value];
    }),
  }));
  const tuned = slots.map((s) => [slotProperty(s, form), valueAt(block, s)] as const);
  return named(
    { ...block, name: '', frames, text: framesText(frames), tuned: [...block.tuned, ...tuned] },
    name,
  );
}

/** A script finds what it damps by its name, and properties to tune are named after it. */
const isShared = ({ motion }: Entry): boolean => motion.damping.kind === 'none' && !motion.tunable;
