/** Findings for `lyvek check`: predicted ones, those of other sizes, and those of a trial measured in Chromium. */
import {
  acceptedFor,
  activeMedia,
  checkById,
  clockById,
  makeClock,
  compileTimeline,
  deviceById,
  toDuration,
  findFindings,
  findGesture,
  findHotSpots,
  listLateFrames,
  LayoutField,
  shippedCoefficients,
  simulate,
  SWEEP_SIZES,
  sweeping,
  TrialSetupSchema,
  underMedia,
  withPins,
  itemAt,
  present,
} from '@lyvek/core';
import type {
  Finding,
  FrameClock,
  Gesture,
  PinnedLayout,
  Limits,
  MotionDocument,
  Simulated,
} from '@lyvek/core';
import { filesInMemory } from '@lyvek/server/page-files';
import { BadInput } from './errors.ts';
import { note } from './output.ts';
import { bareFiles, built, exportedFiles } from './page.ts';
import type { Reported } from './reports.ts';
import type { Subject } from './subject.ts';

export interface CheckOptions {
  gesture: string;
  refresh: number;
  device: string;
  limits: Limits;
}

/** A subject as it is at its size, tried once by prediction. */
export interface CheckRun {
  subject: Subject;
  asked: CheckOptions;
  document: MotionDocument;
  held: PinnedLayout;
  gesture: Gesture;
  clock: FrameClock;
  trial: Simulated;
}

export function analyze(subject: Subject, asked: CheckOptions): CheckRun {
  const { document: whole, layout } = subject;
  const document = underMedia(whole, activeMedia(whole, { viewport: layout.viewport, reducedMotion: false }));
  const held = withPins(layout, document.pins);
  const gesture = findGesture(asked.gesture, layout.viewport.height);
  const clock = makeClock(asked.refresh);
  const { dpr } = deviceById(asked.device);
  const coefficients = shippedCoefficients(asked.device);
  const timeline = compileTimeline(document, held);
  const trial = simulate({ document, timeline, gesture, clock, direction: 'down', coefficients, dpr });
  return { subject, asked, document, held, gesture, clock, trial };
}

const reported = (
  f: Omit<Finding, 'element'>,
  { subject: { document, file } }: CheckRun,
  where = '',
): Reported => ({
  check: f.check,
  severity: f.severity,
  title:
    document.motions.find((m) => m.id === f.about)?.name ?? (f.about || present(checkById(f.check)).name),
  sentence: f.sentence + where,
  why: present(checkById(f.check)).why,
  fix: f.fix?.label ?? null,
  file: f.place?.path ?? file,
  line: f.place?.line ?? null,
  column: f.place?.column ?? null,
  at: f.place ? null : Math.round(f.at),
});

/** What the checks say at the subject’s size; mistakes of the page that no check speaks of come first. */
export function predicted(looked: CheckRun): Reported[] {
  const { subject, document, held, gesture, clock, trial, asked } = looked;
  const { mistakes } = subject;
  const timeline = compileTimeline(document, held);
  const found = findFindings({
    document,
    timeline,
    gesture,
    clock,
    limits: asked.limits,
    trial,
    mistakes,
  }).filter((f) => !acceptedFor(document, f, held));
  const told = new Set(found.flatMap((f) => (f.place ? [`${f.check} ${f.place.path}:${f.place.line}`] : [])));
  const rest = mistakes.filter((m) => !told.has(`${m.kind} ${m.place.path}:${m.place.line}`));
  return [
    ...rest.map(({ kind, what, why, advice, place }): Reported => ({
      check: kind,
      severity: 'error',
      title: what,
      sentence: what,
      why,
      fix: advice,
      file: place.path,
      line: place.line,
      column: place.column,
      at: null,
    })),
    ...found.map((f) => reported(f, looked)),
  ];
}

const makePage = ({ subject: { page } }: CheckRun, option: string) => {
  if (page) return page;
  throw new BadInput(`${option} needs the page itself: give --page`);
};

/** Findings of reach and structure at other sizes and zooms, without those of the subject’s own size. */
export async function atOtherSizes(looked: CheckRun, here: readonly Reported[]): Promise<Reported[]> {
  const { subject, asked, gesture, clock } = looked;
  const { document } = subject;
  const page = makePage(looked, '--sizes');
  const { measurePages } = await import('@lyvek/server/lab');
  const field = new LayoutField([subject.layout]);
  const inPage = new TextDecoder().decode(built('in-page.js'));
  await measurePages(
    { files: bareFiles(page, document), inPage, document },
    () => field.next(),
    (l) => field.put(l),
  );
  const layouts = field.layouts;
  note(`Measured at ${layouts.length} sizes; ${SWEEP_SIZES.length} are judged.`);
  const work = sweeping({ document, layouts, limits: asked.limits, gesture, clock, reducedMotion: false });
  let step = work.next();
  while (!step.done) step = work.next();
  const known = new Set(here.map((r) => `${r.check} ${r.title}`));
  return step.value.found
    .map(({ finding, at, shown }) => {
      const { width, height } = itemAt(SWEEP_SIZES, shown).viewport;
      return reported(finding, looked, ` This is at ${width} × ${height}, one of ${at.length} sizes.`);
    })
    .filter((r) => !known.has(`${r.check} ${r.title}`));
}

/** Chromium scrolls the finished page with a real wheel, slowed down like the device. */
export async function inTheLab(looked: CheckRun): Promise<Reported[]> {
  const { subject, asked, document, gesture, held, trial } = looked;
  const page = makePage(looked, '--lab');
  const { findLongest, runTrial } = await import('@lyvek/server/lab');
  const setup = TrialSetupSchema.parse({
    gesture: asked.gesture,
    clock: '60',
    direction: 'down',
    viewport: held.viewport,
    device: asked.device,
    lasts: toDuration(gesture, itemAt(held.scrollers, 0).max.block),
  });
  const { files } = exportedFiles(page, subject.document, subject.layout);
  const result = await runTrial(filesInMemory(page.files.entry, files), setup, {
    signal: AbortSignal.timeout(findLongest(setup)),
  });
  for (const n of result.notes) note(n);
  // Headless frames come at 60 Hz, whatever was predicted for.
  const tried = {
    ...result,
    charges: trial.charges,
    document,
    clock: clockById('60'),
    how: 'measured to cost' as const,
  };
  const late = listLateFrames(tried, asked.limits);
  return [
    ...findHotSpots(tried).map((f) => reported({ ...f, check: 'hot-spot' }, looked)),
    ...(late ? [reported({ ...late, check: 'late-frames' }, looked)] : []),
  ];
}
