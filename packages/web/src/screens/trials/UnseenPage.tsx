/** The page beside the trials, unseen, so that what a fix changes of its layout is measured at once. */
import { useRef } from 'react';
import { sandboxOf } from '../../parts/use-opened-frame.ts';
import { useOpenedPage, useShownDocument } from '../page-context.ts';
import { useLinkedPage } from '../use-linked-page.ts';

export function UnseenPage() {
  const { page, viewport } = useOpenedPage();
  const frame = useRef<HTMLIFrameElement>(null);
  const { key } = useLinkedPage(frame, useShownDocument());
  return (
    <iframe
      key={key}
      ref={frame}
      title={`${page.name}, measured`}
      sandbox={sandboxOf(page)}
      className="unseen-page"
      style={{ width: viewport.width, height: viewport.height }}
      tabIndex={-1}
      aria-hidden="true"
    />
  );
}
