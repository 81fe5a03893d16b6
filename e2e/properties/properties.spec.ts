/** Every property that the browser has, with values of every alternative of its grammar: what core says of them is what is shown, or it says nothing. */
import { converter, formatRgb } from 'culori';
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { writeFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';
import {
  LayoutSchema,
  compileTimeline,
  howItMixes,
  isKnown,
  itemAt,
  makeMeasureRequest,
  previewCss,
  readDocument,
  sample,
  shownValue,
  writeCss,
} from '@lyvek/core';
import type { Layout, MotionDocument } from '@lyvek/core';
import { makeDocument, motion } from '@lyvek/core/testing';
import { isAll } from '../support/full.ts';
import { oracleScript } from '../support/runtime.ts';
import { Random } from '../stranger/random.ts';
import { PROPERTIES, makeValues } from './grammar.ts';
import { compare } from './page.ts';
import type { Asked } from './page.ts';

const SEED = Number(process.env.LYVEK_PROPERTIES_SEED ?? 4870);
/** the share of properties that is looked at */
const SHARE = isAll ? 1 : 0.1;
const ONLY = process.env.LYVEK_PROPERTY;
const PLACES = 11;
const PER_PAGE = 60;
/** Pairs of one property at most */
const PAIRS = 14;

interface Case {
  id: string;
  property: string;
  values: string[];
  /** the first end is missing, so the element’s own value stands there */
  open: boolean;
}

const wrapped = (id: string) =>
  `<div class="room"><div class="s" id="${id}"><p>Words in it</p><i></i></div></div>`;
const makePage = (cases: readonly Case[]) => `<!doctype html><html lang="en"><head><style>
body { margin: 0; height: 3000px; font: 16px/1.3 'Liberation Sans', sans-serif; }
.room { position: fixed; top: 0; left: 0; width: 320px; height: 200px; container-type: size; contain: strict; }
.s { width: 120px; height: 80px; color: #123; font-size: 20px; }
</style></head><body>${cases.map((c) => wrapped(c.id) + wrapped(`${c.id}-twin`)).join('\n')}</body></html>`;

/** The document of some cases; those that it may not hold are left out, with the reason. */
function documentFor(cases: readonly Case[]): {
  document: MotionDocument;
  kept: Case[];
  refused: Map<string, string>;
} {
  const refused = new Map<string, string>();
  const makeMotion = (c: Case) =>
    motion({
      id: `m_${c.id}`,
      name: c.id,
      targets: { selector: `#${c.id}` },
      driver: { kind: 'scroll', axis: 'block' },
      range: { start: '0%', end: '100%' },
      keyframes: {
        [c.property]: c.values.map((value, i) => ({
          at: `${Math.round(((i + (c.open ? 1 : 0)) / (c.values.length - (c.open ? 0 : 1))) * 100)}%`,
          value,
        })),
      },
    });
  const kept = cases.filter((c) => {
    const read = readDocument(makeDocument(makeMotion(c)));
    if (!read.ok) refused.set(c.id, itemAt(read.problems, 0).message);
    return read.ok;
  });
  const read = readDocument(makeDocument(...kept.map(makeMotion)));
  if (!read.ok) throw new Error(JSON.stringify(read.problems.slice(0, 2)));
  return { document: read.document, kept, refused };
}

const NUMBER = /-?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?/gi;
/** The browser keeps quarters of weights, drops what a height of lines has behind the point of its percentage, and cuts lines to whole px. */
const TOLERANCE: readonly (readonly [RegExp, number])[] = [
  [/^font-weight$/, 0.3],
  [/^line-height$/, 0.2],
  [/^(outline|column-rule|border-.*)-(width|offset)$/, 1.01],
];
/** Nothing of a hundred is nothing. */
const plain = (css: string) =>
  css
    .replace(/\b(oklab|oklch|lab|lch|color)\([^)]*\)/g, (c) => formatRgb(c) ?? c)
    .replace(/\b0%(?! [+-])/g, '0px')
    .replace(/calc\(0% ([+-]) ([\d.]+px)\)/g, (_, sign: string, px: string) => (sign === '-' ? '-' : '') + px)
    .replace(/calc\(0% \+ ([\d.]+px)\)/g, '$1')
    .replace(/^([\d.]+px) \1$/, '$1')
    .replace(/rgba\(([^)]*), 1\)/g, 'rgb($1)')
    .replace(/^normal$/, '0px')
    .replace(/([\d.]+) \/ ([\d.]+)$/, (_, a: string, b: string) => String(Number(a) / Number(b)));
const toRgb = converter('rgb');
/** Colours that are all of a value, whatever they are written in. */
function sameColor(a: string, b: string): boolean {
  const [x, y] = [toRgb(a), toRgb(b)];
  return (
    x !== undefined &&
    y !== undefined &&
    (['r', 'g', 'b'] as const).every((k) => Math.abs(x[k] - y[k]) < 2.1 / 255) &&
    Math.abs((x.alpha ?? 1) - (y.alpha ?? 1)) < 0.01
  );
}
/** The same words, and numbers that lie within what the browser rounds. */
function alike(one: string, other: string, tolerance = 0.06): boolean {
  const [a, b] = [one, other].map(plain) as [string, string];
  if (a === b || sameColor(a, b)) return true;
  if (a.replace(NUMBER, '#') !== b.replace(NUMBER, '#')) return false;
  const [x, y] = [a.match(NUMBER) ?? [], b.match(NUMBER) ?? []];
  const most = /rgb|color\(|lab|lch/.test(a) ? 2.1 : tolerance;
  return x.every((n, i) => Math.abs(Number(n) - Number(y[i])) <= Math.max(most, Math.abs(Number(n)) * 1e-3));
}

interface Row {
  looked: number;
  exact: number;
  unsaid: string[];
  refused: number;
  wrong: string[];
}
const rows = new Map<string, Row>();
const rowOf = (property: string): Row => {
  const row = rows.get(property) ?? { looked: 0, exact: 0, unsaid: [], refused: 0, wrong: [] };
  rows.set(property, row);
  return row;
};

async function play(page: Page, cases: readonly Case[]): Promise<void> {
  const { document, kept, refused } = documentFor(cases);
  for (const c of cases) if (refused.has(c.id)) rowOf(c.property).refused++;
  await page.setContent(makePage(kept));
  await page.evaluate(await oracleScript());
  const layout: Layout = LayoutSchema.parse(
    await page.evaluate(`oracle.measure(${JSON.stringify(makeMeasureRequest(document))})`),
  );
  await page.addStyleTag({
    content: writeCss(document, layout, 'full-motion').pieces.map(previewCss).join('\n'),
  });
  const timeline = compileTimeline(document, layout);
  expect(timeline.unplaced).toEqual([]);
  const most = 3000 - layout.viewport.height;
  const wrong = new Map<string, string>();
  for (let i = 0; i < PLACES; i++) {
    // Between the ends a little past each tenth: at a half itself a rounded number may go either way.
    const y = Math.round((most * i) / (PLACES - 1)) + (i > 0 && i < PLACES - 1 ? 5 : 0);
    sample(
      timeline,
      timeline.layout.scrollers.flatMap(() => [y, 0]),
    );
    const asked = kept.map((c): Asked => {
      const element = layout.elements.findIndex((e) => e.selector === `#${c.id}`);
      return {
        id: c.id,
        property: c.property,
        predicted: isKnown(timeline, element, c.property) ? shownValue(timeline, element, c.property) : null,
      };
    });
    for (const { id, of, shown, predicted } of (await page.evaluate(
      `(${compare.toString()})(${JSON.stringify(asked)}, ${y})`,
    )) as Awaited<ReturnType<typeof compare>>)
      if (predicted === null) wrong.set(id, wrong.get(id) ?? '');
      else if (!alike(shown, predicted, TOLERANCE.find(([name]) => name.test(of))?.[1]) && !wrong.get(id))
        wrong.set(id, `${of} at ${(y / most).toFixed(2)}: ${shown}, predicted ${predicted}`);
  }
  for (const c of kept) {
    const row = rowOf(c.property);
    row.looked++;
    const why = wrong.get(c.id);
    if (why === undefined) row.exact++;
    else if (why === '') row.unsaid.push(`${c.open ? '→ ' : ''}${c.values.join(' → ')}`);
    else row.wrong.push(`${c.open ? '→ ' : ''}${c.values.join(' → ')}: ${why}`);
  }
}

/** The docs’ table, of a run over all of them. */
async function writeTable(unmade: readonly string[]): Promise<string> {
  const [some, all, none]: string[][] = [[], [], []];
  const [flips, still]: [string[], string[]] = [[], []];
  for (const [property, r] of [...rows].sort(([a], [b]) => (a < b ? -1 : 1)))
    if (/^not animatable/i.test(PROPERTIES.get(property)?.animationType ?? '')) still.push(property);
    else if (r.exact === 0) none?.push(property);
    else if (r.unsaid.length > 0) some?.push(`${property} ${r.exact}/${r.looked}`);
    else (howItMixes(property).discrete ? flips : all)?.push(property);
  const part = (title: string, text: string, list: readonly string[] = []) =>
    `## ${title} (${list.length})\n\n${text}\n\n${list.map((n) => `\`${n}\``).join(', ')}\n`;
  const looked = [...rows.values()].reduce((sum, r) => sum + r.looked, 0);
  const exact = [...rows.values()].reduce((sum, r) => sum + r.exact, 0);
  const text = `# Properties

What Lyvek says of each property of CSS that Debian’s Chromium has. Values are made from every alternative of its grammar, played in the browser on a scroll timeline and compared at ${PLACES} places (\`e2e/properties\`). Of ${looked} pairs and triples of values ${exact} are predicted as the browser shows them, of the other ${looked - exact} Lyvek says “not predicted”, and none is predicted wrong.

Written by \`LYVEK_ALL=1 LYVEK_PROPERTIES_TABLE=1 npx playwright test e2e/properties\`.

${part('Predicted', 'All values that were tried.', all)}
${part('Predicted: they flip half-way', 'All values that were tried.', flips)}
${part('Predicted in part', 'With how many of the tried values; the others mix in ways that only the browser knows, such as pictures that fade over.', some)}
${part('Not predicted', 'The export plays them; no number is shown.', none)}
${part('Not animated', 'By definition: keyframes cannot hold them.', still)}
${part('Not tried', 'No two values of them could be made from their grammar.', unmade)}`;
  return format(text, { ...(await resolveConfig('docs/properties.md')), parser: 'markdown' });
}

test('what is predicted of properties is what the browser shows', async ({ page }) => {
  test.setTimeout(600_000);
  await page.setViewportSize({ width: 1000, height: 600 });
  const own = await page.evaluate(() => [...getComputedStyle(document.documentElement)]);
  const all = [
    ...new Set([...own, ...[...PROPERTIES].filter(([, d]) => d.longhands).map(([n]) => n)]),
  ].sort();
  const random = new Random(SEED);
  const inBrowser = await page.evaluate((names) => names.filter((n) => CSS.supports(n, 'initial')), all);
  const chosen = ONLY
    ? inBrowser.filter((p) => new RegExp(ONLY).test(p))
    : inBrowser.filter(() => random.next() < SHARE);
  const cases: Case[] = [];
  const unmade: string[] = [];
  for (const property of chosen) {
    const made = makeValues(property, random, 12);
    const known: string[][] = await page.evaluate(
      ([name, lists]) =>
        (lists as string[][])
          .map((l) => l.filter((v) => CSS.supports(name as string, v)).slice(0, 3))
          .filter((l) => l.length),
      [property, made] as const,
    );
    const pairs = [
      ...known.flatMap((l) => (l.length > 1 ? [l.slice(0, 2), ...(l.length > 2 ? [l] : [])] : [])),
      ...known.slice(1).map((l, i) => [itemAt(itemAt(known, i), 0), itemAt(l, 0)]),
    ];
    if (pairs.length === 0) unmade.push(property);
    while (pairs.length > PAIRS) pairs.splice(Math.floor(random.next() * pairs.length), 1);
    const first = known.flat()[0];
    for (const [i, values] of [...pairs.entries()])
      cases.push({ id: `${property.replace(/^-+/, '')}-${i}`, property, values, open: false });
    if (first && pairs.length)
      cases.push({ id: `${property.replace(/^-+/, '')}-to`, property, values: [first], open: true });
  }
  for (let i = 0; i < cases.length; i += PER_PAGE) await play(page, cases.slice(i, i + PER_PAGE));
  const count = (f: (r: Row) => number) => [...rows.values()].reduce((sum, r) => sum + f(r), 0);
  const lines = [...rows].filter(([, r]) => r.wrong.length);
  console.log(
    `properties: ${rows.size} of ${inBrowser.length}, ${count((r) => r.looked)} cases, ${count((r) => r.exact)} as predicted, ${count((r) => r.unsaid.length)} not predicted, ${count((r) => r.refused)} refused; no values for ${unmade.length}: ${unmade.join(' ')}`,
  );
  if (process.env.LYVEK_PROPERTIES_TABLE) writeFileSync('docs/properties.md', await writeTable(unmade));
  if (process.env.LYVEK_PROPERTIES_LIST)
    for (const [property, { unsaid }] of [...rows].sort(([, a], [, b]) => b.unsaid.length - a.unsaid.length))
      if (unsaid.length) console.log(`? ${property} (${unsaid.length}): ${unsaid.join(' | ').slice(0, 400)}`);
  for (const [property, { wrong, looked }] of lines)
    console.log(`${property}: ${wrong.length} of ${looked} wrong, ${wrong[0]}`);
  expect(count((r) => r.looked)).toBeGreaterThan(0);
  expect(lines.map(([property]) => property)).toEqual([]);
});
