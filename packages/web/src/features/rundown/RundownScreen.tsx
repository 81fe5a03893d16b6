/** The Rundown: the page on one vertical scale, its motions beside it, the live page, and the sheet of the chosen motion. */
import { useCallback, useEffect, useRef, useState } from 'react';
import type { RefObject } from 'react';
import { keepKeyframes } from '../../editor/model/keyframes.ts';
import { clampView } from '../../editor/strip/view.ts';
import { useShownPage } from '../../preview/shown-page.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { Splitter } from '../../ui/Splitter.tsx';
import { useSize } from '../../ui/use-size.ts';
import { AddMotion } from './add/AddMotion.tsx';
import { Chart } from './chart/Chart.tsx';
import { LANES } from './chart/lanes.ts';
import { HeadRow } from './HeadRow.tsx';
import { FindingsDock } from './inspector/FindingsDock.tsx';
import { Inspector } from './inspector/Inspector.tsx';
import { Preview } from './preview/Preview.tsx';
import { Transport } from './preview/Transport.tsx';
import { RundownContext, useRundown } from './rundown-context.ts';
import type { Rundown } from './rundown-context.ts';
import { useFollowing } from './use-following.ts';
import { useRundownCommands } from './use-commands.ts';
import { listThingsOn, onlyThing } from './model/things-on.ts';
import { useKeys } from './use-keys.ts';
import { rundownText } from './text.ts';
import { usePanes } from './use-panes.ts';
import { useRundownState } from './use-rundown-state.ts';

export function RundownScreen() {
  const { page } = useOpenedPage();
  const { link } = useShownPage();
  const { ref, width, height } = useSize();
  const panes = usePanes(width, height);
  const rundown = useRundownState(panes.lanes.height);
  const { measured, stale, selection, adding } = rundown;
  const left = panes.lanes.width;
  const [guides, setGuides] = useState(true);
  const [outlines, setOutlines] = useState(true);
  const context = { ...rundown, guides, outlines };
  useKeys(context);
  const following = useFollowing(rundown);
  useRundownCommands(context, {
    guides: () => setGuides((on) => !on),
    outlines: () => setOutlines((on) => !on),
  });
  useEffect(() => keepKeyframes(selection), [selection]);
  usePicking(context, ref);
  useEffect(() => {
    window.document.title = `${page.name} · Lyvek`;
  }, [page.name]);
  // The shelf may have asked for a place on the page.
  useEffect(() => {
    const at = Number(new URLSearchParams(location.search).get('at'));
    if (!at) return;
    return link.store.subscribe((s, before) => {
      if (s.layout && !before.layout) link.scrollTo(at);
    });
  }, [link]);

  const headRow = { setGuides, setOutlines, ...following };
  return (
    <RundownContext value={context}>
      <div
        className={panes.stacked ? 'rundown stacked' : 'rundown'}
        ref={ref}
        data-settled={measured && !stale}
        tabIndex={-1}
        style={panes.stacked ? {} : { gridTemplateColumns: `${left}px minmax(0, 1fr)` }}
      >
        <div className="rundown-left">
          <HeadRow {...headRow} side="left" />
          <div className="relative" data-tour="lanes">
            <Chart width={left} />
            {adding && (
              <div className="add-holder" style={{ left: LANES, width: left - LANES, height: rundown.rows }}>
                <AddMotion />
              </div>
            )}
          </div>
        </div>
        {!panes.stacked && (
          <Splitter label={rundownText.widthOfTheLanes} pane={panes.left} between="columns" />
        )}
        <div className="rundown-right">
          <HeadRow {...headRow} side="right" />
          <div className="preview-holder" data-tour="page">
            <Preview {...panes.page} />
          </div>
          <Transport />
          {!panes.stacked && (
            <Splitter label={rundownText.heightOfTheSheet} pane={panes.sheet} between="rows" />
          )}
          <div
            className="inspector-holder"
            data-tour="sheet"
            style={panes.stacked ? {} : { height: panes.sheet.px }}
          >
            <Sheet />
            <FindingsDock />
          </div>
        </div>
      </div>
    </RundownContext>
  );
}

/** The sheet of what is selected, from its top: another one is not begun in the middle. */
function Sheet() {
  const { selection } = useRundown();
  const sheet = useRef<HTMLDivElement>(null);
  const what = selection.join(' ');
  useEffect(() => {
    if (sheet.current) sheet.current.scrollTop = 0;
  }, [what]);
  return (
    <div className="inspector-scroll" ref={sheet}>
      <Inspector />
    </div>
  );
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
