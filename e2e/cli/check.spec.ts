/** `lyvek` as people and their CI use it: findings, formats, exit statuses, errors with file and line. */
import { itemAt, present } from '@lyvek/core';
import { expect, test } from '@playwright/test';
import { engineByName } from '@lyvek/server/lab';
import { mkdtempSync, readFileSync, writeFileSync, existsSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { lyvek } from '../support/cli.ts';
import { FULL } from '../support/full.ts';

const page = (css: string) => `<!doctype html>
<html><head><meta name="viewport" content="width=device-width"><style>
body { margin: 0 } .gap { height: 1200px } .card { height: 400px; background: #dcd; }
@keyframes rise { from { opacity: 0; translate: 0 60px } to { opacity: 1; translate: 0 0 } }
${css}
</style></head><body><div class="gap"></div>
<div class="box"><div class="card one">1</div></div><div class="gap"></div><div class="card two">2</div><div class="gap"></div>
<div class="card three">3</div><div class="gap"></div><div class="card four">4</div><div class="gap"></div></body></html>`;

const WRONG = page(`.one { animation: rise linear both; animation-timeline: view(); animation-range: entry }
.box { overflow: hidden }
.two { animation-timeline: view(); animation: rise 2s linear both }
.three { animation: rise 3s 1s linear both; animation-timeline: view(); animation-range: contain 20% contain 22% }
.four { animation: rise linear; animation-timeline: view() }`);
const RIGHT =
  page(`.one { animation: rise linear both; animation-timeline: view(); animation-range: entry 0% cover 33% }
.box { overflow: clip }
.two { animation: rise linear both; animation-timeline: view(); animation-range: cover 5% cover 33% }
.three { animation: rise linear both; animation-timeline: view(); animation-range: entry 0% entry 98% }
.four { animation: rise linear both; animation-timeline: view(); animation-range: entry 0% cover 33% }`);

const folder = mkdtempSync(join(tmpdir(), 'lyvek-check-'));
const file = (name: string, text: string) => {
  writeFileSync(join(folder, name), text);
  return join(folder, name);
};
const at = (name: string) => join(folder, name);

test('planted mistakes are found with their lines, and the mended page passes', async () => {
  const wrong = await lyvek(['check', file('wrong.html', WRONG), '--format', 'json']);
  expect(wrong.status, wrong.err).toBe(1);
  const { findings } = JSON.parse(wrong.out) as { findings: { check: string; line: number | null }[] };
  expect(new Set(findings.map((f) => f.check))).toEqual(
    new Set([
      'scroll-container',
      'shorthand-order',
      'delay-on-scrub',
      'missing-fill',
      'too-few-frames',
      'caught-by-scroller',
      'unseen-where-read',
      'kink',
    ]),
  );
  const lineOf = (text: string) => WRONG.split('\n').findIndex((l) => l.includes(text)) + 1;
  expect(findings.find((f) => f.check === 'shorthand-order')?.line).toBe(lineOf('.two {'));
  expect(findings.find((f) => f.check === 'scroll-container')?.line).toBe(lineOf('.box {'));
  const right = await lyvek(['check', file('right.html', RIGHT)]);
  expect(right.out).toContain('Nothing was found');
  expect(right.status, right.out).toBe(0);
});

test('what makes it fail is chosen: errors, unless somebody wants less or more', async () => {
  const warning = page(`@keyframes come { 0% { opacity: 0 } 60% { opacity: 0.8 } 100% { opacity: 1 } }
.two { animation: come linear both; animation-timeline: view(); animation-range: entry 10% cover 45% }`);
  const path = file('doubtful.html', warning);
  const plain = await lyvek(['check', path, '--format', 'json']);
  const severities = (JSON.parse(plain.out) as { findings: { severity: string }[] }).findings.map(
    (f) => f.severity,
  );
  expect([...new Set(severities)]).toEqual(['warning']);
  expect(plain.status).toBe(0);
  expect((await lyvek(['check', path, '--fail-on', 'warning'])).status).toBe(1);
  expect((await lyvek(['check', path, '--fail-on', 'often'])).status).toBe(2);
});

test('findings as SARIF and JUnit are what CI reads', async () => {
  const sarif = JSON.parse((await lyvek(['check', file('wrong.html', WRONG), '--format', 'sarif'])).out) as {
    version: string;
    runs: {
      results: { ruleId: string; locations: unknown[] }[];
      tool: { driver: { rules: { id: string }[] } };
    }[];
  };
  expect(sarif.version).toBe('2.1.0');
  const [run] = sarif.runs;
  expect(
    present(run).results.every((r) => present(run).tool.driver.rules.some((rule) => rule.id === r.ruleId)),
  ).toBe(true);
  const junit = (await lyvek(['check', at('wrong.html'), '--format', 'junit'])).out;
  expect(junit.match(/<testcase /g)).toHaveLength(itemAt(sarif.runs, 0).results.length);
  expect(junit).not.toMatch(/&(?!#\d+;)/);
});

test('limits of the project decide', async () => {
  const strict = file('limits.json', '{ "framesInRange": 200 }');
  const { status, out } = await lyvek(['check', file('right.html', RIGHT), '--limits', strict]);
  expect(status).toBe(1);
  expect(out).toContain('your limit is 200');
  const odd = await lyvek([
    'check',
    at('right.html'),
    '--limits',
    file('odd.json', '{ "framesInRange": "many" }'),
  ]);
  expect([odd.status, odd.err]).toEqual([2, expect.stringContaining('framesInRange')]);
});

test('other sizes: what a phone never lets finish is found there, and told with the size', FULL, async () => {
  test.slow();
  // Its range ends 600 px further down than a narrow page reaches.
  const narrow = page(`.four { animation: rise linear both; animation-timeline: view(block 0px) }
.last { height: 700px } @media (max-width: 500px) { .last { height: 100px } }`).replace(
    '</body>',
    '<div class="last"></div></body>',
  );
  const path = file('narrow.html', narrow);
  const here = await lyvek(['check', path]);
  expect(here.out).not.toContain('never gets further');
  const { status, out, err } = await lyvek(['check', path, '--sizes', '--format', 'json']);
  expect(status).toBe(1);
  expect(err).toMatch(/Measured at \d+ sizes; 129 are judged/);
  const { findings } = JSON.parse(out) as { findings: { check: string; sentence: string }[] };
  const late = present(findings.find((f) => f.check === 'never-finishes'));
  expect(Number(present(/This is at (\d+) × /.exec(late.sentence))[1])).toBeLessThanOrEqual(500);
});

test('in the lab: a page that misses its budget is told so, one that does not is not', FULL, async () => {
  const heavy = page(`.four { animation: rise linear both; animation-timeline: view(block 0px) }`).replace(
    '</body>',
    `<script>addEventListener('scroll', () => { const end = performance.now() + 40; while (performance.now() < end); })</script></body>`,
  );
  const slow = await lyvek(['check', file('heavy.html', heavy), '--lab', '--format', 'json']);
  expect(slow.status).toBe(1);
  const checks = (JSON.parse(slow.out) as { findings: { check: string; sentence: string }[] }).findings;
  expect(checks.find((f) => f.check === 'late-frames')?.sentence).toContain('were on time');
  expect(checks.find((f) => f.check === 'hot-spot')?.sentence).toContain('measured to cost');
  // A layout alone cannot be scrolled.
  await lyvek(['measure', at('heavy.html'), '--out', at('heavy.layout.json')]);
  await lyvek(['import', at('heavy.html'), '--out', at('heavy.json')]);
  const without = await lyvek(['check', at('heavy.json'), '--layout', at('heavy.layout.json'), '--lab']);
  expect(without.err).toContain('give --page');
  expect(without.status).toBe(2);
});

test('import, export and prove in a row; what was read as meant plays', FULL, async () => {
  const read = await lyvek([
    'import',
    file('wrong.html', WRONG),
    '--corrections',
    '--out',
    at('doc.json'),
    '--report',
    at('report.json'),
  ]);
  expect(read.status).toBe(0);
  expect(read.err).toMatch(/wrong\.html:\d+:\d+: “animation” comes after/);
  expect(
    (JSON.parse(readFileSync(at('report.json'), 'utf8')) as { mistakes: unknown[] }).mistakes.length,
  ).toBeGreaterThan(2);
  const out = await lyvek([
    'export',
    at('doc.json'),
    at('wrong.html'),
    '--out',
    at('dist'),
    '--only-changes',
  ]);
  expect(out.status, out.err).toBe(0);
  for (const name of ['wrong.html', 'wrong.motion.css', 'lyvek.json'])
    expect(existsSync(at(`dist/${name}`)), name).toBe(true);
  const proof = await lyvek(['prove', at('dist'), '--offsets', '30', '--json']);
  expect(proof.status, proof.out + proof.err).toBe(0);
  expect((JSON.parse(proof.out) as { motions: unknown[] }).motions.length).toBe(4);
  // A hand-off that was changed behind its document’s back is told apart.
  const css = at('dist/wrong.motion.css');
  writeFileSync(css, readFileSync(css, 'utf8').replaceAll('-distance: 60px', '-distance: 90px'));
  const changed = await lyvek(['prove', at('dist'), '--offsets', '30']);
  expect(changed.status).toBe(1);
  expect(changed.out).toContain('differs');
});

test(
  'what was exported is proved in other browsers beside the page that it was made from',
  FULL,
  async () => {
    const why = engineByName('firefox').missing();
    test.skip(why !== null, `because ${why}`);
    await lyvek(['import', file('right.html', RIGHT), '--unproved', '--out', at('right.json')]);
    await lyvek(['export', at('right.json'), at('right.html'), '--out', at('right'), '--fallback']);
    const alone = await lyvek(['prove', at('right'), '--engine', 'firefox']);
    expect([alone.status, alone.err]).toEqual([2, expect.stringContaining('with --source')]);
    const wrong = await lyvek(['prove', at('right'), '--engine', 'lynx']);
    expect([wrong.status, wrong.err]).toEqual([2, expect.stringContaining('chromium, firefox, webkit')]);
    const proof = await lyvek([
      'prove',
      at('right'),
      '--engine',
      'firefox',
      '--source',
      at('right.html'),
      '--offsets',
      '30',
    ]);
    expect(proof.status, proof.out + proof.err).toBe(0);
    expect(proof.out).toMatch(/All as predicted, in Firefox \d/);
  },
);

test('a page of which nothing could be looked at is neither checked nor proved', FULL, async () => {
  const unsupported = page(`@keyframes tint { from { color: oklch(from red l c h) } }
.one { animation: tint linear both; animation-timeline: view() }`);
  for (const [name, text, why] of [
    ['unread.html', unsupported, /Nothing was checked: \d+ place/],
    ['still.html', page(''), /Nothing was checked: no motion is on/],
  ] as const) {
    const checked = await lyvek(['check', file(name, text)]);
    expect([checked.status, checked.out], name).toEqual([2, '']);
    expect(checked.err).toMatch(why);
  }
  const proved = await lyvek(['prove', at('still.html'), '--offsets', '4']);
  expect([proved.status, proved.out]).toEqual([2, expect.stringContaining('Nothing was proved')]);
});

test('documents and pages come from the standard input, samples go to a table', FULL, async () => {
  const document = await lyvek(['import', '-'], RIGHT);
  expect(document.status).toBe(0);
  file('doc2.json', document.out);
  const layout = await lyvek([
    'measure',
    file('right.html', RIGHT),
    '--viewport',
    '1000x700',
    '--document',
    at('doc2.json'),
  ]);
  file('layout.json', layout.out);
  const csv = await lyvek(
    ['sample', '-', '--layout', at('layout.json'), '--scroll', '0:900:300', '--format', 'csv'],
    document.out,
  );
  const rows = csv.out.trim().split('\r\n');
  expect(rows[0]).toBe('offset,motion,element,progress,property,value');
  expect(rows).toHaveLength(1 + 4 * 4 * 2);
});

test('what cannot be read is an error of status 2 that says where', async () => {
  const errors: [args: string[], words: RegExp][] = [
    [
      ['sample', at('missing.json'), '--layout', at('x'), '--scroll', '0'],
      /missing\.json: there is no such file/,
    ],
    [['sample', file('bad.json', '{\n "format": }'), '--layout', at('x'), '--scroll', '0'], /bad\.json:2:12/],
    [
      [
        'check',
        file('other.json', '{"format":"lyvek-document","version":1,"motions":[{}]}'),
        '--page',
        at('right.html'),
      ],
      /motions\[0\]/,
    ],
    [['measure', at('right.html'), '--viewport', 'wide'], /1280x800/],
    [['check', at('right.html'), '--gesture', 'teleport'], /teleport/],
    [['nothing'], /unknown command/],
    [['export', at('doc2.json')], /give a document, a page and --out/],
  ];
  for (const [args, words] of errors) {
    const { status, err } = await lyvek(args);
    expect(err, args.join(' ')).toMatch(words);
    expect(status, args.join(' ')).toBe(2);
  }
  const help = await lyvek(['check', '--help']);
  expect([help.status, help.out]).toEqual([0, expect.stringContaining('Example:')]);
});
