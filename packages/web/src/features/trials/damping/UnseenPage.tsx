/**
 * The page beside the trials, so that what a fix changes of its layout is measured at once. It is unseen until it is wanted under the hand, to
 * feel how it follows; then it lies over the place that is kept for it.
 */
import { useEffect, useMemo, useRef } from 'react';
import { useStore } from 'zustand';
import { makeSandbox } from '../../../preview/use-opened-frame.ts';
import { useShownPage } from '../../../preview/shown-page.ts';
import { useOpenedPage, useShownDocument } from '../../../state/opened-page.ts';
import { useLinkedPage } from '../../../preview/use-linked-page.ts';
import { withDamping, handStore } from './scroll-input.ts';
import { unseenPageText } from '../text.ts';

export function UnseenPage() {
  const { page } = useOpenedPage();
  const { viewport, link } = useShownPage();
  const { place, how } = useStore(handStore);
  const whole = useShownDocument();
  const document = useMemo(() => (how ? withDamping(whole, how) : whole), [whole, how]);
  const frame = useRef<HTMLIFrameElement>(null);
  const { key } = useLinkedPage(frame, document);
  const scale = place ? Math.min(1, place.width / viewport.width) : 1;
  useEffect(() => link.setScale(scale), [link, scale]);
  return (
    <iframe
      key={key}
      ref={frame}
      title={place ? unseenPageText.toScroll(page.name) : unseenPageText.measured(page.name)}
      sandbox={makeSandbox(page)}
      className={place ? 'damped-page' : 'unseen-page'}
      style={{
        width: viewport.width,
        height: viewport.height,
        ...(place ? { left: place.left, top: place.top, transform: `scale(${scale})` } : {}),
      }}
      tabIndex={-1}
      aria-hidden={place === null}
    />
  );
}
