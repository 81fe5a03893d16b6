/** When a page is there: loaded, or late and dressed. */
import { all } from './dom.ts';

const WAIT_FOR_LOAD = 3000;
const WAIT_FOR_STYLES = 8000;

/** A page without its style sheets has other places for everything: a slow one is waited for. Failed ones have an entry too. */
const stylesPending = () =>
  (all('link[rel~="stylesheet"][href]') as HTMLLinkElement[]).some(
    (link) => !performance.getEntriesByName(link.href).length,
  );

/** Ready when loaded; a page whose load event never comes counts as ready three seconds after its DOM is. */
export function whenReady(then: (late: boolean) => void): void {
  let told = false;
  const tell = (late: boolean) => {
    if (told) return;
    told = true;
    then(late);
  };
  if (document.readyState === 'complete') return tell(false);
  addEventListener('load', () => tell(false));
  const since = performance.now();
  const late = () => {
    const waits = performance.now() - since < WAIT_FOR_STYLES && stylesPending();
    waits ? setTimeout(late, 250) : tell(true);
  };
  const wait = () => setTimeout(late, WAIT_FOR_LOAD);
  document.readyState === 'loading' ? addEventListener('DOMContentLoaded', wait) : wait();
}
