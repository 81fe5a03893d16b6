import { itemAt, present } from '../../assert/index.ts';
import { isAtLoad } from '../../drivers/index.ts';
import { findMatches } from '../../page/index.ts';
import type { CheckDefinition } from '../finding.ts';

export const introAgainstScroll: CheckDefinition = {
  id: 'intro-against-scroll',
  name: 'Intro against scroll',
  group: 'conflict',
  why: 'An intro and a scrubbed motion that set the same property fight for the element: one of them must let go.',
  checkDocument({ document, timeline }) {
    const place = new Map(document.motions.map((m, i) => [m.id, i]));
    return document.motions.flatMap((intro) => {
      if (!intro.on || !isAtLoad(intro.driver)) return [];
      for (const element of findMatches(timeline.layout, intro.targets.selector))
        for (const property of Object.keys(intro.keyframes))
          for (const t of timeline.writers.get(element)?.get(property) ?? []) {
            const { motion, placed } = itemAt(timeline.instances, itemAt(timeline.tracks, t).instance);
            const isLast = present(place.get(intro.id)) > present(place.get(motion.id));
            const letsGo = intro.fill === 'none' || intro.fill === 'backwards';
            if (motion.composite !== 'replace' || (isLast && letsGo)) continue;
            return [
              {
                about: intro.id,
                element,
                severity: 'error' as const,
                at: Math.max(0, placed.start),
                brief: `fights for ${property}`,
                sentence: isLast
                  ? `It keeps writing ${property} after it ends, so “${motion.name}” never gets it.`
                  : `“${motion.name}” writes ${property} from the start, so the intro is never seen.`,
                fix: {
                  label: 'Play it first and let go',
                  motions: [{ ...intro, fill: 'backwards' as const }],
                  last: [intro.id],
                },
              },
            ];
          }
      return [];
    });
  },
};
