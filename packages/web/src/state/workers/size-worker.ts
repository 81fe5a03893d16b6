/** Says how large a hand-off is: putting it together reads the whole page anew. */
import { assemble, PLAIN_HAND_OFF } from '@lyvek/core';
import type { SizeQuestion } from '../hand-off-size.ts';

addEventListener('message', ({ data }: MessageEvent<SizeQuestion>) => {
  const { document, layout, entry, texts, scripts } = data;
  const fileAt = (path: string) => (path === entry ? texts.html : (texts.sheets[path] ?? null));
  const page = { name: 'page', entry, html: texts.html, fileAt };
  const made = assemble({ document, layout, page, title: 'page' }, PLAIN_HAND_OFF);
  const script = made.script
    ? made.runtimes.reduce((sum, name) => sum + scripts[name], made.script.text.length)
    : 0;
  postMessage(new Blob([made.css]).size + script);
});
