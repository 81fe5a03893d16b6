/** “Driven by the view progress of … / the whole page”, and changing that without losing keyframes. */
import { withDriver } from '@lyvek/core';
import type { Driver, ElementFacts, PinnedLayout, Motion, MotionDocument } from '@lyvek/core';
import { newId, withMotion } from '../../../data/take-session.ts';
import { Choices, Popover } from '../../../parts/Popover.tsx';
import { notify } from '../../../parts/notices.tsx';
import { useOpenedPage } from '../../page-context.ts';
import { MARQUEE } from '../model/marquee.ts';
import { elementName } from '../model/words.ts';
import { useRundown } from '../rundown-context.ts';
import { CssField } from './CssField.tsx';

const OWN: Driver = { kind: 'view', subject: 'self', axis: 'block', insets: ['0px', '0px'] };
const WHOLE: Driver = { kind: 'scroll', axis: 'block' };

function toFace(driver: Driver, document: MotionDocument, layout: PinnedLayout): string {
  switch (driver.kind) {
    case 'pin':
      return `the pin ${document.pins.find((p) => p.id === driver.pin)?.name ?? 'a missing pin'}`;
    case 'scroll':
      return driver.scroller ? `the scroll of ${driver.scroller}` : 'the scroll of the whole page';
    case 'trigger':
      return `the trigger ${document.triggers.find((g) => g.id === driver.trigger)?.name ?? 'that is missing'}`;
    case 'load':
      return 'page load';
    case 'marquee':
      return 'an endless marquee';
    case 'view': {
      if (driver.subject === 'self') return 'its own view progress';
      const subject = layout.elements.find((e) => e.selector === driver.subject);
      return `the view progress of ${subject ? elementName(subject, layout) : driver.subject}`;
    }
  }
}

/** Which of the choices it is. */
function toChoice(driver: Driver): string {
  switch (driver.kind) {
    case 'scroll':
      return driver.scroller ?? 'page';
    case 'pin':
      return driver.pin;
    case 'trigger':
      return driver.trigger;
    case 'view':
      return driver.subject;
    default:
      return driver.kind;
  }
}

interface DriverWordProps {
  motion: Motion;
  element: number;
  /** px of its present range; of a timed motion, of what its time stands for */
  length: number;
}

export function DriverWord({ motion, element, length }: DriverWordProps) {
  const { session } = useOpenedPage();
  const { layout, chosen, document } = useRundown();
  const { driver } = motion;
  const target = layout.elements[element]!;
  const other = layout.elements[chosen];
  const use = (next: Driver | 'new trigger') => {
    const given = { target: target.selector, length, newId };
    const { document: changed, message } = withDriver(
      session.store.getState().document,
      motion.id,
      next,
      given,
    );
    session.actOnWhole('change the driver', () => changed);
    if (message) notify(message, { action: { label: 'Undo', run: () => void session.undo() } });
  };
  const face = toFace(driver, document, layout);
  const options: { value: string; text: string; note?: string; driver: Driver | 'new trigger' }[] = [
    { value: 'self', text: 'its own view progress', note: 'through the viewport', driver: OWN },
    { value: 'page', text: 'the scroll of the whole page', driver: WHOLE },
    ...document.pins.map((p) => ({
      value: p.id,
      text: `the pin ${p.name}`,
      note: 'while it is pinned',
      driver: { kind: 'pin', pin: p.id } as Driver,
    })),
    ...document.triggers.map((g) => ({
      value: g.id,
      text: `the trigger ${g.name}`,
      note: 'time-based, plays when its line is passed',
      driver: { kind: 'trigger', trigger: g.id } as Driver,
    })),
    ...(driver.kind === 'trigger'
      ? []
      : [
          {
            value: 'new trigger',
            text: 'a new trigger where it begins now',
            note: 'time-based, plays when its line is passed',
            driver: 'new trigger' as const,
          },
        ]),
    {
      value: 'load',
      text: 'page load',
      note: 'time-based, plays once',
      driver: { kind: 'load' } as Driver,
    },
    {
      value: 'marquee',
      text: 'an endless marquee',
      note: 'runs all the time, reacts to scroll',
      driver: MARQUEE,
    },
    ...layout.scrollers
      .flatMap((s) =>
        s.selector && s.max.block > 0
          ? [
              {
                value: s.selector,
                text: `the scroll of ${s.selector}`,
                driver: { ...WHOLE, scroller: s.selector },
              },
            ]
          : [],
      )
      .slice(0, 4),
    ...(other && other !== target && other.selector !== (driver.kind === 'view' ? driver.subject : '')
      ? [
          {
            value: other.selector,
            text: `the view progress of ${elementName(other, layout)}`,
            note: 'chosen in the page',
            driver: { ...OWN, subject: other.selector } as Driver,
          },
        ]
      : []),
    ...ancestors(element, layout.elements).map((e) => ({
      value: e.selector,
      text: `the view progress of ${elementName(e, layout)}`,
      note: e.tag,
      driver: { ...OWN, subject: e.selector } as Driver,
    })),
  ];
  const value = toChoice(driver);
  return (
    <>
      Driven by{' '}
      <Popover className={`word word-${driver.kind}`} label="Driver" trigger={face}>
        {(close) => (
          <>
            <Choices
              options={options}
              value={value}
              onChoose={(v) => {
                use(options.find((o) => o.value === v)!.driver);
                close();
              }}
            />
            <p className="m-0 max-w-64 px-2 pt-2 text-(--ink-3)">
              To use another element’s view progress, Alt click it in the page, then open this again.
            </p>
            {(driver.kind === 'view' || driver.kind === 'scroll') && (
              <AxisChoice motion={motion} driver={driver} />
            )}
            {driver.kind === 'view' && <Insets motion={motion} />}
          </>
        )}
      </Popover>
    </>
  );
}

const ancestors = (element: number, elements: readonly ElementFacts[]): ElementFacts[] => {
  const out: ElementFacts[] = [];
  for (let i = elements[element]!.parent; i >= 0 && out.length < 3; i = elements[i]!.parent)
    if (/^(section|header|article|main|div)$/.test(elements[i]!.tag)) out.push(elements[i]!);
  return out;
};

const AXES = [
  ['block', 'down the page'],
  ['inline', 'sideways'],
] as const;

/** Scrollers that move sideways have an axis of their own. */
function AxisChoice({
  motion,
  driver,
}: {
  motion: Motion;
  driver: Extract<Driver, { axis: unknown; kind: 'scroll' | 'view' }>;
}) {
  const { session } = useOpenedPage();
  return (
    <div
      className="mt-2 flex items-center gap-2 border-t border-(--line) px-2 pt-2"
      role="group"
      aria-label="Axis"
    >
      Scroll axis
      {AXES.map(([axis, words]) => (
        <button
          key={axis}
          type="button"
          className="btn"
          aria-pressed={driver.axis === axis}
          onClick={() =>
            session.actOnWhole(
              'change the axis',
              withMotion(motion.id, (m) => ({ ...m, driver: { ...driver, axis } })),
            )
          }
        >
          {words}
        </button>
      ))}
    </div>
  );
}

/** Insets shrink the part of the viewport that counts. */
function Insets({ motion }: { motion: Motion }) {
  const { session } = useOpenedPage();
  if (motion.driver.kind !== 'view') return null;
  const { driver } = motion;
  const put = (side: 0 | 1, text: string) => {
    const insets: [string, string] = [...driver.insets];
    insets[side] = text;
    session.act(
      'change the insets',
      withMotion(motion.id, (m) => ({ ...m, driver: { ...driver, insets } })),
    );
  };
  return (
    <div className="mt-2 flex items-center gap-2 border-t border-(--line) px-2 pt-2">
      Insets: top
      <CssField
        label="Inset at the top"
        value={driver.insets[0]}
        property="length"
        onPut={(v) => put(0, v)}
      />
      bottom
      <CssField
        label="Inset at the bottom"
        value={driver.insets[1]}
        property="length"
        onPut={(v) => put(1, v)}
      />
    </div>
  );
}
