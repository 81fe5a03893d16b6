/** Measures a page that has no layout yet, unseen, so that the shelf can draw it. One at a time. */
import { useEffect, useRef, useState } from 'react';
import type { PageOnShelf } from '@lyvek/api';
import { emptyDocument, collectSelectors, present } from '@lyvek/core';
import type { Layout } from '@lyvek/core';
import { api } from '../../state/api.ts';
import { PageLink } from '../../preview/page-link.ts';
import { previewUrl } from '../../preview/preview-url.ts';
import { measureText } from './text.ts';

export function Measure({ page, onMeasured }: { page: PageOnShelf; onMeasured(layout: Layout): void }) {
  const frame = useRef<HTMLIFrameElement>(null);
  const done = useRef(onMeasured);
  done.current = onMeasured;
  const [form, setForm] = useState<'host' | 'path'>('host');
  useEffect(() => {
    const link = new PageLink();
    link.on('layout', (layout) => {
      done.current(layout);
      void api.putLayout({ id: page.id, contentHash: page.contentHash, body: layout }).catch(() => undefined);
    });
    // For the drawing alone; the Rundown asks for values.
    const detach = link.attach(present(frame.current), () => ({
      selectors: collectSelectors(page.document ?? emptyDocument()),
      values: [],
    }));
    present(frame.current).src = previewUrl(page.token, form);
    const timer = form === 'host' ? setTimeout(() => setForm('path'), 5000) : undefined;
    return () => {
      clearTimeout(timer);
      detach();
    };
  }, [page, form]);
  return (
    <iframe
      ref={frame}
      key={form}
      title={measureText.measuring(page.name)}
      sandbox="allow-scripts"
      className="measure-frame"
      tabIndex={-1}
      aria-hidden="true"
    />
  );
}
