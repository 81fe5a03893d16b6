/** + property: animates another property of the same motion. */
import { propertyFacts, propertyNames, present } from '@lyvek/core';
import type { Keyframe, Motion } from '@lyvek/core';
import { Popover } from '../../../../ui/Popover.tsx';
import { sortKeyframes } from '../../../../editor/model/curves.ts';
import { useRundown } from '../../rundown-context.ts';
import { addPropertyText } from '../text.ts';

/** A further property begins with the element's own value at both ends. */
interface AddPropertyProps {
  motion: Motion;
  element: number;
  onAdd(property: string, keyframes: Keyframe[]): void;
}

export function AddProperty({ motion, element, onAdd }: AddPropertyProps) {
  const { layout } = useRundown();
  const free = propertyNames().filter((n) => !(n in motion.keyframes));
  return (
    <Popover
      className="btn plain add-property"
      label={addPropertyText.animateAnotherProperty}
      trigger={addPropertyText.property}
      placement="top-start"
    >
      {(close) => (
        <div className="popover-list max-h-72 overflow-auto">
          {free.map((name) => (
            <button
              key={name}
              type="button"
              onClick={() => {
                const facts = present(propertyFacts(name));
                const base = layout.elements[element]?.base?.[name] ?? facts.initial;
                const own = base === 'none' || base === 'auto' ? neutral(name) : base;
                onAdd(
                  name,
                  sortKeyframes([
                    { at: '0%', value: own },
                    { at: '100%', value: own },
                  ]),
                );
                close();
              }}
            >
              {name}
            </button>
          ))}
        </div>
      )}
    </Popover>
  );
}

const NEUTRAL: Record<string, string> = {
  translate: '0px 0px',
  scale: '1',
  rotate: '0deg',
  filter: 'blur(0px)',
  'backdrop-filter': 'blur(0px)',
  'z-index': '0',
};
const neutral = (name: string) => NEUTRAL[name] ?? '0px';
