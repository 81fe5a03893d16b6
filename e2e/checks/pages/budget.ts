import { crowd, mists, reveal } from '../corpus.ts';
import type { CorpusPage } from '../corpus.ts';

export const BUDGET: readonly CorpusPage[] = [
  {
    name: 'a card that grows by its width',
    css: `@keyframes wider { from { width: 200px; } to { width: 400px; } } ${reveal('#card', 'cover 10% cover 60%', 'wider')}`,
    expect: ['layout-property'],
  },
  {
    name: 'a heading that moves by its margin',
    css: `@keyframes push { from { margin-top: 80px; } to { margin-top: 20px; } } ${reveal('#h-one', 'cover 10% cover 60%', 'push')}`,
    expect: ['layout-property'],
  },
  {
    name: 'a large picture that blurs',
    css: `.frame { width: 1280px; height: 900px; margin: 0 -80px; } .picture { height: 1000px; margin: 0; } @keyframes mist { from { filter: blur(30px); } } ${reveal('#picture', 'entry 0% cover 50%', 'mist')}`,
    expect: ['large-blur'],
  },
  {
    name: 'a small card that blurs a little',
    css: `@keyframes mist { from { filter: blur(4px); } } ${reveal('#card', 'entry 0% cover 40%', 'mist')}`,
  },
  {
    name: 'a bar that grows by its width',
    css: `@keyframes wider { from { width: 0; } } #bar { animation: wider linear both; animation-timeline: view(); }`,
    expect: ['layout-property'],
  },
  {
    name: 'a bar that grows by a transform',
    css: reveal('#bar', 'cover 0% cover 100%', 'fill'),
    near: ['layout-property', 'large-blur'],
  },
  {
    name: 'a card that changes its colour',
    css: `@keyframes glow { to { background-color: gold; color: navy; } } ${reveal('#card', 'cover 20% cover 80%', 'glow')}`,
    near: ['layout-property'],
  },
  {
    name: 'a card that moves by left',
    css: `#card { position: relative; } @keyframes over { from { left: 80px; } to { left: 0px; } } ${reveal('#card', 'cover 20% cover 80%', 'over')}`,
    expect: ['layout-property'],
  },
  {
    name: 'a line that is drawn longer',
    css: `@keyframes dash { from { outline-offset: 0px; } to { outline-offset: 12px; } } #card { outline: 2px solid; } ${reveal('#card', 'cover 20% cover 80%', 'dash')}`,
    near: ['layout-property'],
  },
  {
    name: 'a section that blurs',
    css: `@keyframes mist { from { filter: blur(24px); } } #two { background: #ddd; } ${reveal('#two', 'entry 0% cover 50%', 'mist')}`,
    expect: ['large-blur'],
    may: ['hot-spot', 'late-frames'],
  },
  {
    name: 'what is behind a section blurs',
    css: `@keyframes mist { from { backdrop-filter: blur(30px); } } #two { background: #ddd8; } ${reveal('#two', 'entry 0% cover 50%', 'mist')}`,
    expect: ['large-blur'],
    may: ['hot-spot', 'late-frames'],
  },
  {
    name: 'a section that blurs a little',
    css: `@keyframes mist { from { filter: blur(3px); } } ${reveal('#two', 'entry 0% cover 50%', 'mist')}`,
    near: ['large-blur', 'hot-spot', 'late-frames'],
  },
  {
    name: 'a section that gets paler',
    css: `@keyframes pale { from { filter: saturate(0.3); } } ${reveal('#two', 'entry 0% cover 50%', 'pale')}`,
    near: ['large-blur'],
  },
  ...crowd('many large layers', 60, 'width: 100%; height: 1600px; margin-bottom: -1560px', {
    expect: ['layer-memory'],
    may: ['hot-spot', 'late-frames', 'too-many-layers'],
  }),
  ...crowd('a pile of large layers', 40, 'width: 100%; height: 2400px; margin-bottom: -2390px', {
    expect: ['layer-memory'],
    may: ['hot-spot', 'late-frames', 'too-many-layers'],
  }),
  ...crowd('large layers that blur', 50, 'width: 100%; height: 2000px; margin-bottom: -1980px', {
    expect: ['layer-memory'],
    may: ['hot-spot', 'late-frames', 'too-many-layers'],
  }),
  ...crowd('many small ones', 80, 'width: 200px; height: 30px; margin-bottom: -26px', {
    expect: ['too-many-layers'],
    near: ['layer-memory'],
  }),
  ...crowd('a hundred small ones', 100, 'width: 60px; height: 20px; margin-bottom: -15px', {
    expect: ['too-many-layers'],
    near: ['layer-memory'],
  }),
  ...crowd('ninety in a heap', 90, 'width: 40px; height: 40px; margin-bottom: -38px', {
    expect: ['too-many-layers'],
    near: ['layer-memory'],
  }),
  ...crowd('a list of eighty, one below the other', 80, 'width: 600px; height: 90px; margin-bottom: 20px', {
    near: ['too-many-layers', 'layer-memory', 'late-frames'],
    may: ['never-finishes'],
  }),
  ...crowd('twenty at once', 20, 'width: 200px; height: 30px; margin-bottom: -26px', {
    near: ['too-many-layers', 'hot-spot', 'late-frames'],
  }),
  ...crowd('ten large ones', 10, 'width: 600px; height: 700px; margin-bottom: 20px', {
    near: ['too-many-layers', 'layer-memory'],
  }),
  ...mists('six blurs over each other, on a phone', 6, '8px', 'phone', {
    expect: ['hot-spot', 'late-frames'],
  }),
  ...mists('eight blurs over each other, on a phone', 8, '8px', 'phone', {
    expect: ['hot-spot', 'late-frames'],
  }),
  ...mists('ten small blurs, on a phone', 10, '4px', 'phone', { expect: ['hot-spot', 'late-frames'] }),
  ...mists('one blur, on this machine', 1, '3px', 'here', {
    near: ['hot-spot', 'late-frames', 'large-blur'],
  }),
  ...mists('one small blur, on a phone', 1, '2px', 'phone', {
    near: ['hot-spot', 'late-frames', 'large-blur'],
    may: ['late-frames', 'hot-spot'],
  }),
];
