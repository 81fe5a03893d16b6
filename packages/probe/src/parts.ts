/** Pseudo-elements as elements of a layout. No browser tells where they lie, so their boxes are read from computed lengths, or estimated. */
import type { Box, ElementFacts } from '@lyvek/core';
import { PARTS } from '@lyvek/core/part';
import { draws, px, readStyle } from './dom.ts';
import { hex, readBase } from './facts.ts';

const MAX_PARTS = 300;

export interface DrawnPart {
  host: Element;
  part: string;
}

/** What elements draw before and after their content, in the order of the elements; at most 300. */
export function listParts(elements: readonly Element[]): DrawnPart[] {
  const out: DrawnPart[] = [];
  for (const host of elements)
    for (const part of PARTS)
      if (out.length < MAX_PARTS && draws(host, part) && isSeen(readStyle(host, part)))
        out.push({ host, part });
  return out;
}

/** Empty ones that only end a row of floats are seen by nobody. */
const isSeen = ({ content, display, width, height }: CSSStyleDeclaration): boolean =>
  !/^(""|'')$/.test(content) ||
  (display !== 'inline' && (px(width) > 0 || width === 'auto') && height !== '0px');

/** Its border box: where it is placed by lengths they are known, else it is taken to lie where its host does. */
function partBox(
  style: CSSStyleDeclaration,
  host: Box,
  frame: CSSStyleDeclaration,
): { box: Box; estimated: boolean } {
  const isPlaced = style.position === 'absolute' && frame.position !== 'static';
  const [left, top, width, height] = [style.left, style.top, style.width, style.height].map(parseFloat) as [
    number,
    number,
    number,
    number,
  ];
  if (!isPlaced || [left, top, width, height].some(isNaN)) return { box: host, estimated: true };
  const [across, down] =
    style.boxSizing === 'border-box'
      ? [0, 0]
      : [edges(style, 'left', 'right'), edges(style, 'top', 'bottom')];
  return {
    box: {
      x: host.x + px(frame.borderLeftWidth) + left + px(style.marginLeft),
      y: host.y + px(frame.borderTopWidth) + top + px(style.marginTop),
      width: width + across,
      height: height + down,
    },
    estimated: false,
  };
}

const edges = (style: CSSStyleDeclaration, ...sides: string[]): number =>
  sides.reduce(
    (sum, side) =>
      sum +
      px(style.getPropertyValue(`padding-${side}`)) +
      px(style.getPropertyValue(`border-${side}-width`)),
    0,
  );

/** A pseudo-element as an element of the layout, with the facts and the place of its host. */
export function readPart({ host, part }: DrawnPart, outer: ElementFacts, parent: number): ElementFacts {
  const style = readStyle(host, part);
  const { box, estimated } = partBox(style, outer.box, readStyle(host));
  const base = readBase(style);
  const tint = hex(style.backgroundColor);
  return {
    selector: `${outer.selector}${part}`,
    tag: part,
    text: '',
    parent,
    ...hostFacts(outer),
    box,
    ...(style.position !== 'static' ? { position: style.position as 'relative' } : {}),
    ...(estimated ? { estimated } : {}),
    ...(base ? { base } : {}),
    fontSize: px(style.fontSize) || 16,
    ...(tint ? { tint } : {}),
    kind: 'box',
  };
}

/** What it has of its host: where it scrolls and what carries it. */
const hostFacts = ({
  section,
  scroller,
  sticky,
  fixed,
}: ElementFacts): Pick<ElementFacts, 'section' | 'scroller' | 'sticky' | 'fixed'> => ({
  section,
  scroller,
  sticky,
  fixed,
});

/** Those of a list that are in the layout, in the order of `listPlaces`. */
export function listMatched(
  list: readonly Element[],
  part: string,
  { indexOf, parts }: { indexOf: Map<Element, number>; parts: readonly DrawnPart[] },
): Element[] {
  if (!part) return list.filter((e) => indexOf.has(e));
  const wanted = new Set(list);
  return parts.flatMap((p) => (p.part === part && wanted.has(p.host) ? [p.host] : []));
}

/** Places in the layout of elements, or of a pseudo-element that they draw: those stand behind the elements. */
export function listPlaces(
  list: readonly Element[],
  part: string,
  { indexOf, parts }: { indexOf: Map<Element, number>; parts: readonly DrawnPart[] },
): number[] {
  if (!part) return list.flatMap((e) => indexOf.get(e) ?? []);
  const wanted = new Set(list);
  return parts.flatMap((p, k) => (p.part === part && wanted.has(p.host) ? [indexOf.size + k] : []));
}
