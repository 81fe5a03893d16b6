/**
 * Smoothing by a factor per frame in a page’s own scripts: `y += (target - y) * 0.1` goes about twice as far in a second at 120 Hz as at 60.
 * Found by its form, in scripts that ask for frames; where the time between frames is a factor too, nothing is said.
 */
import { isTag } from 'domhandler';
import type { ChildNode, Document, Element } from 'domhandler';
import { halfLifeOfFactor } from '../../damping/index.ts';
import type { Mistake } from './mistakes.ts';
import { toPath } from '../source/sheets.ts';
import type { FileAt } from '../source/sheets.ts';
import { Lines, shortened } from '../source/source.ts';

const FORMS = [
  // y += (target - y) * 0.1, or / 10
  /([\w$.]{1,60})\s*\+=\s*\([^;]{1,120}?-\s*\1\s*\)\s*(?:\*\s*(0?\.\d+)|\/\s*(\d+(?:\.\d+)?))(?![\w.]|\s*[*/][^/])/g,
  // y = lerp(y, target, 0.1), whatever it is called
  /([\w$.]{1,60})\s*=\s*[\w$.]{0,40}(?:lerp|mix)\(\s*\1\s*,[^;]{1,120}?,\s*(0?\.\d+)()\s*\)/gi,
];
const ASKS_FOR_FRAMES = /requestAnimationFrame/;
const MAX = 20;

function listScripts(document: Document): Element[] {
  const out: Element[] = [];
  const visit = (nodes: readonly ChildNode[]) => {
    for (const n of nodes)
      if (isTag(n)) {
        if (n.name === 'script') out.push(n);
        visit(n.children);
      }
  };
  visit(document.children);
  return out;
}

/** Texts of the page’s scripts with the file that each stands in and where it begins there. */
function* listSources(document: Document, entry: string, html: string, fileAt: FileAt) {
  const page = new Lines(entry, html);
  for (const script of listScripts(document)) {
    const path = script.attribs.src === undefined ? null : toPath(script.attribs.src, entry);
    const file = path === null ? null : fileAt(path);
    if (path !== null && file !== null) yield { lines: new Lines(path, file), text: file, offset: 0 };
    const own = script.children[0];
    if (script.attribs.src === undefined && own?.type === 'text')
      yield { lines: page, text: own.data, offset: html.indexOf(own.data) };
  }
}

/** What is found in scripts cannot be taken out of the page, so only their author can mend it. */
export function frameFactors(document: Document, entry: string, html: string, fileAt: FileAt): Mistake[] {
  const out: Mistake[] = [];
  for (const { lines, text, offset } of listSources(document, entry, html, fileAt)) {
    if (!ASKS_FOR_FRAMES.test(text)) continue;
    for (const form of FORMS)
      for (const found of text.matchAll(form)) {
        const factor = found[2] ? Number(found[2]) : 1 / Number(found[3]);
        if (!(factor > 0 && factor < 1) || out.length === MAX) continue;
        const halfLife = Math.round(halfLifeOfFactor(factor, 60));
        const place = lines.place(offset + found.index, offset + found.index + found[0].length);
        out.push({
          key: `per-frame-factor ${place.path}:${place.line}:${place.column}`,
          kind: 'per-frame-factor',
          rule: '',
          place,
          what: `“${shortened(found[0], 60)}” is done once a frame`,
          why: `At 120 Hz it catches up in half the time, and where frames are missed it is late.`,
          advice: `It halves the distance every ${halfLife} ms at 60 Hz: with dt, the time since the last frame in ms, write 1 - 2 ** (-dt / ${halfLife}) instead of the number; or use a motion with a damping half-life of ${halfLife} ms.`,
        });
      }
  }
  return out;
}
