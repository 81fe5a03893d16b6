import { itemAt, present } from '@lyvek/core';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { REPORTS } from './reports.ts';
import type { Reported } from './reports.ts';

const one = (over: Partial<Reported> = {}): Reported => ({
  check: 'jump',
  severity: 'error',
  title: 'Card rises',
  sentence: 'It hops.',
  why: 'Readers lose it.',
  fix: 'Smooth it',
  file: 'index.html',
  line: null,
  column: null,
  at: 1200,
  ...over,
});
const size = { width: 1280, height: 800 };
const mistake = one({
  title: 'It stops',
  sentence: 'It stops',
  file: 'a.css',
  line: 7,
  column: 3,
  at: null,
  fix: null,
});

describe('reports', () => {
  test('as text: a line each with its place, what would mend it, and a count', () => {
    const text = present(REPORTS.text)([one(), mistake, one({ severity: 'info' })], size);
    expect(text.split('\n')).toEqual([
      'error     index.html at 1200 px  Card rises: It hops.',
      '          Smooth it  [jump]',
      'error     a.css:7:3  It stops  [jump]',
      'info      index.html at 1200 px  Card rises: It hops.',
      '          Smooth it  [jump]',
      '3 found at 1280 × 800.',
    ]);
    expect(present(REPORTS.text)([], size)).toBe('Nothing was found at 1280 × 800.');
  });

  test('as SARIF: levels, rules that results refer to, and regions only where a line is known', () => {
    const { runs } = JSON.parse(present(REPORTS.sarif)([one({ severity: 'info' }), mistake], size)) as {
      runs: {
        results: { level: string; ruleId: string; locations: { physicalLocation: object }[] }[];
        tool: { driver: { rules: { id: string }[] } };
      }[];
    };
    const { results, tool } = itemAt(runs, 0);
    expect(results.map((r) => r.level)).toEqual(['note', 'error']);
    expect(tool.driver.rules.map((r) => r.id)).toEqual(['jump']);
    expect(itemAt(itemAt(results, 0).locations, 0).physicalLocation).not.toHaveProperty('region');
    expect(itemAt(itemAt(results, 1).locations, 0).physicalLocation).toHaveProperty('region', {
      startLine: 7,
      startColumn: 3,
    });
  });

  test('as JUnit: whatever stands in names and sentences, it stays XML with as many cases as it says', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ title: fc.string({ unit: 'binary' }), sentence: fc.string({ unit: 'binary' }) }),
          { maxLength: 5 },
        ),
        (list) => {
          const xml = present(REPORTS.junit)(
            list.map((l) => one(l)),
            size,
          );
          expect(xml.match(/<testcase /g)).toHaveLength(Math.max(1, list.length));
          expect(Number(present(/tests="(\d+)"/.exec(xml))[1])).toBe(Math.max(1, list.length));
          expect(Number(present(/failures="(\d+)"/.exec(xml))[1])).toBe(list.length);
          // Nothing of it reads as markup, and there is no control character but a line’s end.
          const plain = xml.replace(/<\/?(testsuites?|testcase|failure)\b[^<>]*>|<\?xml[^<>]*\?>/g, '');
          expect(plain).not.toMatch(/[<>]|&(?!#\d+;)/);
          expect([...xml].every((c) => c >= ' ' || '\n\t\r'.includes(c))).toBe(true);
        },
      ),
      { numRuns: 200 },
    );
  });
});
