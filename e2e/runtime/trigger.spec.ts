/** Triggers under a restless hand: whatever way the page is scrolled, no part is left in a wrong state. */
import fc from 'fast-check';
import { expect, test } from '@playwright/test';
import {
  triggerLines,
  fallbackPlan,
  LayoutSchema,
  previewCss,
  readDocument,
  makeMeasureRequest,
  withPins,
  writeCss,
  itemAt,
} from '@lyvek/core';
import type { Trigger } from '@lyvek/core';
import { motion } from '@lyvek/core/testing';
import { sampled } from '../support/full.ts';
import { fallbackScript, oracleScript } from '../support/runtime.ts';

const PAGE = `<!doctype html><style>body { margin: 0 } div { height: 2600px } #g { height: 340px; background: #bcd }</style>
<div></div><section id="g"><h2>Title</h2><p>Text</p></section><div></div>`;

const triggers: Pick<Trigger, 'down' | 'up' | 'past' | 'insets' | 'plays' | 'back'>[] = [
  {
    down: { edge: '50%', line: '80%' },
    up: { edge: '0%', line: '100%' },
    plays: 'each-time',
    back: 'returns',
  },
  { down: { edge: '50%', line: '80%' }, up: null, plays: 'each-time', back: 'plays-back' },
  { down: 'entry 60%', up: 'entry 0%', plays: 'each-time', back: 'plays-back' },
  { down: 'contain 0%', up: { edge: '20%', line: '90%' }, plays: 'each-time', back: 'keeps-end' },
  { down: { edge: '100%', line: '70%' }, up: null, plays: 'once', back: 'keeps-end' },
  { down: 'entry 60%', up: 'entry 0%', past: 'exit 100%', plays: 'each-time', back: 'returns' },
  {
    down: { edge: '50%', line: '80%' },
    up: null,
    past: { edge: '100%', line: '10%' },
    plays: 'each-time',
    back: 'plays-back',
  },
  {
    down: 'contain 0%',
    up: { edge: '0%', line: '95%' },
    past: 'exit calc(20% + 30px)',
    insets: ['80px', '120px'],
    plays: 'each-time',
    back: 'returns',
  },
];
const part = (id: string, selector: string, delay: number, duration: number) =>
  motion({
    id,
    name: id,
    targets: { selector },
    driver: { kind: 'trigger', trigger: 'g_a' },
    time: { delay: `${delay}ms`, duration: `${duration}ms` },
  });
/** The whole of it takes minutes: `npm run test:full` asks for 2,000. */
const STEPS = Number(process.env.LYVEK_TRIGGER_STEPS ?? 100);

const cases = triggers.flatMap((given, n) =>
  (['native', 'script'] as const).map((how) => ({ given, n, how })),
);
for (const [i, { given, n, how }] of cases.entries())
  test(
    `${how}, ${JSON.stringify(given)}: ${STEPS} steps up and down`,
    sampled(i + n, 2),
    async ({ page }) => {
      test.setTimeout(60_000 + STEPS * 250);
      const parsed = readDocument({
        format: 'lyvek-document',
        version: 2,
        motions: [part('m_a', '#g h2', 0, 40), part('m_b', '#g p', 10, 20)],
        triggers: [{ id: 'g_a', name: 'trigger', on: true, subject: '#g', ...given }],
      });
      if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems));
      await page.setViewportSize({ width: 1000, height: 800 });
      await page.setContent(PAGE);
      await page.evaluate(await oracleScript());
      const measured = await page.evaluate(
        `oracle.measure(${JSON.stringify(makeMeasureRequest(parsed.document))})`,
      );
      const layout = withPins(LayoutSchema.parse(measured), []);
      if (how === 'native')
        await page.addStyleTag({
          content: writeCss(parsed.document, layout, 'full-motion').pieces.map(previewCss).join('\n'),
        });
      else {
        await page.addScriptTag({ content: await fallbackScript() });
        await page.evaluate(
          `fallback.play(${JSON.stringify(fallbackPlan(parsed.document, layout).plan)}) && 0`,
        );
      }
      const lines = triggerLines(itemAt(parsed.document.triggers, 0), layout);
      if ('reason' in lines) throw new Error(lines.reason);
      // Jumps, small steps, and steps of a px around both lines; some are left half played.
      const max = itemAt(layout.scrollers, 0).max.block;
      const { down, up } = lines;
      // Without one, a line that no scroll reaches; JSON knows no Infinity.
      const past = Math.min(lines.past, 1e9);
      const place = fc.oneof(
        fc.integer({ min: 0, max: Math.floor(max) }),
        fc.integer({ min: -3, max: 3 }).map((d) => Math.round(down) + d),
        fc.integer({ min: -3, max: 3 }).map((d) => Math.round(up) + d),
        fc.integer({ min: -3, max: 3 }).map((d) => Math.min(max, Math.round(past) + d)),
        fc.integer({ min: -90, max: 90 }).map((d) => Math.round((down + up) / 2) + d),
      );
      const steps = fc.sample(fc.tuple(place, fc.constantFrom(true, true, false)), {
        seed: 4870 + n,
        numRuns: STEPS,
      });
      const wrong = await page.evaluate(
        async ({ steps, down, up, past, plays, back }) => {
          const frame = () => new Promise((r) => requestAnimationFrame(() => requestAnimationFrame(r)));
          const played = async (ms: number) => {
            for (const from = performance.now(); performance.now() - from < ms;) await frame();
          };
          const opacity = (s: string) => Number(getComputedStyle(document.querySelector(s)!).opacity);
          await frame();
          let passed = false;
          let ever = false;
          const out: string[] = [];
          let i = 0;
          for (const [y, rests] of steps) {
            i++;
            scrollTo({ top: y, behavior: 'instant' });
            await frame();
            if (!passed && y >= down && y < past) passed = ever = true;
            else if (passed && (y < up || y >= past)) passed = false;
            if (!rests) continue;
            await played(75);
            await frame();
            const shows = ['#g h2', '#g p'].map(opacity);
            const wanted = passed || (ever && (plays === 'once' || back === 'keeps-end')) ? 1 : 0;
            if (shows.some((o) => o !== wanted))
              out.push(`step ${i}: at ${y} both show ${shows}, not ${wanted}`);
          }
          return out;
        },
        { steps, down, up, past, plays: given.plays, back: given.back },
      );
      expect(wrong).toEqual([]);
    },
  );
