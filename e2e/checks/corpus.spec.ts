/** What the checks say of small pages: what has to be found is found, and little else. */
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import {
  CHECKS,
  compileTimeline,
  DEFAULT_LIMITS,
  findFindings,
  findGesture,
  LayoutSchema,
  makeClock,
  makeMeasureRequest,
  readDocument,
  readPage,
  shippedCoefficients,
  simulate,
  suggestCorrections,
  withoutTaken,
  withPins,
} from '@lyvek/core';
import type { Finding } from '@lyvek/core';
import { oracleScript } from '../support/runtime.ts';
import { BASE, BODY } from './corpus.ts';
import type { CorpusPage } from './corpus.ts';
import { CORPUS } from './pages/index.ts';

const META = '<meta name="viewport" content="width=device-width, initial-scale=1">';

const makePage = ({ css, body = BODY, head = META, forAll }: CorpusPage): string => {
  const rules = forAll ? css : `@media (prefers-reduced-motion: no-preference) { ${css} }`;
  const frames = css.match(/@keyframes [a-z]+ (\{(?:[^{}]|\{[^{}]*\})*\})/g) ?? [];
  const rest = frames.reduce((text, f) => text.replace(f, ''), rules);
  return `<!doctype html><html lang="en"><head>${head}<title>Page</title><style>${BASE}${frames.join('\n')}${rest}</style></head><body>${body}</body></html>`;
};

async function check(page: Page, script: string, one: CorpusPage): Promise<Finding[]> {
  const html = makePage(one);
  const fileAt = () => null;
  const imported = readPage('index.html', html, fileAt);
  const document = one.edit?.(imported.document) ?? imported.document;
  expect(readDocument(document), one.name).toMatchObject({ ok: true });
  const bare =
    withoutTaken('index.html', html, fileAt, imported.document.importedRules).get('index.html')?.text ?? html;
  await page.setContent(bare);
  await page.evaluate(script);
  await page.evaluate('oracle.learn()');
  const measured = LayoutSchema.parse(
    await page.evaluate(`oracle.measure(${JSON.stringify(makeMeasureRequest(document))})`),
  );
  const layout = one.known?.(measured) ?? measured;
  const timeline = compileTimeline(document, withPins(layout, document.pins));
  const gesture = findGesture(one.gesture ?? 'brisk-wheel', 800);
  const clock = makeClock(60);
  const trial = simulate({
    document,
    timeline,
    gesture,
    clock,
    direction: 'down',
    coefficients: shippedCoefficients(one.device ?? 'here'),
  });
  const mistakes = suggestCorrections(imported, 'index.html', html, fileAt);
  return findFindings({ document, timeline, gesture, clock, limits: DEFAULT_LIMITS, trial, mistakes });
}

/** How often each check has to speak, and how often it must not, where it all but has something to say. */
const countPages = (key: 'expect' | 'near', id: string): number =>
  CORPUS.filter((one) => one[key]?.includes(id)).length;
const ENOUGH = 3;

test('every check has pages that it speaks of, and pages that it is silent about', () => {
  const short = CHECKS.map(({ id }) => [id, countPages('expect', id), countPages('near', id)] as const)
    .filter(([, expected, near]) => Math.min(expected, near) < ENOUGH)
    .map(([id, expected, near]) => `${id}: ${expected} and ${near}`);
  expect(short).toEqual([]);
});

test('small pages: what has to be found is found, and hardly anything else', async ({ page }) => {
  test.setTimeout(300_000);
  await page.setViewportSize({ width: 1280, height: 800 });
  const script = await oracleScript();
  const wrong: string[] = [];
  let [wanted, missed, falseErrors, falseWarnings] = [0, 0, 0, 0];
  for (const one of CORPUS) {
    const { name, expect: expected = [], may = [], near = [] } = one;
    const findings = await check(page, script, one);
    const ids = new Set(findings.map((f) => f.check));
    wanted += expected.length;
    const gone = expected.filter((id) => !ids.has(id));
    missed += gone.length;
    wrong.push(...gone.map((id) => `${name}: missed ${id}`));
    const others = findings.filter((f) => ![...expected, ...may].includes(f.check));
    const errors = others.filter((f) => f.severity === 'error' || near.includes(f.check));
    const warnings = others.filter((f) => f.severity === 'warning' && !errors.includes(f));
    falseErrors += errors.length;
    falseWarnings += warnings.length;
    wrong.push(...errors.map((f) => `${name}: false ${f.check}: ${f.sentence}`));
    if (warnings.length > 1) wrong.push(...warnings.map((f) => `${name}: false ${f.check}: ${f.sentence}`));
    else for (const f of warnings) console.log(`${name}: ${f.check}: ${f.sentence}`);
  }
  console.log(
    `checks: ${CORPUS.length} pages, ${wanted - missed} of ${wanted} found; false errors ${falseErrors}, false warnings ${falseWarnings}`,
  );
  expect(wanted).toBeGreaterThan(ENOUGH * CHECKS.length - 1);
  expect(wrong).toEqual([]);
});
