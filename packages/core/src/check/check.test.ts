import { itemAt, present } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import { shippedCoefficients } from '../budget/index.ts';
import { makeClock, findGesture, recordedGesture } from '../gesture/index.ts';
import { compileTimeline, readDocument } from '../motion/index.ts';
import type { Motion, MotionDocument } from '../motion/index.ts';
import { withPins } from '../page/index.ts';
import { element, makeDocument, makeLayout, motion } from '../testing/index.ts';
import { simulate } from '../trial/index.ts';
import { acceptance, acceptedFor, withAccepted, withoutAccepted } from './accepted.ts';
import { withFix } from './finding.ts';
import type { MistakeInPage } from './finding.ts';
import { DEFAULT_LIMITS } from './limits.ts';
import { CHECKS, findFindings } from './registry.ts';
import { between } from '../effect/effect-definition.ts';
import { PAGE, SPECIMENS } from '../testing/specimens.ts';

/** As under the given gesture, with a simulated trial of the very document. */
function lookAt(
  document: MotionDocument,
  {
    refresh = 60,
    gesture = 'brisk-wheel',
    layout = PAGE,
    device = 'here',
    mistakes = [] as readonly MistakeInPage[],
  } = {},
) {
  const timeline = compileTimeline(document, withPins(layout, document.pins));
  const hand = findGesture(gesture, 800);
  const clock = makeClock(refresh);
  const trial = simulate({
    document,
    timeline,
    gesture: hand,
    clock,
    direction: 'down',
    coefficients: shippedCoefficients(device),
  });
  return findFindings({ document, timeline, gesture: hand, clock, limits: DEFAULT_LIMITS, trial, mistakes });
}
const look = (m: Motion, refresh = 60) => lookAt(makeDocument(m), { refresh });
const ids = (list: { check: string }[]) => list.map((f) => f.check);

describe('checks', () => {
  test('a sound motion has no findings', () => expect(look(motion())).toEqual([]));

  test('every check has a specimen, and no specimen is of an unknown check', () =>
    expect(Object.keys(SPECIMENS).sort()).toEqual(CHECKS.map((c) => c.id).sort()));

  test.each(CHECKS.map((c) => [c.id, c] as const))(
    '%s: finds its specimen, and its fix removes it and breaks nothing else',
    (id, check) => {
      expect(check.why.length).toBeGreaterThan(20);
      const { document, incurable, besides = [], ...how } = present(SPECIMENS[id]);
      expect(readDocument(document)).toMatchObject({ ok: true });
      const found = lookAt(document, how);
      const others = besides.filter((c) => !check.covers?.includes(c));
      expect([...new Set(ids(found))].sort()).toEqual([id, ...others].sort());
      const { fix } = present(found.find((f) => f.check === id));
      expect(fix === null).toBe(incurable ?? false);
      if (!fix) return;
      const corrected = withFix(document, fix);
      // What is offered can be stored.
      expect(readDocument(corrected)).toMatchObject({ ok: true });
      const after = ids(lookAt(corrected, how));
      expect(after).not.toContain(id);
      expect(after.filter((c) => !besides.includes(c))).toEqual([]);
    },
  );

  test.each([
    ['an inch of depth that is none', { transform: between('translateZ(0)', 'translateZ(0px) scale(1.2)') }],
    ['no depth at all', { translate: between('0 0 0', '10px 20px 0px') }],
    ['a turn of nothing', { transform: between('rotateX(0deg)', 'rotateX(0) translate(4px)') }],
  ])('%s is not flat', (_, moved) =>
    expect(ids(look(motion({ targets: { selector: '#layer' }, keyframes: moved })))).not.toContain('flat-3d'),
  );
  test('what keeps its children in space hands on the perspective of what is around it', () => {
    const inSpace = (base: Record<string, string> | undefined, outer: Record<string, string> | undefined) => {
      const layout = {
        ...PAGE,
        elements: PAGE.elements.map((e) =>
          e.selector === '#frame'
            ? { ...e, base, parent: 0 }
            : e.selector === '#a'
              ? { ...e, base: outer }
              : e,
        ),
      } as typeof PAGE;
      const turning = motion({
        targets: { selector: '#layer' },
        keyframes: { rotate: between('y 40deg', 'y 0deg') },
      });
      return ids(lookAt(makeDocument(turning), { layout })).includes('flat-3d');
    };
    expect([
      inSpace({ 'transform-style': 'preserve-3d' }, { perspective: '900px' }),
      inSpace(undefined, { perspective: '900px' }),
      inSpace({ perspective: '700px' }, undefined),
    ]).toEqual([false, true, false]);
  });

  test.each([60, 120, 200, 400, 900])(
    'what lags with a half-life of %i ms lags less than the limit once it is mended',
    (halfLife) => {
      const lagging = makeDocument(motion({ damping: { kind: 'half-life', halfLife } }));
      const found = lookAt(lagging, { gesture: 'fling' }).find((f) => f.check === 'long-lag');
      if (!found) return expect(halfLife).toBeLessThan(200);
      expect(ids(lookAt(withFix(lagging, present(found.fix)), { gesture: 'fling' }))).not.toContain(
        'long-lag',
      );
    },
  );

  test('a place is always one that the page can be scrolled to', () => {
    for (const { document, ...how } of Object.values(SPECIMENS))
      for (const f of lookAt(document, how)) {
        expect(f.at).toBeGreaterThanOrEqual(0);
        expect(f.at).toBeLessThanOrEqual(itemAt(PAGE.scrollers, 0).max.block);
      }
  });

  test('a hand that leaps over everything is no reason to call a motion too short', () => {
    const brief = present(SPECIMENS['too-few-frames']).document;
    for (const [gesture, count] of [
      ['touch-fling', 1],
      ['page-keys', 0],
      ['jump', 0],
    ] as const)
      expect(lookAt(brief, { gesture }).length).toBe(count);
  });

  test('a recorded hand judges only what it has passed', () => {
    const brief = present(SPECIMENS['too-few-frames']).document;
    const until = (y: number) => {
      const trace = {
        format: 'lyvek-trace',
        version: 1,
        name: 'Mine',
        samples: [
          { t: 0, y: 0 },
          { t: 3000, y },
        ],
      } as const;
      const timeline = compileTimeline(brief, withPins(PAGE, []));
      const context = { document: brief, timeline, clock: makeClock(60), limits: DEFAULT_LIMITS };
      return ids(
        findFindings({ ...context, gesture: recordedGesture({ ...trace, samples: [...trace.samples] }) }),
      );
    };
    expect(until(900)).toEqual([]);
    expect(until(8000)).toEqual(['too-few-frames']);
  });

  test('the fixes of the page’s ends are exact', () => {
    const end = itemAt(
      present(present(itemAt(lookAt(present(SPECIMENS['never-finishes']).document), 0).fix).motions),
      0,
    ).range.end;
    const start = itemAt(
      present(present(itemAt(lookAt(present(SPECIMENS['starts-part-way']).document), 0).fix).motions),
      0,
    ).range.start;
    expect([start, end]).toEqual(['scroll 0%', 'scroll 100%']);
  });

  test('what fades in on the first screen is not begun with the page, where it would be unseen, but played at load', () => {
    const [found] = lookAt(
      makeDocument(motion({ targets: { selector: '#top' }, range: { start: 'entry 0%', end: 'exit 100%' } })),
    );
    expect(found).toMatchObject({
      check: 'starts-part-way',
      fix: { motions: [{ driver: { kind: 'load' }, time: { duration: '600ms' } }] },
    });
  });

  test('a motion that is over before the page can be scrolled has no cheap fix', () => {
    const found = look(
      motion({ targets: { selector: '#top' }, range: { start: 'entry 0%', end: 'entry 10%' } }),
    ).find((f) => f.check === 'starts-part-way');
    expect(found?.severity).toBe('info');
    expect(found?.fix).toBeNull();
  });

  test('more frames a second make a short motion acceptable', () => {
    const brief = motion({ range: { start: 'contain 40%', end: 'contain 62%' } });
    expect(look(brief, 60).map((f) => f.check)).toContain('too-few-frames');
    expect(look(brief, 120).map((f) => f.check)).not.toContain('too-few-frames');
  });
});

describe('a box that hides, and was told to clip', () => {
  const caught = (adjusted: string | undefined, ...said: string[]) => {
    const plain = makeLayout([
      element({ selector: '.band', overflow: 'hidden' }),
      element({ selector: '#line', scroller: 1 }),
    ]);
    const inner = { selector: '.band', port: { width: 1000, height: 300 }, max: { block: 0, inline: 0 } };
    const layout = { ...plain, scrollers: [...plain.scrollers, inner], ...(adjusted ? { adjusted } : {}) };
    const document = {
      ...makeDocument(motion({ targets: { selector: '#line' } })),
      adjustments: said.map((overflow, i) => ({
        id: `a_${i}`,
        selector: '.band',
        declarations: { overflow },
        for: ['m_a'],
      })),
    };
    return lookAt(document, { layout })
      .filter((f) => f.check === 'caught-by-scroller')
      .map((f) => [f.fix?.label, f.fix?.adjust?.[0]?.declarations.overflow]);
  };
  test('is believed until it has been measured with that', () => {
    expect(caught(undefined)).toEqual([['Clip it instead', 'clip']]);
    expect(caught(undefined, 'clip')).toEqual([]);
  });
  test('where a stronger rule of the page won, it can be said stronger, once', () => {
    expect(caught('abc', 'clip')).toEqual([['Clip it all the same', 'clip !important']]);
    expect(caught('abc', 'clip', 'clip !important')).toEqual([]);
  });
});

describe('accepted findings', () => {
  const brief = present(SPECIMENS['eased-scrub']).document;
  const [found] = lookAt(brief);
  const one = acceptance(brief, present(found), '', ' meant so ');
  const accepted = withAccepted(brief, one);
  test('stay as long as what they are about stays as it was, wherever it stands in the document', () => {
    expect(readDocument(accepted)).toMatchObject({ ok: true });
    expect(acceptedFor(accepted, present(found), PAGE)?.reason).toBe('meant so');
    const [m] = accepted.motions;
    expect(
      acceptedFor({ ...accepted, motions: [motion({ id: 'm_z' }), present(m)] }, present(found), PAGE),
    ).not.toBeNull();
    const other = { ...accepted, motions: [{ ...present(m), easing: 'ease-in' }] };
    expect(acceptedFor(other, present(found), PAGE)).toBeNull();
  });
  test('are of one check and one thing, and can be taken back', () => {
    expect(acceptedFor(accepted, { ...present(found), check: 'jump' }, PAGE)).toBeNull();
    expect(acceptedFor(accepted, { ...present(found), about: 'm_other' }, PAGE)).toBeNull();
    expect(withAccepted(accepted, { ...one, reason: 'again' }).accepted.length).toBe(1);
    expect(withoutAccepted(accepted, one).accepted).toEqual([]);
  });
  test('of the page itself hang on the element', () => {
    const { document, layout } = present(SPECIMENS['takes-the-scroll']);
    const [frame] = lookAt(document, { layout: present(layout) });
    const kept = withAccepted(
      document,
      acceptance(
        document,
        present(frame),
        itemAt(present(layout).elements, present(frame).element).selector,
        'a map',
      ),
    );
    expect(itemAt(kept.accepted, 0).where).toBe('#map');
    expect(acceptedFor(kept, present(frame), present(layout))).not.toBeNull();
    expect(acceptedFor(kept, { ...present(frame), element: 0 }, present(layout))).toBeNull();
  });
});

describe('fixes', () => {
  const whole: MotionDocument = {
    ...makeDocument(motion(), motion({ id: 'm_b' })),
    adjustments: [{ id: 'a_fix-1', selector: '#a', declarations: { perspective: '900px' }, for: [] }],
  };
  test('replace by id, let go by id, and leave the rest as it is', () => {
    const corrected = withFix(whole, {
      label: 'Both',
      motions: [motion({ name: 'Other' })],
      drop: ['m_b'],
    });
    expect(corrected.motions.map((m) => [m.id, m.name])).toEqual([['m_a', 'Other']]);
    expect({ ...corrected, motions: [] }).toEqual({ ...whole, motions: [] });
  });
  test('never bring in what was not there', () =>
    expect(withFix(whole, { label: 'None', motions: [motion({ id: 'm_new' })] })).toEqual(whole));
  test('add declarations under ids that are free', () => {
    const adjust = { selector: '#top', declarations: { overflow: 'clip' } };
    const ids = withFix(whole, { label: 'Two', adjust: [adjust, adjust] }).adjustments.map((a) => a.id);
    expect(ids).toEqual(['a_fix-1', 'a_fix-2', 'a_fix-3']);
  });
});
