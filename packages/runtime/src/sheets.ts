/**
 * Style sheets that change while a page is open: a bundler replaces them, or a route brings its own. An animation that was taken over does
 * not notice, so whoever has taken it begins anew.
 */
export function watchSheets(
  doc: Document,
  names: readonly string[],
  changed: () => void,
  frame: (work: () => void) => number,
): () => void {
  let asked = false;
  const ask = () => {
    // Many rules often come one by one.
    if (!asked)
      frame(() => {
        asked = false;
        if (watching) changed();
      });
    asked = true;
  };
  const look = (node: Node | null) => {
    if (node instanceof HTMLLinkElement && node.relList.contains('stylesheet'))
      node.addEventListener('load', ask, { once: true });
    else if (node instanceof HTMLStyleElement && names.some((n) => node.textContent.includes(n))) ask();
  };
  let watching = true;
  const observer = new MutationObserver((records) => {
    for (const { target, addedNodes } of records)
      for (const node of [target, target.parentNode, ...addedNodes]) look(node);
  });
  observer.observe(doc.head, { childList: true, characterData: true, subtree: true });
  return () => {
    watching = false;
    observer.disconnect();
  };
}
