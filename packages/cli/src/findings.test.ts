import { describe, expect, test } from '@jest/globals';
import { DEFAULT_LIMITS, withAccepted, itemAt, present } from '@lyvek/core';
import type { MotionDocument } from '@lyvek/core';
import { makeDocument, motion } from '@lyvek/core/testing';
import { PAGE } from '../../core/src/testing/specimen-parts.ts';
import { SPECIMENS } from '../../core/src/testing/specimens.ts';
import { atOtherSizes, inTheLab, analyze, predicted } from './findings.ts';
import type { CheckOptions } from './findings.ts';
import type { Subject } from './subject.ts';

const asked: CheckOptions = { gesture: 'brisk-wheel', refresh: 60, device: 'here', limits: DEFAULT_LIMITS };
const subject = (document: MotionDocument, over: Partial<Subject> = {}): Subject => ({
  document,
  layout: PAGE,
  mistakes: [],
  unsupported: 0,
  page: null,
  file: 'motion.lyvek.json',
  ...over,
});
const said = (s: Subject, over: Partial<CheckOptions> = {}) => predicted(analyze(s, { ...asked, ...over }));

describe('what lyvek check says', () => {
  test('nothing of a sound document', () => expect(said(subject(makeDocument(motion())))).toEqual([]));

  test('a finding names its motion, its file, its place and what would mend it', () => {
    const [one] = said(subject(present(SPECIMENS['eased-scrub']).document));
    expect(one).toMatchObject({
      check: 'eased-scrub',
      file: 'motion.lyvek.json',
      line: null,
      title: 'Card',
    });
    expect(present(one).at).toBeGreaterThan(0);
    expect(present(one).fix).not.toBeNull();
    expect(present(one).why.length).toBeGreaterThan(20);
  });

  test('a mistake of the page is told once, with its line', () => {
    const { document, mistakes } = present(SPECIMENS['shorthand-order']);
    const found = said(subject(document, { mistakes: mistakes as Subject['mistakes'] }));
    expect(found).toEqual([
      expect.objectContaining({
        check: 'shorthand-order',
        file: 'index.html',
        line: 1,
        at: null,
        fix: 'Import with correction',
      }),
    ]);
  });

  test('more frames a second, and other limits, change what is found', () => {
    const brief = subject(makeDocument(motion({ range: { start: 'contain 40%', end: 'contain 62%' } })));
    const checks = (over: Partial<CheckOptions>) => said(brief, over).map((f) => f.check);
    expect(checks({})).toContain('too-few-frames');
    expect(checks({ refresh: 240 })).not.toContain('too-few-frames');
    expect(checks({ limits: { ...DEFAULT_LIMITS, framesInRange: 2 } })).not.toContain('too-few-frames');
  });

  test('what was accepted stays out', () => {
    const { document } = present(SPECIMENS['eased-scrub']);
    const { document: seen } = analyze(subject(document), asked);
    const accepted = withAccepted(document, {
      check: 'eased-scrub',
      where: itemAt(seen.motions, 0).id,
      reason: 'meant so',
      // Of another state: it counts no longer.
      state: 'other',
    });
    expect(said(subject(accepted)).map((f) => f.check)).toEqual(['eased-scrub']);
  });

  test('other sizes and the lab need the page itself', async () => {
    const looked = analyze(subject(makeDocument(motion())), asked);
    await expect(atOtherSizes(looked, [])).rejects.toThrow('--sizes needs the page itself');
    await expect(inTheLab(looked)).rejects.toThrow('--lab needs the page itself');
  });
});
