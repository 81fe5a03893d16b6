/** What the checks say of small pages: what has to be found is found, and little else. */
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import {
  compileTimeline,
  DEFAULT_LIMITS,
  findFindings,
  findGesture,
  LayoutSchema,
  makeClock,
  makeMeasureRequest,
  readPage,
  shippedCoefficients,
  simulate,
  suggestCorrections,
  withoutTaken,
  withPins,
} from '@lyvek/core';
import type { Finding } from '@lyvek/core';
import { oracleScript } from '../support/runtime.ts';
import { BASE, BODY, CORPUS } from './corpus.ts';
import type { CorpusPage } from './corpus.ts';

const makePage = ({ css, body = BODY, forAll }: CorpusPage): string => {
  const rules = forAll ? css : `@media (prefers-reduced-motion: no-preference) { ${css} }`;
  const frames = css.match(/@keyframes [a-z]+ (\{(?:[^{}]|\{[^{}]*\})*\})/g) ?? [];
  const rest = frames.reduce((text, f) => text.replace(f, ''), rules);
  return `<!doctype html><html lang="en"><head><title>Page</title><style>${BASE}${frames.join('\n')}${rest}</style></head><body>${body}</body></html>`;
};

async function check(page: Page, script: string, one: CorpusPage): Promise<Finding[]> {
  const html = makePage(one);
  const fileAt = () => null;
  const imported = readPage('index.html', html, fileAt);
  const { document } = imported;
  const bare =
    withoutTaken('index.html', html, fileAt, document.importedRules).get('index.html')?.text ?? html;
  await page.setContent(bare);
  await page.evaluate(script);
  const layout = LayoutSchema.parse(
    await page.evaluate(`oracle.measure(${JSON.stringify(makeMeasureRequest(document))})`),
  );
  const timeline = compileTimeline(document, withPins(layout, document.pins));
  const gesture = findGesture(one.gesture ?? 'brisk-wheel', 800);
  const clock = makeClock(60);
  const trial = simulate({
    document,
    timeline,
    gesture,
    clock,
    direction: 'down',
    coefficients: shippedCoefficients('here'),
  });
  const mistakes = suggestCorrections(imported, 'index.html', html, fileAt);
  return findFindings({ document, timeline, gesture, clock, limits: DEFAULT_LIMITS, trial, mistakes });
}

test('small pages: what has to be found is found, and hardly anything else', async ({ page }) => {
  test.setTimeout(300_000);
  await page.setViewportSize({ width: 1280, height: 800 });
  const script = await oracleScript();
  let [wanted, found] = [0, 0];
  const missed: string[] = [];
  const falseErrors: string[] = [];
  const falseWarnings: string[] = [];
  for (const one of CORPUS) {
    const findings = await check(page, script, one);
    const ids = new Set(findings.map((f) => f.check));
    for (const id of one.expect ?? []) {
      wanted++;
      if (ids.has(id)) found++;
      else missed.push(`${one.name}: ${id}`);
    }
    const others = findings.filter((f) => ![...(one.expect ?? []), ...(one.may ?? [])].includes(f.check));
    for (const f of others)
      if (f.severity === 'error') falseErrors.push(`${one.name}: ${f.check}: ${f.sentence}`);
    const warnings = others.filter((f) => f.severity === 'warning');
    falseWarnings.push(...warnings.map((f) => `${one.name}: ${f.check}: ${f.sentence}`));
    expect(warnings.length, `${one.name}: ${warnings.map((f) => f.sentence).join(' ')}`).toBeLessThan(2);
  }
  console.log(
    `checks: ${CORPUS.length} pages, ${found} of ${wanted} found; false errors ${falseErrors.length}, false warnings ${falseWarnings.length}`,
  );
  for (const line of [...missed.map((m) => `missed ${m}`), ...falseErrors, ...falseWarnings])
    console.log(line);
  expect(wanted).toBeGreaterThan(30);
  expect(found / wanted, missed.join('\n')).toBeGreaterThanOrEqual(0.95);
  expect(falseErrors).toEqual([]);
});
