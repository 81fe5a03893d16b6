import { moved, scripted } from '../corpus.ts';
import type { CorpusPage } from '../corpus.ts';

/** What is wrong in the page’s own files. */
export const MISTAKES: readonly CorpusPage[] = [
  ...moved('shorthand after its timeline', 'animation-timeline: view(); animation: come linear both', {
    expect: ['shorthand-order'],
  }),
  ...moved(
    'shorthand after its named timeline',
    'view-timeline: --own; animation-timeline: --own; animation: grow linear both',
    { expect: ['shorthand-order'] },
  ),
  ...moved(
    'shorthand with a time after its timeline',
    'animation-timeline: scroll(); animation: rise 1s linear both',
    { expect: ['shorthand-order'] },
  ),
  ...moved('timeline after the shorthand', 'animation: grow linear both; animation-timeline: view()', {
    near: ['shorthand-order', 'zero-duration', 'delay-on-scrub', 'misspelt'],
  }),
  ...moved(
    'timeline after it, longhand by longhand',
    'animation-timeline: view(); animation-name: grow; animation-timing-function: linear; animation-fill-mode: both',
    { near: ['shorthand-order', 'misspelt'] },
  ),
  ...moved('a shorthand that plays in time', 'animation: rise 0.6s ease-out both', {
    near: ['shorthand-order', 'zero-duration', 'delay-on-scrub'],
  }),
  ...moved('no seconds', 'animation: come 0s linear both; animation-timeline: view()', {
    expect: ['zero-duration'],
  }),
  ...moved(
    'no milliseconds',
    'animation: grow linear both; animation-duration: 0ms; animation-timeline: scroll()',
    { expect: ['zero-duration'] },
  ),
  ...moved(
    'one of two without a time',
    'animation: grow linear both, come 0s linear both; animation-timeline: view(), view()',
    { expect: ['zero-duration'] },
  ),
  ...moved('a second', 'animation: grow 1s linear both; animation-timeline: view()', {
    near: ['zero-duration', 'delay-on-scrub'],
  }),
  ...moved('an automatic duration', 'animation: grow auto linear both; animation-timeline: view()', {
    near: ['zero-duration'],
  }),
  ...moved('a delay', 'animation: come 3s 1s linear both; animation-timeline: view()', {
    expect: ['delay-on-scrub'],
  }),
  ...moved(
    'a delay of half of it',
    'animation: grow 1s linear both; animation-delay: 1s; animation-timeline: view()',
    { expect: ['delay-on-scrub'] },
  ),
  ...moved(
    'a delay on a named timeline',
    'view-timeline: --own; animation: grow 2s 400ms linear both; animation-timeline: --own',
    { expect: ['delay-on-scrub'] },
  ),
  ...moved(
    'a delay that counts for nothing',
    'animation: grow auto linear both; animation-delay: 2s; animation-timeline: view()',
    { near: ['delay-on-scrub'] },
  ),
  ...moved('a delay in time', 'animation: rise 0.6s 0.2s both', {
    near: ['delay-on-scrub', 'zero-duration'],
  }),
  ...moved('a view that is none', 'animation: grow linear both; animation-timeline: veiw()', {
    expect: ['misspelt'],
  }),
  ...moved(
    'a range that is none',
    'animation: grow linear both; animation-timeline: view(); animation-range: enter 0% cover 50%',
    { expect: ['misspelt'], may: ['starts-part-way'] },
  ),
  ...moved('keyframes that are not there', 'animation: gorw linear both; animation-timeline: view()', {
    expect: ['misspelt'],
  }),
  ...moved(
    'keyframes that a script may bring',
    'animation: shimmer linear both; animation-timeline: view()',
    { near: ['misspelt'] },
  ),
  ...scripted(
    'smoothing by frames',
    'let y = 0; const step = () => { y += (scrollY - y) * 0.1; requestAnimationFrame(step); }; step();',
    { expect: ['per-frame-factor'] },
  ),
  ...scripted(
    'smoothing by a division',
    'let y = 0; function tick() { y += (scrollY - y) / 8; requestAnimationFrame(tick) } tick()',
    { expect: ['per-frame-factor'] },
  ),
  ...scripted(
    'smoothing by a mix',
    'let y = 0; const mix = (a, b, t) => a + (b - a) * t; function loop() { y = mix(y, scrollY, 0.12); requestAnimationFrame(loop) } loop()',
    { expect: ['per-frame-factor'] },
  ),
  ...scripted(
    'smoothing by time',
    'let y = 0, last = 0; const step = (t) => { y += (scrollY - y) * (1 - 2 ** (-(t - last) / 90)); last = t; requestAnimationFrame(step); }; requestAnimationFrame(step);',
    { near: ['per-frame-factor'] },
  ),
  ...scripted('no frames', 'let y = 0; document.addEventListener("click", () => { y += (10 - y) * 0.1; });', {
    near: ['per-frame-factor'],
  }),
  ...scripted(
    'frames without smoothing',
    'let n = 0; const step = () => { n += 1; requestAnimationFrame(step); }; step();',
    { near: ['per-frame-factor'] },
  ),
];
