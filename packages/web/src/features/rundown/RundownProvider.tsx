/** What the parts of the Rundown share, worked out in one place; and the keys, the commands and the picks that act on it. */
import { useCallback, useEffect, useState } from 'react';
import type { ReactNode, RefObject } from 'react';
import { useStore } from 'zustand';
import { keepKeyframes } from '../../editor/model/keyframes.ts';
import { clampView } from '../../editor/strip/view.ts';
import { useShownPage } from '../../preview/shown-page.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { useSource, useWhole } from '../../state/tracked.ts';
import { useLater } from '../../ui/use-later.ts';
import { listThingsOn, onlyThing } from './model/things-on.ts';
import { RundownContext, useRundownSource } from './rundown-context.ts';
import type { Rundown } from './rundown-context.ts';
import { useRundownCommands } from './use-commands.ts';
import { useFollowing } from './use-following.ts';
import { useKeys } from './use-keys.ts';
import { useRundownState } from './use-rundown-state.ts';

interface ProviderProps {
  /** px of the lanes with their head */
  height: number;
  workbench: RefObject<HTMLDivElement | null>;
  children: ReactNode;
}

export function RundownProvider({ height, workbench, children }: ProviderProps) {
  const { link } = useShownPage();
  const state = useRundownState(height);
  const [guides, setGuides] = useState(true);
  const [outlines, setOutlines] = useState(true);
  const rundown = { ...state, ...useFollowing(state), guides, setGuides, outlines, setOutlines };
  useKeys(rundown);
  useRundownCommands(rundown);
  usePicking(rundown, workbench);
  const { selection } = rundown;
  useEffect(() => keepKeyframes(selection), [selection]);
  // The shelf may have asked for a place on the page.
  useEffect(() => {
    const at = Number(new URLSearchParams(location.search).get('at'));
    if (!at) return;
    return link.store.subscribe((s, before) => {
      if (s.layout && !before.layout) link.scrollTo(at);
    });
  }, [link]);
  return <RundownContext value={useSource(rundown)}>{children}</RundownContext>;
}

/**
 * For parts that follow a frame later while something is dragged in the lanes: the page with what is drawn over it, and the sheet. Whatever else
 * is done they show at once.
 */
export function Following({ children }: { children: ReactNode }) {
  const { session } = useOpenedPage();
  const tried = useStore(session.store, (s) => s.tried !== null);
  const rundown = useLater(useWhole(useRundownSource()), tried);
  return <RundownContext value={useSource(rundown)}>{children}</RundownContext>;
}

type Picking = Pick<
  Rundown,
  'layout' | 'document' | 'bars' | 'adding' | 'choose' | 'setView' | 'pageHeight' | 'rows'
>;

/** What people do in the page: a picked element with one motion selects it, without any it waits for + Motion; Ctrl and wheel zoom the lanes. */
function usePicking(
  { layout, document, bars, adding, choose, setView, pageHeight, rows }: Picking,
  workbench: RefObject<HTMLDivElement | null>,
): void {
  const { session } = useOpenedPage();
  const { link } = useShownPage();
  const pick = useCallback(
    (element: number, additive: boolean, aside = false) => {
      choose(element);
      // Keys belong to the workbench again after a pick.
      const focus = () => workbench.current?.focus({ preventScroll: true });
      if (aside) return focus();
      if (!layout.elements[element] || adding) return;
      const things = listThingsOn(element, document, layout, { bars, findings: [] });
      const own = (additive ? things.find((t) => t.motion) : onlyThing(things))?.id;
      if (own) session.select(additive ? [...new Set([...session.store.getState().selection, own])] : [own]);
      else if (!additive) session.select([]);
      focus();
    },
    [layout, document, bars, session, adding, choose, workbench],
  );
  useEffect(() => link.on('picked', pick), [link, pick]);
  useEffect(
    () =>
      link.on('zoom', (delta) =>
        setView((v) => clampView({ ...v, per: v.per * Math.exp(delta / 300) }, pageHeight, rows)),
      ),
    [link, setView, pageHeight, rows],
  );
}
