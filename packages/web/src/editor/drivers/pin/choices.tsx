/** The pins of the document as what a motion is driven by. */
import type { PinDriver } from '@lyvek/core';
import type { DriverChoices } from '../kind.ts';

export const choices: DriverChoices<PinDriver> = {
  phrase: ({ pin }, { pins }) => `the pin ${pins.find((p) => p.id === pin)?.name ?? 'that is missing'}`,
  toChoice: ({ pin }) => pin,
  listChoices: ({ document }) =>
    document.pins.map(({ id, name }) => ({
      value: id,
      text: `the pin ${name}`,
      note: 'while it is pinned',
      driver: { kind: 'pin', pin: id },
    })),
};
