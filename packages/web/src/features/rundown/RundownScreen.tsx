/** The Rundown: the page on one vertical scale, its motions beside it, the live page, and the sheet of the chosen motion. */
import { useEffect, useRef } from 'react';
import type { RefObject } from 'react';
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
import { useRundown } from './rundown-context.ts';
import { Following, RundownProvider } from './RundownProvider.tsx';
import { rundownText } from './text.ts';
import { usePanes } from './use-panes.ts';
import type { RundownPanes } from './use-panes.ts';

export function RundownScreen() {
  const { page } = useOpenedPage();
  const { ref, width, height } = useSize();
  const panes = usePanes(width, height);
  useEffect(() => {
    window.document.title = `${page.name} · Lyvek`;
  }, [page.name]);
  return (
    <RundownProvider height={panes.lanes.height} workbench={ref}>
      <Workbench panes={panes} workbench={ref} />
    </RundownProvider>
  );
}

interface WorkbenchProps {
  panes: RundownPanes;
  workbench: RefObject<HTMLDivElement | null>;
}

function Workbench({ panes, workbench }: WorkbenchProps) {
  const { measured, stale } = useRundown();
  const { stacked, left, sheet } = panes;
  return (
    <div
      className={stacked ? 'rundown stacked' : 'rundown'}
      ref={workbench}
      data-settled={measured && !stale}
      tabIndex={-1}
      style={stacked ? {} : { gridTemplateColumns: `${panes.lanes.width}px minmax(0, 1fr)` }}
    >
      <div className="rundown-left">
        <HeadRow side="left" />
        <div className="relative" data-tour="lanes">
          <Chart width={panes.lanes.width} />
          <AddHolder width={panes.lanes.width} />
        </div>
      </div>
      {!stacked && <Splitter label={rundownText.widthOfTheLanes} pane={left} between="columns" />}
      <div className="rundown-right">
        <HeadRow side="right" />
        <div className="preview-holder" data-tour="page">
          <Following>
            <Preview {...panes.page} />
          </Following>
        </div>
        <Transport />
        {!stacked && <Splitter label={rundownText.heightOfTheSheet} pane={sheet} between="rows" />}
        <div className="inspector-holder" data-tour="sheet" style={stacked ? {} : { height: sheet.px }}>
          <Following>
            <Sheet />
            <FindingsDock />
          </Following>
        </div>
      </div>
    </div>
  );
}

/** Over the lanes while a motion is added. */
function AddHolder({ width }: { width: number }) {
  const { adding, rows } = useRundown();
  if (!adding) return null;
  return (
    <div className="add-holder" data-scrolls="" style={{ left: LANES, width: width - LANES, height: rows }}>
      <AddMotion />
    </div>
  );
}

/** The sheet of what is selected, from its top: another one is not begun in the middle. */
function Sheet() {
  const { selection } = useRundown();
  const sheet = useRef<HTMLDivElement>(null);
  // Asking where it is, or putting it where it is already, would lay out the whole screen first.
  const scrolled = useRef(false);
  const what = selection.join(' ');
  useEffect(() => {
    if (scrolled.current && sheet.current) sheet.current.scrollTop = 0;
    scrolled.current = false;
  }, [what]);
  return (
    <div className="inspector-scroll" ref={sheet} onScroll={() => (scrolled.current = true)}>
      <Inspector />
    </div>
  );
}
