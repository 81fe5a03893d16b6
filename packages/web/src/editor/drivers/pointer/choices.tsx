/** The pointer as what a motion is driven by. */
import type { PointerDriver } from '@lyvek/core';
import type { DriverChoices } from '../kind.ts';

/** A pointer to begin with. */
export const POINTER: PointerDriver = {
  kind: 'pointer',
  axis: 'x',
  over: 'viewport',
  rest: 0.5,
  touch: 'none',
};

const WORDS = { x: 'the pointer, from left to right', y: 'the pointer, from top to bottom' } as const;

export const choices: DriverChoices<PointerDriver> = {
  phrase: ({ axis }) => WORDS[axis],
  toChoice: ({ axis }) => `pointer ${axis}`,
  listChoices: ({ driver }) => {
    const own = driver.kind === 'pointer' ? driver : POINTER;
    return (['x', 'y'] as const).map((axis) => ({
      value: `pointer ${axis}`,
      text: WORDS[axis],
      note: axis === 'x' ? 'where it stands across the viewport, or an element' : '',
      driver: { ...own, axis },
    }));
  },
};
