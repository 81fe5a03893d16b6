/** Tells when a page under development has put in or taken out elements: a hot reload, another route, a list that has grown. */

const REST = 350;
/** Pages that never come to rest are told of no more often than this. */
const LONGEST = 2000;

export function watchElements(onChange: () => void): void {
  let timer = 0;
  let since = 0;
  const tell = () => {
    timer = 0;
    since = 0;
    onChange();
  };
  new MutationObserver(() => {
    const now = performance.now();
    since ||= now;
    clearTimeout(timer);
    timer = setTimeout(tell, Math.max(0, Math.min(REST, since + LONGEST - now))) as unknown as number;
  }).observe(document.documentElement, { childList: true, subtree: true });
}
