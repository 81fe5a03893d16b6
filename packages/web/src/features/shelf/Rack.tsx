/** The rack: every page of the project at one scale, and the free place for another. */
import { itemAt, present } from '@lyvek/core';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useStore } from 'zustand';
import type { PageOnShelf, Shelf } from '@lyvek/api';
import type { Layout } from '@lyvek/core';
import { things } from '../../state/api.ts';
import { openTour, tourStore } from '../../state/tour.ts';
import { notify, notifyError } from '../../ui/notices.tsx';
import { Search } from '../../ui/Search.tsx';
import { Popover } from '../../ui/Popover.tsx';
import { fromDrop } from './add-page.ts';
import { AddPage } from './AddPage.tsx';
import { Welcome } from './Welcome.tsx';
import { Measure } from './Measure.tsx';
import { PageMenu } from './PageMenu.tsx';
import { PageStrip } from './PageStrip.tsx';
import { ProjectCrumb } from './ProjectCrumb.tsx';
import { ShelfFrame } from '../../ui/ShelfFrame.tsx';
import { useFileDrop } from '../../ui/use-file-drop.ts';
import { rackText } from './text.ts';
import { useAdding } from './use-adding.ts';
import type { EntryChoice } from './use-adding.ts';

const SCALES = [12, 16, 20, 24, 32, 40, 48];
const TICKS = 16;

export function Rack({ shelf: { project, pages } }: { shelf: Shelf }) {
  const client = useQueryClient();
  const [query, setQuery] = useState('');
  const [scale, setScale] = useState(24);
  const [measured, setMeasured] = useState<Map<string, Layout>>(new Map());
  const refresh = () => client.invalidateQueries({ queryKey: ['shelf'] });
  const makeLayout = (p: PageOnShelf) =>
    measured.get(p.id) ?? p.layouts.find((l) => l.viewport.width === 1280) ?? p.layouts[0] ?? null;
  // A page under development is measured where it is worked on.
  const unmeasured = pages.find((p) => !p.live && !makeLayout(p));
  const shown = pages.filter((p) => p.name.toLowerCase().includes(query.trim().toLowerCase()));
  const adding = useAdding(project.id, refresh);
  const { over, listeners } = useFileDrop((files) => void adding.addFiles(fromDrop(files.items)));
  return (
    <ShelfFrame
      crumbs={<ProjectCrumb project={project} />}
      home={`/projects/${project.id}`}
      presetsFrom={`?project=${project.id}`}
      tools={
        <Search
          placeholder={rackText.findAPage}
          label={rackText.findAPage}
          value={query}
          onChange={setQuery}
        />
      }
    >
      {project.demo && <Welcome />}
      <ShelfHead count={pages.length} scale={scale} onScale={setScale} />
      <main className="shelf" {...listeners}>
        <div className="rail-line-top" />
        <div className="shelf-grid" style={{ backgroundSize: `100% ${1000 / scale}px` }}>
          <ShelfAxis scale={scale} />
          <div className="rack">
            {shown.map((page) => (
              <RackStrip
                key={page.id}
                page={page}
                layout={makeLayout(page)}
                scale={scale}
                refresh={refresh}
              />
            ))}
            {shown.length === 0 && pages.length > 0 && (
              <p className="empty-note">{rackText.noPageMatches(query)}</p>
            )}
            <AddPage
              key={project.id}
              first={pages.length === 0}
              busy={adding.busy}
              onCancel={adding.cancel}
              over={over}
              onFiles={(f) => void adding.addFiles(f)}
              onMake={(html) => void adding.make(html)}
              onConnect={(url) => void adding.connect(url)}
              onPaste={(html) =>
                void adding.send({ name: 'Pasted page', body: new Blob([html], { type: 'text/html' }) })
              }
            />
          </div>
        </div>
      </main>
      {adding.choice && (
        <WhichFile
          choice={adding.choice}
          onChoose={(entry) => void adding.send(present(adding.choice).upload, entry)}
          onGiveUp={adding.giveUpChoice}
        />
      )}
      {unmeasured && (
        <Measure
          key={unmeasured.id}
          page={unmeasured}
          onMeasured={(layout) => setMeasured((m) => new Map(m).set(unmeasured.id, layout))}
        />
      )}
    </ShelfFrame>
  );
}

interface StripProps {
  page: PageOnShelf;
  layout: Layout | null;
  scale: number;
  refresh(): Promise<void>;
}

function RackStrip({ page, layout, scale, refresh }: StripProps) {
  const navigate = useNavigate();
  const remove = async () => {
    await things.pages.remove({ id: page.id });
    await refresh();
    notify(rackText.wasRemovedFromThe(page.name), {
      action: {
        label: 'Undo',
        run: () => void things.pages.restore({ id: page.id }).then(refresh, notifyError),
      },
    });
  };
  return (
    <PageStrip
      page={page}
      layout={layout}
      scale={scale}
      onOpen={(at) => void navigate(`/pages/${page.id}${at ? `?at=${Math.round(at)}` : ''}`)}
      actions={
        <Popover label={rackText.moreFor(page.name)} trigger={rackText.more} className="btn small">
          {(close) => (
            <PageMenu
              page={page}
              close={close}
              onRemove={() => void remove().catch(notifyError)}
              refresh={refresh}
            />
          )}
        </Popover>
      }
    />
  );
}

function ShelfAxis({ scale }: { scale: number }) {
  return (
    <div className="shelf-axis" aria-hidden="true">
      {Array.from({ length: TICKS + 1 }, (_, i) => (
        <span key={i} style={{ top: (i * 1000) / scale }} className={i % 5 === 0 ? 'bold' : ''}>
          {(i * 1000).toLocaleString('en')}
        </span>
      ))}
    </div>
  );
}

interface HeadProps {
  /** pages of the project */
  count: number;
  scale: number;
  onScale(scale: number): void;
}

function ShelfHead({ count, scale, onScale }: HeadProps) {
  return (
    <div className="shelf-head">
      <span className="shelf-px">{rackText.pagePx}</span>
      <h1>{rackText.theShelf}</h1>
      <span>{count === 0 ? rackText.empty : rackText.allAt(count, scale)}</span>
      <button
        type="button"
        className="btn square"
        aria-label={rackText.smaller}
        disabled={scale === SCALES.at(-1)}
        onClick={() => onScale(itemAt(SCALES, SCALES.indexOf(scale) + 1))}
      >
        −
      </button>
      <button
        type="button"
        className="btn square"
        aria-label={rackText.larger}
        disabled={scale === SCALES[0]}
        onClick={() => onScale(itemAt(SCALES, SCALES.indexOf(scale) - 1))}
      >
        +
      </button>
      <ResumeTour />
    </div>
  );
}

/** The tour that was left, one click away. */
function ResumeTour() {
  const navigate = useNavigate();
  const isLeft = useStore(tourStore, (s) => s.tour !== null);
  if (!isLeft) return null;
  return (
    <button
      type="button"
      className="btn"
      onClick={() => void openTour().then((path) => navigate(path), notifyError)}
    >
      {rackText.resumeTheTour}
    </button>
  );
}

interface WhichFileProps {
  choice: EntryChoice;
  onChoose(entry: string): void;
  onGiveUp(): void;
}

function WhichFile({ choice: { choices }, onChoose, onGiveUp }: WhichFileProps) {
  return (
    <div className="overlay">
      <div className="dialog-card" role="dialog" aria-modal="true" aria-label={rackText.whichFileIsThe}>
        <h2>{rackText.whichFileIsThe}</h2>
        <p className="mb-2">{rackText.thereAreSeveralHtml}</p>
        <div className="popover-list">
          {choices.map((c) => (
            <button key={c} type="button" autoFocus={c === choices[0]} onClick={() => onChoose(c)}>
              {c}
            </button>
          ))}
        </div>
        <button type="button" className="btn mt-3" onClick={onGiveUp}>
          {rackText.dontAddIt}
        </button>
      </div>
    </div>
  );
}
