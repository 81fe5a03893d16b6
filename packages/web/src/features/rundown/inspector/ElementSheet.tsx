/** The sheet of a chosen element: what moves it and what was found there, then what can be added; the way to the elements around it. */
import { isPart, itemAt, switchOn } from '@lyvek/core';
import { DriverSign } from '../../../editor/drivers/DriverSign.tsx';
import { DRIVER_WORDS } from '../../../editor/drivers/words.ts';
import { effectWords, elementName } from '../../../editor/words.ts';
import { grouped } from '../../../editor/strip/view.ts';
import { useOpenedPage } from '../../../state/opened-page.ts';
import { FindingSign } from '../../../ui/glyphs.tsx';
import { elementCode } from '../model/find-elements.ts';
import { listThingsOn } from '../model/things-on.ts';
import type { Thing } from '../model/things-on.ts';
import { useRundown } from '../rundown-context.ts';
import { elementSheetText } from './text.ts';

export function ElementSheet({ element }: { element: number }) {
  const { layout, setAdding, document, bars, findings } = useRundown();
  const e = itemAt(layout.elements, element);
  const things = listThingsOn(element, document, layout, { bars, findings });
  return (
    <section className="inspector" aria-label={elementSheetText.element(elementName(e, layout))}>
      <header className="inspector-head">
        <span className="inspector-name-plain">{elementName(e, layout)}</span>
        <i>{elementSheetText.size(e.tag, Math.round(e.box.width), Math.round(e.box.height))}</i>
        <span className="grow" />
        <button type="button" className="btn main" data-first-control onClick={() => setAdding(true)}>
          {elementSheetText.addAMotion} <kbd className="kbd in-main">A</kbd>
        </button>
      </header>
      <Around element={element} />
      {things.length > 0 && (
        <ul className="things" aria-label={elementSheetText.whatMovesIt}>
          {things.map((t) => (
            <ThingRow key={t.id} thing={t} />
          ))}
        </ul>
      )}
      {things.length === 0 && <p className="summary">{elementSheetText.nothingMovesIt}</p>}
    </section>
  );
}

function ThingRow({ thing: { id, name, kind, on, motion, span, findings } }: { thing: Thing }) {
  const { session } = useOpenedPage();
  const { select } = useRundown();
  return (
    <li className={on ? '' : 'muted'}>
      <button type="button" className="thing" onClick={() => select(id)}>
        <DriverSign kind={kind} label={DRIVER_WORDS[kind].short} />
        <b>{name}</b>
        <i>{motion ? effectWords(motion) : DRIVER_WORDS[kind].short}</i>
        <span className="grow" />
        {span && elementSheetText.span(grouped(span.start), grouped(span.end))}
      </button>
      <button
        type="button"
        className="btn small"
        aria-pressed={!on}
        onClick={() => session.apply(switchOn([id], !on))}
      >
        {on ? elementSheetText.mute : elementSheetText.muted}
      </button>
      {findings.map((f) => (
        <p key={f.check}>
          <FindingSign severity={f.severity} label={f.severity} /> {f.sentence}
        </p>
      ))}
    </li>
  );
}

const MAX_AROUND = 4;

/** Its selector, the elements it lies in, the nearest first, and the pseudo-elements that it draws. */
function Around({ element }: { element: number }) {
  const { layout, choose } = useRundown();
  const around: number[] = [];
  for (
    let i = itemAt(layout.elements, element).parent;
    i >= 0 && around.length < MAX_AROUND;
    i = itemAt(layout.elements, i).parent
  )
    around.push(i);
  const drawn = layout.elements.flatMap((e, i) => (e.parent === element && isPart(e) ? [i] : []));
  return (
    <p className="around">
      <code>{itemAt(layout.elements, element).selector}</code>
      {around.length > 0 && elementSheetText.inside}
      {around.map((i) => {
        const e = itemAt(layout.elements, i);
        return (
          <button key={i} type="button" className="btn small" title={e.selector} onClick={() => choose(i)}>
            {elementCode(e).slice(0, 32)}
          </button>
        );
      })}
      {drawn.length > 0 && elementSheetText.draws}
      {drawn.map((i) => (
        <button key={i} type="button" className="btn small" onClick={() => choose(i)}>
          {itemAt(layout.elements, i).tag}
        </button>
      ))}
    </p>
  );
}
