/** The shelf: the pages of the current project, hung up at one scale. Files may be dropped anywhere on it. */
import { present } from '@lyvek/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { useParams } from 'react-router';
import { api } from '../../state/api.ts';
import { NameForm } from '../../ui/NameForm.tsx';
import { notifyError } from '../../ui/notices.tsx';
import { Waiting, listWaiting } from '../../ui/Waiting.tsx';
import { Rack } from './Rack.tsx';
import { ShelfFrame } from '../../ui/ShelfFrame.tsx';
import { shelfScreenText } from './text.ts';

export function ShelfScreen() {
  const { projectId } = useParams();
  const projects = useQuery({ queryKey: ['projects'], queryFn: api.projects });
  const id = projectId ?? projects.data?.projects[0]?.id;
  const shelf = useQuery({
    queryKey: ['shelf', id],
    queryFn: () => api.shelf({ id: present(id) }),
    enabled: id !== undefined,
  });
  const client = useQueryClient();
  useEffect(() => {
    document.title = 'Lyvek';
  }, []);
  if (projects.isSuccess && id === undefined)
    return (
      <ShelfFrame crumbs={null}>
        <div className="empty-note">
          <h1 className="mb-2 text-[15px] font-semibold">{shelfScreenText.noProjectYet}</h1>
          <p className="mb-2">{shelfScreenText.aProjectHoldsThe}</p>
          <NameForm
            label={shelfScreenText.nameOfTheFirst}
            action={shelfScreenText.create}
            onName={(n) =>
              void api
                .createProject({ body: { name: n } })
                .then(() => client.invalidateQueries(), notifyError)
            }
          />
        </div>
      </ShelfFrame>
    );
  if (!shelf.data)
    return (
      <ShelfFrame crumbs={null}>
        <Waiting
          what={shelfScreenText.openingTheShelf}
          {...listWaiting(shelf.failureReason ? shelf : projects)}
        />
      </ShelfFrame>
    );
  return <Rack shelf={shelf.data} />;
}
