/** Findings as text, JSON, SARIF 2.1.0 and JUnit XML. */
import type { Severity, Viewport } from '@lyvek/core';

export interface Reported {
  check: string;
  severity: Severity;
  title: string;
  sentence: string;
  why: string;
  fix: string | null;
  file: string;
  line: number | null;
  column: number | null;
  /** scroll offset, px */
  at: number | null;
}

/** What each severity is called in SARIF (2.1.0, §3.27.10). */
const LEVELS: Record<Severity, string> = { error: 'error', warning: 'warning', info: 'note' };

type Report = (found: readonly Reported[], viewport: Viewport) => string;

const place = ({ file, line, column, at }: Reported): string =>
  [file, line, column].filter((p) => p !== null).join(':') + (at === null ? '' : ` at ${at} px`);

const text: Report = (found, { width, height }) =>
  [
    ...found.map(
      (f) =>
        `${f.severity.padEnd(8)}  ${place(f)}  ${f.title === f.sentence ? f.sentence : `${f.title}: ${f.sentence}`}${f.fix ? `\n          ${f.fix}` : ''}  [${f.check}]`,
    ),
    found.length === 0
      ? `Nothing was found at ${width} × ${height}.`
      : `${found.length} found at ${width} × ${height}.`,
  ].join('\n');

const json: Report = (findings, viewport) =>
  JSON.stringify({ format: 'lyvek-findings', version: 2, viewport, findings }, null, 2);

const sarif: Report = (found) =>
  JSON.stringify(
    {
      $schema: 'https://json.schemastore.org/sarif-2.1.0.json',
      version: '2.1.0',
      runs: [
        {
          tool: {
            driver: {
              name: 'Lyvek',
              rules: [...new Map(found.map((f) => [f.check, f])).values()].map((f) => ({
                id: f.check,
                shortDescription: { text: f.check.replaceAll('-', ' ') },
                fullDescription: { text: f.why },
              })),
            },
          },
          results: found.map((f) => ({
            ruleId: f.check,
            level: LEVELS[f.severity],
            message: {
              text: [f.title === f.sentence ? '' : `${f.title}: `, f.sentence, f.fix ? ` ${f.fix}` : ''].join(
                '',
              ),
            },
            locations: [
              {
                physicalLocation: {
                  artifactLocation: { uri: f.file },
                  ...(f.line === null ? {} : { region: { startLine: f.line, startColumn: f.column ?? 1 } }),
                },
              },
            ],
          })),
        },
      ],
    },
    null,
    2,
  );

/** XML 1.0 has no control characters but three. */
const isAllowed = (c: string) => c >= ' ' || c === '\t' || c === '\n' || c === '\r';
const xml = (s: string) =>
  [...s]
    .filter(isAllowed)
    .map((c) => (/[&<>"']/.test(c) ? `&#${c.charCodeAt(0)};` : c))
    .join('');

const junit: Report = (found, { width, height }) => {
  const cases = found.map(
    (f) =>
      `    <testcase classname="${xml(f.check)}" name="${xml(f.title)}">\n      <failure type="${f.severity}" message="${xml(f.sentence)}">${xml(`${place(f)}\n${f.why}${f.fix ? `\n${f.fix}` : ''}`)}</failure>\n    </testcase>`,
  );
  const empty = `    <testcase classname="lyvek" name="Nothing was found at ${width} x ${height}"/>`;
  return `<?xml version="1.0" encoding="UTF-8"?>
<testsuites>
  <testsuite name="lyvek check" tests="${Math.max(1, found.length)}" failures="${found.length}">
${cases.length ? cases.join('\n') : empty}
  </testsuite>
</testsuites>`;
};

export const REPORTS: Record<string, Report> = { text, json, sarif, junit };
