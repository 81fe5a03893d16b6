/** A text as what is moved of it: runs of characters without a space, or single letters, as the page has laid them out. */
import type { TextUnit } from '@lyvek/core/text-order';
import { joinRects, isBeside } from './rect.ts';
import type { Rect } from './rect.ts';
import { divide, isDivided, isRightToLeft } from './segments.ts';

export interface Chunk {
  text: string;
  /** whose font and colour it has */
  holder: Element;
  rect: Rect;
  /** runs from right to left */
  turned: boolean;
  /** of a letter: where it begins in the text, and what of that is seen, px from its left and from its right */
  window?: { at: number; left: number; right: number; width: number };
  /** which line, word or letter it is of */
  unit: number;
}

interface Letter {
  text: string;
  rect: Rect;
}

/** A run without a space, or what of it is in one line. */
interface Word extends Omit<Chunk, 'unit'> {
  letters: readonly Letter[];
  /** no space lies between it and the one before: one word in several styles, or in several lines */
  joined: boolean;
}

/** More letters than this are moved as words. */
const MAX_LETTERS = 1200;
export const LAYER = 'text-parts';

/** What of an element is moved; null where its text is not to be taken apart. */
export function readChunks(host: HTMLElement, by: TextUnit): Chunk[] | null {
  const { writingMode, backgroundClip } = getComputedStyle(host);
  // A text that is cut out of a background has no colour of its own.
  if (!writingMode.startsWith('horizontal') || backgroundClip.includes('text')) return null;
  const words = listWords(host, by === 'letters');
  if (words.length === 0) return null;
  if (by === 'lines') return numberLines(words);
  const letters = by === 'letters' ? words.flatMap(toLetters) : [];
  if (letters.length > 0 && letters.length <= MAX_LETTERS) return letters.map((l, unit) => ({ ...l, unit }));
  let unit = -1;
  return words.map((word) => ({ ...word, unit: word.joined ? unit : ++unit }));
}

/** `close`: with the places of all letters. */
function listWords(host: HTMLElement, close: boolean): Word[] {
  const { lang } = host.closest<HTMLElement>('[lang]') ?? host;
  const walker = document.createTreeWalker(host, NodeFilter.SHOW_TEXT, (node) =>
    node.parentElement!.closest(`${LAYER}, script, style`)
      ? NodeFilter.FILTER_REJECT
      : NodeFilter.FILTER_ACCEPT,
  );
  const out: Word[] = [];
  let joined = false;
  for (let node = walker.nextNode() as Text | null; node; node = walker.nextNode() as Text | null)
    // A space that does not break holds what is around it together.
    for (const { 0: run, index } of node.data.matchAll(/[ \t\n\r\f]+|[^ \t\n\r\f]+/g)) {
      if (/^[ \t\n\r\f]/.test(run)) {
        joined = false;
        continue;
      }
      let from = index;
      for (const piece of isDivided(run) ? divide(run, 'word', lang) : [run]) {
        for (const word of layOut(node, { from, text: piece, lang, close })) {
          out.push({ ...word, joined });
          joined = true;
        }
        from += piece.length;
        const word = out.at(-1);
        // A line under it goes on under the space.
        const [space] = /[ \n]/.test(node.data.charAt(from)) ? listRects(node, from, 1) : [];
        if (word && !word.turned && space && isBeside(word.rect, space)) word.text += ' ';
        if (from < index + run.length) joined = false;
      }
    }
  return out;
}

interface Piece {
  from: number;
  text: string;
  lang: string;
  close: boolean;
}

/** One word, or one for each line where it is broken. */
function layOut(node: Text, { from, text, lang, close }: Piece): Omit<Word, 'joined'>[] {
  const holder = node.parentElement!;
  const rects = listRects(node, from, text.length);
  const [first] = rects;
  if (!first) return [];
  if (!close && !isRightToLeft(text) && rects.every((r) => isBeside(first, r)))
    return [{ text, holder, rect: joinRects(rects), turned: false, letters: [] }];
  const lines: Letter[][] = [];
  let at = from;
  for (const letter of divide(text, 'grapheme', lang)) {
    const own = listRects(node, at, letter.length);
    at += letter.length;
    if (own.length === 0) continue;
    const placed = { text: letter, rect: joinRects(own) };
    const line = lines.at(-1);
    if (line && continues(line, placed)) line.push(placed);
    else lines.push([placed]);
  }
  const { hyphens, direction } = getComputedStyle(holder);
  return lines.map((letters, i) => {
    const own = letters.map((l) => l.text).join('');
    const next = lines[i + 1]?.[0];
    const wraps = next && !isBeside(letters[0]!.rect, next.rect);
    const breaks = wraps && (own.endsWith('\u00ad') || (hyphens === 'auto' && /\p{L}$/u.test(own)));
    return {
      text: breaks ? `${own.replace(/\u00ad$/, '')}\u2010` : own,
      holder,
      rect: joinRects(letters.map((l) => l.rect)),
      // One alone goes with its text: brackets are turned by that.
      turned: letters[1] ? letters[1].rect.left < letters[0]!.rect.left : direction === 'rtl',
      letters,
    };
  });
}

/** Whether a letter stands next to the last one of its line, in the direction in which that runs: where it does not, others stand between. */
function continues(line: readonly Letter[], { rect }: Letter): boolean {
  const last = line.at(-1)!.rect;
  if (!isBeside(last, rect)) return false;
  const near = last.height / 8;
  const isAfter = Math.abs(last.left + last.width - rect.left) < near;
  const isBefore = Math.abs(rect.left + rect.width - last.left) < near;
  if (line.length === 1) return isAfter || isBefore;
  return line[1]!.rect.left < line[0]!.rect.left ? isBefore : isAfter;
}

function listRects(node: Text, from: number, length: number): Rect[] {
  const range = node.ownerDocument.createRange();
  range.setStart(node, from);
  range.setEnd(node, from + length);
  return [...range.getClientRects()].filter((r) => r.width > 0 && r.height > 0);
}

/** Each letter shows its part of the whole word, so that kerning, ligatures and joined letters stay what they are. */
const toLetters = ({ letters, ...word }: Word): Omit<Chunk, 'unit'>[] =>
  letters.map(({ rect }) => {
    const { width, height } = word.rect;
    const left = rect.left - word.rect.left;
    const right = width - left - rect.width;
    // What reaches over the ends of the word is seen with the outer letters.
    const over = (side: number) => (side < 0.5 ? side - height / 3 : side);
    return { ...word, rect, window: { at: left, left: over(left), right: over(right), width } };
  });

function numberLines(words: readonly Word[]): Chunk[] {
  let unit = -1;
  let last: Rect | null = null;
  return words.map((word) => {
    if (!last || !isBeside(last, word.rect)) unit++;
    last = word.rect;
    return { ...word, unit };
  });
}
