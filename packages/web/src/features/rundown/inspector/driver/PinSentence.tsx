/** A pin as a sentence: what is held, where, for how long, and over what. */
import { selectWhole } from '../../../../ui/select-whole.ts';
import { computeWidth } from '@lyvek/core';
import type { Pin } from '@lyvek/core';
import { Choices, Popover } from '../../../../ui/Popover.tsx';
import { distanceLabel, insetLabel } from '../../../../editor/model/pins.ts';
import { elementName } from '../../../../editor/words.ts';
import { useRundown } from '../../rundown-context.ts';
import { AdjustmentsWord } from '../options/Adjustments.tsx';
import { ConditionDifferences } from '../options/ConditionDifferences.tsx';
import { CssField } from '../../../../editor/fields/CssField.tsx';
import { pinSentenceText } from './text.ts';

export function PinSentence({ pin, change }: { pin: Pin; change(label: string, part: Partial<Pin>): void }) {
  const { layout } = useRundown();
  const stage = layout.elements.find((e) => e.selector === pin.stage);
  return (
    <div className="sentence">
      <p>
        {pinSentenceText.theStage}{' '}
        <Popover
          className="word word-pin"
          label={pinSentenceText.stage}
          trigger={stage ? elementName(stage, layout) : pin.stage}
        >
          {(close) => <StageForm pin={pin} change={change} close={close} />}
        </Popover>
      </p>
      <p>
        {pinSentenceText.isPinnedWhen}{' '}
        <Popover
          className="word"
          label={pinSentenceText.pinnedEdge}
          trigger={pin.sticky.by === 'top' ? pinSentenceText.itsTop : pinSentenceText.itsBottom}
        >
          {(close) => (
            <Choices
              options={[
                { value: 'top' as const, text: 'its top', note: 'as it arrives at the top' },
                {
                  value: 'bottom' as const,
                  text: 'its bottom',
                  note: 'for a section taller than the viewport',
                },
              ]}
              value={pin.sticky.by}
              onChoose={(by) => {
                change(pinSentenceText.pinItByThe, { sticky: { ...pin.sticky, by } });
                close();
              }}
            />
          )}
        </Popover>{' '}
        {pinSentenceText.meets}{' '}
        <Popover className="word" label={pinSentenceText.heldAt} trigger={insetLabel(pin)}>
          {() => (
            <label className="point-row">
              {pin.sticky.by === 'top' ? pinSentenceText.belowTheTop : pinSentenceText.aboveTheBottom}
              <CssField
                label={pinSentenceText.distanceFromTheViewports}
                property="length"
                value={pin.sticky.inset}
                onPut={(inset) =>
                  change(pinSentenceText.moveThePinsLine, { sticky: { ...pin.sticky, inset } })
                }
              />
            </label>
          )}
        </Popover>
      </p>
      <p>
        {pinSentenceText.forWord}{' '}
        <Popover className="word word-pin" label={pinSentenceText.distance} trigger={distanceLabel(pin)}>
          {(close) => <Distance pin={pin} change={change} close={close} />}
        </Popover>
        {pinSentenceText.thenReleased}
      </p>
      <p>
        {pinSentenceText.it}{' '}
        <Popover className="word" label={pinSentenceText.neighbours} trigger={overlapLabel(pin)}>
          {() => <Overlap pin={pin} change={change} />}
        </Popover>
        <AdjustmentsWord of={pin.id} />
      </p>
      <ConditionDifferences of={pin} />
    </div>
  );
}

const isZero = (css: string) => /^-?0(px|%|vh)?$/.test(css.trim());
const overlapLabel = ({ overlap: [before, after], layer }: Pin) => {
  const parts = [
    ...(isZero(before) ? [] : [`overlaps the section before by ${before}`]),
    ...(isZero(after) ? [] : [`the section after overlaps it by ${after}`]),
    ...(layer === null ? [] : [`lies on layer ${layer}`]),
  ];
  return parts.length ? parts.join(', ') : 'overlaps nothing';
};

interface PartProps {
  pin: Pin;
  change(label: string, part: Partial<Pin>): void;
}

function StageForm({ pin, change, close }: PartProps & { close(): void }) {
  const { layout, chosen } = useRundown();
  const other = layout.elements[chosen];
  return (
    <form
      className="flex w-72 flex-col gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        const selector = String(new FormData(e.currentTarget).get('stage')).trim();
        if (selector) change(pinSentenceText.pinAnotherStage, { stage: selector });
        close();
      }}
    >
      <label className="flex flex-col gap-1">
        {pinSentenceText.selectorOfThePinned}
        <input name="stage" {...selectWhole} className="field" defaultValue={pin.stage} spellCheck={false} />
      </label>
      {other && other.selector !== pin.stage && (
        <button
          type="button"
          className="btn self-start"
          onClick={() => {
            change(pinSentenceText.pinAnotherStage, { stage: other.selector });
            close();
          }}
        >
          {pinSentenceText.chosenInThePage(elementName(other, layout))}
        </button>
      )}
      <button type="submit" className="btn self-start">
        {pinSentenceText.useThisSelector}
      </button>
    </form>
  );
}

function Distance({ pin, change, close }: PartProps & { close(): void }) {
  const { layout } = useRundown();
  const strips = layout.elements.filter((e) => {
    const parent = layout.elements[e.parent];
    return parent && computeWidth(e) > (parent.content?.width ?? parent.box.width) + 40;
  });
  const value = pin.distance.kind === 'length' ? pin.distance.value : '';
  const put = (distance: Pin['distance']) => change(pinSentenceText.changeThePinsLength, { distance });
  return (
    <div className="flex w-72 flex-col gap-2">
      <div className="point-row quick">
        {(['100vh', '150vh', '200vh', '1600px'] as const).map((v) => (
          <button
            key={v}
            type="button"
            className="btn"
            aria-pressed={value === v}
            onClick={() => {
              put({ kind: 'length', value: v });
              close();
            }}
          >
            {v.endsWith('vh')
              ? `${Number.parseFloat(v) / 100} screens`.replace('1 screens', 'one screen')
              : v}
          </button>
        ))}
      </div>
      <label className="point-row">
        {pinSentenceText.anyLength}
        <CssField
          label={pinSentenceText.distanceOfThePin}
          property="length"
          value={value}
          className="w-28"
          onPut={(v) => put({ kind: 'length', value: /^[\d.]+$/.test(v) ? `${v}px` : v })}
        />
      </label>
      {strips.slice(0, 5).map((e) => (
        <button
          key={e.selector}
          type="button"
          className="btn self-start"
          onClick={() => {
            put({ kind: 'travel', strip: e.selector, rate: 1 });
            close();
          }}
        >
          {pinSentenceText.asLongAsTravels(elementName(e, layout))}
        </button>
      ))}
      {pin.distance.kind === 'travel' && (
        <label className="point-row">
          {pinSentenceText.pxOfTravelFor}
          <CssField
            label={pinSentenceText.rateOfTheTravel}
            property="number"
            value={String(pin.distance.rate)}
            onPut={(v) => {
              const rate = Number(v);
              if (rate >= 0.05 && rate <= 20 && pin.distance.kind === 'travel')
                put({ ...pin.distance, rate });
            }}
          />
        </label>
      )}
    </div>
  );
}

function Overlap({ pin, change }: PartProps) {
  const put = (side: 0 | 1, text: string) => {
    const overlap: [string, string] = [...pin.overlap];
    overlap[side] = text;
    change(pinSentenceText.overlapItsNeighbours, { overlap });
  };
  return (
    <div className="flex w-72 flex-col gap-2">
      <label className="point-row">
        {pinSentenceText.overlapsTheSectionBefore}
        <CssField
          label={pinSentenceText.overlapBefore}
          property="length"
          value={pin.overlap[0]}
          onPut={(v) => put(0, v)}
        />
      </label>
      <label className="point-row">
        {pinSentenceText.theSectionAfterOverlaps}
        <CssField
          label={pinSentenceText.overlapAfter}
          property="length"
          value={pin.overlap[1]}
          onPut={(v) => put(1, v)}
        />
      </label>
      <label className="point-row">
        {pinSentenceText.layer}
        <CssField
          label={pinSentenceText.stackingOrder}
          property="z-index"
          value={pin.layer === null ? 'auto' : String(pin.layer)}
          onPut={(v) =>
            change(pinSentenceText.changeItsLayer, { layer: v === 'auto' ? null : Math.round(Number(v)) })
          }
        />
      </label>
    </div>
  );
}
