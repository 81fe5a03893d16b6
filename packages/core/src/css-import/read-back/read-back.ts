/**
 * Code that Lyvek has written and somebody has edited, read back into the document that it was written from. What changed is what reads
 * otherwise than before: everything else of the document stays as it is, with its names, meetings, ties and presets. What no document can say
 * is given back as text, so that it can stay where it was.
 */
import type { Element } from 'domhandler';
import type * as postcss from 'postcss';
import { itemAt, present } from '../../assert/index.ts';
import { addRead } from '../../edit/imported.ts';
import { asPin, isAtLoad, isRangeless } from '../../drivers/index.ts';
import { DEFAULT_PREFIX, findEventTrigger, trackClasses } from '../../format/index.ts';
import { readDocument } from '../../motion/index.ts';
import type { Motion, MotionDocument } from '../../motion/index.ts';
import { parseLength } from '../../page/index.ts';
import type { Layout } from '../../page/index.ts';
import { splitParts } from '../compose/compose.ts';
import type { AnimationSlot } from '../compose/slots.ts';
import { carries, moves } from '../cascade/rules.ts';
import { PageElements } from '../source/elements.ts';
import { parseHtml } from '../source/sheets.ts';
import { asText, listAround, plainDeclarations, readCode } from './code.ts';
import type { Code } from './code.ts';
import { changedMotion } from './motion-change.ts';
import type { ReadSlot } from './motion-change.ts';
import { makeSkeleton } from './skeleton.ts';

/** Code that no document can say, and why. */
export interface UnsupportedCode {
  text: string;
  reason: string;
}

export interface ReadBack {
  document: MotionDocument;
  /** ids of motions that are others now, are new, or are gone */
  changed: string[];
  unsupported: UnsupportedCode[];
}

/** Motions on an element, in the order in which its animations are listed. */
const writtenOn = (
  document: MotionDocument,
  targets: ReadonlyMap<string, ReadonlySet<Element>>,
  e: Element,
): Motion[] => {
  const list = document.motions.filter((m) => isWritten(m, document) && targets.get(m.id)?.has(e));
  return [...list.filter((m) => !isAtLoad(m.driver)), ...list.filter((m) => isAtLoad(m.driver))];
};

const isWritten = (m: Motion, document: MotionDocument): boolean =>
  !isRangeless(m.driver) &&
  findEventTrigger(m, document) === null &&
  (m.on || m.conditions?.some((c) => c.on === true) === true);

/** Which slot after an edit is which one before it: by place where there are as many, else by the names of their keyframes. */
function matchSlots(
  before: readonly AnimationSlot[],
  after: readonly AnimationSlot[],
): (AnimationSlot | null)[] {
  if (before.length === after.length) return [...after];
  const left = [...after];
  return before.map((b) => {
    const at = left.findIndex((a) => a.of.draft.name === b.of.draft.name);
    return at < 0 ? null : itemAt(left.splice(at, 1), 0);
  });
}

/** What elements play in one place of their lists, as one motion would say it; null where it takes several. */
function asOne(elements: readonly Element[], slots: readonly AnimationSlot[]): ReadSlot | null {
  const parts = splitParts({ elements: [...elements], each: slots.map((s) => [s]) });
  return parts.length === 1 ? itemAt(itemAt(parts, 0).slots, 0) : null;
}

const toJson = (slots: readonly AnimationSlot[] | null): string =>
  JSON.stringify(slots?.map((s) => [s.on, [...s.overrides], s.reducedMotion, s.of.draft]) ?? null);

class Reading {
  private readonly unsupported: UnsupportedCode[] = [];
  private readonly changed: string[] = [];
  private readonly targets: Map<string, ReadonlySet<Element>>;
  private readonly fresh = new Map<Element, Set<AnimationSlot>>();

  constructor(
    private document: MotionDocument,
    private readonly elements: PageElements,
    private readonly base: Code,
    private readonly edited: Code,
  ) {
    this.targets = new Map(
      document.motions.map((m) => [m.id, new Set(elements.all(m.targets.selector) ?? [])]),
    );
  }

  read(): ReadBack {
    const moved = [...new Set([...this.targets.values()].flatMap((set) => [...set]))];
    const differing = new Set(
      moved.filter((e) => toJson(this.base.slots(e)) !== toJson(this.edited.slots(e))),
    );
    for (const m of this.document.motions)
      if (isWritten(m, this.document) && [...present(this.targets.get(m.id))].some((e) => differing.has(e)))
        this.change(m);
    this.findNew(moved);
    this.readPlain();
    this.keepRest();
    return { document: this.document, changed: this.changed, unsupported: this.unsupported };
  }

  private change(m: Motion): void {
    const all = [...present(this.targets.get(m.id))];
    const pairs = all.map((e) => this.pair(m, e));
    if (pairs.every((p) => p !== null && p.after === null)) return this.remove(m);
    const [before, after] = [pairs.map((p) => p?.before), pairs.map((p) => p?.after)];
    if (before.some((s) => !s) || after.some((s) => !s))
      return this.leave(m, all, 'its elements play different things now');
    const [a, b] = [asOne(all, before as AnimationSlot[]), asOne(all, after as AnimationSlot[])];
    if (a === null || b === null) return this.leave(m, all, 'its elements play different things now');
    const made = changedMotion(m, a, b, this.document.media);
    if ('reason' in made) return this.leave(m, all, made.reason);
    if (made.motion === m) return;
    this.put(
      this.document.motions.map((o) => (o.id === m.id ? made.motion : o)),
      m,
      all,
    );
  }

  /** A document has rules of its own about what goes together. */
  private put(motions: Motion[], m: Motion, elements: readonly Element[]): void {
    const parsed = readDocument({ ...this.document, motions });
    if (!parsed.ok) return this.leave(m, elements, parsed.problems[0]?.message ?? 'a document cannot say it');
    this.document = parsed.document;
    this.changed.push(m.id);
  }

  private remove(m: Motion): void {
    this.document = {
      ...this.document,
      motions: this.document.motions.filter((o) => o.id !== m.id),
      adjustments: this.document.adjustments.map((a) => ({ ...a, for: a.for.filter((id) => id !== m.id) })),
    };
    this.changed.push(m.id);
  }

  /** The slot of a motion on an element before and after. */
  private pair(m: Motion, e: Element): { before: AnimationSlot; after: AnimationSlot | null } | null {
    const [before, after] = [this.base.slots(e), this.edited.slots(e)];
    if (!before || !after) return null;
    const at = writtenOn(this.document, this.targets, e).findIndex((o) => o.id === m.id);
    const slot = before[at];
    return slot ? { before: slot, after: matchSlots(before, after)[at] ?? null } : null;
  }

  /** Its edited rules stay as text. */
  private leave(m: Motion, elements: readonly Element[], reason: string): void {
    const known = new Set<string>();
    this.base.root.walkDecls((d) => void known.add(declared(d)));
    this.edited.root.walkRules((rule) => {
      if (listAround(rule).some((head) => /keyframes\b/.test(head))) return;
      const found = this.elements.all(rule.selector) ?? [];
      const own = rule.nodes.filter(
        (n): n is postcss.Declaration => n.type === 'decl' && moves(n.prop) && !known.has(declared(n)),
      );
      if (own.length && found.some((e) => elements.includes(e)))
        this.unsupported.push({ text: asText(own), reason: `${m.name}: ${reason}` });
    });
    if (!this.unsupported.some((u) => u.reason.startsWith(`${m.name}: `)))
      this.unsupported.push({ text: '', reason: `${m.name}: ${reason}` });
  }

  /** Animations that no motion has: whole elements, or more of them on an element that has some. */
  private findNew(moved: readonly Element[]): void {
    for (const e of new Set([...moved, ...this.edited.reader.played().keys()])) {
      const [before, after] = [this.base.slots(e) ?? [], this.edited.slots(e) ?? []];
      if (after.length <= before.length) continue;
      const kept = new Set(matchSlots(before, after));
      this.fresh.set(e, new Set(after.filter((s) => !kept.has(s))));
    }
    if (this.fresh.size === 0) return;
    const { document: read } = this.edited.reader.read();
    const added = read.motions.filter((m) => {
      const all = this.elements.all(m.targets.selector) ?? [];
      return (
        all.length > 0 &&
        all.every((e) =>
          [...(this.fresh.get(e) ?? [])].some(
            (s) => JSON.stringify(s.of.draft.keyframes) === JSON.stringify(m.keyframes),
          ),
        )
      );
    });
    const known = new Set(this.document.motions.map((m) => m.id));
    this.document = addRead(this.document, {
      read: { ...read, motions: added, importedRules: [] },
      instead: [],
    });
    this.changed.push(...this.document.motions.flatMap((m) => (known.has(m.id) ? [] : [m.id])));
  }

  /** What was put in and nobody has read: rules that find nothing, or play what cannot be read, other at-rules, and comments. */
  private keepRest(): void {
    const known = new Set<string>();
    const base = this.base.root;
    base.walkDecls((d) => void known.add(declared(d)));
    this.edited.root.walkRules((rule) => {
      if (isFrames(rule)) return;
      const own = rule.nodes.filter(
        (n): n is postcss.Declaration => n.type === 'decl' && isRead(n.prop) && !known.has(declared(n)),
      );
      if (own.length === 0) return;
      const found = this.elements.all(rule.selector) ?? [];
      if (found.length && found.every((e) => this.edited.slots(e) !== null)) return;
      const reason = found.length ? 'it cannot be read' : 'nothing on the measured page has this selector';
      this.unsupported.push({ text: asText(own), reason });
    });
    const texts = new Set<string>();
    base.walk((n) => void (n.type === 'atrule' || n.type === 'comment' ? texts.add(n.toString()) : 0));
    const played = this.playedNames();
    this.edited.root.walk((n) => {
      if (texts.has(n.toString())) return;
      if (n.type === 'comment') this.unsupported.push({ text: n.toString(), reason: '' });
      if (n.type !== 'atrule' || GROUPS.test(n.name)) return;
      const name = n.params.trim();
      if (
        /keyframes$/.test(n.name) &&
        played.has(name) &&
        !this.unsupported.some((u) => u.text.includes(name))
      )
        return;
      if (n.name === 'property' && this.document.properties.some((p) => p.name === name)) return;
      this.unsupported.push({ text: n.toString(), reason: 'no motion uses it' });
    });
  }

  private playedNames(): Set<string> {
    const all = [...this.edited.reader.played().keys()];
    return new Set(all.flatMap((e) => this.edited.slots(e)?.map((s) => s.of.draft.name) ?? []));
  }

  /** Declarations on the page’s own elements: adjustments and the lengths of pins. */
  private readPlain(): void {
    const [before, after] = [plainDeclarations(this.base.root), plainDeclarations(this.edited.root)];
    const left = new Map<postcss.Rule, postcss.Declaration[]>();
    for (const [key, plain] of after) {
      const was = before.get(key);
      if (was?.value === plain.value) continue;
      if (this.adjust(plain, was?.value) || this.lengthen(plain)) continue;
      const rule = plain.node.parent as postcss.Rule;
      const known = left.get(rule) ?? [];
      if (!known.includes(plain.node)) left.set(rule, [...known, plain.node]);
    }
    for (const declarations of left.values())
      this.unsupported.push({ text: asText(declarations), reason: 'no motion says this' });
    for (const [key, plain] of before) if (!after.has(key)) this.adjust({ ...plain, value: '' }, plain.value);
  }

  /** An adjustment that says something else, or no longer says it. */
  private adjust({ selector, property, value }: Named, was: string | undefined): boolean {
    const isIt = (a: MotionDocument['adjustments'][number]) =>
      a.selector === selector && was !== undefined && a.declarations[property] === was;
    if (!this.document.adjustments.some(isIt)) return false;
    const adjustments = this.document.adjustments.flatMap((a) => {
      if (!isIt(a)) return [a];
      const { [property]: _, ...rest } = a.declarations;
      const declarations = value === '' ? rest : { ...a.declarations, [property]: value };
      return Object.keys(declarations).length || a.attributes ? [{ ...a, declarations }] : [];
    });
    const parsed = readDocument({ ...this.document, adjustments });
    if (parsed.ok) this.document = parsed.document;
    return parsed.ok;
  }

  /** The height of a track is how long its stage is held. */
  private lengthen({ selector, property, value }: Named): boolean {
    const tracks = trackClasses(this.document, this.document.prefix ?? DEFAULT_PREFIX);
    const pin = this.document.pins.find((p) => selector.startsWith(`.${tracks.get(p.id)}::`));
    if (!pin || property !== 'height' || !parseLength(value).ok) return false;
    const users = this.document.motions.filter((m) => asPin(m.driver)?.pin === pin.id);
    this.document = {
      ...this.document,
      pins: this.document.pins.map((p) =>
        p.id === pin.id ? { ...p, distance: { kind: 'length', value } } : p,
      ),
    };
    this.changed.push(...users.map((m) => m.id));
    return true;
  }
}

interface Named {
  selector: string;
  property: string;
  value: string;
}

/** At-rules around others. */
const GROUPS = /^(?:media|supports|layer|container|scope)$/;
const isFrames = (rule: postcss.Rule): boolean =>
  listAround(rule.first ?? rule).some((head) => /keyframes\b/.test(head));
const isRead = (property: string): boolean =>
  moves(property) || carries(property) || property.startsWith('--');

const declared = (d: postcss.Declaration): string =>
  [...listAround(d), (d.parent as postcss.Rule).selector, d.prop, d.value].join('\n');

const findTracks = (document: MotionDocument): Map<string, string> => {
  const classes = trackClasses(document, document.prefix ?? DEFAULT_PREFIX);
  return new Map(document.pins.map((p) => [p.stage, present(classes.get(p.id))]));
};

/** The page that the code is for: its layout, and its HTML with its wrappers in place where somebody has written it. */
export interface ReadPage {
  layout: Layout;
  html?: string | undefined;
}

/**
 * `base` is the code as it was written from the document, `edited` what stands there now. Never throws for what somebody has typed: broken CSS reads as what a browser makes of it.
 */
export function readBack(
  document: MotionDocument,
  base: string,
  edited: string,
  { layout, html }: ReadPage,
): ReadBack {
  if (base === edited) return { document, changed: [], unsupported: [] };
  const elements =
    html === undefined ? makeSkeleton(layout, findTracks(document)) : new PageElements(parseHtml(html));
  return new Reading(document, elements, readCode(base, elements), readCode(edited, elements)).read();
}
