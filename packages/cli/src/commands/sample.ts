import type { Command } from 'commander';
import { Option } from 'commander';
import {
  activeMedia,
  compileTimeline,
  sample as sampleTimeline,
  isKnown,
  shownValue,
  underMedia,
  withPins,
  itemAt,
} from '@lyvek/core';
import { offsetsFrom, readDocumentFile, readLayoutFile } from '../input.ts';
import { csvField, put } from '../output.ts';

interface Row {
  offset: number;
  motion: string;
  element: string;
  progress: number;
  values: Record<string, string>;
}

export const sample = (program: Command): void =>
  void program
    .command('sample')
    .description('tell progress and values of every motion at scroll offsets, without a browser')
    .argument('<document>', 'a document, or - for the standard input')
    .requiredOption('--layout <file>', 'a layout, from lyvek measure')
    .requiredOption('--scroll <from:to:step>', 'offsets in px')
    .addOption(new Option('--format <format>', 'how to print').choices(['json', 'csv']).default('json'))
    .option('--reduced-motion', 'for readers who want reduced motion')
    .option('--out <file>', 'where to write', '-')
    .addHelpText(
      'after',
      '\nExample:\n  lyvek sample site.lyvek.json --layout site.layout.json --scroll 0:8000:50 --format csv',
    )
    .action(
      (
        path: string,
        o: { layout: string; scroll: string; format: string; reducedMotion?: boolean; out: string },
      ) => {
        const whole = readDocumentFile(path);
        const measured = readLayoutFile(o.layout);
        const active = activeMedia(whole, {
          viewport: measured.viewport,
          reducedMotion: o.reducedMotion ?? false,
        });
        const document = underMedia(whole, active);
        const layout = withPins(measured, document.pins);
        const timeline = compileTimeline(document, layout);
        const rows: Row[] = [];
        const channels = new Float64Array(layout.scrollers.length * 2);
        for (const offset of offsetsFrom(o.scroll)) {
          channels.fill(0);
          channels[0] = offset;
          sampleTimeline(timeline, channels);
          timeline.instances.forEach(({ motion, element }, i) =>
            rows.push({
              offset,
              motion: motion.id,
              element: itemAt(layout.elements, element).selector,
              progress: Number(itemAt(timeline.progress, i).toFixed(9)),
              values: Object.fromEntries(
                Object.keys(motion.keyframes).map((p) => [
                  p,
                  isKnown(timeline, element, p) ? (shownValue(timeline, element, p) ?? '') : 'not predicted',
                ]),
              ),
            }),
          );
        }
        if (o.format === 'json')
          return put(
            JSON.stringify({ format: 'lyvek-samples', version: 1, viewport: layout.viewport, rows }),
            o.out,
          );
        const lines = rows.flatMap((r) =>
          Object.entries(r.values).map(([property, value]) =>
            [r.offset, r.motion, r.element, r.progress, property, value].map(csvField).join(','),
          ),
        );
        put(['offset,motion,element,progress,property,value', ...lines].join('\r\n'), o.out);
      },
    );
