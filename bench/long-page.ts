/** A synthetic page of 400 sections with a motion each, for benches. */
import type { Motion } from '@lyvek/core';

export const SECTIONS = 400;

export const longPage = (): string =>
  `<!doctype html><html lang="en"><head><title>Four hundred</title><style>body{margin:0;font:16px sans-serif}section{height:150px;padding:0 40px;box-sizing:border-box;overflow:clip}section>div{width:600px;height:90px;background:#dde5e3}</style></head><body>${Array.from(
    { length: SECTIONS },
    (_, i) => `<section><div id="d${i}"><h2>Part ${i + 1}</h2></div></section>`,
  ).join('')}</body></html>`;

export const longDocument = () => ({
  format: 'lyvek-document' as const,
  version: 1 as const,
  motions: Array.from({ length: SECTIONS }, (_, i): Motion => ({
    id: `m_${i}`,
    name: `Part ${i + 1}`,
    on: true,
    targets: { selector: `#d${i}` },
    driver: { kind: 'passage', subject: 'self', axis: 'block', insets: ['0px', '0px'] },
    range: i < 4 ? { start: 'scroll 0%', end: 'exit 100%' } : { start: 'entry 10%', end: 'contain 40%' },
    keyframes: {
      opacity: [
        { at: '0%', value: '0' },
        { at: '100%', value: '1' },
      ],
      translate: [
        { at: '0%', value: '0 40px' },
        { at: '100%', value: '0 0' },
      ],
    },
    easing: 'linear',
    fill: 'both',
    composite: 'replace',
    follow: { kind: 'none' },
    reducedMotion: 'fade',
  })),
});
