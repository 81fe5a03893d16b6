/** A trigger: a flag that hangs from a line. */
import type { TriggerDriver } from '@lyvek/core';
import { Sign } from '../../../ui/glyphs.tsx';
import { capsuleBar, ROUND } from '../Capsule.tsx';
import type { DriverChoice, DriverFace } from '../kind.ts';

const NOTE = 'time-based, plays when its line is passed';
const NEW: DriverChoice = {
  value: 'new trigger',
  text: 'a new trigger where it begins now',
  note: NOTE,
  driver: 'new trigger',
};

export const face: DriverFace<TriggerDriver> = {
  Sign: (p) => (
    <Sign w={15} h={14} {...p}>
      <path d="M0 2.5h15" stroke="var(--trigger)" strokeWidth="1.4" />
      <path d="M4 2.5h10l-3 4 3 4H4z" fill="var(--trigger)" fillOpacity="0.28" stroke="var(--trigger)" />
    </Sign>
  ),
  bar: capsuleBar(ROUND, 'url(#eased)'),
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
