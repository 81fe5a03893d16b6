import { each, intro, reveal, scripted, trigger, VIEW } from '../corpus.ts';
import type { CorpusPage } from '../corpus.ts';

export const CONFLICT: readonly CorpusPage[] = [
  {
    name: 'two that move the same card',
    css: `@keyframes up { to { translate: 0 -40px; } } #card { animation: rise linear both, up linear both; animation-timeline: view(), view(); animation-range: entry 0% contain 40%, contain 20% exit 100%; }`,
    expect: ['two-writers'],
  },
  {
    name: 'two rows that move the same cards',
    css: `@keyframes up { to { translate: 0 -40px; } } .row .card { animation: come linear both, up linear both; animation-timeline: view(), view(); animation-range: entry 0% cover 60%, cover 30% exit 100%; }`,
    expect: ['two-writers'],
  },
  {
    name: 'one that hides the other',
    css: `@keyframes up { to { translate: 0 -40px; } } #card { animation: come linear both, up linear both; animation-timeline: view(), view(); animation-range: entry 0% entry 100%, exit 0% exit 100%; }`,
    expect: ['two-writers'],
  },
  {
    name: 'one after the other',
    css: `@keyframes up { to { translate: 0 -40px; } } #card { animation: come linear both, up linear forwards; animation-timeline: view(), view(); animation-range: entry 0% entry 100%, exit 0% exit 100%; }`,
    near: ['two-writers'],
    may: ['missing-fill'],
  },
  {
    name: 'two of different properties',
    css: '#card { animation: come linear both, grow linear both; animation-timeline: view(), view(); animation-range: entry 0% cover 60%; }',
    near: ['two-writers'],
  },
  {
    name: 'two that add up',
    css: '#card { animation: come linear both, drift linear both; animation-timeline: view(), view(); animation-range: entry 0% entry 100%, cover 0% cover 100%; animation-composition: replace, add; }',
    near: ['two-writers'],
  },
  ...intro('an intro that keeps what it writes', { fill: 'both' }, { expect: ['intro-against-scroll'] }),
  ...intro('an intro that holds its end', { fill: 'forwards' }, { expect: ['intro-against-scroll'] }),
  ...intro(
    'an intro before the motion',
    { fill: 'backwards' },
    { first: true, expect: ['intro-against-scroll'] },
  ),
  ...intro('an intro that lets go', { fill: 'backwards' }, { near: ['intro-against-scroll'] }),
  ...intro(
    'an intro of another property',
    {
      fill: 'both',
      keyframes: {
        scale: [
          { at: '0%', value: '0.9' },
          { at: '100%', value: '1' },
        ],
      },
    },
    { near: ['intro-against-scroll'] },
  ),
  ...intro(
    'an intro of another element',
    { fill: 'both', targets: { selector: '#lead' } },
    { near: ['intro-against-scroll'] },
  ),
  ...trigger(
    'a trigger that turns at one line',
    { down: 'entry 50%', plays: 'each-time', back: 'plays-back' },
    { expect: ['chatter'] },
  ),
  ...trigger(
    'a trigger that turns a finger above',
    {
      down: { edge: '0%', line: '60%' },
      up: { edge: '0%', line: '62%' },
      plays: 'each-time',
      back: 'plays-back',
    },
    { expect: ['chatter'] },
  ),
  ...trigger(
    'a trigger that starts over at one line',
    { down: 'entry 100%', plays: 'each-time', back: 'returns' },
    { expect: ['chatter'] },
  ),
  ...trigger(
    'a trigger that plays once',
    { down: 'entry 50%', plays: 'once', back: 'plays-back' },
    { near: ['chatter'] },
  ),
  ...trigger(
    'a trigger that keeps its end',
    { down: 'entry 50%', plays: 'each-time', back: 'keeps-end' },
    { near: ['chatter'] },
  ),
  ...trigger(
    'a trigger that turns far above',
    { down: 'entry 100%', up: 'entry 0%', plays: 'each-time', back: 'plays-back' },
    { near: ['chatter'] },
  ),
  {
    name: 'insets that the page decides',
    css: `html { scroll-padding: 90px 0; } #card { animation: grow linear both; animation-timeline: view(block auto auto); }`,
    edit: each({ driver: { ...VIEW, insets: ['auto', 'auto'] } }),
    expect: ['auto-insets'],
  },
  {
    name: 'an upper inset that the page decides',
    css: `html { scroll-padding-top: 120px; } ${reveal('#h-two', 'entry 0% cover 50%', 'grow')}`,
    edit: each({ driver: { ...VIEW, insets: ['auto', '0px'] } }),
    expect: ['auto-insets'],
  },
  {
    name: 'a row with insets of the page',
    css: `html { scroll-padding-block: 10%; } ${reveal('.row .card', 'entry 0% cover 50%', 'grow')}`,
    edit: each({ driver: { ...VIEW, insets: ['auto', 'auto'] } }),
    expect: ['auto-insets'],
  },
  {
    name: 'automatic insets of nothing',
    css: reveal('#card', 'entry 0% cover 50%', 'grow'),
    edit: each({ driver: { ...VIEW, insets: ['auto', 'auto'] } }),
    near: ['auto-insets'],
  },
  {
    name: 'insets written out under a padding',
    css: `html { scroll-padding: 90px 0; } ${reveal('#card', 'entry 0% cover 50%', 'grow')}`,
    edit: each({ driver: { ...VIEW, insets: ['10%', '40px'] } }),
    near: ['auto-insets'],
  },
  {
    name: 'the lower inset is automatic, the padding above',
    css: `html { scroll-padding-top: 120px; } ${reveal('#card', 'entry 0% cover 50%', 'grow')}`,
    edit: each({ driver: { ...VIEW, insets: ['0px', 'auto'] } }),
    near: ['auto-insets'],
  },
  ...scripted(
    'a card that a script moves all the time',
    "document.getElementById('card').animate({ translate: ['0 0', '40px 0'] }, { duration: 900, iterations: Infinity });",
    { css: reveal('#card', 'entry 0% cover 50%', 'come'), expect: ['page-moves-too'] },
  ),
  ...scripted(
    'a card that a script fades by scroll',
    "const e = document.getElementById('card'); e.animate({ opacity: [0, 1] }, { timeline: new ViewTimeline({ subject: e }), fill: 'both' });",
    { css: reveal('#card', 'entry 0% entry 100%', 'fade'), expect: ['page-moves-too'] },
  ),
  ...scripted(
    'a heading that a script turns by the scroll of the page',
    "document.getElementById('h-two').animate({ scale: [1, 1.2] }, { timeline: new ScrollTimeline(), fill: 'both' });",
    { css: reveal('#h-two', 'entry 0% cover 50%', 'grow'), expect: ['page-moves-too'] },
  ),
  ...scripted(
    'a script that moves something else of it',
    "document.getElementById('card').animate({ rotate: ['0deg', '9deg'] }, { duration: 900, iterations: Infinity });",
    { css: reveal('#card', 'entry 0% cover 50%', 'come'), near: ['page-moves-too'] },
  ),
  ...scripted(
    'a script that moves another element',
    "document.getElementById('h-two').animate({ translate: ['0 0', '9px 0'] }, { duration: 900, iterations: Infinity });",
    { css: reveal('#card', 'entry 0% cover 50%', 'come'), near: ['page-moves-too'] },
  ),
  ...scripted(
    'a script whose animation is over',
    "document.getElementById('card').animate({ translate: ['0 0', '9px 0'] }, { duration: 1 }).finish();",
    { css: reveal('#card', 'entry 0% cover 50%', 'come'), near: ['page-moves-too'] },
  ),
];
