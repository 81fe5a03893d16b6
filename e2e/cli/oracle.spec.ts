/** What a document says is still shown after it was exported, imported from its own CSS, and exported again; all at the command line. */
import { expect, test } from '@playwright/test';
import { mkdtempSync, readFileSync, writeFileSync, mkdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { makeContext, distance, LayoutSchema, readDocument, itemAt, present } from '@lyvek/core';
import type { MotionDocument } from '@lyvek/core';
import { makeCases, listProperties } from '../oracle/cases.ts';
import { initialOf, TOLERANCE } from '../oracle/compare.ts';
import { makePage } from '../oracle/page.ts';
import { oracleScript } from '../support/runtime.ts';
import { lyvek } from '../support/cli.ts';

const PER_PAGE = 40;
const PAGES = process.env.LYVEK_ORACLE_CASES === '10000' ? 25 : 4;
const SHARES = [0.12, 0.33, 0.58, 0.81];
/** px of scroll that two timelines of one element may each be cut by, and layout rounds */
const APART = 1 / 16 + 1 / 32;
const LEFT_OUT = new Set(['transform']);

let script = '';
test.beforeAll(async () => {
  script = await oracleScript();
});

async function run(...args: string[]): Promise<string> {
  const { status, out, err } = await lyvek(args);
  expect(status, `lyvek ${args.join(' ')}\n${err}`).toBe(0);
  return out;
}

interface Sampled {
  rows: { offset: number; motion: string; element: string; values: Record<string, string> }[];
}

for (let n = 0; n < PAGES; n++)
  test(`page ${n + 1} of ${PAGES}: ${PER_PAGE} subjects through export, import, export and sample`, async ({
    page,
  }) => {
    const cases = makeCases(9100 + n, PER_PAGE);
    const folder = mkdtempSync(join(tmpdir(), 'lyvek-'));
    const at = (...p: string[]) => join(folder, ...p);
    mkdirSync(at('page'));
    writeFileSync(at('page', 'index.html'), makePage(cases, ''));
    const parsed = readDocument({
      format: 'lyvek-document',
      version: 2,
      motions: cases.flatMap((c) => (c.second ? [c.motion, c.second] : [c.motion])),
      pins: cases.flatMap((c) => c.pin ?? []),
    });
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems[0]));
    const document: MotionDocument = parsed.document;
    writeFileSync(at('doc.json'), JSON.stringify(document));
    await run(
      'measure',
      at('page'),
      '--viewport',
      '1000x800',
      '--document',
      at('doc.json'),
      '--out',
      at('layout.json'),
    );
    await run('export', at('doc.json'), at('page'), '--layout', at('layout.json'), '--out', at('once'));
    await run('import', at('once'), '--out', at('again.json'));
    await run('export', at('again.json'), at('once'), '--viewport', '1000x800', '--out', at('twice'));
    const again = JSON.parse(readFileSync(at('again.json'), 'utf8')) as MotionDocument;
    expect(again.motions.length).toBeGreaterThanOrEqual(document.motions.length * 0.9);
    const layout = LayoutSchema.parse(JSON.parse(readFileSync(at('layout.json'), 'utf8')));

    await page.setViewportSize({ width: 1000, height: 800 });
    await page.route('http://page.test/**', async (route) => {
      const path = new URL(route.request().url()).pathname.slice(1) || 'index.html';
      await route.fulfill({ path: at('twice', path) });
    });
    await page.goto('http://page.test/index.html');
    await page.evaluate(script);
    const failures: string[] = [];
    let compared = 0;
    for (const share of SHARES) {
      const y = Math.round(share * itemAt(layout.scrollers, 0).max.block);
      const wanted = cases.map((c) => ({
        id: c.motion.targets.selector.slice(1),
        properties: listProperties(c),
      }));
      const shown = (await page.evaluate(`oracle.look(${y}, {}, ${JSON.stringify(wanted)})`)) as {
        offsets: Record<string, [number, number]>;
        shown: { values: string[] }[];
      };
      const real = present(shown.offsets[''])[0];
      const sampled = JSON.parse(
        await run(
          'sample',
          at('doc.json'),
          '--layout',
          at('layout.json'),
          '--scroll',
          `${real - APART}:${real + APART}:${APART}`,
        ),
      ) as Sampled;
      cases.forEach((c, i) => {
        if (c.subject.setting.includes('scroller')) return;
        const selector = c.motion.targets.selector;
        const element = itemAt(present(layout.matches[selector]), 0);
        const rows = sampled.rows.filter((r) => r.element === itemAt(layout.elements, element).selector);
        listProperties(c).forEach((property, k) => {
          if (LEFT_OUT.has(property)) return;
          const base = layout.elements[element]?.base?.[property] ?? initialOf(property);
          const values = rows.filter((r) => property in r.values).map((r) => r.values[property] || base);
          if (values.length === 0) return;
          compared++;
          const error = distance(
            property,
            itemAt(itemAt(shown.shown, i).values, k),
            values,
            makeContext(layout, element),
          );
          if (error > present(TOLERANCE[property]))
            failures.push(
              `${selector} ${property} at ${real} px: ${itemAt(shown.shown, i).values[k]}, sampled ${values[1]}\n${JSON.stringify(c)}`,
            );
        });
      });
    }
    expect(compared).toBeGreaterThan(100);
    expect(failures.length, `${failures.length} differ, first:\n${failures.slice(0, 3).join('\n')}`).toBe(0);
  });
