/** “moves 0.9 m reflector and 2 more”: which elements a motion moves, and changing that. */
import { findMatches, findSplit, itemAt, selectorName, setTarget } from '@lyvek/core';
import type { Motion } from '@lyvek/core';
import { newId } from '../../../../state/new-id.ts';
import { useOpenedPage } from '../../../../state/opened-page.ts';
import { elementName } from '../../../../editor/words.ts';
import { Popover } from '../../../../ui/Popover.tsx';
import { useRundown } from '../../rundown-context.ts';
import { SplitLine } from './SplitLine.tsx';
import { sentenceText } from '../text.ts';
import { Target } from './Target.tsx';

/** What its name calls its elements: the one that the line names, or all by their class. */
const calledUntilNow = ({ name, targets }: Motion, element: string): string => {
  const shared = selectorName(targets.selector);
  return shared !== null && name.startsWith(`${shared} `) ? shared : element;
};

export function TargetLine({ motion, element }: { motion: Motion; element: number }) {
  const { session } = useOpenedPage();
  const { layout, document } = useRundown();
  const split = findSplit(motion, document);
  if (split) return <SplitLine adjustment={split} />;
  const others = findMatches(layout, motion.targets.selector).length - 1;
  const name = elementName(itemAt(layout.elements, element), layout);
  return (
    <p>
      {sentenceText.moves}{' '}
      <Popover
        className="word"
        label={sentenceText.element}
        trigger={others > 0 ? sentenceText.andMore(name, others) : name}
      >
        {() => (
          <Target
            motion={motion}
            element={element}
            onChange={(selector, now) =>
              session.apply(
                setTarget(motion.id, selector, newId, {
                  was: calledUntilNow(motion, name),
                  now: now || name,
                }),
              )
            }
          />
        )}
      </Popover>
    </p>
  );
}
