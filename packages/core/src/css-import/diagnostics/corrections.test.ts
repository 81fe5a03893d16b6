import { itemAt, present } from '../../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import { addRead, replacedBy } from '../../edit/index.ts';
import { readDocument } from '../../motion/index.ts';
import type { MotionDocument } from '../../motion/index.ts';
import { mistakenPage } from '../../testing/specimen-parts.ts';

const PAGE = `<style>
@keyframes rise { from { translate: 0 80px } }
.late { animation: rise 3s 1s linear both; animation-timeline: view() }
.timed { animation-timeline: view(); animation: rise linear both }
.none { animation: rise 0s linear both; animation-timeline: view() }
.right { animation: rise linear both; animation-timeline: view() }
</style><p class="late">1</p><p class="timed">2</p><p class="none">3</p><p class="right">4</p>`;
const { document, mistakes } = mistakenPage(PAGE);
const correctedBy = (kind: string) => present(present(mistakes.find((m) => m.kind === kind)).correction);
const selectors = (d: MotionDocument) => d.motions.map((m) => m.targets.selector).sort();

describe('what mistakes were meant as', () => {
  test('only what a mistake changes comes and goes with it', () => {
    expect(selectors(document)).toEqual(['.late', '.right']);
    expect(correctedBy('shorthand-order').read.motions.map((m) => m.targets.selector)).toEqual(['.timed']);
    expect(correctedBy('shorthand-order').instead).toEqual([]);
    expect(correctedBy('delay-on-scrub').read.motions.map((m) => m.targets.selector)).toEqual(['.late']);
    expect(correctedBy('delay-on-scrub').instead.map((m) => m.targets.selector)).toEqual(['.late']);
  });

  test('each can be taken over after the other, in any order, and what comes out can be stored', () => {
    const kinds = ['shorthand-order', 'zero-duration', 'delay-on-scrub'];
    const orders = [kinds, [...kinds].reverse(), [itemAt(kinds, 1), itemAt(kinds, 2), itemAt(kinds, 0)]];
    const all = orders.map((order) => order.reduce((d, kind) => addRead(d, correctedBy(kind)), document));
    for (const d of all) {
      expect(readDocument(d)).toMatchObject({ ok: true });
      expect(selectors(d)).toEqual(['.late', '.none', '.right', '.timed']);
      expect(new Set(d.motions.map((m) => m.id)).size).toBe(4);
      expect(new Set(d.motions.map((m) => m.name)).size).toBe(4);
      expect([...d.importedRules].sort()).toEqual([...itemAt(all, 0).importedRules].sort());
    }
  });

  test('without its delay a motion fills its whole range', () => {
    const late = (d: MotionDocument) => present(d.motions.find((m) => m.targets.selector === '.late'));
    expect(present(late(document).keyframes.translate).map((k) => k.at)).toContain('25%');
    expect(
      present(late(addRead(document, correctedBy('delay-on-scrub'))).keyframes.translate).map((k) => k.at),
    ).not.toContain('25%');
  });

  test('a motion that has been worked on since is kept, and no longer counts as the one that was read', () => {
    const correction = correctedBy('delay-on-scrub');
    const edited = {
      ...document,
      motions: document.motions.map((m) =>
        m.targets.selector === '.late' ? { ...m, easing: 'ease-in' } : m,
      ),
    };
    expect(replacedBy(document, correction).length).toBe(1);
    expect(replacedBy(edited, correction)).toEqual([]);
    expect(selectors(addRead(edited, correction))).toEqual(['.late', '.late', '.right']);
  });
});
