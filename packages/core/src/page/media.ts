/**
 * Media conditions: which of them hold for a viewport. The features are those that a layout knows (Media Queries 4: width, height,
 * orientation, aspect-ratio with min-/max- and range forms, prefers-reduced-motion), joined with and, or, not.
 */
import { itemAt, present } from '../assert/index.ts';
import { generate, parse, toPlainObject } from './css.ts';
import type { CssNode } from './css.ts';
import { parseLength, resolveLength } from './length.ts';
import type { Parsed } from './length.ts';
import type { Viewport } from './layout.ts';

export interface MediaFacts {
  viewport: Viewport;
  /** the reader asks for reduced motion */
  reducedMotion: boolean;
}
type Test = (facts: MediaFacts) => boolean;

interface Node {
  type: string;
  name?: string;
  value?: unknown;
  children?: Node[];
  left?: Node | null;
  middle?: Node | null;
  right?: Node | null;
  leftComparison?: string;
  rightComparison?: string | null;
  modifier?: string | null;
  mediaType?: string | null;
  condition?: Node | null;
}

const fail = (error: string): never => {
  throw new SyntaxError(error);
};

const MEASURES: Record<string, (v: Viewport) => number> = {
  width: (v) => v.width,
  height: (v) => v.height,
  'aspect-ratio': (v) => v.width / v.height,
};
const KNOWN = 'width, height, orientation, aspect-ratio or prefers-reduced-motion';

const COMPARE: Record<string, (a: number, b: number) => boolean> = {
  '<': (a, b) => a < b,
  '<=': (a, b) => a <= b,
  '>': (a, b) => a > b,
  '>=': (a, b) => a >= b,
  '=': (a, b) => Math.abs(a - b) < 1e-9,
};

/** Lengths in media queries do not depend on the page: em is the initial font size. */
function toNumber(node: Node): number {
  const css = generate(node as unknown as CssNode);
  if (node.type === 'Ratio') {
    const [a, b = '1'] = css.split('/');
    return Number(a) / Number(b);
  }
  const parsed = parseLength(css);
  if (!parsed.ok) return fail(parsed.error);
  const { value } = parsed;
  return value.kind === 'number'
    ? value.value
    : resolveLength(value, { percent: 0, viewport: { width: 0, height: 0 } });
}

function featureTest(node: Node): Test {
  const name = present(node.name).toLowerCase();
  const word = (node.value as Node | null)?.name?.toLowerCase();
  if (name === 'orientation') {
    if (word !== 'portrait' && word !== 'landscape') fail('orientation is portrait or landscape');
    return ({ viewport: v }) => v.height >= v.width === (word === 'portrait');
  }
  if (name === 'prefers-reduced-motion')
    return ({ reducedMotion }) => reducedMotion === (word !== 'no-preference');
  const [, bound, feature] = present(/^(?:(min|max)-)?(.*)$/.exec(name));
  const measure = MEASURES[present(feature)] ?? fail(`${name} is not known here: use ${KNOWN}`);
  if (!node.value) return fail(`${name} needs a value`);
  const n = toNumber(node.value as Node);
  const compare = present(COMPARE[bound === 'min' ? '>=' : bound === 'max' ? '<=' : '=']);
  return ({ viewport }) => compare(measure(viewport), n);
}

const FLIP: Record<string, string> = { '<': '>', '<=': '>=', '>': '<', '>=': '<=', '=': '=' };

function rangeTest({ left, middle, right, leftComparison, rightComparison }: Node): Test {
  const feature = [left, middle, right].find((n) => n?.type === 'Identifier');
  const measure = MEASURES[feature?.name?.toLowerCase() ?? ''] ?? fail(`compare one of ${KNOWN}`);
  const tests: Test[] = [];
  const put = (comparison: string, node: Node) => {
    const n = toNumber(node);
    const compare = present(COMPARE[comparison]);
    tests.push(({ viewport }) => compare(measure(viewport), n));
  };
  if (feature === left) put(present(leftComparison), present(middle));
  else {
    put(present(FLIP[present(leftComparison)]), present(left));
    if (right && rightComparison) put(rightComparison, right);
  }
  return (facts) => tests.every((t) => t(facts));
}

function conditionTest(node: Node): Test {
  if (node.type === 'Feature') return featureTest(node);
  if (node.type === 'FeatureRange') return rangeTest(node);
  if (node.type !== 'Condition') return fail('it is not a media condition such as (width < 600px)');
  const parts = present(node.children);
  const tests = parts.filter((n) => n.type !== 'Identifier').map(conditionTest);
  const words = parts.filter((n) => n.type === 'Identifier').map((n) => present(n.name).toLowerCase());
  if (words[0] === 'not') return (facts) => !itemAt(tests, 0)(facts);
  return words[0] === 'or' ? (facts) => tests.some((t) => t(facts)) : (facts) => tests.every((t) => t(facts));
}

const memory = new Map<string, Parsed<Test>>();

/** Reads a condition such as `(width < 600px) and (orientation: portrait)`. An unknown feature is an error that names those known. */
export function parseMedia(query: string): Parsed<Test> {
  const known = memory.get(query);
  if (known) return known;
  if (memory.size > 1000) memory.clear();
  const fresh = read(query);
  memory.set(query, fresh);
  return fresh;
}

function read(query: string): Parsed<Test> {
  try {
    // Errors on the way to a nested condition are the parser’s own trials; what stays unread shows in the tree.
    const tree = toPlainObject(parse(query, { context: 'mediaQueryList' })) as unknown as Node;
    const [only, more] = present(tree.children);
    if (more || !only?.condition || only.mediaType || only.modifier)
      return { ok: false, error: 'one condition in brackets, such as (width < 600px)' };
    return { ok: true, value: conditionTest(only.condition) };
  } catch (error) {
    const message = error instanceof Error ? error.message : String(error);
    return { ok: false, error: message.replace(/\.$/, '') };
  }
}

/** Whether a condition holds; one that cannot be read never does. */
export function mediaMatches(query: string, facts: MediaFacts): boolean {
  const parsed = parseMedia(query);
  return parsed.ok && parsed.value(facts);
}

/** Screens that people have. */
const USUAL: readonly Viewport[] = [
  { width: 1280, height: 800 },
  { width: 390, height: 844 },
  { width: 844, height: 390 },
  { width: 768, height: 1024 },
  { width: 1920, height: 1080 },
];

/** The given viewport, the usual ones, and those at the bounds that a condition names, nearest first. */
function viewportsAround(query: string, near: Viewport): Viewport[] {
  const bounds = [...query.matchAll(/(\d+(?:\.\d+)?)(px|em|rem)/g)].map((m) =>
    Math.round(Number(m[1]) * (m[2] === 'px' ? 1 : 16)),
  );
  const sides = [
    ...new Set([...bounds.flatMap((b) => [b - 1, b, b + 1]), near.width, near.height, 200, 8000]),
  ];
  const far = (v: Viewport) => Math.abs(v.width - near.width) + Math.abs(v.height - near.height);
  const built = sides
    .flatMap((width) => sides.map((height) => ({ width, height })))
    .filter((v) => Math.min(v.width, v.height) >= 200 && Math.max(v.width, v.height) <= 8000)
    .sort((a, b) => far(a) - far(b));
  return [near, ...USUAL, ...built];
}

/** A viewport for which a condition holds: the given one, a usual one, else the nearest at its bounds; null where there is none. */
export const viewportFor = (query: string, near: Viewport): Viewport | null =>
  viewportsAround(query, near).find((viewport) => mediaMatches(query, { viewport, reducedMotion: false })) ??
  null;

/** One viewport for each way in which some conditions hold and fail together, the given one first; at most `max` of them. */
export function viewportsFor(queries: readonly string[], near: Viewport, max: number): Viewport[] {
  const ways = new Map<string, Viewport>();
  for (const viewport of viewportsAround(queries.join(' '), near)) {
    if (ways.size >= max) break;
    const way = queries.map((q) => Number(mediaMatches(q, { viewport, reducedMotion: false }))).join('');
    if (!ways.has(way)) ways.set(way, viewport);
  }
  return [...ways.values()];
}

/**
 * Whether one condition holds wherever another one does. Said only of conditions on width and height, where the lengths that they name are
 * all there is to try; of others it is false.
 */
export function mediaImplies(query: string, other: string): boolean {
  if (query === other) return true;
  const [a, b] = [parseMedia(query), parseMedia(other)];
  if (!a.ok || !b.ok || /prefers-|orientation|aspect/.test(query + other)) return false;
  return viewportFor(`(${query}) and (not (${other}))`, { width: 1280, height: 800 }) === null;
}
