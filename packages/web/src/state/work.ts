/** The long computations of an opened page: one of each kind, ended with the page. */
import { createContext, useContext } from 'react';
import { Survey } from './survey.ts';
import { WorkerTask } from './worker-task.ts';

const startHandOffs = () =>
  new Worker(new URL('./workers/hand-off-worker.ts', import.meta.url), { type: 'module' });

export const startWork = () => ({
  simulations: new WorkerTask('trial'),
  /** measures the page at other sizes */
  survey: new Survey(),
  sweeps: new WorkerTask('sweep'),
  ways: new WorkerTask('ways'),
  handOffs: new WorkerTask('handOff', startHandOffs),
});
export type Work = ReturnType<typeof startWork>;

export const WorkContext = createContext<Work | null>(null);

export function useWork(): Work {
  const value = useContext(WorkContext);
  if (!value) throw new Error('used outside of an opened page');
  return value;
}
