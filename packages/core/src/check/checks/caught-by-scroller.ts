import { asView, refersTo } from '../../drivers/index.ts';
import { canBeClipped, isStill, pageBox } from '../../page/index.ts';
import type { Layout } from '../../page/index.ts';
import { triggerLines } from '../../timeline/index.ts';
import type { CheckContext, CheckDefinition, Found } from '../finding.ts';

/** What is said of a view progress inside of a scroller that stands still along its axis; null where it moves. */
function caughtIn(
  { document, timeline: { layout } }: CheckContext,
  scroller: number,
  axis: 'block' | 'inline',
  element: number,
  whom: string,
): Found | null {
  const selector = layout.scrollers[scroller]?.selector;
  if (!selector || !isStill(layout, scroller, axis)) return null;
  const said = document.adjustments.flatMap((a) =>
    a.selector === selector && a.declarations.overflow?.startsWith('clip') ? [a.declarations.overflow] : [],
  );
  // Mended already: the page has not been measured since, or there is nothing stronger to say.
  if (said.length && (layout.adjusted === undefined || said.some((css) => css.includes('!important'))))
    return null;
  const clips = canBeClipped(layout, scroller);
  if (said.length && clips)
    return {
      severity: 'error',
      at: toAt(layout, element),
      brief: 'caught',
      sentence: `${selector} is to clip its overflow, but a stronger rule of the page still hides it: the view progress is measured there, and nothing moves.`,
      fix: {
        label: 'Clip it all the same',
        adjust: [{ selector, declarations: { overflow: 'clip !important' }, for: [whom] }],
      },
    };
  return {
    severity: 'error',
    at: toAt(layout, element),
    brief: 'caught',
    sentence: clips
      ? `${selector} hides its overflow, which makes it a scroller that scrolls 0 px: the view progress is measured there, and nothing moves.`
      : `${selector} is a scroller with nothing to scroll at this size: the view progress is measured there, and nothing moves.`,
    fix: clips
      ? {
          label: 'Clip it instead',
          adjust: [{ selector, declarations: { overflow: 'clip' }, for: [whom] }],
        }
      : null,
  };
}

const toAt = (layout: Layout, element: number) => (element < 0 ? 0 : Math.max(0, pageBox(layout, element).y));

export const caughtByScroller: CheckDefinition = {
  id: 'caught-by-scroller',
  name: 'Caught by a scroller that does not scroll',
  group: 'structure',
  covers: [
    'never-finishes',
    'starts-part-way',
    'empty-range',
    'too-few-frames',
    'unseen-where-read',
    'hidden-at-load',
  ],
  why: 'The view progress is measured inside a box that never scrolls, so the motion never plays.',
  checkMotion(instance, context) {
    const { motion, element, placed } = instance;
    if (!asView(motion.driver) || placed.scroller === 0) return null;
    return caughtIn(context, placed.scroller, placed.axis, element, motion.id);
  },
  checkDocument(context) {
    const { layout } = context.timeline;
    return context.document.triggers.flatMap((trigger) => {
      const lines = trigger.on && !trigger.event ? triggerLines(trigger, layout) : null;
      if (!lines || 'reason' in lines || lines.scroller === 0) return [];
      const subject = layout.matches[trigger.subject]?.[0] ?? -1;
      // Clipping is for the trigger's parts: a trigger has no adjustments of its own.
      const part = context.document.motions.find((m) => refersTo(m.driver, trigger.id));
      const found = caughtIn(context, lines.scroller, 'block', subject, part?.id ?? trigger.id);
      return found ? [{ about: trigger.id, ...found }] : [];
    });
  },
};
