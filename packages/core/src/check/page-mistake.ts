/** Checks that tell of mistakes in the page's own files. */
import { replacedBy } from '../edit/index.ts';
import type { MotionDocument } from '../motion/index.ts';
import { findMatches } from '../page/index.ts';
import type { Layout } from '../page/index.ts';
import { placeOnPage } from './finding.ts';
import type { CheckDefinition, MistakeInPage } from './finding.ts';

/** Whether it still counts: its rule is still the page's, or its motion still the one that was read. */
export const isOpenMistake = (
  { rule, correction }: Pick<MistakeInPage, 'rule' | 'correction'>,
  document: MotionDocument,
): boolean =>
  correction === null ||
  !document.importedRules.includes(rule) ||
  replacedBy(document, correction).length > 0;

/** Element that it is about: the first one that moves only once it is mended. */
function findElement({ correction }: MistakeInPage, layout: Layout): number {
  const [added] = correction?.read.motions ?? [];
  return (added && findMatches(layout, added.targets.selector)[0]) ?? -1;
}

/** A check of one kind of mistake; the mistake brings its own sentence. */
export const mistakeCheck = (
  facts: Pick<CheckDefinition, 'id' | 'name' | 'group' | 'why'> & { brief: string },
): CheckDefinition => ({
  ...facts,
  checkDocument: ({ mistakes = [], document, timeline: { layout } }) =>
    mistakes
      .filter((m) => m.kind === facts.id && isOpenMistake(m, document))
      .map((m) => {
        const element = findElement(m, layout);
        const { y } = layout.elements[element]?.box ?? { y: 0 };
        return {
          about: '',
          element,
          severity: 'error' as const,
          at: placeOnPage(y - layout.viewport.height / 2, layout),
          brief: facts.brief,
          sentence: `${m.place.path}:${m.place.line}: ${m.what}. ${m.advice}`,
          place: m.place,
          fix: m.correction && { label: 'Import with correction', correction: m.correction },
        };
      }),
});
