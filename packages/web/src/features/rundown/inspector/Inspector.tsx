/** The motion sheet: view progress diagram, a readable sentence with inline controls, value curves, and what was found. */
import { isEndless, isPointed, isTimed, refersTo, removeThings } from '@lyvek/core';
import { FindingSign } from '../../../ui/glyphs.tsx';
import { useOpenedPage } from '../../../state/opened-page.ts';
import { placeFlags } from '../model/flags.ts';
import { useRundown, useSingle } from '../rundown-context.ts';
import { MarqueeInspector } from './driver/MarqueeInspector.tsx';
import { Cues } from './driver/Cues.tsx';
import { Curves } from './keyframes/Curves.tsx';
import { ViewDiagram } from './range/ViewDiagram.tsx';
import { PinInspector } from './driver/PinInspector.tsx';
import { PointerInspector } from './driver/PointerInspector.tsx';
import { Sentence } from './Sentence.tsx';
import { TimedInspector } from './driver/TimedInspector.tsx';
import { MultiSelection } from './MultiSelection.tsx';
import { FindingsList } from './FindingsList.tsx';
import { ElementSheet } from './ElementSheet.tsx';
import { InspectorHead } from './InspectorHead.tsx';
import { inspectorText } from './text.ts';

export function Inspector() {
  const { selection, document, unplaced } = useRundown();
  const bar = useSingle();
  if (selection.length > 1) return <MultiSelection />;
  const cue = document.cues.find((c) => c.id === selection[0]);
  const pin = document.pins.find((p) => p.id === (cue ? cue.pin : selection[0]));
  if (pin) return <PinInspector pin={pin} />;
  const timed = document.motions.find((m) => m.id === selection[0] && isTimed(m.driver));
  const trigger = document.triggers.find(
    (g) => g.id === selection[0] || (timed && refersTo(timed.driver, g.id)),
  );
  if (trigger || timed) return <TimedInspector trigger={trigger ?? null} part={timed ?? null} />;
  if (!bar) {
    const lost = unplaced.find((u) => u.motion.id === selection[0]);
    return lost ? (
      <Lost name={lost.motion.name} reason={lost.reason} id={lost.motion.id} />
    ) : (
      <NothingSelected count={document.motions.length} placed={document.motions.length - unplaced.length} />
    );
  }
  if (isEndless(bar.motion.driver)) return <MarqueeInspector bar={bar} />;
  if (isPointed(bar.motion.driver)) return <PointerInspector key={bar.motion.id} bar={bar} />;
  return (
    <section className="inspector" aria-label={inspectorText.motion(bar.motion.name)}>
      <InspectorHead motion={bar.motion} />
      <div className="inspector-columns">
        <ViewDiagram bar={bar} />
        <div className="inspector-middle">
          <Sentence bar={bar} />
        </div>
        <Curves bar={bar} />
      </div>
    </section>
  );
}

function NothingSelected({ count, placed }: { count: number; placed: number }) {
  const { layout, chosen } = useRundown();
  if (layout.elements[chosen])
    return (
      <>
        <ElementSheet element={chosen} />
        <Astray />
      </>
    );
  return (
    <section className="inspector" aria-label={inspectorText.nothingSelected}>
      <p className="summary">{inspectorText.clickABarTo(count, placed)}</p>
      <Astray />
      {count > 0 && <Cues pin={null} />}
      <FindingsList />
    </section>
  );
}

/** Pins and triggers that have no place on this page: they have no mark in the lanes, so they are listed here. */
function Astray() {
  const { layout, document, select } = useRundown();
  const { lost } = placeFlags(document, layout);
  const astray = [
    ...layout.loose.map(({ id, reason }) => ({
      id,
      reason,
      name: document.pins.find((p) => p.id === id)?.name ?? id,
      what: 'does not pin',
    })),
    ...lost.map(({ trigger, reason }) => ({
      id: trigger.id,
      reason,
      name: trigger.name,
      what: 'cannot be passed',
    })),
  ];
  if (astray.length === 0) return null;
  return (
    <ul className="findings wide" aria-label={inspectorText.notOnThisPage}>
      {astray.map((a) => (
        <li key={a.id}>
          <FindingSign severity="error" label={inspectorText.error} />
          <button type="button" className="finding-name" onClick={() => select(a.id)}>
            {a.name}
          </button>
          <span className="grow">
            {a.what}: {a.reason}.
          </span>
        </li>
      ))}
    </ul>
  );
}

function Lost({ name, reason, id }: { name: string; reason: string; id: string }) {
  const { session } = useOpenedPage();
  return (
    <section className="inspector" aria-label={name}>
      <header className="inspector-head">
        <span className="inspector-name-plain">{name}</span>
        <i>{inspectorText.isNotOnThis}</i>
        <span className="grow" />
        <button type="button" className="btn" onClick={() => session.apply(removeThings([id], 'delete'))}>
          {inspectorText.deleteIt}
        </button>
      </header>
      <p className="summary">{inspectorText.itCannotBePlaced(reason)}</p>
    </section>
  );
}
