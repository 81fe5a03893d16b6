/** Which declarations and blocks go, because the document writes them now. */
import type { ReadDeclaration, ReadRule, ReadRules } from '../cascade/rules.ts';
import { carries, moves } from '../cascade/rules.ts';
import { findClaim, splitKey } from './take-out.ts';
import type { Claim } from './take-out.ts';

const ANIMATION = '{animation}';

const words = (css: string) => css.match(/-{0,2}[A-Za-z_\u0080-\uffff][\w\u0080-\uffff-]*/g) ?? [];
const dashed = (css: string) => css.match(/--[\w\u0080-\uffff-]+/g) ?? [];

/** Custom properties that earlier hand-offs have put in, named after their keyframes. */
export function isOwn(property: string, isName: (name: string) => boolean): boolean {
  if (property === '--lv-step') return true;
  const name = /^--(.+)-(?:step|by|start|end|distance|duration|delay|(?:from|to|at-\d+)(?:-[a-z-]+)?)$/.exec(
    property,
  )?.[1];
  return name !== undefined && (name.startsWith('lv-') || isName(name));
}

/** What of a rule’s elements was read: all of them, none, or those that a selector finds. */
export type Share = 'all' | 'none' | { only: string };

/** `animated`: custom properties whose registration the document has. `frames`: names of the keyframes that were read. */
export function claimsFor(
  { rules, keyframes, registered }: ReadRules,
  toShare: (rule: ReadRule) => Share,
  animated: ReadonlySet<string>,
  frames: ReadonlySet<string> = new Set(),
): Claim[] {
  const out: Claim[] = [];
  // Names may come from custom properties.
  const used = new Set<string>(frames);
  const needed = new Set<string>();
  let hidden = false;
  const carriers: { rule: ReadRule; list: ReadDeclaration[] }[] = [];
  for (const rule of rules) {
    const moving = rule.declarations.filter((d) => moves(d.property));
    const list = rule.declarations.filter((d) => carries(d.property));
    if (list.length) carriers.push({ rule, list });
    const share = moving.length > 0 ? toShare(rule) : 'none';
    // What is read for some is used by them and needed by the others.
    for (const d of moving)
      for (const w of words(d.value)) {
        if (share !== 'none') used.add(w);
        if (share !== 'all') needed.add(w);
      }
    if (share !== 'all' && moving.some((d) => /\bvar\(/.test(d.value))) hidden = true;
    if (share === 'none') continue;
    const only = share === 'all' ? null : share.only;
    for (const d of moving) out.push(findClaim(d.node, d.sheet, ANIMATION, only));
  }
  // What is left may take any name that a custom property holds.
  if (hidden)
    for (const { declarations } of rules)
      for (const d of declarations)
        if (d.property.startsWith('--')) for (const w of words(d.value)) needed.add(w);
  // A trigger may stand on a named timeline of its own.
  for (const { list } of carriers)
    for (const d of list)
      if (d.property === 'timeline-trigger' && dashed(d.value).some((n) => used.has(n)))
        for (const n of dashed(d.value)) used.add(n);
  const isFree = (name: string) => used.has(name) && !needed.has(name);
  for (const { list } of carriers) {
    const names = list.flatMap((d) => dashed(d.value));
    if (names.length === 0 || !names.every(isFree)) continue;
    for (const d of list) out.push(findClaim(d.node, d.sheet, '{timeline}'));
  }
  // What lets go of timelines elsewhere has nothing to let go of any more.
  if (out.some((c) => c.key.endsWith('{timeline}')))
    for (const { list } of carriers)
      if (list.every((d) => /^(view|scroll)-timeline(-name)?$/.test(d.property) && d.value === 'none'))
        for (const d of list) out.push(findClaim(d.node, d.sheet, '{timeline}'));
  const left = keyframes.filter((k) => !isFree(k.name));
  for (const k of keyframes) if (!left.includes(k)) out.push(findClaim(k.node, k.sheet, ''));
  for (const k of left)
    for (const stop of k.keyframes)
      for (const d of stop.declarations) for (const n of dashed(d.value)) needed.add(n);
  for (const r of registered.values()) if (animated.has(r.name)) out.push(findClaim(r.node, r.sheet, ''));
  for (const rule of rules)
    for (const d of rule.declarations)
      if (isOwn(d.property, isFree) && !needed.has(d.property))
        out.push(findClaim(d.node, d.sheet, '{step}'));
  return out;
}

/** Rules that were narrowed once are narrowed in the same way again, whatever can be read of the page by now. */
export function narrowedClaims({ rules }: ReadRules, keys: readonly string[]): Claim[] {
  const wanted = new Map<string, string[]>();
  for (const key of keys) {
    const { whole, only } = splitKey(key);
    if (only !== null) wanted.set(whole, [...(wanted.get(whole) ?? []), only]);
  }
  if (wanted.size === 0) return [];
  return rules.flatMap((rule) =>
    rule.declarations
      .filter((d) => moves(d.property))
      .flatMap((d) =>
        (wanted.get(findClaim(d.node, d.sheet, ANIMATION).key) ?? []).map((only) =>
          findClaim(d.node, d.sheet, ANIMATION, only),
        ),
      ),
  );
}
