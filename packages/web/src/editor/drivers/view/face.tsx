/** View progress of the element itself or of another one: a capsule. */
import type { Driver, ElementFacts, ViewDriver } from '@lyvek/core';
import { elementName } from '@lyvek/core';
import { Sign } from '../../../ui/glyphs.tsx';
import { AxisChoice } from '../AxisChoice.tsx';
import { Capsule, ROUND } from '../Capsule.tsx';
import type { DriverFace } from '../kind.ts';
import { Insets } from './Insets.tsx';

const OWN: Driver = { kind: 'view', subject: 'self', axis: 'block', insets: ['0px', '0px'] };
/** Rows from which its middle is marked. */
const MIN_TICKED = 26;

export const face: DriverFace<ViewDriver> = {
  Sign: (p) => (
    <Sign w={9} h={14} {...p}>
      <rect
        x="0.75"
        y="0.75"
        width="7.5"
        height="12.5"
        rx="3.75"
        fill="var(--pass)"
        fillOpacity="0.35"
        stroke="var(--pass)"
      />
    </Sign>
  ),
  bar: {
    draw: (place, hold) => (
      <>
        <Capsule {...place} hold={hold} round={ROUND} fill="url(#eased)" />
        {!hold && place.y1 - place.y0 > MIN_TICKED && (
          <path className="bar-ticks" d={`M${place.x - 8} ${(place.y0 + place.y1) / 2}h16`} />
        )}
      </>
    ),
    label: 13,
    hasRange: true,
    holds: true,
  },
  phrase({ subject: selector }, _document, layout) {
    if (selector === 'self') return 'its own view progress';
    const subject = layout.elements.find((e) => e.selector === selector);
    return `the view progress of ${subject ? elementName(subject, layout) : selector}`;
  },
  toChoice: ({ subject }) => subject,
  listChoices({ driver, layout, element, picked }) {
    const target = layout.elements[element]!;
    const other = layout.elements[picked];
    const known = driver.kind === 'view' ? driver.subject : '';
    const of = (e: ElementFacts, note: string) => ({
      value: e.selector,
      text: `the view progress of ${elementName(e, layout)}`,
      note,
      driver: { ...OWN, subject: e.selector } as Driver,
    });
    return [
      { value: 'self', text: 'its own view progress', note: 'through the viewport', driver: OWN },
      ...(other && other !== target && other.selector !== known ? [of(other, 'picked in the page')] : []),
      ...ancestors(element, layout.elements).map((e) => of(e, e.tag)),
    ];
  },
  Options: ({ motion, driver }) => (
    <>
      <AxisChoice motion={motion} driver={driver} />
      <Insets motion={motion} driver={driver} />
    </>
  ),
};

const ancestors = (element: number, elements: readonly ElementFacts[]): ElementFacts[] => {
  const out: ElementFacts[] = [];
  for (let i = elements[element]!.parent; i >= 0 && out.length < 3; i = elements[i]!.parent)
    if (/^(section|header|article|main|div)$/.test(elements[i]!.tag)) out.push(elements[i]!);
  return out;
};
