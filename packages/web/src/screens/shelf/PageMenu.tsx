/** What can be done to a page on the rack. */
import { useState } from 'react';
import type { PageOnShelf } from '@lyvek/api';
import { api } from '../../data/api.ts';
import { NameForm } from '../../parts/NameForm.tsx';
import { notifyError } from '../../parts/notices.tsx';

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
        label="Name of the page"
        initial={page.name}
        action="Rename"
        onName={(n) => void api.rename('pages', page.id, n).then(refresh).then(close).catch(notifyError)}
      />
    );
  return (
    <div className="pop-list">
      <button type="button" onClick={() => setRenaming(true)}>
        Rename …
      </button>
      <button
        type="button"
        onClick={() => {
          close();
          onRemove();
        }}
      >
        Delete
      </button>
    </div>
  );
}
