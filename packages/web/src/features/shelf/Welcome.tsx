/** What is said at the first start: what this is, and three ways in. It goes away with the first project of one’s own, or when it is closed. */
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from '../../state/api.ts';
import { openTour } from '../../state/tour.ts';
import { notifyError } from '../../ui/notices.tsx';
import { welcomeText } from './text.ts';
import type { AddForm } from './AddPage.tsx';

const KEY = 'lyvek-welcome';

export function Welcome() {
  const projects = useQuery({ queryKey: ['projects'], queryFn: api.projects });
  const [closed, setClosed] = useState(() => localStorage.getItem(KEY) === 'closed');
  const navigate = useNavigate();
  const client = useQueryClient();
  const isFirst = projects.data?.projects.every((p) => p.demo) ?? false;
  if (closed || !isFirst) return null;
  const close = () => {
    localStorage.setItem(KEY, 'closed');
    setClosed(true);
  };
  /** Pages of one’s own do not get among those of the demo. */
  const beginWith = async (form: AddForm | null) => {
    const { id } = await api.createProject({ body: { name: welcomeText.ownProject } });
    await client.invalidateQueries({ queryKey: ['projects'] });
    await navigate(`/projects/${id}`, { state: { form } });
  };
  return (
    <section className="welcome" aria-label={welcomeText.welcome}>
      <div className="welcome-text">
        <h2>{welcomeText.title}</h2>
        <p>{welcomeText.whatItIs}</p>
      </div>
      <ul className="welcome-ways">
        <li>
          <button
            type="button"
            className="btn main"
            onClick={() => void openTour().then((path) => navigate(path), notifyError)}
          >
            {welcomeText.takeTheTour}
          </button>
          <span>{welcomeText.fiveSteps}</span>
        </li>
        <li>
          <button type="button" className="btn tall" onClick={() => void beginWith(null).catch(notifyError)}>
            {welcomeText.ownPage}
          </button>
          <span>{welcomeText.aFileAFolder}</span>
        </li>
        <li>
          <button
            type="button"
            className="btn tall"
            onClick={() => void beginWith('sections').catch(notifyError)}
          >
            {welcomeText.fromSections}
          </button>
          <span>{welcomeText.heroCards}</span>
        </li>
      </ul>
      <button type="button" className="btn small plain welcome-close" onClick={close}>
        {welcomeText.close}
      </button>
    </section>
  );
}
