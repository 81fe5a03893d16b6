/** The pictures of a reference: brought, placed at their scroll offsets, taken out. */
import { present } from '@lyvek/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import { useStore } from 'zustand';
import type { ReferenceFacts } from '@lyvek/api';
import { api, things } from '../../state/api.ts';
import { notify, notifyError } from '../../ui/notices.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { grouped } from '../../editor/strip/view.ts';
import { useShownPage } from '../../preview/shown-page.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { placedAt } from './model/placed-at.ts';
import { useTakes } from './takes-context.ts';
import { useBesideKey } from './use-beside.ts';
import { useFileDrop } from '../../ui/use-file-drop.ts';
import { picturesText } from './text.ts';

export function Pictures({ set }: { set: ReferenceFacts }) {
  const { page } = useOpenedPage();
  const { viewport } = useShownPage();
  const { looking, max } = useTakes();
  const [, setKey] = useBesideKey();
  const at = useStore(looking, (s) => s.at);
  const client = useQueryClient();
  const refresh = () => client.invalidateQueries({ queryKey: ['references', page.id] });
  const act = useMutation({
    mutationFn: (run: () => Promise<unknown>) => run(),
    onSettled: refresh,
    onError: notifyError,
  });
  const bring = (list: readonly File[]) =>
    act.mutate(async () => {
      for (const { file, offset } of placedAt(list, at, viewport.height, max))
        await api.addPicture({ id: set.id, at: offset, body: file });
    });
  const remove = () =>
    act.mutate(async () => {
      await things.references.remove({ id: set.id });
      setKey(null);
      notify(picturesText.wasDeleted(set.name), {
        action: { label: 'Undo', run: () => act.mutate(() => things.references.restore({ id: set.id })) },
      });
    });
  const { over, listeners } = useFileDrop(({ files }) => bring([...files]));
  return (
    <section
      className={over ? 'takes-pictures over' : 'takes-pictures'}
      aria-label={picturesText.pictures}
      {...listeners}
    >
      <header>
        <h2>{set.name}</h2>
        <span className="grow" />
        <AddPictures disabled={act.isPending} onFiles={bring} />
        <button type="button" className="btn tall" onClick={remove}>
          {picturesText.deleteIt}
        </button>
      </header>
      <p className="quiet">{picturesText.eachShowsThePage(grouped(at))}</p>
      <ul>
        {set.pictures.map((p) => (
          <PictureRow
            key={p.id}
            picture={p}
            onMove={(next) => act.mutate(() => api.movePicture({ id: p.id, body: { at: next } }))}
            onShow={() => looking.setState({ at: Math.min(max, p.at) })}
            onRemove={() => act.mutate(() => api.removePicture({ id: p.id }))}
          />
        ))}
      </ul>
    </section>
  );
}

function AddPictures({ disabled, onFiles }: { disabled: boolean; onFiles(files: File[]): void }) {
  const files = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={files}
        type="file"
        accept="image/png,image/jpeg,image/webp"
        multiple
        hidden
        onChange={(e) => {
          onFiles([...(e.target.files ?? [])]);
          e.target.value = '';
        }}
      />
      <button
        type="button"
        className="btn main"
        disabled={disabled}
        onClick={() => present(files.current).click()}
      >
        {picturesText.addPictures}
      </button>
    </>
  );
}

interface RowProps {
  picture: ReferenceFacts['pictures'][number];
  onMove(at: number): void;
  onShow(): void;
  onRemove(): void;
}

const PictureRow = ({ picture: { id, at }, onMove, onShow, onRemove }: RowProps) => (
  <li>
    <img src={`/api/pictures/${id}`} alt="" height={36} />
    <NumberField
      label={picturesText.offsetOfThePicture(grouped(at))}
      value={at}
      min={0}
      max={1_000_000}
      onChange={onMove}
    />
    <span className="quiet">{picturesText.px}</span>
    <button type="button" className="btn" onClick={onShow}>
      {picturesText.show}
    </button>
    <button type="button" className="btn plain" onClick={onRemove}>
      {picturesText.remove}
    </button>
  </li>
);
