/** The end of a comparison: one of them becomes the page’s take, and what is given up can be brought back. */
import { editWhole } from '@lyvek/core';
import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { things } from '../../state/api.ts';
import { notify, notifyError } from '../../ui/notices.tsx';
import { useOpenedPage } from '../../state/opened-page.ts';
import { useTakes } from './takes-context.ts';
import { useBesideKey } from './use-beside.ts';
import { mergeBarText } from './text.ts';

export function MergeBar() {
  const { a, b } = useTakes();
  const { page, take } = useOpenedPage();
  const [key, setKey] = useBesideKey();
  const client = useQueryClient();
  const navigate = useNavigate();
  if (a.kind === 'pictures') return null;
  const refresh = () =>
    Promise.all([
      client.invalidateQueries({ queryKey: ['page', page.id] }),
      client.invalidateQueries({ queryKey: ['away', page.id] }),
    ]);
  const rundown = (id: string) => navigate(`/pages/${page.id}?take=${id}`);
  /** One take stays, the other is put away with its trials. */
  const keep = async (kept: { id: string; name: string }, given: { id: string; name: string }) => {
    await things.takes.remove({ id: given.id });
    void rundown(kept.id);
    await refresh();
    notify(mergeBarText.isKeptWasDeleted(kept.name, given.name), {
      action: {
        label: 'Undo',
        run: () => void things.takes.restore({ id: given.id }).then(refresh, notifyError),
      },
    });
  };
  const other = key?.startsWith('take.') && a.page.id === page.id ? { id: key.slice(5), name: a.name } : null;
  if (other)
    return (
      <footer className="takes-keep">
        <button type="button" className="btn main" onClick={() => void keep(take, other).catch(notifyError)}>
          {mergeBarText.keepB}
        </button>
        <button type="button" className="btn tall" onClick={() => void keep(other, take).catch(notifyError)}>
          {mergeBarText.keepA}
        </button>
        <button type="button" className="btn tall" onClick={() => void rundown(take.id)}>
          {mergeBarText.keepBoth}
        </button>
        <button type="button" className="btn tall" onClick={() => setKey(`take.${take.id}`, other.id)}>
          {mergeBarText.swapSides}
        </button>
        <span className="quiet">{mergeBarText.becomesThePagesTake(b.name, a.name)}</span>
      </footer>
    );
  if (a.page.id !== page.id)
    return (
      <footer className="takes-keep">
        <span className="quiet">{mergeBarText.isAnotherPageBoth(a.name)}</span>
      </footer>
    );
  const restore = () => {
    b.session?.apply(editWhole(`${a.name} ${a.note}`, () => a.whole));
    notify(mergeBarText.isAgain(b.name, a.note), {
      action: { label: 'Undo', run: () => void b.session?.undo() },
    });
  };
  return (
    <footer className="takes-keep">
      <button type="button" className="btn main" onClick={restore}>
        {mergeBarText.restoreThisRevision}
      </button>
      <button type="button" className="btn tall" onClick={() => void rundown(take.id)}>
        {mergeBarText.keepB}
      </button>
      <span className="quiet">{mergeBarText.restoringMakesANew}</span>
    </footer>
  );
}
