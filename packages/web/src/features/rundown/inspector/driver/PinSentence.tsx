/** A pin as a sentence: what is held, where, for how long, and over what. */
import { computeWidth } from '@lyvek/core';
import type { Pin } from '@lyvek/core';
import { Choices, Popover } from '../../../../ui/Popover.tsx';
import { distanceLabel, insetLabel } from '../../../../editor/model/pins.ts';
import { elementName } from '../../../../editor/words.ts';
import { useRundown } from '../../rundown-context.ts';
import { AdjustmentsWord } from '../options/Adjustments.tsx';
import { ConditionDifferences } from '../options/ConditionDifferences.tsx';
import { CssField } from '../../../../editor/fields/CssField.tsx';

export function PinSentence({ pin, change }: { pin: Pin; change(label: string, part: Partial<Pin>): void }) {
  const { layout, chosen } = useRundown();
  const stage = layout.elements.find((e) => e.selector === pin.stage);
  const other = layout.elements[chosen];
  return (
    <div className="sentence">
      <p>
        The stage{' '}
        <Popover
          className="word word-pin"
          label="Stage"
          trigger={stage ? elementName(stage, layout) : pin.stage}
        >
          {(close) => (
            <form
              className="flex w-72 flex-col gap-2"
              onSubmit={(e) => {
                e.preventDefault();
                const selector = String(new FormData(e.currentTarget).get('stage')).trim();
                if (selector) change('pin another stage', { stage: selector });
                close();
              }}
            >
              <label className="flex flex-col gap-1">
                Selector of the pinned section
                <input name="stage" className="field" defaultValue={pin.stage} spellCheck={false} />
              </label>
              {other && other.selector !== pin.stage && (
                <button
                  type="button"
                  className="btn self-start"
                  onClick={() => {
                    change('pin another stage', { stage: other.selector });
                    close();
                  }}
                >
                  {elementName(other, layout)}, chosen in the page
                </button>
              )}
              <button type="submit" className="btn self-start">
                Use this selector
              </button>
            </form>
          )}
        </Popover>
      </p>
      <p>
        is pinned when{' '}
        <Popover
          className="word"
          label="Pinned edge"
          trigger={pin.sticky.by === 'top' ? 'its top' : 'its bottom'}
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
                change('pin it by the other edge', { sticky: { ...pin.sticky, by } });
                close();
              }}
            />
          )}
        </Popover>{' '}
        meets{' '}
        <Popover className="word" label="Held at" trigger={insetLabel(pin)}>
          {() => (
            <label className="point-row">
              {pin.sticky.by === 'top' ? 'below the top' : 'above the bottom'}
              <CssField
                label="Distance from the viewport’s edge"
                property="length"
                value={pin.sticky.inset}
                onPut={(inset) => change('move the pin’s line', { sticky: { ...pin.sticky, inset } })}
              />
            </label>
          )}
        </Popover>
      </p>
      <p>
        for{' '}
        <Popover className="word word-pin" label="Distance" trigger={distanceLabel(pin)}>
          {(close) => <Distance pin={pin} change={change} close={close} />}
        </Popover>
        , then released.
      </p>
      <p>
        It{' '}
        <Popover className="word" label="Neighbours" trigger={overlapLabel(pin)}>
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

function Distance({ pin, change, close }: PartProps & { close(): void }) {
  const { layout } = useRundown();
  const strips = layout.elements.filter((e) => {
    const parent = layout.elements[e.parent];
    return parent && computeWidth(e) > (parent.content?.width ?? parent.box.width) + 40;
  });
  const value = pin.distance.kind === 'length' ? pin.distance.value : '';
  const put = (distance: Pin['distance']) => change('change the pin’s length', { distance });
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
        any length
        <CssField
          label="Distance of the pin"
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
          as long as {elementName(e, layout)} travels
        </button>
      ))}
      {pin.distance.kind === 'travel' && (
        <label className="point-row">
          px of travel for each px of scroll
          <CssField
            label="Rate of the travel"
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
    change('overlap its neighbours', { overlap });
  };
  return (
    <div className="flex w-72 flex-col gap-2">
      <label className="point-row">
        overlaps the section before by
        <CssField label="Overlap before" property="length" value={pin.overlap[0]} onPut={(v) => put(0, v)} />
      </label>
      <label className="point-row">
        the section after overlaps it by
        <CssField label="Overlap after" property="length" value={pin.overlap[1]} onPut={(v) => put(1, v)} />
      </label>
      <label className="point-row">
        layer
        <CssField
          label="Stacking order"
          property="z-index"
          value={pin.layer === null ? 'auto' : String(pin.layer)}
          onPut={(v) => change('change its layer', { layer: v === 'auto' ? null : Math.round(Number(v)) })}
        />
      </label>
    </div>
  );
}
