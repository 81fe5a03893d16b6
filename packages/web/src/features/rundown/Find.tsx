/** Finding motions and elements by name: the lanes fade what does not match, a list under the field goes straight there. */
import { useState } from 'react';
import type { KeyboardEvent } from 'react';
import { OptionList, optionId, stepOption } from '../../ui/OptionList.tsx';
import type { Option } from '../../ui/OptionList.tsx';
import { DriverSign } from '../../editor/drivers/DriverSign.tsx';
import { effectWords } from '../../editor/words.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { found } from './model/find.ts';
import { findElements } from './model/find-elements.ts';
import { useRundown } from './rundown-context.ts';
import { useShowElement } from './use-show-element.ts';
import { findText, headRowText } from './text.ts';

const MAX_MOTIONS = 8;
const MAX_ELEMENTS = 10;
const LIST = 'find-list';

function useFound(query: string): Option[] {
  const { session } = useOpenedPage();
  const rundown = useRundown();
  const { document, findings, layout, setQuery } = rundown;
  const showElement = useShowElement(rundown);
  if (!query.trim()) return [];
  const ids = found(query, document, findings);
  const motions = document.motions.filter((m) => ids.includes(m.id));
  return [
    ...(ids.length > 1
      ? [
          {
            ...{ id: 'all', text: findText.selectAll(ids.length), group: findText.motions },
            choose: () => session.select(ids),
          },
        ]
      : []),
    ...motions.slice(0, MAX_MOTIONS).map((m) => ({
      id: m.id,
      text: (
        <>
          <DriverSign kind={m.driver.kind} /> {m.name}
        </>
      ),
      note: effectWords(m),
      group: findText.motions,
      choose: () => session.select([m.id]),
    })),
    ...findElements(query, layout, MAX_ELEMENTS).map(({ element, name, code }) => ({
      ...{ id: `e${element}`, text: name, note: code, group: findText.elements },
      // It is not in the lanes, so nothing there has to step back for it.
      choose: () => {
        setQuery('');
        showElement(element);
      },
    })),
  ];
}

export function Find() {
  const { query, setQuery } = useRundown();
  const [at, setAt] = useState(0);
  const [open, setOpen] = useState(false);
  const options = useFound(query);
  const isShown = open && query.trim() !== '';
  const leave = (field: HTMLElement) => {
    field.blur();
    // Keys belong to the workbench again.
    field.closest<HTMLElement>('.rundown')?.focus({ preventScroll: true });
  };
  const choose = (option: Option | undefined, field: HTMLElement) => {
    if (!option) return;
    option.choose();
    leave(field);
  };
  const hear = (e: KeyboardEvent<HTMLInputElement>) => {
    e.stopPropagation();
    const to = stepOption(e, at, options.length);
    if (to !== null) setAt(to);
    else if (e.key === 'Enter') choose(options[at], e.currentTarget);
    else if (e.key === 'Escape') {
      setQuery('');
      leave(e.currentTarget);
    } else return;
    e.preventDefault();
  };
  return (
    <div className="find">
      <input
        data-find=""
        className="field small"
        role="combobox"
        aria-expanded={isShown}
        aria-controls={LIST}
        aria-activedescendant={isShown && options.length ? optionId(LIST, at) : undefined}
        placeholder={headRowText.find}
        aria-label={headRowText.findMotionsByName}
        value={query}
        onChange={(e) => {
          setQuery(e.target.value);
          setAt(0);
          setOpen(true);
        }}
        onFocus={() => setOpen(true)}
        onBlur={() => setOpen(false)}
        onKeyDown={hear}
      />
      {query.trim() !== '' && (
        <button
          type="button"
          className="btn small plain"
          aria-label={findText.clear}
          title={findText.clear}
          onClick={() => setQuery('')}
        >
          ×
        </button>
      )}
      {isShown && (
        <div className="find-results">
          <OptionList
            id={LIST}
            label={findText.results}
            {...{ options, at }}
            onAt={setAt}
            onChoose={(o) => choose(o, document.activeElement as HTMLElement)}
          />
          {options.length === 0 && <p className="m-0 px-2 py-2">{findText.nothing}</p>}
        </div>
      )}
    </div>
  );
}
