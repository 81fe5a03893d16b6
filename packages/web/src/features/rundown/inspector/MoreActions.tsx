/** What else can be done with what is selected. */
import { useState } from 'react';
import { makePreset, removeThings, duplicateMotions, linkToPreset } from '@lyvek/core';
import { api, things } from '../../../state/api.ts';
import { usePresets } from '../../../state/presets.ts';
import { NameForm } from '../../../ui/NameForm.tsx';
import { notify, notifyError } from '../../../ui/notices.tsx';
import { Popover } from '../../../ui/Popover.tsx';
import { newId } from '../../../state/new-id.ts';
import { useOpenedPage } from '../../../state/opened-page.ts';
import { useRundown } from '../rundown-context.ts';
import { moreActionsText } from './text.ts';

/** `of`: what is meant where that is not the selection. */
export function MoreActions({ of }: { of?: readonly string[] }) {
  const { selection } = useRundown();
  return (
    <Popover label={moreActionsText.more} trigger={moreActionsText.more} placement="bottom-end">
      {(close) => <Actions ids={of ?? selection} close={close} />}
    </Popover>
  );
}

function Actions({ ids, close }: { ids: readonly string[]; close(): void }) {
  const { session } = useOpenedPage();
  const { layout, document } = useRundown();
  const { refresh } = usePresets();
  const [naming, setNaming] = useState(false);
  const body = makePreset(document, ids, layout);
  if (naming && body)
    return (
      <NameForm
        label={moreActionsText.nameOfThePreset}
        initial={body.motions[0]?.name ?? body.pins[0]?.name ?? ''}
        action={moreActionsText.saveAsPreset}
        onName={(name) =>
          void api
            .keepPreset({ body: { name, body } })
            .then((p) => {
              const own = ids.filter((id) => body.motions.some((m) => m.id === id));
              session.apply(linkToPreset(p, own), {
                undo: () => things.presets.remove({ id: p.id }).then(refresh, notifyError),
                redo: () => things.presets.restore({ id: p.id }).then(refresh, notifyError),
              });
              notify(moreActionsText.isSavedForAll(p.name));
              close();
              return refresh();
            })
            .catch(notifyError)
        }
      />
    );
  return (
    <div className="popover-list">
      <button type="button" disabled={!body} onClick={() => setNaming(true)}>
        <span className="grow">{moreActionsText.saveAsPresetItem}</span>
      </button>
      <button
        type="button"
        disabled={!document.motions.some((m) => ids.includes(m.id))}
        onClick={() => {
          session.apply(duplicateMotions(ids, newId));
          close();
        }}
      >
        <span className="grow">{moreActionsText.duplicate}</span>{' '}
        <kbd className="kbd">{moreActionsText.ctrlD}</kbd>
      </button>
      <button
        type="button"
        onClick={() => {
          session.apply(removeThings(ids, 'delete'));
          close();
        }}
      >
        <span className="grow">{moreActionsText.deleteIt}</span>{' '}
        <kbd className="kbd">{moreActionsText.del}</kbd>
      </button>
    </div>
  );
}
