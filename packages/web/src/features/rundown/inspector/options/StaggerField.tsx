/** “On 5 elements, each 48 px later in page order”; on one element there is nothing to say. */
import type { Motion } from '@lyvek/core';
import { findMatches, isInPhases, parseLength, present, TEXT_SHARE } from '@lyvek/core';
import { Choices, Popover } from '../../../../ui/Popover.tsx';
import { useRundown } from '../../rundown-context.ts';
import { CssField } from '../../../../editor/fields/CssField.tsx';
import { splitText, staggerFieldText } from '../text.ts';

type Stagger = NonNullable<Motion['stagger']>;
const ORDERS: readonly { value: Stagger['order']; text: string }[] = [
  { value: 'page', text: 'in page order' },
  { value: 'reverse', text: 'from the last' },
  { value: 'outward', text: 'from the middle outward' },
  { value: 'across', text: 'from left to right' },
  { value: 'random', text: 'in random order' },
  { value: 'siblings', text: staggerFieldText.amongSiblings },
  { value: 'property', text: staggerFieldText.byProperty },
];
const OF: readonly { value: 'range' | 'phase'; text: string }[] = [
  { value: 'range', text: staggerFieldText.ofTheRange },
  { value: 'phase', text: staggerFieldText.ofThePhase },
];
const COMMON = '--i';

/** With what its order needs, and nothing of another one. */
function inOrder({ property, seed, ...rest }: Stagger, order: Stagger['order']): Stagger {
  return {
    ...rest,
    order,
    ...(order === 'property' ? { property: property ?? COMMON } : {}),
    ...(order === 'random' && seed !== undefined ? { seed } : {}),
  };
}

const orderWords = (stagger: Stagger): string =>
  stagger.order === 'property'
    ? staggerFieldText.byNumberIn(stagger.property ?? COMMON)
    : present(ORDERS.find((o) => o.value === stagger.order)).text;

const stepWords = (stagger: Stagger): string => {
  const step = stagger.step.replace(/(\d)(px|ms|%)/, '$1 $2');
  return stagger.property === TEXT_SHARE
    ? splitText.spread(staggerFieldText.stepOf(step, isInPhases(stagger)))
    : staggerFieldText.eachLater(step, isInPhases(stagger));
};

interface StaggerWordProps {
  motion: Motion;
  timed: boolean;
  onChange(stagger: Stagger | undefined): void;
}

const isTime = (css: string) => /^-?\d+(\.\d+)?ms$/.test(css.trim());

export function StaggerField({ motion, timed, onChange }: StaggerWordProps) {
  const { layout } = useRundown();
  const count = findMatches(layout, motion.targets.selector).length;
  if (count < 2) return null;
  const { stagger } = motion;
  // In which order the parts of a text come is said of the text.
  const ofText = stagger?.property === TEXT_SHARE;
  const first: Stagger = { step: timed ? '60ms' : '40px', order: 'page' };
  const put = (text: string) => {
    const css = /^-?[\d.]+$/.test(text) ? `${text}${timed ? 'ms' : 'px'}` : text;
    if (timed ? isTime(css) : parseLength(css).ok) onChange({ ...(stagger ?? first), step: css });
  };
  return (
    <p>
      {ofText ? splitText.parts(count) : staggerFieldText.onElements(count)}{' '}
      <Popover
        className="word"
        label={staggerFieldText.stagger}
        trigger={stagger ? stepWords(stagger) : staggerFieldText.allAlike}
      >
        {() => (
          <div className="flex w-64 flex-col gap-2">
            <label className="point-row">
              {ofText ? splitText.lastLaterBy : staggerFieldText.eachLaterBy}
              <CssField
                label={staggerFieldText.stepOfTheStagger}
                property={timed ? 'time' : 'length'}
                value={stagger?.step ?? (timed ? '0ms' : '0px')}
                onPut={put}
              />
            </label>
            {!ofText && (
              <Choices
                options={ORDERS}
                value={stagger?.order ?? 'page'}
                onChoose={(order) => onChange(inOrder(stagger ?? first, order))}
              />
            )}
            {stagger?.order === 'property' && !ofText && (
              <CssField
                label={staggerFieldText.customProperty}
                property={COMMON}
                value={stagger.property ?? COMMON}
                onPut={(property) => onChange({ ...stagger, property })}
                whyNot={(name) => (/^--[\w-]+$/.test(name) ? null : staggerFieldText.notACustomProperty)}
              />
            )}
            {stagger?.step.endsWith('%') && (
              <Choices
                options={OF}
                value={stagger.of ?? 'range'}
                onChoose={(of) => onChange({ ...stagger, of })}
              />
            )}
            {stagger?.order === 'random' && (
              <button
                type="button"
                className="btn self-start"
                onClick={() => onChange({ ...stagger, seed: (stagger.seed ?? 1) + 1 })}
              >
                {staggerFieldText.anotherOrder}
              </button>
            )}
            {stagger && (
              <button type="button" className="btn self-start" onClick={() => onChange(undefined)}>
                {staggerFieldText.noStagger}
              </button>
            )}
          </div>
        )}
      </Popover>
      {stagger && !ofText && ` ${orderWords(stagger)}`}
    </p>
  );
}
