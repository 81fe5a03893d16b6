/**
 * Rules as a person writes them: what several elements share is said once, for all of them, and what differs is said after it. Elements are
 * found by one plain rule each at most; what several find comes later and is more specific, so no order matters but that.
 */
import { itemAt } from '../../assert/index.ts';
import { isAnimationList, isNone } from './animation-lists.ts';
import type { WrittenRule } from './nest.ts';
import type { Piece } from './piece.ts';
import { declarationLines, ruleText } from './rule.ts';
import type { Declarations, StyleRule } from './rule.ts';
import { isException, joinedParts, widenable } from './widen.ts';

interface Leaf {
  piece: Piece;
  style: StyleRule;
}

/** Whether it says all of an element’s animations. */
const isWhole = ({ style: { within, set, over } }: Leaf): boolean =>
  within === undefined && over === undefined && 'animation-name' in set && !isNone(set);

const toText = ({ style }: Leaf): string => `${style.within ?? ''}\n${declarationLines(style).join('\n')}`;
/** What a rule shares with others: its keyframes, or all that it says. */
const toKey = (leaf: Leaf): string =>
  isWhole(leaf) ? String(leaf.style.set['animation-name']) : toText(leaf);

/** In the order in which each key comes first. */
function grouped<T>(list: readonly T[], key: (one: T) => string): T[][] {
  const out = new Map<string, T[]>();
  for (const one of list) {
    const k = key(one);
    out.set(k, [...(out.get(k) ?? []), one]);
  }
  return [...out.values()];
}

/** An exception that plays something else stands with the rule that it is one of, as far as nothing else plays that too. */
function withOwnExceptions(groups: readonly Leaf[][], whole: readonly Leaf[]): Leaf[][] {
  const moved = new Map<Leaf[], Leaf[]>();
  for (const group of groups) {
    const leaf = itemAt(group, 0);
    if (group.length > 1 || !isWhole(leaf)) continue;
    const home = groups.find(
      (other) => other !== group && other.some((l) => isWhole(l) && canBeException(leaf, l, other, whole)),
    );
    if (home) moved.set(group, home);
  }
  return groups
    .filter((g) => !moved.has(g))
    .map((g) => [...g, ...[...moved].flatMap(([from, to]) => (to === g ? from : []))]);
}

const canBeException = (leaf: Leaf, of: Leaf, group: readonly Leaf[], whole: readonly Leaf[]): boolean =>
  isException(leaf.style, of.style) && widenable(of.style, [...group, leaf].map(toStyle), whole.map(toStyle));

/** What all of them get where nothing else is said: the lists of the first. */
const sharedBy = ([first, ...rest]: readonly [Leaf, ...Leaf[]]): Declarations =>
  Object.fromEntries(
    Object.entries(first.style.set).filter(
      ([p, value]) => isAnimationList(p) || rest.every((l) => l.style.set[p] === value),
    ),
  );

/** Tracks of two pins are never one element. */
const TRACK = /^\.(?:[a-z][\w-]*-)?hold-[\w-]+(?:::after)?$/;
const areTracks = (a: string, b: string): boolean => a !== b && TRACK.test(a) && TRACK.test(b);

/** Whether two rules say something of one property, so that their order may count. */
const isRelated = (a: Leaf, b: Leaf): boolean =>
  !areTracks(a.style.selector, b.style.selector) && Object.keys(a.style.set).some((p) => p in b.style.set);

/**
 * Declarations on the page’s own elements, in their order: what says the same joins the first that does, and what is said of the same elements
 * too, where nothing between them speaks of the same properties.
 */
function inPlace(leaves: readonly Leaf[]): Leaf[][] {
  const out: Leaf[][] = [];
  for (const leaf of leaves) {
    let at = out.length;
    while (at > 0 && !out[at - 1]!.some((l) => isRelated(l, leaf))) at--;
    // Up to the last that is related it can move, and beside that one if it says just the same.
    const from = Math.max(0, at - 1);
    const same = out.findIndex((group, i) => i >= from && toText(itemAt(group, 0)) === toText(leaf));
    if (same >= 0) {
      out[same]!.push(leaf);
      continue;
    }
    const own = out.findIndex((group, i) => i >= at && group.length === 1 && isAlike(itemAt(group, 0), leaf));
    if (own < 0) out.push([leaf]);
    else out[own] = [merged(itemAt(out[own]!, 0), leaf)];
  }
  return out;
}

const isAlike = (a: Leaf, b: Leaf): boolean =>
  a.style.selector === b.style.selector &&
  a.style.within === b.style.within &&
  !a.style.over &&
  !b.style.over;

const merged = (a: Leaf, b: Leaf): Leaf => ({
  piece: { ...a.piece, motions: [...new Set([...a.piece.motions, ...b.piece.motions])] },
  style: { ...a.style, set: { ...a.style.set, ...b.style.set } },
});

/** Writes the rules of one style sheet, block by block. */
export class Condenser {
  /** selectors that are widened to all, since what their `:not()` takes out has heavier rules that say otherwise, wherever they stand */
  private readonly widened = new Set<string>();

  /** Rules of pieces that stand under one condition. */
  rules(pieces: readonly Piece[]): WrittenRule[] {
    const leaves = pieces.flatMap((piece) =>
      piece.styles.flatMap((style) => (ruleText(style) ? [{ piece, style }] : [])),
    );
    const isLast = (l: Leaf) => l.piece.id.startsWith('both:');
    const [plain, last] = [leaves.filter((l) => !isLast(l)), leaves.filter(isLast)];
    const whole = plain.filter(isWhole);
    const groups = withOwnExceptions(
      grouped(
        plain.filter((l) => !l.piece.stays),
        toKey,
      ),
      whole,
    );
    return [
      ...inPlace(plain.filter((l) => l.piece.stays)).flatMap((same) => this.write(same)),
      ...groups.flatMap((group) =>
        isWhole(itemAt(group, 0))
          ? this.withExceptions(group as [Leaf, ...Leaf[]], whole)
          : this.write(group),
      ),
      ...last.flatMap((l) => this.write([l])),
    ];
  }

  /** The first says what all of them get, the others what they have instead, unless saying it all is shorter. */
  private withExceptions(given: readonly [Leaf, ...Leaf[]], whole: readonly Leaf[]): WrittenRule[] {
    const [group, here] = this.widestFirst(given, whole);
    const shared = sharedBy(group);
    const over = ({ piece, style }: Leaf): Leaf => ({ piece, style: { ...style, over: shared } });
    const isShort = (l: Leaf) => toText(over(l)).length < toText(l).length;
    const [joined, apart] = [group.filter(isShort), group.filter((l) => !isShort(l))];
    return [
      ...this.write(joined, { set: shared }, here),
      ...grouped([...joined.map(over), ...apart], toText).flatMap((same) => this.write(same)),
    ];
  }

  /** With the selectors that are widened for this group: one whose exceptions win by their place only is so nowhere else. */
  private widestFirst(
    group: readonly [Leaf, ...Leaf[]],
    whole: readonly Leaf[],
  ): [[Leaf, ...Leaf[]], ReadonlySet<string>] {
    const all = whole.map(toStyle);
    const wide = group.find((leaf) => widenable(leaf.style, group.map(toStyle), all));
    if (!wide) return [[...group], this.widened];
    const { selector } = wide.style;
    if (widenable(wide.style, [], all)) this.widened.add(selector);
    return [[wide, ...group.filter((l) => l !== wide)], new Set([...this.widened, selector])];
  }

  private write(
    leaves: readonly Leaf[],
    style: Omit<StyleRule, 'selector'> | undefined = leaves[0]?.style,
    widened: ReadonlySet<string> = this.widened,
  ): WrittenRule[] {
    if (!style) return [];
    const selector = joinedParts(
      leaves.map((l) => l.style.selector),
      widened,
    ).join(',\n');
    const lines = declarationLines(style);
    const pieces = [...new Set(leaves.map((l) => l.piece))];
    return lines.length ? [{ selector, within: style.within, lines, pieces }] : [];
  }
}

const toStyle = (l: Leaf): StyleRule => l.style;
