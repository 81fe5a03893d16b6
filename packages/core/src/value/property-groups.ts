/** What is offered where a property is added, and what it begins with. */
import { isCustomProperty } from './custom.ts';
import { CORNERS, propertyFacts, SIDES, valueError } from './property.ts';

/** The properties by what people do with them; other words for it are for searching. */
export const PROPERTY_GROUPS: readonly { group: string; words: string; names: readonly string[] }[] = [
  {
    group: 'Move, turn, scale',
    words: 'transform position rotation size 3d depth',
    names: [
      'opacity',
      'translate',
      'scale',
      'rotate',
      'transform',
      'transform-origin',
      'perspective',
      'perspective-origin',
      'offset-distance',
    ],
  },
  {
    group: 'Clip, mask, filter',
    words: 'wipe reveal blur sharpen brightness',
    names: ['clip-path', 'filter', 'backdrop-filter', 'mask-position', 'mask-size', 'visibility'],
  },
  {
    group: 'Colour',
    words: 'color tint',
    names: [
      'color',
      'background-color',
      'border-color',
      ...SIDES.map((side) => `border-${side}-color`),
      'text-decoration-color',
      'outline-color',
      'fill',
      'stroke',
      'stop-color',
      'stop-opacity',
      'flood-opacity',
    ],
  },
  {
    group: 'Drawings',
    words: 'svg line draw stroke path',
    names: ['stroke-dashoffset', 'stroke-dasharray', 'stroke-width', 'stroke-opacity', 'fill-opacity'],
  },
  {
    group: 'Pictures',
    words: 'image background crop pan',
    names: ['object-position', 'background-position', 'background-size'],
  },
  {
    group: 'Text',
    words: 'type font',
    names: ['letter-spacing', 'word-spacing', 'font-weight', 'font-size', 'line-height', 'text-shadow'],
  },
  {
    group: 'Size and place (costs layout)',
    words: 'box width height margin padding',
    names: [
      ...['width', 'height', 'top', 'bottom', 'left', 'right', 'inset', 'inset-block', 'inset-inline'],
      ...['margin', 'margin-top', 'margin-right', 'margin-bottom', 'margin-left'],
      ...['margin-block', 'margin-inline', 'padding-block', 'padding-inline'],
      ...['padding', 'padding-top', 'padding-right', 'padding-bottom', 'padding-left'],
      ...['border-width', ...SIDES.map((side) => `border-${side}-width`)],
      ...['border-radius', ...CORNERS.map((corner) => `border-${corner}-radius`)],
      ...['box-shadow', 'outline-width', 'outline-offset', 'column-rule-width'],
      ...['flex-grow', 'z-index', 'display', 'content-visibility', 'shape-image-threshold'],
    ],
  },
];

/** Where `none` or `auto` stands for nothing to start from: the value of that kind that changes nothing. */
const NEUTRAL: Record<string, string> = {
  translate: '0px 0px',
  scale: '1',
  rotate: '0deg',
  transform: 'translate(0px, 0px)',
  filter: 'blur(0px)',
  'backdrop-filter': 'blur(0px)',
  'clip-path': 'inset(0px)',
  perspective: '900px',
  'z-index': '0',
  'background-size': '100% 100%',
  'mask-size': '100% 100%',
  'stroke-dasharray': '0px',
  'box-shadow': '0px 0px 0px rgb(0 0 0 / 0%)',
  'text-shadow': '0px 0px 0px rgb(0 0 0 / 0%)',
  'line-height': '1.4',
  display: 'block',
};

/** A value of a property that changes nothing to begin with: the element’s own, where it is one that can be mixed. */
export function neutralValue(property: string, own?: string): string {
  if (isCustomProperty(property)) return '0';
  const facts = propertyFacts(property);
  const base = own ?? facts?.initial ?? '';
  return /^(none|auto|normal|)$/.test(base) || valueError(property, base)
    ? (NEUTRAL[property] ?? facts?.type.example ?? '0')
    : base;
}
