/** Everything that can be done right now, by name. Screens say what they offer; the palette (Ctrl K) shows and runs it. */
import { useEffect, useRef } from 'react';
import { createStore } from 'zustand/vanilla';

export interface Command {
  id: string;
  name: string;
  /** what it belongs to, as a heading */
  group: string;
  /** its shortcut */
  keys?: string | undefined;
  /** other words people may look for */
  words?: string;
  /** shown beside it */
  note?: string;
  /** why it cannot be done now */
  disabled?: string | undefined;
  run(): void;
}

/** What one part of the interface offers for what is typed. */
export type CommandSource = (query: string) => readonly Command[];

interface Palette {
  open: boolean;
  sources: ReadonlyMap<string, CommandSource>;
}

export const palette = createStore<Palette>(() => ({ open: false, sources: new Map() }));
export const openPalette = (): void => palette.setState({ open: true });

/** Offers commands as long as the component is there; what is offered is asked for when the palette is open. */
export function useCommands(name: string, source: CommandSource): void {
  const latest = useRef(source);
  latest.current = source;
  useEffect(() => {
    palette.setState((s) => ({ sources: new Map([...s.sources, [name, (q: string) => latest.current(q)]]) }));
    return () =>
      palette.setState((s) => ({ sources: new Map([...s.sources].filter(([other]) => other !== name)) }));
  }, [name]);
}
