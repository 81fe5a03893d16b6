/** How the page is tried: shared by the Rundown and the trials. */
import { createContext, useContext } from 'react';
import { CLOCKS, DEFAULT_GESTURE, DEVICES, itemAt } from '@lyvek/core';
import type { Direction } from '@lyvek/core';

export interface Choice {
  /** id of a gesture, or “trace ” and the name of a recorded one */
  gesture: string;
  clock: string;
  direction: Direction;
  device: string;
}

export const FIRST_CHOICE: Choice = {
  gesture: DEFAULT_GESTURE,
  clock: itemAt(CLOCKS, 0).id,
  direction: 'down',
  device: itemAt(DEVICES, 0).id,
};

export interface Choosing {
  choice: Choice;
  choose(change: Partial<Choice>): void;
}

export const ChoiceContext = createContext<Choosing | null>(null);

export function useChoice(): Choosing {
  const value = useContext(ChoiceContext);
  if (!value) throw new Error('used outside of an opened page');
  return value;
}
