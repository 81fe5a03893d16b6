/** Presets: what was kept to be used elsewhere, for all projects. Files of presets may be dropped anywhere on it. */
import { present, SHIPPED_PRESETS } from '@lyvek/core';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { PageFacts, PresetFacts } from '@lyvek/api';
import { api, things } from '../../state/api.ts';
import { download, presetFile, readPresetFile, usePresets } from '../../state/presets.ts';
import { Waiting, listWaiting } from '../../ui/Waiting.tsx';
import { notify, notifyError } from '../../ui/notices.tsx';
import { Search } from '../../ui/Search.tsx';
import { ShelfFrame } from '../../ui/ShelfFrame.tsx';
import { PresetDetail } from './PresetDetail.tsx';
import { PresetRow } from './PresetRow.tsx';
import { useFileDrop } from '../../ui/use-file-drop.ts';
import { presetsScreenText } from './text.ts';

export function PresetsScreen() {
  const { presets, findEffect, isPending, query: request, refresh } = usePresets();
  const [query, setQuery] = useState('');
  const [chosen, setChosen] = useState<string | null>(null);
  useEffect(() => {
    document.title = 'Presets · Lyvek';
  }, []);
  const { bring, addShipped, edit, remove, copy } = usePresetActs(refresh, setChosen);
  const origin = useOrigin();
  const { over, listeners } = useFileDrop(({ files }) => void bring([...files]));
  const shown = presets.filter((p) => p.name.toLowerCase().includes(query.trim().toLowerCase()));
  const open = presets.find((p) => p.id === chosen) ?? shown[0];
  return (
    <ShelfFrame
      crumbs={<Crumbs {...origin} />}
      home={origin.project ? `/projects/${origin.project.id}` : '/'}
      presetsFrom={location.search}
      tools={
        presets.length > 0 && (
          <Search
            placeholder={presetsScreenText.findAPreset}
            label={presetsScreenText.findAPreset}
            value={query}
            onChange={setQuery}
          />
        )
      }
    >
      <PresetsHead
        presets={presets}
        isPending={isPending}
        onFiles={(files) => void bring(files)}
        onShipped={(missing) => void addShipped(missing)}
      />
      <main className={`presets${over ? ' over' : ''}`} {...listeners}>
        {!request.data && request.failureReason ? (
          <Waiting what="" {...listWaiting(request)} />
        ) : !isPending && presets.length === 0 ? (
          <Empty />
        ) : (
          <>
            <ul className="preset-list" aria-label={presetsScreenText.presets}>
              {shown.map((p) => (
                <PresetRow
                  key={p.id}
                  preset={p}
                  effect={findEffect(p.id)}
                  chosen={p === open}
                  onChoose={() => setChosen(p.id)}
                />
              ))}
              {shown.length === 0 && !isPending && (
                <li className="empty-note">{presetsScreenText.noPresetMatchesClear}</li>
              )}
            </ul>
            {open && (
              <PresetDetail
                key={open.id}
                preset={open}
                onRename={(name) =>
                  void things.presets.rename({ id: open.id, body: { name } }).then(refresh).catch(notifyError)
                }
                onEdit={(body) => void edit(open, body)}
                onCopy={() => copy(open)}
                onExport={() =>
                  download(`${open.name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}.json`, presetFile([open]))
                }
                onRemove={() => remove(open)}
              />
            )}
          </>
        )}
      </main>
    </ShelfFrame>
  );
}

/** Where it was opened from: a page with its take, or a project. */
interface Origin {
  page: PageFacts | null;
  take: string | null;
  project: { id: string; name: string } | null;
}

function useOrigin(): Origin {
  const [search] = useSearchParams();
  const [page, project] = [search.get('page'), search.get('project')];
  const opened = useQuery({
    queryKey: ['page', page],
    queryFn: () => api.page({ id: page ?? '' }),
    enabled: page !== null,
  });
  const shelf = useQuery({
    queryKey: ['shelf', project],
    queryFn: () => api.shelf({ id: project ?? '' }),
    enabled: page === null && project !== null,
  });
  return {
    page: opened.data?.page ?? null,
    take: search.get('take'),
    project: opened.data?.project ?? shelf.data?.project ?? null,
  };
}

/** The way back, then this. */
function Crumbs({ page, take, project }: Origin) {
  return (
    <>
      {project && <Link to={`/projects/${project.id}`}>{project.name}</Link>}
      {project && <span aria-hidden="true">/</span>}
      {page && <Link to={`/pages/${page.id}${take ? `?take=${take}` : ''}`}>{page.name}</Link>}
      {page && <span aria-hidden="true">/</span>}
      <b className="here">{presetsScreenText.presets}</b>
    </>
  );
}

/** What is done to presets. `onMade` hears of a new one. */
function usePresetActs(refresh: () => Promise<unknown>, onMade: (id: string) => void) {
  const bring = async (files: readonly File[]) => {
    for (const file of files) {
      const read = readPresetFile(await file.text());
      if (!read.ok) {
        notify(presetsScreenText.nothingWasImported(file.name, read.error));
        continue;
      }
      try {
        for (const body of read.presets) await api.keepPreset({ body });
        notify(presetsScreenText.importedFrom(read.presets.length, file.name));
      } catch (e) {
        notifyError(e);
      }
      await refresh();
    }
  };
  const addShipped = async (missing: typeof SHIPPED_PRESETS) => {
    try {
      for (const body of missing) await api.keepPreset({ body });
      notify(presetsScreenText.shippedAreAdded(missing.length));
    } catch (e) {
      notifyError(e);
    }
    await refresh();
  };
  const edit = async (p: PresetFacts, body: PresetFacts['body']) => {
    const put = async (base: number, next: typeof body) => {
      try {
        return await api.putPreset({ id: p.id, base, body: next });
      } catch (e) {
        notifyError(e);
        return null;
      } finally {
        await refresh();
      }
    };
    const changed = await put(p.revision, body);
    if (changed)
      notify(presetsScreenText.wasEdited(p.name), {
        action: { label: presetsScreenText.undo, run: () => void put(changed.revision, p.body) },
      });
  };
  const remove = (p: PresetFacts) =>
    void things.presets
      .remove({ id: p.id })
      .then(refresh)
      .then(() =>
        notify(presetsScreenText.wasDeletedMotionsMade(p.name), {
          action: {
            label: 'Undo',
            run: () => void things.presets.restore({ id: p.id }).then(refresh, notifyError),
          },
        }),
      )
      .catch(notifyError);
  const copy = (p: PresetFacts) =>
    void api
      .keepPreset({ body: { name: `${p.name.slice(0, 112)} copy`, body: p.body } })
      .then((made) => {
        onMade(made.id);
        return refresh();
      })
      .catch(notifyError);
  return { bring, addShipped, edit, remove, copy };
}

interface HeadProps {
  presets: readonly PresetFacts[];
  isPending: boolean;
  onFiles(files: File[]): void;
  onShipped(missing: typeof SHIPPED_PRESETS): void;
}

function PresetsHead({ presets, isPending, onFiles, onShipped }: HeadProps) {
  const missing = SHIPPED_PRESETS.filter(({ name }) => !presets.some((p) => p.name === name));
  const input = useRef<HTMLInputElement>(null);
  return (
    <div className="presets-head">
      <h1>{presetsScreenText.presets}</h1>
      <span>
        {isPending
          ? presetsScreenText.opening
          : presets.length === 0
            ? presetsScreenText.noneYet
            : presetsScreenText.forAllProjects(presets.length)}
      </span>
      <span className="grow" />
      <input
        ref={input}
        type="file"
        accept="application/json,.json"
        multiple
        hidden
        onChange={(e) => {
          onFiles([...(e.target.files ?? [])]);
          e.target.value = '';
        }}
      />
      {!isPending && missing.length > 0 && (
        <button type="button" className="btn" onClick={() => onShipped(missing)}>
          {presetsScreenText.addShipped(missing.length)}
        </button>
      )}
      <button type="button" className="btn" onClick={() => present(input.current).click()}>
        {presetsScreenText.fromAFile}
      </button>
      <button
        type="button"
        className="btn"
        disabled={presets.length === 0}
        onClick={() => download('presets.json', presetFile(presets))}
      >
        {presetsScreenText.allAsAFile}
      </button>
    </div>
  );
}

const Empty = () => (
  <div className="empty-note">
    <p className="mb-2">{presetsScreenText.aPresetIsA}</p>
    <p>{presetsScreenText.selectBarsInThe}</p>
  </div>
);
