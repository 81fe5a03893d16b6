/** Pages on phones: bars that come and go, narrow windows, fingers. */
import type { Layout } from '@lyvek/core';
import { BODY, each, reveal } from '../corpus.ts';
import type { CorpusPage } from '../corpus.ts';

/** A section that the page pins by itself, in a track that is high enough. */
const sticky = (name: string, height: string, expected: Partial<CorpusPage>): CorpusPage => ({
  name,
  body: BODY.replace('<section id="two">', '<div class="track"><section id="two">').replace(
    '<section id="three">',
    '</div><section id="three">',
  ),
  css: `.track { height: 1800px; } #two { position: sticky; top: 0; ${height} }`,
  forAll: true,
  ...expected,
});

const BLOCKS =
  (on: string, type = 'wheel') =>
  (layout: Layout): Layout => ({
    ...layout,
    page: { ...layout.page, blocking: [{ type, on }] },
  });

const LINKS = (style: string, tag = 'a href="#top"') =>
  BODY.replace(
    '<div class="row">',
    `<style>.dots > * { ${style} }</style><div class="dots">${`<${tag}>·</${tag.split(' ')[0]}>`.repeat(5)}</div><div class="row">`,
  );
const moving = `@keyframes along { from { translate: -120px 0; } } ${reveal('.dots', 'entry 0% contain 60%', 'along')}`;

export const PHONES: readonly CorpusPage[] = [
  {
    name: 'no word about the width of the window',
    css: '',
    head: '',
    expect: ['no-viewport-meta'],
  },
  {
    name: 'a window of a fixed width',
    css: '',
    head: '<meta name="viewport" content="width=1100">',
    expect: ['no-viewport-meta'],
  },
  {
    name: 'only how far it may be zoomed',
    css: '',
    head: '<meta name="viewport" content="maximum-scale=5">',
    expect: ['no-viewport-meta'],
  },
  {
    name: 'the width alone',
    css: '',
    head: '<meta name=viewport content="width=device-width">',
    near: ['no-viewport-meta'],
  },
  {
    name: 'the scale alone',
    css: '',
    head: '<meta name="viewport" content="initial-scale=1.0">',
    near: ['no-viewport-meta'],
  },
  {
    name: 'in capitals, and with room around its signs',
    css: '',
    head: '<META NAME="VIEWPORT" CONTENT="Width = device-width, viewport-fit=cover">',
    near: ['no-viewport-meta'],
  },

  sticky('a pinned section of 100vh', 'min-height: 0; height: 100vh;', { expect: ['pin-under-bars'] }),
  sticky('a pinned section of at least 100vh', 'min-height: 100vh;', { expect: ['pin-under-bars'] }),
  sticky('a pinned section of 100lvh', 'min-height: 0; height: 100lvh;', { expect: ['pin-under-bars'] }),
  sticky('a pinned section of 100svh', 'min-height: 0; height: 100vh; height: 100svh;', {
    near: ['pin-under-bars'],
  }),
  sticky('a pinned section of 60vh', 'min-height: 0; height: 60vh;', { near: ['pin-under-bars'] }),
  sticky('a pinned section whose height is another one after all', 'height: 100vh; min-height: 850px;', {
    near: ['pin-under-bars', 'moves-with-bars'],
  }),
  {
    name: 'a section of 100vh that is not pinned',
    css: '#two { min-height: 100vh; }',
    forAll: true,
    near: ['pin-under-bars'],
  },

  {
    name: 'a range that ends in dvh',
    css: reveal('#card', 'entry 0% entry 40dvh'),
    expect: ['moves-with-bars'],
  },
  {
    name: 'a way in dvh',
    css: `@keyframes up { from { translate: 0 20dvh; } } ${reveal('#card', 'entry 0% cover 40%', 'up')}`,
    expect: ['moves-with-bars'],
  },
  {
    name: 'a range that begins in dvb',
    css: reveal('#card', 'entry 5dvb cover 40%'),
    expect: ['moves-with-bars'],
  },
  {
    name: 'a range that ends in svh',
    css: reveal('#card', 'entry 0% entry 40svh'),
    near: ['moves-with-bars'],
  },
  {
    name: 'a way in vh',
    css: `@keyframes up { from { translate: 0 20vh; } } ${reveal('#card', 'entry 0% cover 40%', 'up')}`,
    near: ['moves-with-bars'],
  },
  {
    name: 'dvh in the name of a motion alone',
    css: reveal('#card', 'entry 0% cover 40%'),
    edit: each({ name: 'by 10dvh' }),
    near: ['moves-with-bars'],
  },

  { name: 'links of one dot that move along', css: moving, body: LINKS(''), expect: ['small-targets'] },
  {
    name: 'buttons of 16 px that move along',
    css: moving,
    body: LINKS('width: 16px; height: 16px; padding: 0; border: 0;', 'button'),
    expect: ['small-targets'],
  },
  {
    name: 'low links that move along',
    css: moving,
    body: LINKS('display: inline-block; width: 22px; height: 12px;'),
    expect: ['small-targets'],
  },
  { name: 'links of one dot that stay', css: '', body: LINKS(''), near: ['small-targets'] },
  {
    name: 'small links with room between them',
    css: moving,
    body: LINKS('display: inline-block; width: 12px; height: 12px; margin: 12px;'),
    near: ['small-targets'],
  },
  {
    name: 'buttons of 26 px that move along',
    css: moving,
    body: LINKS('width: 26px; height: 26px; padding: 0; border: 0;', 'button'),
    near: ['small-targets'],
  },

  {
    name: 'a wheel listener that may stop the scroll',
    css: '',
    known: BLOCKS('the page'),
    expect: ['slow-listeners'],
  },
  {
    name: 'a touch listener on the main part',
    css: '',
    known: BLOCKS('main', 'touchmove'),
    expect: ['slow-listeners'],
  },
  {
    name: 'a listener for where a finger begins',
    css: '',
    known: BLOCKS('#root', 'touchstart'),
    expect: ['slow-listeners'],
  },
  { name: 'no such listener', css: '', near: ['slow-listeners'] },
  {
    name: 'nothing heard of its listeners',
    css: reveal('#card'),
    known: (l) => ({ ...l, page: { ...l.page, blocking: [] } }),
    near: ['slow-listeners'],
  },
  {
    name: 'a page that moves and does not listen',
    css: reveal('#card', 'entry 0% cover 40%'),
    near: ['slow-listeners'],
  },
];
