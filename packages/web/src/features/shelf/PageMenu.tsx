/** What can be done to a page on the rack. */
import { useRef, useState } from 'react';
import type { PageOnShelf } from '@lyvek/api';
import { api, things } from '../../state/api.ts';
import { NameForm } from '../../ui/NameForm.tsx';
import { notify, notifyError } from '../../ui/notices.tsx';
import { fromList, makeUpload } from './add-page.ts';
import { pageMenuText } from './text.ts';

export function PageMenu({
  page,
  close,
  onRemove,
  refresh,
}: {
  page: PageOnShelf;
  close(): void;
  onRemove(): void;
  refresh(): Promise<void>;
}) {
  const [renaming, setRenaming] = useState(false);
  if (renaming)
    return (
      <NameForm
        label={pageMenuText.nameOfThePage}
        initial={page.name}
        action={pageMenuText.rename}
        onName={(n) =>
          void things.pages
            .rename({ id: page.id, body: { name: n } })
            .then(refresh)
            .then(close)
            .catch(notifyError)
        }
      />
    );
  return (
    <div className="popover-list">
      <button type="button" onClick={() => setRenaming(true)}>
        {pageMenuText.renameItem}
      </button>
      {!page.live && <NewVersion page={page} close={close} refresh={refresh} />}
      <button
        type="button"
        onClick={() => {
          close();
          onRemove();
        }}
      >
        {pageMenuText.deleteIt}
      </button>
    </div>
  );
}

/** Files for a page that has changed elsewhere. Its takes stay; what they have lost is listed in the Rundown. */
function NewVersion({
  page,
  close,
  refresh,
}: {
  page: PageOnShelf;
  close(): void;
  refresh(): Promise<void>;
}) {
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const addPage = async (files: FileList) => {
    setBusy(true);
    try {
      const upload = await makeUpload(fromList(files));
      await api.replaceFiles({ id: page.id, body: upload.body });
      await refresh();
      notify(pageMenuText.isTheNewerVersion(page.name));
      close();
    } catch (error) {
      notifyError(error);
      setBusy(false);
    }
  };
  return (
    <>
      <button type="button" disabled={busy} onClick={() => input.current?.click()}>
        {busy ? pageMenuText.addingIt : pageMenuText.addANewerVersion}
      </button>
      <input
        ref={input}
        type="file"
        hidden
        multiple
        accept=".html,.htm,.xhtml,.zip"
        aria-label={pageMenuText.newerVersionOf(page.name)}
        onChange={(e) => e.target.files?.length && void addPage(e.target.files)}
      />
    </>
  );
}
