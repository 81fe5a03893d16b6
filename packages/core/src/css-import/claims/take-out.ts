/** Takes out of the page's files what the document writes now. Everything else stays as it is, to the byte. */
import { itemAt, lastItem, present } from '../../assert/index.ts';
import type * as postcss from 'postcss';
import type { Sheet } from '../source/sheets.ts';
import { readSelectors } from '../source/selector.ts';
import { splitTop } from '../../text/index.ts';
import { shortened } from '../source/source.ts';

/** A declaration or a block that was read into motions. */
export interface Claim {
  /** file, conditions and selector; the same after the file has changed elsewhere */
  key: string;
  node: postcss.Declaration | postcss.AtRule;
  sheet: Sheet;
  /** selector of the elements that the motions have; for others of its rule the declaration stays. Null: for none */
  only: string | null;
}

/** Longest selector by which a rule may be narrowed, characters. */
export const MAX_ONLY = 1500;
/** Stands between what is claimed and for whom; no selector has it. */
const FOR = ' ⊂ ';

/** The selector in a key that narrows a rule, and the key without it. */
export function splitKey(key: string): { whole: string; only: string | null } {
  const at = key.lastIndexOf(FOR);
  return at < 0 ? { whole: key, only: null } : { whole: key.slice(0, at), only: key.slice(at + FOR.length) };
}

export function findClaim(
  node: Claim['node'],
  sheet: Sheet,
  part: string,
  only: string | null = null,
): Claim {
  const chain: string[] = [];
  for (let at: postcss.Node | undefined = node; at && at.type !== 'root'; at = at.parent) {
    if (at.type === 'rule') chain.unshift((at as postcss.Rule).selector);
    else if (at.type === 'atrule')
      chain.unshift(`@${(at as postcss.AtRule).name} ${(at as postcss.AtRule).params}`);
  }
  const where = sheet.inline
    ? `style of ${sheet.inline.attribs.id ?? sheet.inline.attribs.class ?? sheet.inline.name}`
    : '';
  const whole = shortened(`${sheet.lines.path} ${where}${chain.join(' ')} ${part}`, 300);
  return { key: only === null ? whole : whole + FOR + only, node, sheet, only };
}

interface Cut {
  from: number;
  to: number;
  /** what stands there instead */
  put?: string;
}

/** The cut with the line it stands on, where nothing else is there. */
function withLine(text: string, { from, to }: Cut): Cut {
  let start = from;
  while (start > 0 && /[ \t]/.test(present(text[start - 1]))) start--;
  let end = to;
  while (end < text.length && /[ \t]/.test(present(text[end]))) end++;
  // Beside other things on its line it goes with the space before it.
  if (start > 0 && text[start - 1] !== '\n') return { from: start, to };
  if (end >= text.length) return { from: start, to: end };
  if (text[end] === '\r' && text[end + 1] === '\n') return { from: start, to: end + 2 };
  return text[end] === '\n' ? { from: start, to: end + 1 } : { from, to };
}

/** Everything around the rules that stay for some elements: there is where they stay. */
function around(narrowed: Iterable<postcss.Node>): Set<postcss.Node> {
  const out = new Set<postcss.Node>();
  for (const { parent } of narrowed)
    for (let at = parent?.type === 'rule' ? parent.parent : parent; at; at = at.parent) out.add(at);
  return out;
}

/** What stands in a sheet around a claimed node with nothing left in it goes too. */
function emptied(claimed: Set<postcss.Node>, kept: ReadonlySet<postcss.Node>): Set<postcss.Node> {
  const all = new Set(claimed);
  for (const node of claimed)
    for (let at: postcss.Node | undefined = node.parent; at && at.type !== 'root'; at = at.parent) {
      const container = at as postcss.Container;
      if (kept.has(at) || !container.nodes?.every((n) => all.has(n as postcss.Node))) break;
      all.add(at);
    }
  return all;
}

const hasParentIn = (node: postcss.Node, all: ReadonlySet<postcss.Node>): boolean =>
  node.parent !== undefined && all.has(node.parent as postcss.Node);

/** Declarations that go, and those that stay for others: with the selectors of the elements that they leave. */
function gathered(claims: readonly Claim[]) {
  const whole = new Set<postcss.Node>(claims.filter((c) => c.only === null).map((c) => c.node));
  const narrowed = new Map<postcss.Node, string[]>();
  for (const { node, only } of claims) {
    if (only === null || whole.has(node)) continue;
    narrowed.set(node, [...new Set([...(narrowed.get(node) ?? []), only])]);
  }
  return { whole, narrowed };
}

function byContainer(nodes: ReadonlyMap<postcss.Node, unknown>): Map<postcss.Container, postcss.Node[]> {
  const out = new Map<postcss.Container, postcss.Node[]>();
  for (const node of nodes.keys()) {
    const parent = node.parent as postcss.Container;
    out.set(parent, [...(out.get(parent) ?? []), node]);
  }
  return out;
}

/** A rule’s selectors less some elements; pseudo-elements and states stay, because no motion has them. */
const less = (selector: string, only: readonly string[]): string =>
  splitTop(selector)
    .map((s) => {
      const read = readSelectors(s.replace(/^[>+~]/, '*$&'))?.[0];
      return read?.obstacle || read?.pseudo ? s : `${s}:not(:where(${only.join(', ')}))`;
    })
    .join(', ');

/** What stays of a rule for the elements that no motion has: a rule of its own before it, or one inside where a condition stands in a rule. */
function findHold(
  container: postcss.Container,
  kept: readonly postcss.Node[],
  narrowed: ReadonlyMap<postcss.Node, readonly string[]>,
  sheet: Sheet,
): Cut {
  const only = present(narrowed.get(itemAt(kept, 0)));
  const within = container.type === 'atrule';
  const at = within ? itemAt(kept, 0) : container;
  const from = sheet.offset + (at.source?.start?.offset ?? 0);
  const line = lastItem(sheet.lines.text.slice(0, from).split('\n'));
  const between = line.trim() === '' ? `\n${line}` : within ? '' : ' ';
  const selector = within ? less('&', only) : less((container as postcss.Rule).selector, only);
  return {
    from,
    to: from,
    put: `${within && line.trim() !== '' ? ' ' : ''}${selector} { ${kept.map((d) => `${d.toString()};`).join(' ')} }${between}`,
  };
}

export interface TakenOut {
  before: string;
  text: string;
  /** lines of the text before in which something went, counted from 1 */
  lines: number[];
}

/** What the files become in which something is claimed, by path. */
export function takenOut(claims: readonly Claim[]): Map<string, TakenOut> {
  const { whole, narrowed } = gathered(claims);
  const gone = emptied(new Set([...whole, ...narrowed.keys()]), around(narrowed.keys()));
  const cuts = new Map<string, { text: string; list: Cut[] }>();
  const sheets = new Set(claims.map((c) => c.sheet));
  for (const sheet of sheets) {
    const { path, text } = sheet.lines;
    const file = cuts.get(path) ?? { text, list: [] };
    cuts.set(path, file);
    const nodes = [...gone].filter((n) => n.root() === sheet.root && !hasParentIn(n, gone));
    const rests = [...byContainer(narrowed)].filter(([c]) => c.root() === sheet.root);
    for (const [container, kept] of rests) file.list.push(findHold(container, kept, narrowed, sheet));
    if (sheet.attribute && sheet.root.nodes.every((n) => gone.has(n))) {
      const { from, to } = sheet.attribute;
      file.list.push({ from: from - (/\s/.test(text[from - 1] ?? '') ? 1 : 0), to });
      continue;
    }
    for (const n of nodes) {
      const start = n.source?.start?.offset;
      if (start === undefined) continue;
      // What was never closed reaches to the end.
      const end = n.source?.end?.offset ?? n.root().source?.input.css.length ?? start;
      file.list.push(withLine(text, { from: sheet.offset + start, to: sheet.offset + end }));
    }
  }
  const out = new Map<string, TakenOut>();
  for (const [path, { text, list }] of cuts) {
    list.sort(
      (a, b) => a.from - b.from || Number(b.put !== undefined) - Number(a.put !== undefined) || b.to - a.to,
    );
    let rest = '';
    let at = 0;
    const lines = new Set<number>();
    const lineAt = (offset: number) => text.slice(0, offset).split('\n').length;
    for (const { from, to, put } of list) {
      if (put !== undefined) {
        // Where what stood around it goes too, it stands where that began.
        rest += text.slice(at, Math.max(at, from)) + put;
        at = Math.max(at, from);
        continue;
      }
      if (to <= at) continue;
      const begin = Math.max(at, from);
      rest += text.slice(at, begin);
      at = to;
      const last = lineAt(text[to - 1] === '\n' ? to - 1 : to);
      for (let n = lineAt(begin + (/^\s*/.exec(text.slice(begin, to))?.[0].length ?? 0)); n <= last; n++)
        lines.add(n);
    }
    out.set(path, { before: text, text: rest + text.slice(at), lines: [...lines] });
  }
  return out;
}
