/**
 * Words of CSS that browsers do not know, where a word that they know is near: `veiw()`, `enter 0%`, `animation-timline`, the name of keyframes or
 * of a timeline that nothing in the page has. Browsers pass over such a declaration without a word.
 */
import * as csstree from 'css-tree';
import { distance as editDistance } from 'fastest-levenshtein';
import { PHASES } from '../../timeline/index.ts';
import { EASING_WORDS } from '../../value/index.ts';
import { expand } from '../animations/shorthand.ts';
import { findClaim } from '../claims/take-out.ts';
import type { ReadDeclaration, ReadRules } from '../cascade/rules.ts';
import { shortened } from '../source/source.ts';
import type { Mistake } from './mistakes.ts';

export interface Misspelt extends Mistake {
  declaration: ReadDeclaration;
  /** as it was meant */
  spelling: { property: string; value: string };
}

const AXES = ['block', 'inline', 'x', 'y'];
const FILLS = ['none', 'forwards', 'backwards', 'both'];
const DIRECTIONS = ['normal', 'reverse', 'alternate', 'alternate-reverse'];
const STATES = ['running', 'paused'];
const POINTS = [...PHASES, 'normal'];

/** Words and functions that each property takes; what stands for nothing else in it. */
const WORDS: Record<string, readonly string[]> = {
  animation: [...EASING_WORDS, ...FILLS, ...DIRECTIONS, ...STATES, 'infinite', 'auto'],
  'animation-timeline': ['view', 'scroll', 'none', 'auto', 'root', 'nearest', 'self', ...AXES],
  'animation-range': POINTS,
  'animation-range-start': POINTS,
  'animation-range-end': POINTS,
  'animation-timing-function': EASING_WORDS,
  'animation-fill-mode': FILLS,
  'animation-direction': DIRECTIONS,
  'animation-play-state': STATES,
  'animation-composition': ['replace', 'add', 'accumulate'],
  'animation-iteration-count': ['infinite'],
  'view-timeline': ['none', 'auto', ...AXES],
  'view-timeline-axis': AXES,
  'scroll-timeline': ['none', ...AXES],
  'scroll-timeline-axis': AXES,
};

/** Properties that say what moves. */
const PROPERTIES = [
  ...Object.keys(WORDS),
  ...['animation-name', 'animation-duration', 'animation-delay', 'animation-trigger'],
  ...['view-timeline-name', 'view-timeline-inset', 'scroll-timeline-name', 'timeline-scope'],
  ...['timeline-trigger', 'timeline-trigger-name', 'timeline-trigger-source', 'trigger-scope'],
  ...['timeline-trigger-activation-range', 'timeline-trigger-activation-range-start'],
  ...['timeline-trigger-activation-range-end', 'timeline-trigger-active-range'],
  ...['timeline-trigger-active-range-start', 'timeline-trigger-active-range-end'],
];

/** How many letters may be wrong in a word of this length. */
const tolerance = (word: string): number => (word.length < 4 ? 1 : word.length < 9 ? 2 : 3);

/** The nearest of some words; null where none is near, or the word is one of them. */
export function nearestWord(word: string, known: Iterable<string>): string | null {
  const own = word.toLowerCase();
  let best: { word: string; far: number } | null = null;
  for (const one of known) {
    const far = editDistance(own, one.toLowerCase());
    if (far === 0) return null;
    if (far <= tolerance(own) && far < Math.max(own.length - 1, 2) && (!best || far < best.far))
      best = { word: one, far };
  }
  return best?.word ?? null;
}

const isUsed = (property: string, value: string): boolean => {
  if (/\bvar\(/i.test(value)) return true;
  if (expand(property, value) === null) return false;
  // Only where the parser’s own data tell of a property; newer ones it does not know.
  return !/^(view|scroll)-timeline/.test(property) || !csstree.lexer.matchProperty(property, value).error;
};

const IDENTIFIER = /(?<![\w#.%"'-])-?[A-Za-z_][\w-]*/g;

/** A value with the words in it that nobody knows put right, where that makes it one that browsers take. */
function spellValue(property: string, value: string, others: readonly string[]): string | null {
  const known = WORDS[property];
  if (!known || isUsed(property, value)) return null;
  const fixed = value.replace(IDENTIFIER, (word) =>
    others.includes(word) ? word : (nearestWord(word, known) ?? word),
  );
  return fixed !== value && isUsed(property, fixed) ? fixed : null;
}

const CSS_WIDE = /^(none|initial|unset|inherit|revert|revert-layer)$/i;

interface PageNames {
  keyframes: ReadonlySet<string>;
  timelines: ReadonlySet<string>;
}

const DASHED = /--[\w-]+/g;

/** `animation` and `animation-name` with names of keyframes that the page has. */
function spellNames(d: ReadDeclaration, { keyframes }: PageNames): string | null {
  const names = expand(d.property, d.value)?.['animation-name'];
  if (names === undefined || /\bvar\(/i.test(d.value)) return null;
  const missing = new Set(names.split(/\s*,\s*/).filter((n) => !keyframes.has(n)));
  const fixed = d.value.replace(IDENTIFIER, (word) =>
    missing.has(word) && !CSS_WIDE.test(word) ? (nearestWord(word, keyframes) ?? word) : word,
  );
  return fixed === d.value ? null : fixed;
}

interface Spelling {
  property: string;
  value: string;
  what: string;
}

const isProperty = (name: string) =>
  PROPERTIES.includes(name) || !csstree.lexer.matchProperty(name, 'inherit').error;

const ALL_PROPERTIES = Object.keys(
  (csstree.lexer as unknown as { properties: Record<string, unknown> }).properties,
).filter((name) => !name.startsWith('-'));
const wrongProperty = (wrong: string, right: string) => `“${wrong}” is no property; “${right}” is`;

function spellProperty(d: ReadDeclaration): Spelling | null {
  if (d.property.startsWith('--') || isProperty(d.property)) return null;
  const property = nearestWord(d.property, PROPERTIES);
  return property && isUsed(property, d.value)
    ? { property, value: d.value, what: wrongProperty(d.property, property) }
    : null;
}

const quoted = (text: string) => `“${shortened(text, 60)}”`;

/** The first thing that is wrong with a declaration, in the order in which browsers would meet it. */
function spell(d: ReadDeclaration, names: PageNames): Spelling | null {
  const renamed = spellProperty(d);
  if (renamed) return renamed;
  const { property } = d;
  const value = spellValue(property, d.value, property === 'animation' ? [...names.keyframes] : []);
  if (value !== null)
    return {
      property,
      value,
      what: `${quoted(d.value)} is no value of ${property}; ${quoted(value)} would be`,
    };
  if (property === 'animation' || property === 'animation-name') {
    const fixed = spellNames(d, names);
    if (fixed !== null)
      return {
        property,
        value: fixed,
        what: `The page has no keyframes for ${quoted(d.value)}; it has for ${quoted(fixed)}`,
      };
  }
  if (property === 'animation-timeline') {
    const fixed = d.value.replace(DASHED, (name) => nearestWord(name, names.timelines) ?? name);
    if (fixed !== d.value)
      return {
        property,
        value: fixed,
        what: `Nothing in the page carries the timeline ${quoted(d.value)}; ${quoted(fixed)} is carried`,
      };
  }
  return null;
}

const CARRIED = /^(view|scroll)-timeline(-name)?$/;

function findNames({ rules, keyframes }: ReadRules): PageNames {
  const carried = rules.flatMap((r) => r.declarations.filter((d) => CARRIED.test(d.property)));
  return {
    keyframes: new Set(keyframes.map((k) => k.name)),
    timelines: new Set(carried.flatMap((d) => d.value.match(DASHED) ?? [])),
  };
}

/** What keyframes change: a property that no browser has, where one is near. */
function spellInKeyframes(d: ReadDeclaration): Spelling | null {
  if (d.property.startsWith('--') || isProperty(d.property)) return null;
  const property = nearestWord(d.property, ALL_PROPERTIES);
  if (!property || csstree.lexer.matchProperty(property, d.value).error) return null;
  return { property, value: d.value, what: wrongProperty(d.property, property) };
}

/** Every such declaration of a page, each once. */
export function listMisspelt(read: ReadRules): Misspelt[] {
  const names = findNames(read);
  const found = new Map<string, Misspelt>();
  const note = (declaration: ReadDeclaration, spelling: Spelling | null, part: string) => {
    const { place, node, sheet } = declaration;
    const key = `misspelt ${place.path}:${place.line}:${place.column}`;
    if (!spelling || found.has(key)) return;
    const { property, value, what } = spelling;
    found.set(key, {
      key,
      kind: 'misspelt',
      rule: findClaim(node, sheet, part).key,
      place,
      what,
      why: 'Browsers pass over what they do not know, so the element does not move as its author spelling.',
      advice: `Write ${property}: ${shortened(value, 80)}.`,
      declaration,
      spelling: { property, value },
    });
  };
  for (const { declarations } of read.rules)
    for (const d of declarations) note(d, spell(d, names), '{animation}');
  for (const { keyframes } of read.keyframes)
    for (const { declarations } of keyframes) for (const d of declarations) note(d, spellInKeyframes(d), '');
  return [...found.values()];
}

/** The rules with some of it put right. The declaration keeps its place in the file, so that it can be taken out there. */
export function withSpelling(read: ReadRules, misspelt: readonly Misspelt[]): ReadRules {
  if (misspelt.length === 0) return read;
  const spelling = new Map(misspelt.map((m) => [m.declaration, m.spelling]));
  const right = <T extends { declarations: ReadDeclaration[] }>(one: T): T => ({
    ...one,
    declarations: one.declarations.map((d) => ({ ...d, ...spelling.get(d) })),
  });
  return {
    ...read,
    rules: read.rules.map(right),
    keyframes: read.keyframes.map((k) => ({ ...k, keyframes: k.keyframes.map(right) })),
  };
}
