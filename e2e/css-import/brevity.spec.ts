/**
 * Bench of what is written: bytes and rules of a page’s motions, read and written again, against the page’s own. Guards for print, for reduced
 * motion and for browsers without timelines are taken off on both sides: every export has them, and few pages do.
 */
import { expect, test } from '@playwright/test';
import postcss from 'postcss';
import { handOffCss } from '@lyvek/core';
import type { ImportResult } from '@lyvek/core';
import { oracleScript } from '../support/runtime.ts';
import { listFiles, measured, movingPages, read, stripped } from './pages.ts';

const WORST = 1.5;
/** Its author takes the names of keyframes from custom properties of utility classes, which no document says: each is written out. */
const WRITTEN_OUT = { name: 'utilities', worst: 2 };
const MEDIAN = 1.15;

/** Text without comments and without space that says nothing. */
const compact = (css: string): string =>
  css
    .replace(/\/\*[\s\S]*?\*\//g, '')
    .replace(/\s+/g, ' ')
    .replace(/ ?([{};,:]) ?/g, '$1')
    .replaceAll(';}', '}')
    .trim();

/** What is left of a condition once guards are taken out of it; null where it guards only. */
function unguarded({ name, params }: postcss.AtRule): string | null {
  if (name === 'supports') return /animation-t(?:imeline|rigger)/.test(params) ? null : params;
  const rest = params
    .split(/ and /)
    .filter((p) => !/^(?:only )?screen$|prefers-reduced-motion/.test(p.trim()))
    .join(' and ');
  return rest === '' ? null : rest;
}

function withoutGuards(css: string): postcss.Root {
  const root = postcss.parse(css);
  root.walkAtRules(/^(?:media|supports)$/, (at) => {
    const params = unguarded(at);
    if (params === null) at.replaceWith(at.nodes ?? []);
    else at.params = params;
  });
  return root;
}

function countRules(root: postcss.Root): number {
  let count = 0;
  root.walkRules((r) => {
    if (!(r.parent instanceof postcss.AtRule && r.parent.name.endsWith('keyframes'))) count++;
  });
  root.walkAtRules(/keyframes$|^property$/, () => void count++);
  return count;
}

/** The page’s own motion CSS: its rules with just the declarations that were read. */
function ownCss({ claims }: ImportResult): string {
  const claimed = new Set<postcss.Node>(claims.map((c) => c.node));
  const said = claims.map((c) => c.node.toString()).join(' ');
  const copy = (n: postcss.ChildNode): postcss.ChildNode[] => {
    // Keyframes that other elements of the page need too stay there, and are theirs as well.
    const isShared = n.type === 'atrule' && n.name === 'keyframes' && said.includes(` ${n.params} `);
    if (claimed.has(n) || isShared) return [n.clone()];
    if (!('nodes' in n) || !n.nodes) return [];
    const inner = n.nodes.flatMap((one) => copy(one as postcss.ChildNode));
    return inner.length ? [(n as postcss.Rule).clone({ nodes: inner })] : [];
  };
  return [...new Set(claims.map((c) => c.sheet))]
    .map((sheet) => {
      const css = sheet.root.nodes.flatMap((n) => copy(n).map((one) => one.toString())).join(';');
      return sheet.inline ? `x{${css}}` : css;
    })
    .join('\n');
}

test('motions are written about as shortly as their authors wrote them', async ({ page }) => {
  await page.setViewportSize({ width: 1000, height: 800 });
  const script = await oracleScript();
  const rows: { name: string; ratio: number; rules: string; bytes: string }[] = [];
  for (const name of movingPages()) {
    const files = listFiles(name);
    const imported = read(files);
    const layout = await measured(page, script, stripped(files, imported), imported);
    const own = withoutGuards(ownCss(imported));
    const { css } = handOffCss(imported.document, layout, '');
    const written = withoutGuards(css);
    const [before, after] = [own, written].map((root) => compact(root.toString()).length) as [number, number];
    rows.push({
      name,
      ratio: after / before,
      bytes: `${before} → ${after}`,
      rules: `${countRules(own)} → ${countRules(written)}`,
    });
  }
  rows.sort((a, b) => a.ratio - b.ratio);
  for (const r of rows) console.log(`${r.ratio.toFixed(2)}  bytes ${r.bytes}, rules ${r.rules}  ${r.name}`);
  const middle = rows[rows.length >> 1]!;
  console.log(`median ${middle.ratio.toFixed(2)} over ${rows.length} pages`);
  expect(rows.length).toBeGreaterThanOrEqual(39);
  expect(middle.ratio).toBeLessThanOrEqual(MEDIAN);
  const limit = (name: string) => (name === WRITTEN_OUT.name ? WRITTEN_OUT.worst : WORST);
  expect(rows.filter((r) => r.ratio > limit(r.name)).map((r) => `${r.name} ${r.ratio.toFixed(2)}`)).toEqual(
    [],
  );
});
