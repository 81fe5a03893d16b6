/** “Driven by its own view progress / the scroll of the whole page …”, and changing that without losing keyframes. */
import { setDriver, itemAt, present } from '@lyvek/core';
import type { Driver, Motion } from '@lyvek/core';
import { newId } from '../../../../state/new-id.ts';
import { DRIVER_CHOICES, driverChoices } from '../../../../editor/drivers/choices.ts';
import { Choices, Popover } from '../../../../ui/Popover.tsx';
import { notify } from '../../../../ui/notices.tsx';
import { useOpenedPage } from '../../../../state/opened-page.ts';
import { useRundown } from '../../rundown-context.ts';
import { driverPickerText } from './text.ts';

interface DriverWordProps {
  motion: Motion;
  element: number;
  /** px of its present range; of a timed motion, of what its time stands for */
  length: number;
}

export function DriverPicker({ motion, element, length }: DriverWordProps) {
  const { session } = useOpenedPage();
  const { layout, chosen, document } = useRundown();
  const { driver } = motion;
  const { Options, ...choices } = driverChoices(driver.kind);
  const use = (next: Driver | 'new trigger') => {
    const given = { target: itemAt(layout.elements, element).selector, length, newId };
    const { message } = session.apply(setDriver(motion.id, next, given));
    if (message) notify(message, { action: { label: 'Undo', run: () => void session.undo() } });
  };
  const options = DRIVER_CHOICES.flatMap((f) =>
    f.listChoices({ driver, document, layout, element, picked: chosen }),
  );
  return (
    <>
      {driverPickerText.drivenBy}{' '}
      <Popover
        className={`word word-${driver.kind}`}
        label={driverPickerText.driver}
        trigger={choices.phrase(driver, document, layout)}
      >
        {(close) => (
          <>
            <Choices
              options={options}
              value={choices.toChoice(driver)}
              onChoose={(value) => {
                use(present(options.find((o) => o.value === value)).driver);
                close();
              }}
            />
            <p className="m-0 max-w-64 px-2 pt-2 text-(--ink-3)">{driverPickerText.toUseAnotherElements}</p>
            {Options && <Options motion={motion} driver={driver} />}
          </>
        )}
      </Popover>
    </>
  );
}
