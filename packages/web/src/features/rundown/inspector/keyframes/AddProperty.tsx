/** + property: animates another property of the same motion, found by name or by what it is for. */
import { useState } from 'react';
import { isCustomProperty, neutralValue, PROPERTY_GROUPS } from '@lyvek/core';
import type { Keyframe, Motion } from '@lyvek/core';
import { OptionList, optionId, stepOption } from '../../../../ui/OptionList.tsx';
import type { Option } from '../../../../ui/OptionList.tsx';
import { Popover } from '../../../../ui/Popover.tsx';
import { ranked } from '../../../../ui/ranked.ts';
import { useRundown } from '../../rundown-context.ts';
import { addPropertyText } from '../text.ts';

interface AddPropertyProps {
  motion: Motion;
  element: number;
  /** a further property begins with the element's own value at both ends */
  onAdd(property: string, keyframes: Keyframe[]): void;
}

export function AddProperty(props: AddPropertyProps) {
  return (
    <Popover
      className="btn plain add-property"
      label={addPropertyText.animateAnotherProperty}
      trigger={addPropertyText.property}
      placement="top-start"
    >
      {(close) => <Properties {...props} close={close} />}
    </Popover>
  );
}

const LIST = 'property-list';

function useProperties(query: string, { motion, element, onAdd }: AddPropertyProps): Option[] {
  const { layout } = useRundown();
  const add = (name: string) => {
    const value = neutralValue(name, layout.elements[element]?.base?.[name]);
    onAdd(name, [
      { at: '0%', value },
      { at: '100%', value },
    ]);
  };
  const free = PROPERTY_GROUPS.flatMap(({ group, words, names }) =>
    names.filter((name) => !(name in motion.keyframes)).map((name) => ({ name, group, words })),
  );
  const found = ranked(query, free, (p) => ({ name: p.name, words: p.words, what: p.group }));
  const own = query.trim().toLowerCase();
  const custom = isCustomProperty(own) && !(own in motion.keyframes) ? [own] : [];
  return [
    ...custom.map((name) => ({
      ...{ id: name, text: name, group: addPropertyText.custom },
      choose: () => add(name),
    })),
    ...found.map(({ name, group }) => ({
      ...{ id: name, text: name, group: own ? addPropertyText.found : group },
      choose: () => add(name),
    })),
  ];
}

function Properties({ close, ...props }: AddPropertyProps & { close(): void }) {
  const [query, setQuery] = useState('');
  const [at, setAt] = useState(0);
  const options = useProperties(query, props);
  const choose = (option: Option | undefined) => {
    if (!option) return;
    option.choose();
    close();
  };
  return (
    <div className="property-pop">
      <input
        className="field"
        role="combobox"
        aria-expanded="true"
        aria-controls={LIST}
        aria-activedescendant={options.length ? optionId(LIST, at) : undefined}
        aria-label={addPropertyText.findAProperty}
        placeholder={addPropertyText.placeholder}
        value={query}
        onChange={(e) => {
          setQuery(e.target.value);
          setAt(0);
        }}
        onKeyDown={(e) => {
          if (e.key === 'Escape') return;
          e.stopPropagation();
          const to = stepOption(e, at, options.length);
          if (to !== null) setAt(to);
          else if (e.key === 'Enter') choose(options[at]);
          else return;
          e.preventDefault();
        }}
      />
      <OptionList
        id={LIST}
        label={addPropertyText.properties}
        {...{ options, at }}
        onAt={setAt}
        onChoose={choose}
      />
      {options.length === 0 && <p className="m-0 px-2">{addPropertyText.nothingFound}</p>}
    </div>
  );
}
