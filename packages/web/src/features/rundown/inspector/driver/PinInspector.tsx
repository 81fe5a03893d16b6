/** The sheet of a pin: from the side, as a sentence, and what moves inside it. */
import type { PinnedSpan, Pin } from '@lyvek/core';
import { asPin, maxScroll, refersTo, changePin, itemAt } from '@lyvek/core';
import { DriverSign } from '../../../../editor/drivers/DriverSign.tsx';
import { useOpenedPage } from '../../../../state/opened-page.ts';
import { effectWords } from '../../../../editor/words.ts';
import { grouped } from '../../../../editor/strip/view.ts';
import { useRundown } from '../../rundown-context.ts';
import { Cues } from './Cues.tsx';
import { DriverHead } from './DriverHead.tsx';
import { MoreActions } from '../MoreActions.tsx';
import { PinSentence } from './PinSentence.tsx';
import { PinDiagram } from './PinDiagram.tsx';
import { pinInspectorText } from './text.ts';

export function PinInspector({ pin }: { pin: Pin }) {
  const { session } = useOpenedPage();
  const { layout } = useRundown();
  const hold = layout.pinnedSpans.find((h) => h.id === pin.id);
  const loose = layout.loose.find((l) => l.id === pin.id);
  const change = (label: string, part: Partial<Pin>) =>
    session.apply(changePin(pin.id, label, (p) => ({ ...p, ...part })));
  return (
    <section className="inspector" aria-label={pinInspectorText.pin(pin.name)}>
      <DriverHead
        driver={pin}
        kind="pin"
        words="pinned scene"
        sign={<DriverSign kind="pin" />}
        change={change}
      >
        <MoreActions of={[pin.id]} />
      </DriverHead>
      <div className="inspector-columns pin-columns">
        {hold ? <PinDiagram pin={pin} hold={hold} /> : <div />}
        <div className="inspector-middle">
          <PinSentence pin={pin} change={change} />
          {loose && (
            <p className="inspector-note wrong" role="status">
              {pinInspectorText.itDoesNotPin(loose.reason)}
            </p>
          )}
          {hold && <Consequences hold={hold} />}
          {!pin.on && (
            <p className="inspector-note" role="status">
              {pinInspectorText.itIsMutedNothing}
            </p>
          )}
        </div>
        <Inside pin={pin} hold={hold} />
      </div>
    </section>
  );
}

function Consequences({ hold }: { hold: PinnedSpan }) {
  const { layout } = useRundown();
  const distance = hold.end - hold.start;
  const height = layout.page.height;
  const stage = itemAt(layout.elements, hold.stage);
  const max = maxScroll(layout, { scroller: hold.scroller, axis: 'block' });
  return (
    <p className="summary">
      {pinInspectorText.adds} <b>{pinInspectorText.px(grouped(distance))}</b>{' '}
      {pinInspectorText.toThePage(grouped(height - distance))} <b>{pinInspectorText.px(grouped(height))}</b>
      {pinInspectorText.withReducedMotionNothing}
      {stage.box.height > layout.viewport.height && hold.by === 'top' && (
        <> {pinInspectorText.itIsTallerThan}</>
      )}
      {hold.end > max && <> {pinInspectorText.thePageEndsBefore}</>}
    </p>
  );
}

function Inside({ pin, hold }: { pin: Pin; hold: PinnedSpan | undefined }) {
  const { bars, unplaced, select } = useRundown();
  // On a muted pin they have no place, and are there all the same.
  const waiting = unplaced.filter((u) => refersTo(u.motion.driver, pin.id));
  const inside = bars
    .filter(
      (b) =>
        refersTo(b.motion.driver, pin.id) ||
        (hold && b.placed.start >= hold.start && b.placed.end <= hold.end),
    )
    .sort((a, b) => a.placed.start - b.placed.start);
  const share = (offset: number) =>
    hold ? Math.round(((offset - hold.start) / Math.max(1, hold.end - hold.start)) * 100) : 0;
  return (
    <div className="pin-inside">
      <h4>
        {inside.length
          ? pinInspectorText.insideInOrderOf
          : waiting.length
            ? pinInspectorText.waitingForThePin(waiting.length)
            : pinInspectorText.nothingMovesInsideYet}
      </h4>
      {inside.length === 0 && waiting.length === 0 && (
        <p className="summary">{pinInspectorText.pickAnElementIn}</p>
      )}
      <ul>
        {waiting.map(({ motion }) => (
          <li key={motion.id}>
            <button type="button" onClick={() => select(motion.id)}>
              <DriverSign kind="pin" />
              <b>{motion.name}</b> <i>{effectWords(motion)}</i>
            </button>
          </li>
        ))}
        {inside.map((b) => (
          <li key={b.motion.id}>
            <button type="button" onClick={() => select(b.motion.id)}>
              <DriverSign kind={b.motion.driver.kind} />
              <b>{b.motion.name}</b> <i>{effectWords(b.motion)}</i>
              <span>
                {asPin(b.motion.driver)
                  ? `${share(b.placed.start)}–${share(b.placed.end)} %`
                  : pinInspectorText.ownViewProgress}
              </span>
            </button>
          </li>
        ))}
      </ul>
      <Cues pin={pin.id} />
    </div>
  );
}
