/** “Driven by the passage of … / the whole page”, and changing that without losing keyframes. */
import type { Driver, ElementFacts, Motion, Range } from '@lyvek/core';
import { withMotion } from '../../../data/take-session.ts';
import { Choices, Pop } from '../../../parts/Pop.tsx';
import { notify } from '../../../parts/notices.tsx';
import { useOpenedPage } from '../../page-context.ts';
import type { Bar } from '../model/bars.ts';
import { elementName } from '../model/words.ts';
import { useRundown } from '../rundown-context.ts';
import { CssField } from './CssField.tsx';

const OWN: Driver = { kind: 'passage', subject: 'self', axis: 'block', insets: ['0px', '0px'] };
const WHOLE: Driver = { kind: 'page', axis: 'block' };

/** A range that fits the new driver: kept where the notation allows it, else the driver's whole. */
function rangeFor(m: Motion, driver: Driver): { range: Range; dropped: boolean } {
  if (m.driver.kind === driver.kind) return { range: m.range, dropped: false };
  return {
    range:
      driver.kind === 'passage' ? { start: 'cover 0%', end: 'cover 100%' } : { start: '0%', end: '100%' },
    dropped: true,
  };
}

export function DriverWord({ bar }: { bar: Bar }) {
  const { session } = useOpenedPage();
  const { layout, chosen, document } = useRundown();
  const { motion } = bar;
  const { driver } = motion;
  const target = layout.elements[bar.element]!;
  const subject =
    driver.kind === 'passage' && driver.subject !== 'self'
      ? layout.elements.find((e) => e.selector === driver.subject)
      : undefined;
  const other = layout.elements[chosen];
  const use = (next: Driver) => {
    const { range, dropped } = rangeFor(motion, next);
    session.act(
      'change the driver',
      withMotion(motion.id, (m) => ({ ...m, driver: next, range })),
    );
    if (dropped)
      notify('Keyframes are kept; the range begins anew, since the two drivers measure differently.', {
        action: { label: 'Undo', run: () => void session.undo() },
      });
  };
  const face =
    driver.kind === 'pin'
      ? `the hold of ${document.pins.find((p) => p.id === driver.pin)?.name ?? 'a lost pin'}`
      : driver.kind === 'page'
        ? driver.scroller
          ? `the scroll of ${driver.scroller}`
          : 'the scroll of the whole page'
        : driver.subject === 'self'
          ? 'its own passage'
          : `the passage of ${subject ? elementName(subject, layout) : driver.subject}`;
  const options: { value: string; text: string; note?: string; driver: Driver }[] = [
    { value: 'self', text: 'its own passage', note: 'through the viewport', driver: OWN },
    { value: 'page', text: 'the scroll of the whole page', driver: WHOLE },
    ...document.pins.map((p) => ({
      value: p.id,
      text: `the hold of ${p.name}`,
      note: 'while it is pinned',
      driver: { kind: 'pin', pin: p.id } as Driver,
    })),
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
    ...(other && other !== target && other.selector !== (driver.kind === 'passage' ? driver.subject : '')
      ? [
          {
            value: other.selector,
            text: `the passage of ${elementName(other, layout)}`,
            note: 'chosen in the page',
            driver: { ...OWN, subject: other.selector } as Driver,
          },
        ]
      : []),
    ...ancestors(bar, layout.elements).map((e) => ({
      value: e.selector,
      text: `the passage of ${elementName(e, layout)}`,
      note: e.tag,
      driver: { ...OWN, subject: e.selector } as Driver,
    })),
  ];
  const value =
    driver.kind === 'page'
      ? (driver.scroller ?? 'page')
      : driver.kind === 'pin'
        ? driver.pin
        : driver.subject;
  return (
    <>
      Driven by{' '}
      <Pop className={`word word-${driver.kind}`} label="Driver" face={face}>
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
              For another element’s passage: click that element in the page with Alt held, then open this
              again.
            </p>
            {driver.kind === 'passage' && <Insets motion={motion} />}
          </>
        )}
      </Pop>
    </>
  );
}

const ancestors = (bar: Bar, elements: readonly ElementFacts[]): ElementFacts[] => {
  const out: ElementFacts[] = [];
  for (let i = elements[bar.element]!.parent; i >= 0 && out.length < 3; i = elements[i]!.parent)
    if (/^(section|header|article|main|div)$/.test(elements[i]!.tag)) out.push(elements[i]!);
  return out;
};

/** Insets shrink the part of the viewport that counts. */
function Insets({ motion }: { motion: Motion }) {
  const { session } = useOpenedPage();
  if (motion.driver.kind !== 'passage') return null;
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
