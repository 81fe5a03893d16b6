/** View progress of the element itself or of another one as what a motion is driven by. */
import type { Driver, ElementFacts, ViewDriver } from '@lyvek/core';
import { elementName, itemAt } from '@lyvek/core';
import { AxisChoice } from '../AxisChoice.tsx';
import { listAround } from '../around.ts';
import type { DriverChoices } from '../kind.ts';
import { Insets } from './Insets.tsx';

const OWN: Driver = { kind: 'view', subject: 'self', axis: 'block', insets: ['0px', '0px'] };

export const choices: DriverChoices<ViewDriver> = {
  phrase({ subject: selector }, _document, layout) {
    if (selector === 'self') return 'its own view progress';
    const subject = layout.elements.find((e) => e.selector === selector);
    return `the view progress of ${subject ? elementName(subject, layout) : selector}`;
  },
  toChoice: ({ subject }) => subject,
  listChoices({ driver, layout, element, picked }) {
    const target = itemAt(layout.elements, element);
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
      ...listAround(element, layout.elements).map((e) => of(e, e.tag)),
    ];
  },
  Options: ({ motion, driver }) => (
    <>
      <AxisChoice motion={motion} driver={driver} />
      <Insets motion={motion} driver={driver} />
    </>
  ),
};
