/** The span of a pin: a bracket, and bars with corners within it. */
import type { PinDriver } from '@lyvek/core';
import { Sign } from '../../parts/glyphs.tsx';
import { Capsule } from '../Capsule.tsx';
import type { DriverFace } from '../kind.ts';

export const face: DriverFace<PinDriver> = {
  Sign: (p) => (
    <Sign w={9} h={14} {...p}>
      <path d="M8 1H1.5v12H8" stroke="var(--pin)" strokeWidth="2" fill="none" />
    </Sign>
  ),
  bar: {
    draw: (place, hold) => <Capsule {...place} hold={hold} round={1.5} fill="url(#eased-pin)" />,
    label: 13,
    hasRange: true,
    holds: true,
  },
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
