/** Project / page, each with what can be done to it. */
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { things } from '../../state/api.ts';
import { NameForm } from '../../ui/NameForm.tsx';
import { notify, notifyError } from '../../ui/notices.tsx';
import { Popover } from '../../ui/Popover.tsx';
import { useOpenedPage } from '../../state/opened-page.ts';
import { pageCrumbsText } from '../text.ts';

export function PageCrumbs() {
  const { page, project } = useOpenedPage();
  return (
    <>
      <Link to={`/projects/${project.id}`} className="text-inherit no-underline hover:underline">
        {project.name}
      </Link>
      <span aria-hidden className="text-(--ink-3)">
        /
      </span>
      <span className="here min-w-0">
        <Popover className="" trigger={page.name} label={pageCrumbsText.page(page.name)}>
          {(close) => <PageActions close={close} />}
        </Popover>
      </span>
    </>
  );
}

function PageActions({ close }: { close(): void }) {
  const { page, project } = useOpenedPage();
  const [renaming, setRenaming] = useState(false);
  const client = useQueryClient();
  const navigate = useNavigate();
  const refresh = () => client.invalidateQueries();
  const rename = async (name: string) => {
    await things.pages.rename({ id: page.id, body: { name } });
    await refresh();
    close();
  };
  const remove = async () => {
    await things.pages.remove({ id: page.id });
    await navigate(`/projects/${project.id}`);
    await refresh();
    notify(pageCrumbsText.wasRemovedFromThe(page.name), {
      action: {
        label: 'Undo',
        run: () => void things.pages.restore({ id: page.id }).then(refresh, notifyError),
      },
    });
  };
  if (renaming)
    return (
      <NameForm
        label={pageCrumbsText.nameOfThePage}
        initial={page.name}
        action={pageCrumbsText.rename}
        onName={(n) => void rename(n).catch(notifyError)}
      />
    );
  return (
    <div className="popover-list">
      <button type="button" onClick={() => setRenaming(true)}>
        {pageCrumbsText.renameItem}
      </button>
      <button type="button" onClick={() => void remove().catch(notifyError)}>
        {pageCrumbsText.deleteThePage}
      </button>
    </div>
  );
}
