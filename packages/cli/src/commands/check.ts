import type { Command } from 'commander';
import { Option } from 'commander';
import {
  CHECKS,
  DEVICES,
  GESTURES,
  LimitsSchema,
  acceptedFor,
  activeMedia,
  compileTake,
  findingsOf,
  clockOf,
  DEFAULT_GESTURE,
  gestureOf,
  problemsOf,
  shippedCoefficients,
  simulate,
  underMedia,
  withPins,
} from '@lyvek/core';
import type { Layout, Limits, Mistake, MotionDocument } from '@lyvek/core';
import { BadInput } from '../errors.ts';
import { asDocument, readJson, readLayoutFile, readPageAt, viewportFrom } from '../input.ts';
import { put } from '../output.ts';
import { measured, readingOf } from '../page.ts';
import { REPORTS } from '../reports.ts';
import type { Reported } from '../reports.ts';

interface Options {
  layout?: string;
  page?: string;
  gesture: string;
  refresh: string;
  device: string;
  viewport: string;
  limits?: string;
  format: keyof typeof REPORTS;
  out: string;
}

function limitsFrom(path: string | undefined): Limits {
  const parsed = LimitsSchema.safeParse(path === undefined ? {} : readJson(path));
  if (parsed.success) return parsed.data;
  const [first] = problemsOf(parsed.error);
  throw new BadInput(`${first!.path}: ${first!.message}`, path);
}

interface Subject {
  document: MotionDocument;
  layout: Layout;
  mistakes: Mistake[];
  /** the file that findings of motions belong to */
  file: string;
}

/** A document with its layout, or a page, whose own CSS is read and which is measured. */
async function subjectOf(path: string, o: Options): Promise<Subject> {
  const viewport = viewportFrom(o.viewport);
  if (/\.json$/i.test(path) || path === '-') {
    const document = asDocument(readJson(path), path);
    const layout = o.layout
      ? readLayoutFile(o.layout)
      : o.page
        ? await measured(readPageAt(o.page), viewport, document)
        : null;
    if (!layout) throw new BadInput('a document is checked on a page: give --layout or --page', path);
    return { document, layout, mistakes: [], file: path };
  }
  const page = readPageAt(path);
  const { document, mistakes } = readingOf(page);
  const layout = o.layout ? readLayoutFile(o.layout) : await measured(page, viewport, document);
  return { document, layout, mistakes, file: page.files.entry };
}

export const check = (program: Command): void =>
  void program
    .command('check')
    .description('look for motions that readers of the page would see go wrong')
    .argument('<document or page>', 'a document (.json, or - for the standard input), or a page')
    .option('--layout <file>', 'a layout; else the page is measured in Chromium')
    .option('--page <page>', 'the page of a document, to be measured')
    .option('--viewport <size>', 'width and height of the viewport', '1280x800')
    .addOption(
      new Option('--gesture <gesture>', 'how the page is scrolled')
        .choices(GESTURES.map((g) => g.id))
        .default(DEFAULT_GESTURE),
    )
    .option('--refresh <Hz>', 'frames per second', '60')
    .addOption(
      new Option('--device <device>', 'what frames are predicted for')
        .choices(DEVICES.map((d) => d.id))
        .default(DEVICES[0]!.id),
    )
    .option('--limits <file>', 'limits of the project as JSON')
    .addOption(new Option('--format <format>', 'how to print').choices(Object.keys(REPORTS)).default('text'))
    .option('--out <file>', 'where to write the findings', '-')
    .addHelpText(
      'after',
      '\nExit status 1: something was found. 2: the input could not be read.\n\nExample:\n  lyvek check site/index.html --viewport 390x844 --format junit --out findings.xml',
    )
    .action(async (path: string, o: Options) => {
      const limits = limitsFrom(o.limits);
      const refresh = Number(o.refresh);
      if (!(refresh >= 1 && refresh <= 1000))
        throw new BadInput('--refresh is a number of frames per second');
      const { document: whole, layout: bare, mistakes, file } = await subjectOf(path, o);
      const document = underMedia(whole, activeMedia(whole, { viewport: bare.viewport, still: false }));
      const layout = withPins(bare, document.pins);
      const take = compileTake(document, layout);
      const gesture = gestureOf(o.gesture, layout.viewport.height);
      const clock = clockOf(refresh);
      const coefficients = shippedCoefficients(o.device);
      const trial = simulate({ document, take, gesture, clock, direction: 'down', coefficients });
      const found = findingsOf({ document, take, gesture, clock, limits, trial }).filter(
        (f) => !acceptedFor(document, f, layout),
      );
      const why = new Map(CHECKS.map((c) => [c.id, c.why]));
      const name = (id: string) => document.motions.find((m) => m.id === id)?.name ?? id;
      const reported: Reported[] = [
        ...mistakes.map((m): Reported => ({
          check: m.kind,
          severity: 'wrong',
          title: m.what,
          sentence: m.what,
          why: m.why,
          fix: m.fix,
          file: m.place.path,
          line: m.place.line,
          column: m.place.column,
          at: null,
        })),
        ...found.map((f): Reported => ({
          check: f.check,
          severity: f.severity,
          title: name(f.about),
          sentence: f.sentence,
          why: why.get(f.check) ?? '',
          fix: f.fix?.label ?? null,
          file,
          line: null,
          column: null,
          at: Math.round(f.at),
        })),
      ];
      put(REPORTS[o.format]!(reported, layout.viewport), o.out);
      if (reported.length) process.exitCode = 1;
    });
