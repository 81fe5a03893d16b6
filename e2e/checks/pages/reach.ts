import { BODY, reveal, trigger, withMore } from '../corpus.ts';
import type { CorpusPage } from '../corpus.ts';

export const REACH: readonly CorpusPage[] = [
  {
    name: 'the last words never become clear',
    css: reveal('#last', 'entry 0% cover 50%', 'fade'),
    expect: ['never-finishes'],
    may: ['too-few-frames', 'unseen-where-read'],
  },
  {
    name: 'a footer that never arrives',
    css: reveal('#end', 'entry 0% contain 50%', 'rise'),
    expect: ['never-finishes'],
    may: ['too-few-frames', 'unseen-where-read'],
  },
  {
    name: 'a bar at the end that never fills',
    css: `#last { animation: fill linear both; animation-timeline: view(); animation-range: cover 0% cover 60%; }`,
    expect: ['never-finishes'],
    may: ['too-few-frames'],
  },
  {
    name: 'a title that is half-way when the page opens',
    css: reveal('#title', 'entry 0% exit 100%', 'drift'),
    expect: ['starts-part-way'],
  },
  {
    name: 'a lead that is half-way when the page opens',
    css: reveal('#lead', 'cover 0% cover 100%', 'drift'),
    expect: ['starts-part-way'],
  },
  {
    name: 'a range that ends before it begins',
    css: reveal('#card', 'contain 60% contain 20%', 'rise'),
    expect: ['empty-range'],
    may: ['unseen-where-read'],
  },
  {
    name: 'one with no length',
    css: reveal('#card', 'cover 50% cover 50%', 'grow'),
    expect: ['empty-range'],
  },
  {
    name: 'words that become clear when they have been read',
    css: reveal('#text', 'contain 20% exit 20%', 'fade'),
    expect: ['unseen-where-read'],
  },
  {
    name: 'words that are faint in the middle',
    css: `@keyframes dim { 50% { opacity: 0.3; } } ${reveal('#text', 'cover 0% cover 100%', 'dim')}`,
    expect: ['unseen-where-read'],
  },
  {
    name: 'a title that nobody sees at first',
    css: reveal('#title', 'exit 0% exit 80%', 'fade'),
    expect: ['hidden-at-load'],
  },
  {
    name: 'a lead that waits for the scroll',
    css: '#lead { animation: fade linear both; animation-timeline: scroll(); animation-range: 0px 300px; }',
    expect: ['hidden-at-load'],
  },
  {
    name: 'a link that is unseen with the keyboard',
    css: reveal('#link', 'contain 50% exit 60%', 'fade'),
    expect: ['focus-unseen'],
    may: ['unseen-where-read'],
  },
  {
    name: 'a card spread thin over the whole page',
    css: '#card { animation: rise linear both; animation-timeline: scroll(); }',
    expect: ['thin-over-page'],
    may: ['unseen-where-read'],
  },
  {
    name: 'a heading spread thin',
    css: '#h-one { animation: drift linear both; animation-timeline: scroll(); }',
    expect: ['thin-over-page'],
  },
  {
    name: 'a fixed bar that waits for itself',
    css: `#bar { position: fixed; top: 0; left: 0; animation: fill linear both; animation-timeline: view(); }`,
    expect: ['fixed-view'],
    may: ['starts-part-way', 'too-few-frames'],
  },
  {
    name: 'a footer that has come when the page ends',
    css: reveal('#end'),
    near: ['never-finishes', 'too-few-frames'],
  },
  {
    name: 'last words that are there in time',
    css: reveal('#last', 'entry 0% entry 80%'),
    near: ['never-finishes', 'unseen-where-read'],
    may: ['too-few-frames'],
  },
  {
    name: 'a bar that is full at the end of the page',
    css: '#bar { position: fixed; top: 0; left: 0; animation: fill linear both; animation-timeline: scroll(); animation-range: 50% 100%; }',
    near: ['never-finishes', 'fixed-view', 'thin-over-page'],
  },
  {
    name: 'a header that drifts from before the page',
    css: reveal('#top', 'cover 0% cover 100%', 'drift'),
    expect: ['starts-part-way'],
    may: ['unseen-where-read'],
  },
  {
    name: 'a lead that drifts from the top',
    css: reveal('#lead', 'contain 0% exit 100%', 'drift'),
    may: ['starts-part-way'],
  },
  {
    name: 'a title that leaves from the first px',
    css: '#title { animation: leave linear both; animation-timeline: scroll(); animation-range: 0px 500px; }',
    near: ['starts-part-way', 'hidden-at-load', 'thin-over-page'],
  },
  {
    name: 'nets that begin below the window',
    css: reveal('#h-two', 'entry 0% cover 50%', 'grow'),
    near: ['starts-part-way', 'empty-range'],
  },
  {
    name: 'entry from its end to its beginning',
    css: reveal('#card', 'entry 100% entry 0%', 'grow'),
    expect: ['empty-range'],
  },
  {
    name: 'what leaves, from its end',
    css: reveal('#h-two', 'exit 100% exit 0%', 'grow'),
    expect: ['empty-range'],
  },
  {
    name: 'from entered to leaving',
    css: reveal('#card', 'entry 100% exit 0%', 'grow'),
    near: ['empty-range'],
  },
  {
    name: 'on its way out',
    css: reveal('#card', 'exit 0% exit 100%', 'leave'),
    near: ['empty-range', 'hidden-at-load', 'unseen-where-read'],
  },
  {
    name: 'words that come while they leave',
    css: reveal('#words', 'contain 50% exit 50%', 'fade'),
    expect: ['unseen-where-read'],
  },
  {
    name: 'a picture that is faint in the middle',
    css: `@keyframes dim { 50% { opacity: 0.5; } } ${reveal('#picture', 'cover 0% cover 100%', 'dim')}`,
    near: ['unseen-where-read', 'depth-gap'],
  },
  {
    name: 'words that fade once they are above',
    css: reveal('#words', 'exit 40% exit 100%', 'leave'),
    near: ['unseen-where-read', 'focus-unseen'],
  },
  {
    name: 'a whole header that waits for the scroll',
    css: '#top { animation: fade linear both; animation-timeline: scroll(); animation-range: 0px 400px; }',
    expect: ['hidden-at-load'],
    may: ['unseen-where-read', 'anchor-unseen'],
  },
  {
    name: 'a card that is not there when the page opens, and below it',
    css: reveal('.row .card', 'entry 0% entry 100%', 'fade'),
    near: ['hidden-at-load', 'focus-unseen', 'starts-part-way'],
  },
  {
    name: 'a button that comes when it leaves',
    body: withMore('<section id="five"><button id="book">Book a berth</button></section>'),
    css: reveal('#book', 'contain 60% exit 50%', 'fade'),
    expect: ['focus-unseen'],
    may: ['unseen-where-read'],
  },
  {
    name: 'a field that comes when it leaves',
    body: withMore('<section id="five"><label>Boat <input id="boat"></label></section>'),
    css: reveal('label', 'exit 0% exit 80%', 'fade'),
    expect: ['focus-unseen'],
    may: ['unseen-where-read'],
  },
  {
    name: 'a button that leaves',
    body: withMore('<section id="five"><button id="book">Book a berth</button></section>'),
    css: reveal('#book', 'exit 50% exit 100%', 'leave'),
    near: ['focus-unseen'],
  },
  {
    name: 'a field that is there at once',
    body: withMore('<section id="five"><label>Boat <input id="boat"></label></section>'),
    css: reveal('label', 'entry 0% entry 60%', 'fade'),
    near: ['focus-unseen'],
  },
  {
    name: 'a row spread over the page',
    css: '.row { animation: drift linear both; animation-timeline: scroll(root); }',
    expect: ['thin-over-page'],
  },
  {
    name: 'a sticky line over the page',
    css: '#lead { position: sticky; top: 0; } #top { min-height: 3600px; } #lead { animation: drift linear both; animation-timeline: scroll(); }',
    near: ['thin-over-page'],
    may: ['starts-part-way'],
  },
  {
    name: 'a fixed badge that waits for itself',
    body: `${BODY}<div id="badge">New</div>`,
    css: '#badge { position: fixed; right: 20px; bottom: 20px; width: 80px; height: 80px; background: gold; animation: grow linear both; animation-timeline: view(); }',
    expect: ['fixed-view'],
    may: ['starts-part-way', 'too-few-frames'],
  },
  {
    name: 'a fixed header that waits for itself',
    css: '#top { position: fixed; top: 0; left: 0; right: 0; min-height: 80px; height: 80px; overflow: clip; animation: leave linear both; animation-timeline: view(); animation-range: exit 0% exit 100%; }',
    expect: ['fixed-view'],
    may: ['starts-part-way', 'too-few-frames', 'unseen-where-read'],
  },
  {
    name: 'a fixed badge that comes with a section',
    body: `<div style="timeline-scope: --three">${BODY}<div id="badge">New</div></div>`,
    css: '#three { view-timeline: --three; } #badge { position: fixed; right: 20px; bottom: 20px; width: 80px; height: 80px; background: gold; animation: grow linear both; animation-timeline: --three; animation-range: entry 0% entry 100%; }',
    near: ['fixed-view'],
  },
  {
    name: 'a badge that is no fixed one',
    body: withMore('<section><div id="badge">New</div></section>'),
    css: `#badge { width: 80px; height: 80px; background: gold; } ${reveal('#badge', 'entry 0% cover 50%', 'grow')}`,
    near: ['fixed-view'],
  },
  ...trigger(
    'a trigger that waits for the footer to reach the top',
    { subject: '#end', down: { edge: '0%', line: '10%' } },
    { expect: ['trigger-unreachable'] },
  ),
  ...trigger(
    'a trigger beyond the end of the page',
    { subject: '#last', down: 'exit 50%' },
    { expect: ['trigger-unreachable'] },
  ),
  ...trigger(
    'a trigger in the middle of the last words',
    { subject: '#last', down: 'contain 60%' },
    { expect: ['trigger-unreachable'] },
  ),
  ...trigger(
    'a trigger as the footer comes',
    { subject: '#end', down: 'entry 20%' },
    { near: ['trigger-unreachable'] },
  ),
  ...trigger(
    'a trigger in the middle of the page',
    { subject: '#two', down: 'cover 50%' },
    { near: ['trigger-unreachable', 'chatter'] },
  ),
  ...trigger(
    'a trigger that the page begins behind',
    { subject: '#top', down: 'entry 50%' },
    { near: ['trigger-unreachable', 'chatter'] },
  ),
];
