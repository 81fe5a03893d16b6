/** A synthetic page of 400 sections with a motion each, for benches. */
import { makeDocument, fadeAndRise, motion } from '@lyvek/core/testing';

export const SECTIONS = 400;

export const longPage = (sections = SECTIONS): string =>
  `<!doctype html><html lang="en"><head><title>Four hundred</title><style>body{margin:0;font:16px sans-serif}section{height:150px;padding:0 40px;box-sizing:border-box;overflow:clip}section>div{width:600px;height:90px;background:#dde5e3}</style></head><body>${Array.from(
    { length: sections },
    (_, i) => `<section><div id="d${i}"><h2>Part ${i + 1}</h2></div></section>`,
  ).join('')}</body></html>`;

export const longDocument = (sections = SECTIONS) =>
  makeDocument(
    ...Array.from({ length: sections }, (_, i) =>
      motion({
        id: `m_${i}`,
        name: `Part ${i + 1}`,
        targets: { selector: `#d${i}` },
        range: i < 4 ? { start: 'scroll 0%', end: 'exit 100%' } : { start: 'entry 10%', end: 'contain 40%' },
        keyframes: fadeAndRise('0 40px'),
      }),
    ),
  );
