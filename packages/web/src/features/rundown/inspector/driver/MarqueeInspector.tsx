/** A marquee: where its strip is seen, what it does by itself, and what the hand does to it. */
import { steadyLag, changeMotion, itemAt } from '@lyvek/core';
import type { Motion, Operation } from '@lyvek/core';
import { Popover } from '../../../../ui/Popover.tsx';
import { useLease } from '../../../../state/use-lease.ts';
import { useOpenedPage } from '../../../../state/opened-page.ts';
import type { Bar } from '../../../../editor/model/bars.ts';
import { marqueeSpeed } from '../../../../editor/drivers/marquee/marquee.ts';
import type { Marquee } from '../../../../editor/drivers/marquee/marquee.ts';
import { grouped } from '../../../../editor/strip/view.ts';
import { elementName } from '../../../../editor/words.ts';
import { useRundown } from '../../rundown-context.ts';
import { AdjustmentsWord } from '../options/Adjustments.tsx';
import { MarqueeDiagram } from './MarqueeDiagram.tsx';
import { CssField } from '../../../../editor/fields/CssField.tsx';
import { ConditionDifferences } from '../options/ConditionDifferences.tsx';
import { DriverPicker } from './DriverPicker.tsx';
import { DampingField } from '../../../../editor/fields/DampingField.tsx';
import { PresetField } from '../options/PresetField.tsx';
import { ChoiceWord } from '../ChoiceWord.tsx';
import { InspectorHead } from '../InspectorHead.tsx';
import { marqueeInspectorText } from './text.ts';

const TURNS = [
  { value: 'yes', text: 'reverses', note: 'runs backwards after scrolling up' },
  { value: 'no', text: 'keeps its direction', note: 'whichever way the page is scrolled' },
] as const;
const RESTS = [
  { value: 'yes', text: 'pauses', note: 'so that people can read it and reach its links' },
  { value: 'no', text: 'runs on', note: 'offer another way to stop it: see the hand-off' },
] as const;
const AXES = [
  { value: 'inline', text: 'sideways', note: 'its items are in a row' },
  { value: 'block', text: 'up and down', note: 'its items are in a column' },
] as const;

export function MarqueeInspector({ bar }: { bar: Bar }) {
  const { session } = useOpenedPage();
  const { motion } = bar;
  const marquee = motion.driver as Marquee;
  const put = (label: string, part: Partial<Marquee>) =>
    changeMotion(motion.id, label, (m) => ({ ...m, driver: { ...(m.driver as Marquee), ...part } }));
  const change = (label: string, part: Partial<Marquee>) => session.apply(put(label, part));
  const preview = useLease(session);
  return (
    <section className="inspector" aria-label={marqueeInspectorText.marquee(motion.name)}>
      <InspectorHead motion={motion} />
      <div className="inspector-columns">
        <MarqueeDiagram
          bar={bar}
          marquee={marquee}
          onTry={(speed) =>
            preview.show(speed === null ? null : put(marqueeInspectorText.setTheSpeed, { speed }))
          }
          onPut={(speed) => change(marqueeInspectorText.setTheSpeed, { speed })}
        />
        <div className="inspector-middle">
          <MarqueeSentence bar={bar} marquee={marquee} put={put} />
        </div>
        <Hand motion={motion} marquee={marquee} />
      </div>
    </section>
  );
}

interface SentenceProps {
  bar: Bar;
  marquee: Marquee;
  /** the operation that sets a part of it */
  put(label: string, part: Partial<Marquee>): Operation;
}

function MarqueeSentence({ bar, marquee, put }: SentenceProps) {
  const { session } = useOpenedPage();
  const { layout } = useRundown();
  const { motion } = bar;
  const element = itemAt(layout.elements, bar.element);
  const change = (label: string, part: Partial<Marquee>) => session.apply(put(label, part));
  const nudge = (part: Partial<Marquee>) => session.nudge(put(marqueeInspectorText.editTheMarquee, part));
  return (
    <div className="sentence">
      <p>
        <DriverPicker motion={motion} element={bar.element} length={bar.placed.end - bar.placed.start} />
      </p>
      <p>
        {marqueeInspectorText.runs(elementName(element, layout))}{' '}
        <ChoiceWord
          label={marqueeInspectorText.axis}
          options={AXES}
          value={marquee.axis}
          onChoose={(axis) => change(marqueeInspectorText.changeTheMarqueesAxis, { axis })}
        />{' '}
        {marqueeInspectorText.at}{' '}
        <Number
          label={marqueeInspectorText.speed}
          words={marqueeInspectorText.pxASecond(marquee.speed)}
          hint={marqueeInspectorText.negativeRunsTheOther}
          value={marquee.speed}
          step={5}
          low={-4000}
          high={4000}
          onPut={(speed) => nudge({ speed })}
        />
      </p>
      <p>
        {marqueeInspectorText.scrolledUpwardsIt}{' '}
        <ChoiceWord
          label={marqueeInspectorText.scrolledUpwards}
          options={TURNS}
          value={marquee.reverses ? 'yes' : 'no'}
          onChoose={(v) => change(marqueeInspectorText.reverseWithScroll, { reverses: v === 'yes' })}
        />
      </p>
      <p>
        {marqueeInspectorText.pushedBy}{' '}
        <Number
          label={marqueeInspectorText.push}
          words={marqueeInspectorText.ofTheScroll(Math.round(marquee.push * 100))}
          hint={marqueeInspectorText.percentOfTheScroll}
          value={Math.round(marquee.push * 100)}
          step={5}
          low={-1000}
          high={1000}
          onPut={(push) => nudge({ push: push / 100 })}
        />
        {marqueeInspectorText.damping}{' '}
        <DampingField
          value={motion.damping}
          onChange={(damping) =>
            session.apply(changeMotion(motion.id, 'damping', (m) => ({ ...m, damping })))
          }
        />
      </p>
      <p>
        {marqueeInspectorText.underThePointerOr}{' '}
        <ChoiceWord
          label={marqueeInspectorText.underThePointer}
          options={RESTS}
          value={marquee.pauses ? 'yes' : 'no'}
          onChoose={(v) => change(marqueeInspectorText.pauseUnderThePointer, { pauses: v === 'yes' })}
        />
      </p>
      <p>
        {marqueeInspectorText.withReducedMotionIt}
        <AdjustmentsWord of={motion.id} />
      </p>
      <PresetField motion={motion} />
      <ConditionDifferences of={motion} />
    </div>
  );
}

const HANDS = [
  ['nobody scrolls', 0],
  ['read slowly, 120 px/s', 120],
  ['scrolled, 1,500 px/s', 1500],
  ['scrolled up, 1,500 px/s', -1500],
] as const;

/** What it does under several hands, once the follow has caught up. */
function Hand({ motion, marquee }: { motion: Motion; marquee: Marquee }) {
  const lag = steadyLag(motion.damping, 1500);
  return (
    <div className="diagram marquee-hand">
      <h3>{marqueeInspectorText.withScrollInput}</h3>
      <table>
        <tbody>
          {HANDS.map(([words, hand]) => {
            const v = marqueeSpeed(marquee, hand);
            return (
              <tr key={words}>
                <th scope="row">{words}</th>
                <td>
                  <b>{grouped(Math.abs(v))}</b> {marqueeInspectorText.pxS(v)}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p>{marqueeInspectorText.theBrowserRunsIt(lag, Math.round(lag))}</p>
    </div>
  );
}

interface NumberProps {
  label: string;
  words: string;
  hint: string;
  value: number;
  step: number;
  low: number;
  high: number;
  onPut(value: number): void;
}

/** A number in the sentence: typed in its chip, or stepped by arrow keys. */
function Number({ label, words, hint, value, step, low, high, onPut }: NumberProps) {
  const put = (n: number) => onPut(Math.min(high, Math.max(low, n)));
  return (
    <span
      onKeyDown={(e) => {
        if ((e.key !== 'ArrowUp' && e.key !== 'ArrowDown') || (e.target as Element).closest('.popover'))
          return;
        e.preventDefault();
        e.stopPropagation();
        put(value + (e.key === 'ArrowUp' ? 1 : -1) * (e.shiftKey ? step * 5 : step));
      }}
    >
      <Popover className="word" label={label} trigger={words}>
        {() => (
          <label className="point-row">
            <CssField
              label={label}
              property="number"
              value={String(value)}
              onPut={(v) => {
                const n = globalThis.Number.parseFloat(v);
                if (globalThis.Number.isFinite(n)) put(n);
              }}
            />
            <span>{hint}</span>
          </label>
        )}
      </Popover>
    </span>
  );
}
