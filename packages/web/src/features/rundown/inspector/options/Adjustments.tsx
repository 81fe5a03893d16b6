/** The adjustments that a motion or pin needs on elements of the page: listed, editable, and open to new ones. */
import { useState } from 'react';
import {
  addDeclaration,
  declarationError,
  findMatches,
  itemAt,
  needsShapeOrigin,
  setDeclaration,
  spreadOrigins,
} from '@lyvek/core';
import type { Adjustment } from '@lyvek/core';
import { newId } from '../../../../state/new-id.ts';
import { Popover } from '../../../../ui/Popover.tsx';
import { useOpenedPage } from '../../../../state/opened-page.ts';
import { elementName } from '../../../../editor/words.ts';
import { useRundown } from '../../rundown-context.ts';
import { adjustmentsText } from '../text.ts';

/** “, with 2 adjustments” as a word of the sentence. */
export function AdjustmentsWord({ of }: { of: string }) {
  const { document } = useRundown();
  const own = document.adjustments.filter((a) => a.for.includes(of));
  const count = own.reduce((n, a) => n + Object.keys(a.declarations).length, 0);
  return (
    <>
      {adjustmentsText.and}{' '}
      <span className="whitespace-nowrap">
        <Popover
          className="word"
          label={adjustmentsText.adjustments}
          trigger={
            count === 0
              ? adjustmentsText.adjustsNothingElse
              : count === 1
                ? adjustmentsText.adjustsOneThing
                : adjustmentsText.adjustsThings(count)
          }
        >
          {() => <Adjustments of={of} own={own} />}
        </Popover>
        .
      </span>
    </>
  );
}

function Adjustments({ of, own }: { of: string; own: readonly Adjustment[] }) {
  const { session } = useOpenedPage();
  const { layout, chosen, document } = useRundown();
  const findName = (selector: string) => {
    const e = layout.elements.find((x) => x.selector === selector);
    return e ? elementName(e, layout) : selector;
  };
  const put = (id: string, property: string, css: string | null) =>
    session.apply(setDeclaration(id, property, css));
  const target =
    layout.elements[chosen]?.selector ??
    document.motions.find((m) => m.id === of)?.targets.selector ??
    document.pins.find((p) => p.id === of)?.stage;
  // Only what turns or grows has an origin, and only several can have different ones.
  const motion = document.motions.find(
    ({ id, targets: { selector }, keyframes }) =>
      id === of &&
      Object.keys(keyframes).some(needsShapeOrigin) &&
      !selector.includes('::') &&
      findMatches(layout, selector).length > 1,
  );
  return (
    <div className="adjustments">
      {own.length === 0 && <p className="m-0">{adjustmentsText.itNeedsNothingSet}</p>}
      {own.map((a) => (
        <fieldset key={a.id}>
          <legend title={a.selector}>{findName(a.selector)}</legend>
          {Object.entries(a.declarations).map(([property, css]) => (
            <Declaration
              key={property}
              property={property}
              css={css}
              onPut={(text) => put(a.id, property, text)}
              onDrop={() => put(a.id, property, null)}
            />
          ))}
          {Object.entries(a.attributes ?? {}).map(([name, value]) => (
            <p key={name} className="m-0">
              {adjustmentsText.inTheHtml(name, value)}
            </p>
          ))}
        </fieldset>
      ))}
      {motion && (
        <button type="button" className="btn" onClick={() => session.apply(spreadOrigins(of, newId))}>
          {adjustmentsText.anOriginForEach}
        </button>
      )}
      {target && (
        <NewDeclaration
          on={findName(target)}
          onAdd={(property, css) => session.apply(addDeclaration(of, target, [property, css], newId))}
        />
      )}
    </div>
  );
}

interface DeclarationProps {
  property: string;
  css: string;
  onPut(css: string): void;
  onDrop(): void;
}

function Declaration({ property, css, onPut, onDrop }: DeclarationProps) {
  const [error, setError] = useState<string | null>(null);
  return (
    <div className="declaration">
      <span>{property}</span>
      <input
        className="field"
        aria-label={property}
        aria-invalid={error !== null}
        key={css}
        defaultValue={css}
        spellCheck={false}
        onChange={(e) => setError(declarationError(property, e.target.value))}
        onBlur={(e) => {
          const text = e.target.value.trim();
          if (text !== css && !declarationError(property, text)) onPut(text);
        }}
        onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
      />
      <button
        type="button"
        className="btn"
        aria-label={adjustmentsText.removeNamed(property)}
        onClick={onDrop}
      >
        {adjustmentsText.remove}
      </button>
      {error && <p role="alert">{error}</p>}
    </div>
  );
}

function NewDeclaration({ on, onAdd }: { on: string; onAdd(property: string, css: string): void }) {
  const [error, setError] = useState<string | null>(null);
  return (
    <form
      className="declaration"
      onSubmit={(e) => {
        e.preventDefault();
        const text = String(new FormData(e.currentTarget).get('declaration'));
        const m = /^\s*([\w-]+)\s*:\s*(.+?)\s*;?\s*$/.exec(text);
        const problem = m ? declarationError(itemAt(m, 1), itemAt(m, 2)) : 'Write it like perspective: 900px';
        setError(problem);
        if (!m || problem) return;
        onAdd(itemAt(m, 1), itemAt(m, 2));
        e.currentTarget.reset();
      }}
    >
      <label className="contents">
        <span>{adjustmentsText.on(on)}</span>
        <input
          name="declaration"
          className="field"
          placeholder={adjustmentsText.perspective900px}
          aria-invalid={error !== null}
          spellCheck={false}
        />
      </label>
      <button type="submit" className="btn">
        {adjustmentsText.add}
      </button>
      {error && <p role="alert">{error}</p>}
    </form>
  );
}
