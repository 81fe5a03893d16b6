/** A word of a sentence that is one of a few. */
import { present } from '@lyvek/core';
import { Choices, Popover } from '../../../ui/Popover.tsx';

interface ChoiceProps<T extends string> {
  label: string;
  options: readonly { value: T; text: string; note: string }[];
  value: T;
  onChoose(value: T): void;
}

export function ChoiceWord<T extends string>({ label, options, value, onChoose }: ChoiceProps<T>) {
  return (
    <Popover className="word" label={label} trigger={present(options.find((o) => o.value === value)).text}>
      {(close) => (
        <Choices
          options={options}
          value={value}
          onChoose={(chosen) => {
            onChoose(chosen);
            close();
          }}
        />
      )}
    </Popover>
  );
}
