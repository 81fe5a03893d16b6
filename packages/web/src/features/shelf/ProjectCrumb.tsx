/** The current project: switch, create, rename, delete. */
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import type { ProjectFacts } from '@lyvek/api';
import { api, things } from '../../state/api.ts';
import { NameForm } from '../../ui/NameForm.tsx';
import { notify, notifyError } from '../../ui/notices.tsx';
import { Popover } from '../../ui/Popover.tsx';
import { projectCrumbText } from './text.ts';

const megabytes = (bytes: number) => `${Math.max(1, Math.round(bytes / 1e6)).toLocaleString('en')} MB`;

export function ProjectCrumb({ project }: { project: ProjectFacts }) {
  return (
    <span className="here">
      <Popover className="" label={projectCrumbText.project(project.name)} trigger={project.name}>
        {(close) => <Actions project={project} close={close} />}
      </Popover>
    </span>
  );
}

/** What is done to projects; each closes the menu. */
function useProjectActs(project: ProjectFacts, close: () => void) {
  const navigate = useNavigate();
  const client = useQueryClient();
  const refresh = () =>
    Promise.all([
      client.invalidateQueries({ queryKey: ['projects'] }),
      client.invalidateQueries({ queryKey: ['shelf'] }),
    ]);
  const create = async (name: string) => {
    const made = await api.createProject({ body: { name } });
    await refresh();
    close();
    await navigate(`/projects/${made.id}`);
  };
  const rename = async (name: string) => {
    await things.projects.rename({ id: project.id, body: { name } });
    await refresh();
    close();
  };
  const remove = async () => {
    await things.projects.remove({ id: project.id });
    close();
    await refresh();
    await navigate('/');
    notify(projectCrumbText.theProjectWasDeleted(project.name), {
      action: {
        label: 'Undo',
        run: () => void things.projects.restore({ id: project.id }).then(refresh, notifyError),
      },
    });
  };
  const restore = async (file: File) => {
    const { projects } = await api.restore({ body: file.slice(0, file.size, 'application/zip') });
    await refresh();
    close();
    const [first] = projects;
    if (first) await navigate(`/projects/${first.id}`);
    notify(projectCrumbText.restored(projects.map((p) => p.name)));
  };
  return { create, rename, remove, restore };
}

function Actions({ project, close }: { project: ProjectFacts; close(): void }) {
  const [form, setForm] = useState<'new' | 'rename' | null>(null);
  const navigate = useNavigate();
  const projects = useQuery({ queryKey: ['projects'], queryFn: api.projects });
  const storage = useQuery({ queryKey: ['storage'], queryFn: api.storage });
  const { create, rename, remove, restore } = useProjectActs(project, close);
  if (form === 'new')
    return (
      <NameForm
        label={projectCrumbText.nameOfTheNew}
        action={projectCrumbText.create}
        onName={(n) => void create(n).catch(notifyError)}
      />
    );
  if (form === 'rename')
    return (
      <NameForm
        label={projectCrumbText.nameOfTheProject}
        initial={project.name}
        action={projectCrumbText.rename}
        onName={(n) => void rename(n).catch(notifyError)}
      />
    );
  return (
    <div className="popover-list">
      {projects.data?.projects.map((p) => (
        <button
          key={p.id}
          type="button"
          aria-current={p.id === project.id}
          onClick={() => {
            close();
            void navigate(`/projects/${p.id}`);
          }}
        >
          <span className="grow">{p.name}</span> <i>{p.pages}</i>
        </button>
      ))}
      <hr />
      <button type="button" onClick={() => setForm('new')}>
        {projectCrumbText.newProject}
      </button>
      <button type="button" onClick={() => setForm('rename')}>
        {projectCrumbText.renameItem}
      </button>
      <a
        className="popover-item"
        href={`/api/projects/${project.id}/archive.zip`}
        download
        title={projectCrumbText.withAllThatIsIn}
        onClick={close}
      >
        {projectCrumbText.saveAsAFile}
      </a>
      <RestoreItem onFile={restore} />
      <button type="button" onClick={() => void remove().catch(notifyError)}>
        {projectCrumbText.deleteNamed(project.name)}
      </button>
      {storage.data && (
        <p className="popover-foot" title={projectCrumbText.deletedProjectsAndPages}>
          {projectCrumbText.allData(megabytes(storage.data.bytes))}
        </p>
      )}
    </div>
  );
}

function RestoreItem({ onFile }: { onFile(file: File): Promise<void> }) {
  const [restoring, setRestoring] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <button type="button" disabled={restoring} onClick={() => input.current?.click()}>
        {restoring ? projectCrumbText.restoring : projectCrumbText.restoreFromAFile}
      </button>
      <input
        ref={input}
        type="file"
        hidden
        accept=".zip"
        aria-label={projectCrumbText.restoreFromAFile}
        data-restore=""
        onChange={(e) => {
          const [file] = [...(e.target.files ?? [])];
          e.target.value = '';
          if (!file) return;
          setRestoring(true);
          void onFile(file)
            .catch(notifyError)
            .finally(() => setRestoring(false));
        }}
      />
    </>
  );
}
