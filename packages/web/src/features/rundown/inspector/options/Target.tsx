/** Which elements a motion moves: a selector, counted and outlined in the page while it is typed. */
import type { Found } from '../../../../preview/page-link.ts';
import { selectWhole } from '../../../../ui/select-whole.ts';
import { useEffect, useState } from 'react';
import { useStore } from 'zustand';
import { elementName, findMatches, selectorName, splitPart } from '@lyvek/core';
import type { Motion } from '@lyvek/core';
import { useShownPage } from '../../../../preview/shown-page.ts';
import { useRundown } from '../../rundown-context.ts';
import { targetText } from '../text.ts';

const REST = 80;
/** Layouts know so many elements of one selector. */
const KNOWN = 2000;

/** The same elements but for one. */
function withoutElement(selector: string, one: string): string {
  const [host, part] = splitPart(selector);
  return `${host.includes(',') ? `:is(${host})` : host}:not(${splitPart(one)[0]})${part}`;
}

interface TargetProps {
  motion: Motion;
  element: number;
  /** `name`: what people would call what it finds */
  onChange(selector: string, name: string): void;
}

/** What is said about a selector while it is typed; null while the page is asked. */
function describeFound(found: Found | null): string {
  if (!found) return targetText.looking;
  if (found.error) return found.error;
  return found.count > KNOWN
    ? targetText.morePlaces(found.count.toLocaleString('en'), KNOWN.toLocaleString('en'))
    : targetText.matches(found.count);
}

export function Target({ motion, element, onChange }: TargetProps) {
  const { link } = useShownPage();
  const [text, setText] = useState(motion.targets.selector);
  const found = useStore(link.store, (s) => s.found);
  useEffect(() => {
    const timer = setTimeout(() => link.find(text.trim() || '*', element), REST);
    return () => clearTimeout(timer);
  }, [link, text, element]);
  useEffect(() => () => link.find(null, -1), [link]);
  const { layout, chosen } = useRundown();
  const matches = findMatches(layout, motion.targets.selector);
  const other = layout.elements[chosen];
  const isMoved = matches.length > 1 && matches.includes(chosen);
  const current = found?.selector === text.trim() ? found : null;
  const words = describeFound(current);
  return (
    <form
      className="flex w-80 flex-col gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        const selector = text.trim();
        const first = layout.elements[current?.elements[0] ?? -1];
        const shared = current && current.count > 1 ? selectorName(selector) : null;
        if (selector && !current?.error && selector !== motion.targets.selector)
          onChange(selector, shared ?? (first ? elementName(first, layout) : ''));
      }}
    >
      <label className="flex flex-col gap-1">
        {targetText.movesEverythingThatMatches}
        <input
          className="field"
          {...selectWhole}
          value={text}
          spellCheck={false}
          aria-invalid={!!current?.error}
          onChange={(e) => setText(e.target.value)}
        />
      </label>
      <p className={current?.error ? 'field-error m-0' : 'm-0'} aria-live="polite">
        {words}
      </p>
      {found && found.like.length > 0 && (
        <div className="popover-list" role="group" aria-label={targetText.itAndOthersLike}>
          {found.like.map((l) => (
            <button
              key={l.selector}
              type="button"
              onClick={() => setText(l.selector)}
              aria-current={l.selector === text}
            >
              <code className="grow">{l.selector}</code>
              <i className="text-[11px] text-(--ink-3)">{targetText.elements(l.count)}</i>
            </button>
          ))}
        </div>
      )}
      {isMoved && other && (
        <button
          type="button"
          className="btn self-start"
          onClick={() => onChange(withoutElement(motion.targets.selector, other.selector), '')}
        >
          {targetText.notThisOne(elementName(other, layout))}
        </button>
      )}
      <button
        type="submit"
        className="btn self-start"
        disabled={!text.trim() || !!current?.error || text.trim() === motion.targets.selector}
      >
        {targetText.moveThese}
      </button>
    </form>
  );
}
