/** The `?` overlay: the six ideas in pictures that move, the tour, and every shortcut. */
import { useEffect, useRef, useState } from 'react';
import { useStore } from 'zustand';
import { openTour, tourStore } from '../../state/tour.ts';
import { closeHelp } from '../../ui/HelpButton.tsx';
import { notifyError } from '../../ui/notices.tsx';
import { helpText, tourText } from '../text.ts';
import { Ideas } from './Ideas.tsx';
import { SHORTCUTS } from './shortcuts.ts';

export function Help({ onNavigate }: { onNavigate(path: string): void }) {
  const button = useRef<HTMLButtonElement>(null);
  const resumes = useStore(tourStore, (s) => s.tour !== null);
  useEffect(() => {
    const before = document.activeElement as HTMLElement | null;
    button.current?.focus();
    const key = (e: KeyboardEvent) => {
      if (e.key !== 'Escape' && e.key !== '?') return;
      e.stopPropagation();
      closeHelp();
    };
    addEventListener('keydown', key, true);
    return () => {
      removeEventListener('keydown', key, true);
      before?.focus();
    };
  }, []);
  const tour = () =>
    openTour().then((path) => {
      closeHelp();
      onNavigate(path);
    }, notifyError);
  return (
    <div className="overlay" onPointerDown={(e) => e.target === e.currentTarget && closeHelp()}>
      <div className="dialog-card help" role="dialog" aria-modal="true" aria-label={helpText.help}>
        <div className="help-head">
          <h2>{helpText.help}</h2>
          <span className="grow" />
          <button type="button" className="btn" onClick={() => void tour()}>
            {resumes ? tourText.resumeTheTour : tourText.takeTheTour}
          </button>
          <button ref={button} type="button" className="btn" onClick={closeHelp}>
            {helpText.close} <kbd className="kbd">{helpText.esc}</kbd>
          </button>
        </div>
        <IdeasPart />
        <h3>{helpText.shortcuts}</h3>
        <div className="help-shortcuts">
          {SHORTCUTS.map((group) => (
            <section key={group.title}>
              <h4>{group.title}</h4>
              <dl>
                {group.keys.map(([keys, what]) => (
                  <div key={keys + what} className="contents">
                    <dt>
                      <kbd className="kbd">{keys}</kbd>
                    </dt>
                    <dd>{what}</dd>
                  </div>
                ))}
              </dl>
            </section>
          ))}
        </div>
      </div>
    </div>
  );
}

function IdeasPart() {
  const [moves, setMoves] = useState(() => !matchMedia('(prefers-reduced-motion: reduce)').matches);
  return (
    <>
      <div className="help-head">
        <h3>{helpText.ideas}</h3>
        <span className="grow" />
        <label className="tick">
          <input type="checkbox" checked={moves} onChange={(e) => setMoves(e.target.checked)} />{' '}
          {helpText.picturesMove}
        </label>
      </div>
      <Ideas moves={moves} />
    </>
  );
}
