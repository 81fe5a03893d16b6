/** Videos that are scrubbed: what their files say is read on the server, and given here. */
import type { FileFacts } from '@lyvek/core';
import { withVideoFiles } from '@lyvek/core';
import { motion } from '@lyvek/core/testing';
import { BODY } from '../corpus.ts';
import type { CorpusPage } from '../corpus.ts';

const GOOD = 'preload="auto" poster="film.webp"';

const SCRUB = motion({
  targets: { selector: '#film' },
  keyframes: {
    '--video': [
      { at: '0%', value: '0' },
      { at: '100%', value: '1' },
    ],
  },
  range: { start: 'cover 0%', end: 'cover 100%' },
});

const scrub = (
  name: string,
  { keyFrames, bytes = 2e6 }: Pick<FileFacts, 'keyFrames' | 'bytes'>,
  {
    attributes = GOOD,
    scrubbed = true,
    ...expected
  }: Partial<Omit<CorpusPage, 'css'>> & { attributes?: string; scrubbed?: boolean },
): CorpusPage => ({
  name,
  body: BODY.replace(
    '<div class="frame">',
    `<video id="film" muted playsinline src="media/film.webm?v=2" width="720" height="405" ${attributes}></video><div class="frame">`,
  ),
  css: '',
  edit: (d) => (scrubbed ? { ...d, motions: [...d.motions, SCRUB] } : d),
  known: (layout) =>
    withVideoFiles(
      layout,
      [{ path: 'media/film.webm', bytes, ...(keyFrames === undefined ? {} : { keyFrames }) }],
      'index.html',
    ),
  ...expected,
});

export const VIDEOS: readonly CorpusPage[] = [
  scrub('a video with one key frame', { keyFrames: 250 }, { expect: ['video-key-frames'] }),
  scrub('a key frame every two seconds', { keyFrames: 48 }, { expect: ['video-key-frames'] }),
  scrub('a key frame a second, at 30 Hz', { keyFrames: 30 }, { expect: ['video-key-frames'] }),
  scrub('a key frame every 12 pictures', { keyFrames: 12 }, { near: ['video-key-frames', 'video-late'] }),
  scrub('a key frame every 24 pictures', { keyFrames: 24 }, { near: ['video-key-frames'] }),
  scrub('a video that nobody could read', {}, { near: ['video-key-frames'] }),
  scrub(
    'a video with one key frame that only stands there',
    { keyFrames: 250 },
    { scrubbed: false, near: ['video-key-frames', 'video-late'] },
  ),

  scrub('a video of 40 MB', { keyFrames: 8, bytes: 40e6 }, { expect: ['video-late'] }),
  scrub(
    'a video that is not loaded',
    { keyFrames: 8 },
    { attributes: 'preload="none" poster="film.webp"', expect: ['video-late'] },
  ),
  scrub(
    'a video without a poster',
    { keyFrames: 8 },
    { attributes: 'preload="auto"', expect: ['video-late'] },
  ),
  scrub('a video of 9 MB', { keyFrames: 8, bytes: 9e6 }, { near: ['video-late'] }),
  scrub(
    'a video of which only the length is loaded at first',
    { keyFrames: 8 },
    { attributes: 'preload="metadata" poster="film.webp"', near: ['video-late'] },
  ),
];
