/** How the hand-off is written. */
import type { Motion } from '../motion/index.ts';
import { editWhole } from './operation.ts';
import type { Operation } from './operation.ts';

/** What names in the code begin with; empty: nothing. */
export const setPrefix = (prefix: string): Operation =>
  editWhole('change the prefix of names', (d) => ({ ...d, prefix }));

/** The cascade layer that motions stand in; empty: none. */
export const setLayer = (layer: string): Operation =>
  editWhole('change the cascade layer', ({ layer: _, ...d }) => (layer === '' ? d : { ...d, layer }));

/** Whether selectors are nested. */
export const setNested = (nested: boolean): Operation =>
  editWhole(nested ? 'nest selectors' : 'write selectors in full', ({ nested: _, ...d }) =>
    nested ? { ...d, nested } : d,
  );

/** Whether the numbers of a motion are custom properties. */
export const setTunable = (id: string, tunable: boolean): Operation =>
  editWhole(tunable ? 'write numbers as custom properties' : 'write numbers in place', (d) => ({
    ...d,
    motions: d.motions.map((m): Motion => {
      if (m.id !== id) return m;
      const { tunable: _, ...rest } = m;
      return tunable ? { ...rest, tunable } : rest;
    }),
  }));
