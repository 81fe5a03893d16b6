import { isScrubbed } from '../../drivers/index.ts';
import type { OwnMotion } from '../../page/index.ts';
import { ownMotionWords } from '../../page/index.ts';
import type { CheckDefinition } from '../finding.ts';

/** Who is seen where both write: scripts’ animations stand above those of style sheets, and these above styles (Web Animations 1, §5.4). */
const WINNER: Record<OwnMotion['by'], string> = {
  rules: 'one of the two is seen, whichever rule is stronger',
  script: 'the script’s is seen, and this motion is not',
  writes: 'while this motion is in effect, what the script writes is not seen',
};

export const pageMovesToo: CheckDefinition = {
  id: 'page-moves-too',
  name: 'The page moves it too',
  group: 'conflict',
  why: 'What the page moves by itself is left alone: where both set the same property, one of them is never seen.',
  checkMotion({ motion, element, placed }, { timeline }) {
    for (const own of timeline.layout.own ?? []) {
      if (own.element !== element || own.adds) continue;
      const both = own.properties.filter((p) => p in motion.keyframes);
      const overlaps = !isScrubbed(motion.driver) || (own.start < placed.end && placed.start < own.end);
      if (both.length === 0 || !overlaps || motion.composite !== 'replace') continue;
      return {
        severity: own.by === 'script' ? 'error' : 'warning',
        at: Math.max(0, placed.start, own.start),
        brief: `${both[0]} is moved already`,
        sentence: `Its ${both.join(' and ')} ${both.length > 1 ? 'are' : 'is'} also set by ${ownMotionWords(own)}: ${WINNER[own.by]}.`,
        fix: null,
      };
    }
    return null;
  },
};
