/** Light or dark: the system's wish until the user chooses. */
import { createStore, useStore } from 'zustand';

export type Theme = 'chartroom-light' | 'chartroom-dark';
const KEY = 'lyvek-theme';

const system = (): Theme =>
  matchMedia('(prefers-color-scheme: dark)').matches ? 'chartroom-dark' : 'chartroom-light';
const stored = (): Theme | null => {
  const value = localStorage.getItem(KEY);
  return value === 'chartroom-light' || value === 'chartroom-dark' ? value : null;
};

const store = createStore<{ theme: Theme }>(() => ({ theme: stored() ?? system() }));
const show = (theme: Theme) => (document.documentElement.dataset.theme = theme);

export function startTheme(): void {
  show(store.getState().theme);
  store.subscribe((s) => show(s.theme));
  matchMedia('(prefers-color-scheme: dark)').addEventListener(
    'change',
    () => stored() ?? store.setState({ theme: system() }),
  );
}

export const useTheme = () => useStore(store, (s) => s.theme);
export function switchTheme(): void {
  const theme = store.getState().theme === 'chartroom-light' ? 'chartroom-dark' : 'chartroom-light';
  localStorage.setItem(KEY, theme);
  store.setState({ theme });
}
