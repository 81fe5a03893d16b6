/** The browser is the judge: what the core predicts is compared with Chromium's own timelines and computed styles. */
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import {
  activeMedia,
  compileTimeline,
  distance,
  matrixDistance,
  handOffCss,
  fallbackPlan,
  LayoutSchema,
  makePatch,
  previewCss,
  readDocument,
  sample,
  makeMeasureRequest,
  shownValue,
  underMedia,
  withPins,
  writeCss,
  itemAt,
  present,
} from '@lyvek/core';
import type { HtmlPatch, Layout, MotionDocument, CompiledTimeline } from '@lyvek/core';
import { underConditions } from './conditioned.ts';
import { makeCases, partFor, listProperties } from './cases.ts';
import type { Case } from './cases.ts';
import { initialOf, TOLERANCE } from './compare.ts';
import type { Oracle, Shown } from './in-page.ts';
import { fallbackScript, oracleScript } from '../support/runtime.ts';
import { makePage } from './page.ts';

const PER_PAGE = 50;
const PAGES = Number(process.env.LYVEK_ORACLE_CASES ?? 1500) / PER_PAGE;
const SEED = Number(process.env.LYVEK_ORACLE_SEED ?? 4870);
const LOOKS = 7;
/** px of scroll by which prediction and browser may differ */
const SCROLL = 1 / 32;
/** px of scroll that the browser itself cuts off */
const CUT = 1 / 16;

const worst = { start: 0, progress: 0, values: new Map<string, number>() };
let checked = 0;
let script = '';
let fallback = '';

/** Pieces as the preview has them, a hand-off with media conditions, or the script for browsers without scroll timelines. */
type How = 'pieces' | 'media' | 'fallback';
const howOf = (n: number): How => (n % 3 === 2 ? 'media' : n % 5 === 3 ? 'fallback' : 'pieces');
const SAID = { pieces: '', media: ' under media conditions', fallback: ' by script alone' };
/** px of scroll: without timelines the browser tells places only in whole px. */
const FALLBACK = 1.5;

test.beforeAll(async () => {
  [script, fallback] = await Promise.all([oracleScript(), fallbackScript()]);
});

test.afterAll(() => {
  const values = [...worst.values].map(([p, w]) => `${p} ${w.toPrecision(2)}`).join(', ');
  console.log(
    `oracle: ${checked} values compared; worst start of a range ${worst.start.toFixed(4)} px, progress ${worst.progress.toFixed(4)} px of scroll; ${values}`,
  );
});

async function ask<T>(page: Page, work: (o: Oracle, arg: never) => T, arg: unknown): Promise<Awaited<T>> {
  return page.evaluate(`(${work.toString()})(oracle, ${JSON.stringify(arg)})`) as Promise<Awaited<T>>;
}

async function open(page: Page, cases: readonly Case[], how: How) {
  const parsed = readDocument({
    format: 'lyvek-document',
    version: 2,
    motions: cases.flatMap((c) => (c.second ? [c.motion, c.second] : [c.motion])),
    pins: cases.flatMap((c) => c.pin ?? []),
  });
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems.slice(0, 3)));
  await page.setContent(makePage(cases, ''));
  await page.evaluate(script);
  const request = makeMeasureRequest(parsed.document);
  const bare = LayoutSchema.parse(await ask(page, (o, s) => o.measure(s), request));
  await ask(page, (o, p: HtmlPatch) => o.patch(p), makePatch(parsed.document));
  const staying = writeCss(parsed.document, bare, 'full-motion').pieces.filter((p) => p.stays);
  await page.addStyleTag({ content: staying.map(previewCss).join('\n') });
  const layout = withPins(
    LayoutSchema.parse(await ask(page, (o, s) => o.measure(s), request)),
    parsed.document.pins,
  );
  // What pins do to the page was predicted from the page without them.
  withPins(bare, parsed.document.pins).elements.forEach((e, i) => {
    const measured = itemAt(layout.elements, i);
    expect([e.selector, measured.selector]).toEqual([e.selector, e.selector]);
    expect(Math.abs(e.box.y - measured.box.y), `${e.selector} lies at ${measured.box.y}`).toBeLessThan(0.06);
  });
  expect(layout.pinnedSpans).toHaveLength(parsed.document.pins.length);
  const { css, notes, document } =
    how === 'media'
      ? handedOff(parsed.document, layout)
      : { ...previewed(parsed.document, layout, how === 'fallback'), document: parsed.document };
  await page.addStyleTag({ content: css });
  if (how === 'fallback') {
    const { plan, notes: left } = fallbackPlan(parsed.document, layout);
    await page.addScriptTag({ content: fallback });
    await page.evaluate(`fallback.play(${JSON.stringify(plan)}) && 0`);
    notes.push(...left);
  }
  return {
    layout,
    timeline: compileTimeline(document, layout),
    approximate: new Set(notes.map((n) => n.motion)),
  };
}

/** As the preview has it: every piece as it is. */
function previewed(document: MotionDocument, layout: Layout, onlyProperties: boolean) {
  const { pieces, notes } = writeCss(document, layout, 'full-motion');
  const kept = onlyProperties ? pieces.filter((p) => p.keyframes.startsWith('@property')) : pieces;
  return { css: kept.map(previewCss).join('\n'), notes: [...notes] };
}

/** As the hand-off has it, with every value that is seen inside of a media condition. */
function handedOff(plain: MotionDocument, layout: Layout) {
  const read = readDocument(underConditions(plain));
  if (!read.ok) throw new Error(JSON.stringify(read.problems.slice(0, 3)));
  const { css, notes } = handOffCss(read.document, layout, 'Oracle');
  const active = activeMedia(read.document, { viewport: layout.viewport, reducedMotion: false });
  return { css, notes, document: underMedia(read.document, active) };
}

/** What the core predicts for one instance at a scroll offset. */
function predict(
  timeline: CompiledTimeline,
  layout: Layout,
  i: number,
  properties: readonly string[],
  offset: number,
) {
  const offsets = new Float64Array(layout.scrollers.length * 2);
  offsets[itemAt(timeline.channel, i)] = offset;
  sample(timeline, offsets);
  const { element } = itemAt(timeline.instances, i);
  const base = itemAt(layout.elements, element).base ?? {};
  return {
    progress: timeline.phase[i] === 0 ? itemAt(timeline.progress, i) : null,
    values: properties.map((p) => shownValue(timeline, element, p) ?? base[p] ?? initialOf(p)),
  };
}

/** A transform that the browser still has to read. */
interface Pending {
  shown: string;
  predicted: string[];
  at: string;
}

/** All gestures in which one case differs from the prediction. */
function differences(
  c: Case,
  shown: Shown,
  timeline: CompiledTimeline,
  layout: Layout,
  scrolled: readonly [number, number],
  pending: Omit<Pending, 'at'>[],
  how: How,
): string[] {
  const i = timeline.instances.findIndex((x) => x.motion.id === c.motion.id);
  const { placed, element } = itemAt(timeline.instances, i);
  const out: string[] = [];
  const offset = (how === 'fallback' ? null : shown.offset) ?? scrolled[placed.axis === 'block' ? 0 : 1];
  if (Math.abs(offset - scrolled[placed.axis === 'block' ? 0 : 1]) > CUT)
    out.push(`the timeline stands at ${offset} px, the page at ${scrolled}`);
  const length = placed.end - placed.start;
  if (shown.range && how !== 'fallback') {
    worst.start = Math.max(worst.start, Math.abs(shown.range.start - placed.start));
    if (Math.abs(shown.range.start - placed.start) > SCROLL)
      out.push(`starts at ${shown.range.start} px, predicted ${placed.start}`);
  }
  const properties = listProperties(c);
  // Of two motions each timeline is cut at its own place, so both may lag by as much.
  const apart = how === 'fallback' ? FALLBACK : c.second ? SCROLL + CUT : SCROLL;
  // A jump between two turns may be on either side of a place: what is shown just before it counts, too.
  const turns = c.motion.repeat?.alternate === false ? c.motion.repeat.count : 0;
  const jumps = Array.from({ length: turns }, (_, k) => placed.start + (k * length) / turns - offset).filter(
    (shift) => Math.abs(shift) < apart,
  );
  const around = [-apart, 0, apart, ...jumps.map((shift) => shift - 1e-3)].map((shift) =>
    predict(timeline, layout, i, properties, offset + shift),
  );
  const mine = itemAt(around, 1);
  if (mine.progress !== null && shown.progress !== null && length > 0 && how !== 'fallback') {
    const error = Math.abs(mine.progress - shown.progress);
    worst.progress = Math.max(worst.progress, error * length);
    if (error > Math.max(1e-4, SCROLL / length))
      out.push(`progress ${shown.progress}, predicted ${mine.progress} (${(error * length).toFixed(4)} px)`);
  }
  const e = itemAt(layout.elements, element);
  const context = {
    box: e.box,
    viewport: layout.viewport,
    em: e.fontSize ?? 16,
    rem: 16,
    color: e.base?.color ?? 'black',
  };
  properties.forEach((property, k) => {
    if (property === 'transform') {
      pending.push({ shown: itemAt(shown.values, k), predicted: around.map((p) => itemAt(p.values, k)) });
      return;
    }
    const error = distance(
      property,
      itemAt(shown.values, k),
      around.map((p) => itemAt(p.values, k)),
      context,
    );
    checked++;
    if (error > present(TOLERANCE[property]))
      out.push(`${property}: ${shown.values[k]}, predicted ${mine.values[k]}`);
    else worst.values.set(property, Math.max(worst.values.get(property) ?? 0, error));
  });
  return out;
}

for (let n = 0; n < PAGES; n++) {
  const seed = SEED + n;
  test(`page ${n + 1} of ${PAGES}: ${PER_PAGE} subjects move as predicted${SAID[howOf(n)]} (seed ${seed})`, async ({
    page,
  }) => {
    const cases = makeCases(seed, PER_PAGE);
    await page.setViewportSize({ width: 1000, height: 800 });
    const { layout, timeline, approximate } = await open(page, cases, howOf(n));
    expect(timeline.unplaced.filter((u) => !u.reason.startsWith('its insets'))).toEqual([]);
    const wanted = cases.map((c, i) => ({
      id: `s${i}`,
      part: partFor(c, i),
      properties: listProperties(c),
    }));
    const failures: string[] = [];
    for (let look = 0; look < LOOKS; look++) {
      // Down and up again, at places that have nothing in common with the cases.
      const share = ((look * 0.382 + n * 0.117) % 1) * (look % 2 ? 0.3 : 1);
      const pending: Pending[] = [];
      const inner = Object.fromEntries(
        cases.map((_, i) => [`scroll${i}`, Math.round(((look * 0.271 + i * 0.13) % 1) * 1100)]),
      );
      const where = [Math.round(share * itemAt(layout.scrollers, 0).max.block), inner, wanted];
      const { offsets, shown } = await ask(page, (o, a: Parameters<Oracle['look']>) => o.look(...a), where);
      cases.forEach((c, i) => {
        const instance = timeline.instances.find((x) => x.motion.id === c.motion.id);
        // Unplaced ones are dead in the browser too; the writer says where viewport units stand in for a scroller's size.
        const viewportForm =
          approximate.has(c.motion.id) || (c.second !== null && approximate.has(c.second.id));
        if (!instance || (viewportForm && c.subject.setting.includes('scroller'))) return;
        const scroller = itemAt(layout.scrollers, instance.placed.scroller).selector ?? '';
        const at = `seed ${seed}, case ${i}, look ${look}, scrolled ${offsets[scroller]}\n   ${JSON.stringify(c)}`;
        const transforms: Omit<Pending, 'at'>[] = [];
        for (const d of differences(
          c,
          itemAt(shown, i),
          timeline,
          layout,
          present(offsets[scroller]),
          transforms,
          howOf(n),
        ))
          failures.push(`${d}\n   ${at}`);
        pending.push(...transforms.map((t) => ({ ...t, at })));
      });
      const texts = pending.flatMap((t) => [t.shown, ...t.predicted]);
      const matrices = await ask(page, (o, t: string[]) => o.matrices(t), texts);
      pending.forEach((t, i) => {
        const [mine, ...theirs] = matrices.slice(i * 4, i * 4 + 4) as [number[], ...number[][]];
        const error = matrixDistance(mine, theirs);
        checked++;
        if (error > present(TOLERANCE.transform))
          failures.push(`transform: ${t.shown}, predicted ${t.predicted[1]}\n   ${t.at}`);
        else worst.values.set('transform', Math.max(worst.values.get('transform') ?? 0, error));
      });
    }
    expect(failures.length, `${failures.length} differ, first:\n${failures.slice(0, 5).join('\n')}`).toBe(0);
  });
}
