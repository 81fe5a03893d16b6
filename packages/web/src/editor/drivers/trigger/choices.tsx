/** Triggers, those there are and a new one, as what a motion is driven by. */
import type { TriggerDriver } from '@lyvek/core';
import type { DriverChoice, DriverChoices } from '../kind.ts';

const NOTE = 'time-based, plays when its line is passed, or at a click';
const NEW: DriverChoice = {
  value: 'new trigger',
  text: 'a new trigger where it begins now',
  note: NOTE,
  driver: 'new trigger',
};

export const choices: DriverChoices<TriggerDriver> = {
  phrase: ({ trigger }, { triggers }) =>
    `the trigger ${triggers.find((t) => t.id === trigger)?.name ?? 'that is missing'}`,
  toChoice: ({ trigger }) => trigger,
  listChoices: ({ driver, document }) => [
    ...document.triggers.map(({ id, name }): DriverChoice => ({
      value: id,
      text: `the trigger ${name}`,
      note: NOTE,
      driver: { kind: 'trigger', trigger: id },
    })),
    ...(driver.kind === 'trigger' ? [] : [NEW]),
  ],
};
