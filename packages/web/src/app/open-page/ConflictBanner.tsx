/** Another tab was faster: both versions are there, and the user chooses. */
import { useQueryClient } from '@tanstack/react-query';
import { useStore } from 'zustand';
import { notify, notifyError } from '../../ui/notices.tsx';
import { useOpenedPage } from '../../state/opened-page.ts';
import { conflictBannerText } from '../text.ts';

export function ConflictBanner({ goTo, again }: { goTo(takeId: string): void; again(): void }) {
  const { session, page, take } = useOpenedPage();
  const save = useStore(session.store, (s) => s.save);
  const client = useQueryClient();
  if (save.kind === 'refused')
    return (
      <div className="banner" role="alert">
        <span className="grow">{conflictBannerText.theLastEditWas(save.why)}</span>
      </div>
    );
  if (save.kind !== 'conflict') return null;
  const keep = async () => {
    const id = await session.keepMine(page.id);
    await client.invalidateQueries({ queryKey: ['page', page.id] });
    notify(conflictBannerText.yourVersionIsNow);
    goTo(id);
  };
  const load = async () => {
    await session.dropMine();
    again();
  };
  return (
    <div className="banner" role="alert">
      <span className="grow">{conflictBannerText.wasChangedInAnother(take.name)}</span>
      <button type="button" className="btn main" onClick={() => void keep().catch(notifyError)}>
        {conflictBannerText.keepMineAsA}
      </button>
      <button type="button" className="btn tall" onClick={() => void load().catch(notifyError)}>
        {conflictBannerText.loadTheirs}
      </button>
    </div>
  );
}
