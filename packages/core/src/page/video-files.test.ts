import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { element } from '../testing/index.ts';
import { PAGE } from '../testing/specimen-parts.ts';
import { findPath, isVideoPath, withVideoFiles } from './video-files.ts';

const segment = fc.stringMatching(/^[\w %#?é日+&-]{1,12}$/).filter((s) => s.trim() !== '');
const path = fc.array(segment, { minLength: 1, maxLength: 4 }).map((s) => s.join('/'));

describe('where an address leads', () => {
  test('to the path, however it is written', () => {
    fc.assert(
      fc.property(path, path, fc.constantFrom('', '?v=2', '#t=1'), (to, entry, more) => {
        const coded = to.split('/').map(encodeURIComponent).join('/');
        expect(findPath(`/${coded}${more}`, entry)).toBe(to);
        const up = '../'.repeat(entry.split('/').length - 1);
        expect(findPath(`${up}./${coded}${more}`, entry)).toBe(to);
      }),
    );
  });

  test('nowhere, outside of the page’s files', () => {
    for (const src of [
      'https://elsewhere.invalid/a.mp4',
      '//elsewhere.invalid/a.mp4',
      'data:video/mp4,x',
      'http://',
    ])
      expect(findPath(src, 'index.html')).toBeNull();
  });
});

describe('videos of a layout', () => {
  const film = element({ selector: '#film', tag: 'video', file: { src: '../media/film.mp4?v=3' } });
  const layout = { ...PAGE, elements: [...PAGE.elements, film] };
  const known = { path: 'media/film.mp4', bytes: 1200, keyFrames: 9 };

  test('get what their file says, and nothing else changes', () => {
    const made = withVideoFiles(layout, [known], 'pages/index.html');
    expect(made.elements.at(-1)?.file).toEqual({ src: '../media/film.mp4?v=3', bytes: 1200, keyFrames: 9 });
    expect(made.elements.slice(0, -1)).toEqual(PAGE.elements);
    expect(film.file).toEqual({ src: '../media/film.mp4?v=3' });
  });

  test('the same layout where no file is known', () => {
    expect(withVideoFiles(layout, [], 'pages/index.html')).toBe(layout);
    expect(withVideoFiles(layout, [{ ...known, path: 'other.mp4' }], 'pages/index.html')).toBe(layout);
    expect(withVideoFiles(layout, [known], 'pages/ferry/index.html')).toBe(layout);
  });

  test('are told by the endings of their files', () => {
    expect(['a.MP4', 'b/c.webm', 'd.mov', 'e.m4v'].every(isVideoPath)).toBe(true);
    expect(['a.mp3', 'mp4', 'a.mp4.png', 'webm/a.gif'].some(isVideoPath)).toBe(false);
  });
});
