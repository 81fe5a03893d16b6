/** The sheet of a trigger, or of what plays at page load: its sentence, its parts on a time ruler, the values of the chosen part. */
import { useEffect, useMemo } from 'react';
import { useStore } from 'zustand';
import {
  isAtLoad,
  findMatches,
  refersTo,
  computeTimes,
  changeTrigger,
  removeThings,
  changeMotion,
  present,
  whyNotEased,
} from '@lyvek/core';
import type { Trigger, Motion } from '@lyvek/core';
import { DriverSign } from '../../../../editor/drivers/DriverSign.tsx';
import { Choices, Popover } from '../../../../ui/Popover.tsx';
import { useShownPage } from '../../../../preview/shown-page.ts';
import { useOpenedPage } from '../../../../state/opened-page.ts';
import { TimePlayer } from '../../model/time-player.ts';
import { useRundown } from '../../rundown-context.ts';
import { AdjustmentsWord } from '../options/Adjustments.tsx';
import { ConditionDifferences } from '../options/ConditionDifferences.tsx';
import { CssField } from '../../../../editor/fields/CssField.tsx';
import { MotionCurves } from '../keyframes/Curves.tsx';
import { DriverHead } from './DriverHead.tsx';
import { DriverPicker } from './DriverPicker.tsx';
import { EasingField } from '../keyframes/EasingField.tsx';
import { LineField } from '../range/LineField.tsx';
import { PresetField } from '../options/PresetField.tsx';
import { InspectorHead } from '../InspectorHead.tsx';
import { StaggerField } from '../options/StaggerField.tsx';
import { TimeRuler } from './TimeRuler.tsx';
import { timedInspectorText } from '../text.ts';

export function TimedInspector({ trigger, part }: { trigger: Trigger | null; part: Motion | null }) {
  const { link } = useShownPage();
  const { document, layout } = useRundown();
  const parts = useMemo(
    () => document.motions.filter((m) => (trigger ? refersTo(m.driver, trigger.id) : isAtLoad(m.driver))),
    [document, trigger],
  );
  const times = computeTimes(document.motions);
  const length = Math.max(1, ...parts.map((p) => times.get(p.id)?.end ?? 0));
  const ids = parts.map((p) => p.id).join(' ');
  const player = useMemo(() => new TimePlayer(link), [link]);
  useEffect(() => player.of(ids ? ids.split(' ') : []), [player, ids]);
  useEffect(() => {
    const hear = (e: KeyboardEvent) => {
      const inField = (e.target as Element).closest('input, textarea, select');
      if (e.key.toLowerCase() === 'r' && !e.ctrlKey && !e.metaKey && !inField) player.play(length);
    };
    addEventListener('keydown', hear);
    return () => removeEventListener('keydown', hear);
  }, [player, length]);
  const now = useStore(player.store, (s) => s.at);
  const shown = part ?? parts[0] ?? null;
  const element = shown ? (findMatches(layout, shown.targets.selector)[0] ?? -1) : -1;
  const own = shown && times.get(shown.id);
  return (
    <section
      className="inspector"
      aria-label={trigger ? timedInspectorText.trigger(trigger.name) : timedInspectorText.atPageLoad}
    >
      {part ? <InspectorHead motion={part} /> : trigger && <TriggerHead trigger={trigger} />}
      <div className="inspector-columns timed-columns">
        <div className="inspector-middle">
          {trigger && <TriggerSentence trigger={trigger} />}
          {shown && element >= 0 && <PartSentence part={shown} element={element} parts={parts} />}
          {shown && element < 0 && (
            <p className="inspector-note wrong" role="status">
              {timedInspectorText.noElementMatchesGive(shown.targets.selector)}
            </p>
          )}
        </div>
        <TimeRuler parts={parts} times={times} length={length} chosen={shown?.id ?? null} player={player} />
        {shown && element >= 0 && own && (
          <MotionCurves
            motion={shown}
            element={element}
            progress={now === null ? 1 : Math.min(1, Math.max(0, (now - own.start) / (own.end - own.start)))}
            ends={[
              `${Math.round(own.start)}`,
              now === null ? '' : `${Math.round(now)}`,
              `${Math.round(own.end)} ms`,
            ]}
          />
        )}
      </div>
    </section>
  );
}

function TriggerHead({ trigger }: { trigger: Trigger }) {
  const { session } = useOpenedPage();
  const change = (label: string, part: Partial<Trigger>) =>
    session.apply(changeTrigger(trigger.id, label, (g) => ({ ...g, ...part })));
  return (
    <DriverHead
      driver={trigger}
      kind="trigger"
      words="trigger"
      sign={<DriverSign kind="trigger" />}
      change={change}
    >
      <button
        type="button"
        className="btn"
        onClick={() => session.apply(removeThings([trigger.id], timedInspectorText.deleteTheTrigger))}
      >
        {timedInspectorText.deleteIt}
      </button>
    </DriverHead>
  );
}

const PLAYS: readonly { value: Trigger['plays']; text: string; note: string }[] = [
  { value: 'once', text: 'once', note: 'then it stays as it ends' },
  { value: 'each-time', text: 'each time', note: 'whenever its line is passed going down' },
];
const BACK: readonly { value: Trigger['back']; text: string; note: string }[] = [
  { value: 'keeps-end', text: 'keeps its end', note: 'and plays from the start the next time' },
  { value: 'plays-back', text: 'plays back', note: 'as fast as it played' },
  { value: 'returns', text: 'returns to its start', note: 'at once' },
];

function TriggerSentence({ trigger }: { trigger: Trigger }) {
  const { session } = useOpenedPage();
  const change = (label: string, part: Partial<Trigger>) =>
    session.apply(changeTrigger(trigger.id, label, (g) => ({ ...g, ...part })));
  return (
    <div className="sentence">
      <p>
        {timedInspectorText.goingDown}{' '}
        <LineField
          trigger={trigger}
          side="down"
          onPut={(down) => down !== null && change(timedInspectorText.moveTheTrigger, { down })}
        />
      </p>
      <p>
        {timedInspectorText.goingUp}{' '}
        <LineField
          trigger={trigger}
          side="up"
          onPut={(up) => change(timedInspectorText.moveTheLineFor, { up })}
        />
      </p>
      <p>
        {timedInspectorText.itPlays}{' '}
        <Popover
          className="word"
          label={timedInspectorText.howOften}
          trigger={present(PLAYS.find((o) => o.value === trigger.plays)).text}
        >
          {(close) => (
            <Choices
              options={PLAYS}
              value={trigger.plays}
              onChoose={(plays) => {
                change(timedInspectorText.changeHowOftenIt, { plays });
                close();
              }}
            />
          )}
        </Popover>
        {trigger.plays === 'each-time' && (
          <>
            {timedInspectorText.goingBackIt}{' '}
            <Popover
              className="word"
              label={timedInspectorText.goingBack}
              trigger={present(BACK.find((o) => o.value === trigger.back)).text}
            >
              {(close) => (
                <Choices
                  options={BACK}
                  value={trigger.back}
                  onChoose={(back) => {
                    change(timedInspectorText.changeWhatGoingBack, { back });
                    close();
                  }}
                />
              )}
            </Popover>
          </>
        )}
        .
      </p>
    </div>
  );
}

interface PartProps {
  part: Motion;
  element: number;
  parts: readonly Motion[];
}

function PartSentence({ part, element, parts }: PartProps) {
  const { session } = useOpenedPage();
  const time = present(part.time);
  const put = (label: string, change: Partial<Motion>) =>
    session.apply(changeMotion(part.id, label, (m) => ({ ...m, ...change })));
  const ms = (text: string) => `${Math.max(0, Math.round(Number.parseFloat(text) * 10) / 10)}ms`;
  const others = parts.filter((p) => p.id !== part.id);
  return (
    <div className="sentence">
      <p>
        <DriverPicker motion={part} element={element} length={Number.parseFloat(time.duration) * 1.5} />
      </p>
      <p>
        {timedInspectorText.itWaits}{' '}
        <CssField
          label={timedInspectorText.delayInMs}
          property="number"
          className="w-14"
          value={String(Number.parseFloat(time.delay))}
          onPut={(v) => put(timedInspectorText.changeADelay, { time: { ...time, delay: ms(v) } })}
        />{' '}
        {timedInspectorText.ms}{' '}
        <Popover
          className="word"
          label={timedInspectorText.countedFrom}
          trigger={
            time.after === undefined
              ? timedInspectorText.fromTheStart
              : timedInspectorText.after(others.find((p) => p.id === time.after)?.name)
          }
        >
          {(close) => (
            <Choices
              options={[
                { value: '', text: 'from the start' },
                ...others.map((p) => ({ value: p.id, text: `after ${p.name}`, note: 'from its end' })),
              ]}
              value={time.after ?? ''}
              onChoose={(v) => {
                const { delay, duration } = time;
                put(timedInspectorText.chainAPart, { time: { delay, duration, ...(v ? { after: v } : {}) } });
                close();
              }}
            />
          )}
        </Popover>
      </p>
      <p>
        {timedInspectorText.andPlays}{' '}
        <CssField
          label={timedInspectorText.durationInMs}
          property="number"
          className="w-14"
          value={String(Number.parseFloat(time.duration))}
          onPut={(v) =>
            put(timedInspectorText.changeADuration, {
              time: { ...time, duration: ms(String(Math.max(1, Number.parseFloat(v)))) },
            })
          }
        />{' '}
        {timedInspectorText.msEased}{' '}
        <EasingField
          value={part.easing}
          whyNot={(css) => whyNotEased(part, css)}
          onChange={(easing) => put('ease', { easing })}
        />
        <AdjustmentsWord of={part.id} />
      </p>
      <PresetField motion={part} />
      <ConditionDifferences of={part} />
      <StaggerField motion={part} timed onChange={(stagger) => put('stagger', { stagger })} />
    </div>
  );
}
