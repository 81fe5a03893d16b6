/** “moves the words of its text in reading order”: what of a text moves by itself, and which comes first. */
import { setSplit } from '@lyvek/core';
import type { findSplit, Split } from '@lyvek/core';
import { useOpenedPage } from '../../../../state/opened-page.ts';
import { elementName } from '../../../../editor/words.ts';
import { useRundown } from '../../rundown-context.ts';
import { ChoiceWord } from '../ChoiceWord.tsx';
import { splitText } from '../text.ts';

export function SplitLine({ adjustment }: { adjustment: NonNullable<ReturnType<typeof findSplit>> }) {
  const { session } = useOpenedPage();
  const { layout } = useRundown();
  const { id, selector, split } = adjustment;
  const host = layout.elements.find((e) => e.selector === selector);
  const put = (by: Partial<Split>) => session.apply(setSplit(id, { ...split, ...by }));
  const again = () => put({ seed: (split.seed ?? 1) + 1 });
  return (
    <p>
      {splitText.movesThe}{' '}
      <ChoiceWord
        label={splitText.partsOfTheText}
        options={splitText.units}
        value={split.by}
        onChoose={(by) => put({ by })}
      />{' '}
      {splitText.of(host ? elementName(host, layout) : selector)}{' '}
      <ChoiceWord
        label={splitText.orderOfTheParts}
        options={splitText.orders}
        value={split.order}
        onChoose={(order) => put({ order })}
      />
      {split.order === 'random' && (
        <button type="button" className="word" onClick={again}>
          {splitText.anotherOrder}
        </button>
      )}{' '}
      <ChoiceWord
        label={splitText.mask}
        options={splitText.masks}
        value={split.mask ? 'mask' : 'none'}
        onChoose={(mask) => put({ mask: mask === 'mask' })}
      />
    </p>
  );
}
