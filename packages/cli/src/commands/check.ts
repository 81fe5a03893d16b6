import type { Command } from 'commander';
import { Option } from 'commander';
import { DEFAULT_GESTURE, DEVICES, GESTURES, LimitsSchema, listProblems, itemAt, present } from '@lyvek/core';
import type { Limits, Severity } from '@lyvek/core';
import { BadInput } from '../errors.ts';
import { atOtherSizes, inTheLab, analyze, predicted } from '../findings.ts';
import { readJson, viewportFrom } from '../input.ts';
import { note, put } from '../output.ts';
import { REPORTS } from '../reports.ts';
import { findSubject } from '../subject.ts';

interface Options {
  layout?: string;
  page?: string;
  gesture: string;
  refresh: string;
  device: string;
  viewport: string;
  limits?: string;
  sizes?: boolean;
  lab?: boolean;
  format: keyof typeof REPORTS;
  failOn: string;
  out: string;
}

/** Severities that make it fail, by the least of them, in the words of other tools. */
const FAILING: Record<string, readonly Severity[]> = {
  error: ['error'],
  warning: ['error', 'warning'],
  info: ['error', 'warning', 'info'],
};

function limitsFrom(path: string | undefined): Limits {
  const parsed = LimitsSchema.safeParse(path === undefined ? {} : readJson(path));
  if (parsed.success) return parsed.data;
  const [first] = listProblems(parsed.error);
  throw new BadInput(`${present(first).path}: ${present(first).message}`, path);
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
      new Option('--device <device>', 'what frames are predicted for, and how slow the lab is')
        .choices(DEVICES.map((d) => d.id))
        .default(itemAt(DEVICES, 0).id),
    )
    .option('--limits <file>', 'limits of the project as JSON')
    .option('--sizes', 'look at other sizes too, 320 to 2560 wide, 480 to 1440 high, and zoomed')
    .option('--lab', 'measure too: Chromium scrolls the finished page three times with a real wheel')
    .addOption(new Option('--format <format>', 'how to print').choices(Object.keys(REPORTS)).default('text'))
    .addOption(
      new Option('--fail-on <severity>', 'the least severe finding that makes the exit status 1')
        .choices(Object.keys(FAILING))
        .default('error'),
    )
    .option('--out <file>', 'where to write the findings', '-')
    .addHelpText(
      'after',
      '\nExit status 1: something as severe as --fail-on says was found. 2: there was nothing to check, or the input could not be read.\n\nExample:\n  lyvek check site/index.html --viewport 390x844 --sizes --format junit --out findings.xml',
    )
    .action(async (path: string, o: Options) => {
      const limits = limitsFrom(o.limits);
      const refresh = Number(o.refresh);
      if (!(refresh >= 1 && refresh <= 1000))
        throw new BadInput('--refresh is a number of frames per second');
      const subject = await findSubject(path, viewportFrom(o.viewport), o);
      const looked = analyze(subject, { gesture: o.gesture, refresh, device: o.device, limits });
      const found = predicted(looked);
      if (o.sizes) found.push(...(await atOtherSizes(looked, found)));
      if (o.lab) found.push(...(await inTheLab(looked)));
      const { unsupported } = subject;
      const left = `${unsupported} ${unsupported === 1 ? 'place' : 'places'} of the page that move something`;
      if (found.length === 0 && looked.document.motions.every((m) => !m.on)) {
        // A look at nothing finds nothing, which says nothing.
        note(
          unsupported
            ? `Nothing was checked: ${left} could not be read. “lyvek import” lists them with the reasons.`
            : 'Nothing was checked: no motion is on.',
        );
        process.exitCode = 2;
        return;
      }
      if (unsupported) note(`Not checked: ${left}. “lyvek import” lists them with the reasons.`);
      put(present(REPORTS[o.format])(found, subject.layout.viewport), o.out);
      const failing = present(FAILING[o.failOn]);
      if (found.some((f) => failing.includes(f.severity))) process.exitCode = 1;
    });
