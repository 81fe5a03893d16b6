/** Which take is open, and another one beside it. */
import { present } from '@lyvek/core';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, things } from '../../state/api.ts';
import { Down } from '../../ui/glyphs.tsx';
import { NameForm } from '../../ui/NameForm.tsx';
import { notify, notifyError } from '../../ui/notices.tsx';
import { Popover } from '../../ui/Popover.tsx';
import { useOpenedPage } from '../../state/opened-page.ts';
import { takePopoverText } from '../text.ts';

export function TakePopover({ goTo }: { goTo(takeId: string): void }) {
  const { take } = useOpenedPage();
  return (
    <Popover
      label={takePopoverText.take(take.name)}
      trigger={
        <>
          <span className="cut" title={take.name}>
            {take.name}
          </span>{' '}
          <Down />
        </>
      }
    >
      {(close) => <TakeActions goTo={goTo} close={close} />}
    </Popover>
  );
}

function TakeActions({ goTo, close }: { goTo(takeId: string): void; close(): void }) {
  const { page, takes, take, session } = useOpenedPage();
  const [renaming, setRenaming] = useState(false);
  const client = useQueryClient();
  const refresh = () => client.invalidateQueries({ queryKey: ['page', page.id] });
  const copy = async () => {
    const { document, save } = session.store.getState();
    const madeFrom = { takeId: take.id, revision: save.revision };
    const made = await api.createTake({ id: page.id, body: { document, madeFrom } });
    await refresh();
    close();
    goTo(made.id);
  };
  const rename = async (name: string) => {
    await things.takes.rename({ id: take.id, body: { name } });
    await refresh();
    close();
  };
  const remove = async () => {
    const next = present(takes.find((t) => t.id !== take.id));
    await things.takes.remove({ id: take.id });
    close();
    goTo(next.id);
    await refresh();
    notify(takePopoverText.wasDeleted(take.name), {
      action: {
        label: 'Undo',
        run: () => void things.takes.restore({ id: take.id }).then(refresh, notifyError),
      },
    });
  };
  if (renaming)
    return (
      <NameForm
        label={takePopoverText.nameOfTheTake}
        initial={take.name}
        action={takePopoverText.rename}
        onName={(n) => void rename(n).catch(notifyError)}
      />
    );
  return (
    <div className="popover-list">
      {takes.map((t) => (
        <button
          key={t.id}
          type="button"
          aria-current={t.id === take.id}
          onClick={() => {
            close();
            goTo(t.id);
          }}
        >
          {t.name}
        </button>
      ))}
      <hr />
      <button type="button" onClick={() => void copy().catch(notifyError)}>
        {takePopoverText.newTakeFromThis}
      </button>
      <button type="button" onClick={() => setRenaming(true)}>
        {takePopoverText.renameItem}
      </button>
      {takes.length > 1 && (
        <button type="button" onClick={() => void remove().catch(notifyError)}>
          {takePopoverText.deleteTake(take.name)}
        </button>
      )}
    </div>
  );
}
