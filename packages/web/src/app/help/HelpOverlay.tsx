/** The help over whatever is shown; its pictures are loaded when it is first opened, or ahead. */
import { lazy, Suspense } from 'react';
import { useStore } from 'zustand';
import { helpStore } from '../../ui/HelpButton.tsx';

export const loadHelp = () => import('./Help.tsx');
const Help = lazy(() => loadHelp().then((m) => ({ default: m.Help })));

export function HelpOverlay({ onNavigate }: { onNavigate(path: string): void }) {
  const open = useStore(helpStore, (s) => s.open);
  return open ? (
    <Suspense>
      <Help onNavigate={onNavigate} />
    </Suspense>
  ) : null;
}
