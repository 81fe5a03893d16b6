/** Ctrl K: one field that finds everything that can be done, chosen or opened here. */
import { useEffect, useMemo, useState } from 'react';
import { useStore } from 'zustand';
import { openPalette, palette } from './commands.ts';
import type { CommandSource } from './commands.ts';
import { OptionList, optionId, stepOption } from './OptionList.tsx';
import type { Option } from './OptionList.tsx';
import { computeRank } from './ranked.ts';
import { commandPaletteText } from './text.ts';

const MAX_SHOWN = 60;

/** Groups in the order of their best answer, each with its best first. */
function listOptions(query: string, sources: ReadonlyMap<string, CommandSource>): Option[] {
  const found = [...sources.values()]
    .flatMap((source) => source(query))
    .flatMap((command, order) => {
      const rank = computeRank(query, {
        name: command.name,
        words: command.words ?? '',
        what: `${command.note ?? ''} ${command.group}`,
      });
      return rank === null ? [] : [{ command, rank, order }];
    });
  const best = new Map<string, number>();
  for (const { command, rank } of found)
    best.set(command.group, Math.min(rank, best.get(command.group) ?? Infinity));
  const groups = [...best.keys()];
  return found
    .sort(
      (a, b) =>
        (best.get(a.command.group) ?? 0) - (best.get(b.command.group) ?? 0) ||
        groups.indexOf(a.command.group) - groups.indexOf(b.command.group) ||
        a.rank - b.rank ||
        a.order - b.order,
    )
    .slice(0, MAX_SHOWN)
    .map(({ command: { id, name, note, keys, group, disabled, run } }) => ({
      ...{ id, text: name, note, keys, group, disabled },
      choose: run,
    }));
}

export function CommandPalette() {
  const { open } = useStore(palette);
  useEffect(() => {
    const hear = (e: KeyboardEvent) => {
      if (!(e.ctrlKey || e.metaKey) || e.altKey || e.key.toLowerCase() !== 'k') return;
      e.preventDefault();
      e.stopPropagation();
      openPalette();
    };
    addEventListener('keydown', hear, true);
    return () => removeEventListener('keydown', hear, true);
  }, []);
  return open ? <Opened /> : null;
}

function Opened() {
  const { sources } = useStore(palette);
  const [query, setQuery] = useState('');
  const [at, setAt] = useState(0);
  const options = useMemo(() => listOptions(query, sources), [query, sources]);
  const [before] = useState(() => document.activeElement as HTMLElement | null);
  const close = () => palette.setState({ open: false });
  useEffect(() => () => (before?.isConnected ? before.focus() : undefined), [before]);
  const choose = (option: Option | undefined) => {
    if (!option || option.disabled !== undefined) return;
    close();
    // What it does may want the focus; it comes after the palette has given it back.
    setTimeout(option.choose);
  };
  return (
    <div className="overlay palette-overlay" onPointerDown={(e) => e.target === e.currentTarget && close()}>
      <div className="palette" role="dialog" aria-modal="true" aria-label={commandPaletteText.title}>
        <input
          className="field"
          role="combobox"
          aria-expanded="true"
          aria-controls="palette-list"
          aria-activedescendant={options.length ? optionId('palette-list', at) : undefined}
          aria-label={commandPaletteText.whatToDo}
          placeholder={commandPaletteText.placeholder}
          autoFocus
          value={query}
          onChange={(e) => {
            setQuery(e.target.value);
            setAt(0);
          }}
          onKeyDown={(e) => {
            e.stopPropagation();
            const to = stepOption(e, at, options.length);
            if (to !== null) setAt(to);
            else if (e.key === 'Enter') choose(options[at]);
            else if (e.key === 'Escape') close();
            else if (e.key !== 'Tab') return;
            e.preventDefault();
          }}
        />
        <OptionList
          id="palette-list"
          label={commandPaletteText.results}
          {...{ options, at }}
          onAt={setAt}
          onChoose={choose}
        />
        {options.length === 0 && <p className="m-0 px-2 py-3">{commandPaletteText.nothingFound}</p>}
      </div>
    </div>
  );
}
