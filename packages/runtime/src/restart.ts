/** CSS animations that a script has taken over, given back. */

const MARK = 'data-lv-restart';

/**
 * Taken off and put on again, a CSS animation is the style sheet’s once more. `targets`: elements, with those pseudo-elements of theirs
 * that were taken; empty for the element itself.
 */
export function restart(
  doc: Document,
  targets: readonly (readonly [HTMLElement | SVGElement, part: string])[],
): void {
  const whole = [...new Set(targets.filter(([, part]) => !part).map(([e]) => e))];
  const drawn = targets.filter(([, part]) => part);
  const styles = whole.map((e) => [e, e.style.animation] as const);
  for (const [e] of styles) e.style.animation = 'none';
  // No style attribute reaches a pseudo-element.
  const sheet = new (doc.defaultView ?? window).CSSStyleSheet();
  if (drawn.length) {
    const parts = [...new Set(drawn.map(([, part]) => `[${MARK}]${part}`))];
    sheet.replaceSync(`${parts.join()}{animation:none!important}`);
    doc.adoptedStyleSheets = [...doc.adoptedStyleSheets, sheet];
  }
  for (const [e] of drawn) e.setAttribute(MARK, '');
  for (const [e, part] of targets) void getComputedStyle(e, part).animationName;
  for (const [e] of drawn) e.removeAttribute(MARK);
  if (drawn.length) doc.adoptedStyleSheets = doc.adoptedStyleSheets.filter((s) => s !== sheet);
  for (const [e, was] of styles) {
    e.style.animation = was;
    if (e.getAttribute('style') === '') e.removeAttribute('style');
  }
}

/** What an animation moves, as `restart` takes it; none where it is of no element any more. */
export function movedBy({ effect }: Animation): [HTMLElement | SVGElement, string][] {
  const { target, pseudoElement } = (effect ?? {}) as Partial<KeyframeEffect>;
  return target instanceof HTMLElement || target instanceof SVGElement ? [[target, pseudoElement ?? '']] : [];
}
