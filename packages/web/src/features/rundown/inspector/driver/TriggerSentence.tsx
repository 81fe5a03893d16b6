/** A trigger as a sentence: whose way through the viewport it watches, its lines, and what passing them does. */
import { changeTrigger, elementName, findMatches, itemAt, present } from '@lyvek/core';
import type { Trigger } from '@lyvek/core';
import { CssField } from '../../../../editor/fields/CssField.tsx';
import { useOpenedPage } from '../../../../state/opened-page.ts';
import { Choices, Popover } from '../../../../ui/Popover.tsx';
import { elementCode } from '../../model/find-elements.ts';
import { useRundown } from '../../rundown-context.ts';
import { LineField } from '../range/LineField.tsx';
import { timedInspectorText } from './text.ts';

const PLAYS: readonly { value: Trigger['plays']; text: string; note: string }[] = [
  { value: 'once', text: 'once', note: 'then it stays as it ends' },
  { value: 'each-time', text: 'each time', note: 'whenever its line is passed going down' },
];
/** What starts it; none of them: its line. */
const STARTS: readonly { value: NonNullable<Trigger['event']> | 'line'; text: string; note: string }[] = [
  { value: 'line', text: 'its line is passed', note: 'going down the page' },
  { value: 'click', text: 'it is clicked', note: 'by pointer, finger or key' },
  { value: 'hover', text: 'the pointer is over it', note: 'or the focus is in it; a finger taps' },
  { value: 'focus', text: 'the focus is in it', note: 'by a click or by keys' },
];
/** When it is left. */
const LEFT: Record<NonNullable<Trigger['event']>, string> = {
  click: timedInspectorText.clickedAgain,
  hover: timedInspectorText.pointerLeaves,
  focus: timedInspectorText.focusLeaves,
};

const BACK: readonly { value: Trigger['back']; text: string; note: string }[] = [
  { value: 'keeps-end', text: 'keeps its end', note: 'and plays from the start the next time' },
  { value: 'plays-back', text: 'plays back', note: 'as fast as it played' },
  { value: 'returns', text: 'returns to its start', note: 'at once' },
];

export function TriggerSentence({ trigger }: { trigger: Trigger }) {
  const { session } = useOpenedPage();
  const change = (label: string, part: Partial<Trigger>) =>
    session.apply(changeTrigger(trigger.id, label, (g) => ({ ...g, ...part })));
  return (
    <div className="sentence">
      <SubjectLine trigger={trigger} />
      <p>
        {timedInspectorText.startsWhen}{' '}
        <Popover
          className="word"
          label={timedInspectorText.whatStartsIt}
          trigger={present(STARTS.find((o) => o.value === (trigger.event ?? 'line'))).text}
        >
          {(close) => (
            <Choices
              options={STARTS}
              value={trigger.event ?? 'line'}
              onChoose={(value) => {
                const event = value === 'line' ? undefined : value;
                session.apply(
                  changeTrigger(trigger.id, timedInspectorText.changeWhatStartsIt, ({ event: _, ...g }) =>
                    event ? { ...g, event } : g,
                  ),
                );
                close();
              }}
            />
          )}
        </Popover>
      </p>
      {!trigger.event && <Lines trigger={trigger} change={change} />}
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
            {trigger.event ? LEFT[trigger.event] : timedInspectorText.goingBackIt}{' '}
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

interface LinesProps {
  trigger: Trigger;
  change(label: string, part: Partial<Trigger>): void;
}

/** The places whose passing starts and ends it. */
function Lines({ trigger, change }: LinesProps) {
  return (
    <>
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
      {trigger.plays === 'each-time' && (
        <p>
          {timedInspectorText.leavingAtTheTop}{' '}
          <LineField
            trigger={trigger}
            side="past"
            onPut={(past) => change(timedInspectorText.moveTheLineAtTheTop, { past })}
          />
        </p>
      )}
    </>
  );
}

const MAX_AROUND = 3;

/** The element that is watched: the one it was made for, one around it, or one that was chosen in the page. */
function SubjectLine({ trigger }: { trigger: Trigger }) {
  const { session } = useOpenedPage();
  const { layout, chosen } = useRundown();
  const [own = -1] = findMatches(layout, trigger.subject);
  const around: number[] = [];
  for (let i = layout.elements[own]?.parent ?? -1; i >= 0 && around.length < MAX_AROUND;) {
    around.push(i);
    i = itemAt(layout.elements, i).parent;
  }
  const options = [...new Set([own, chosen, ...around])].flatMap((i) => {
    const e = layout.elements[i];
    return e ? [{ value: e.selector, text: elementName(e, layout), note: elementCode(e) }] : [];
  });
  const insets = trigger.insets ?? ['0px', '0px'];
  const putInset = (side: 0 | 1, css: string) =>
    session.apply(
      changeTrigger(trigger.id, timedInspectorText.changeTheInsets, (t) => ({
        ...t,
        insets: side === 0 ? [css, itemAt(insets, 1)] : [itemAt(insets, 0), css],
      })),
    );
  const element = layout.elements[own];
  return (
    <p>
      {timedInspectorText.watches}{' '}
      <Popover
        className="word"
        label={timedInspectorText.watchedElement}
        trigger={element ? elementName(element, layout) : trigger.subject}
      >
        {(close) => (
          <>
            <Choices
              options={options}
              value={layout.elements[own]?.selector ?? ''}
              onChoose={(subject) => {
                session.apply(
                  changeTrigger(trigger.id, timedInspectorText.watchAnother, (t) => ({ ...t, subject })),
                );
                close();
              }}
            />
            <p className="m-0 max-w-64 px-2 pt-2 text-(--ink-3)">{timedInspectorText.toWatchAnother}</p>
            <div className="mt-2 flex items-center gap-2 border-t border-(--line) px-2 pt-2">
              {timedInspectorText.insetsTop}
              <CssField
                label={timedInspectorText.insetAtTheTop}
                value={itemAt(insets, 0)}
                property="length"
                onPut={(v) => putInset(0, v)}
              />
              {timedInspectorText.bottom}
              <CssField
                label={timedInspectorText.insetAtTheBottom}
                value={itemAt(insets, 1)}
                property="length"
                onPut={(v) => putInset(1, v)}
              />
            </div>
          </>
        )}
      </Popover>
    </p>
  );
}
