/** The subject and its scrollport along one axis: all that a view timeline depends on. */
import { itemAt } from '../assert/index.ts';
import type { Layout, Sticky } from './layout.ts';
import { parseLength, resolveLength } from './length.ts';
import type { Axis, Px } from './units.ts';

/** CSS px along the axis; `size` is the subject's border box, `port` the scrollport, `max` the largest scroll offset. */
export interface Geometry {
  top: Px;
  size: Px;
  port: Px;
  max: Px;
  insets: [Px, Px];
  sticky: Sticky | null;
  viewport: { width: Px; height: Px };
  em: Px;
  rem: Px;
}

/**
 * Geometry of one measured element on an axis, with view-timeline insets as CSS lengths (percentages refer to the scrollport).
 * A fixed element lies at the page's top for its timeline, wherever it is drawn.
 */
export function computeGeometry(
  layout: Layout,
  element: number,
  axis: Axis,
  insets: readonly [string, string] = ['0px', '0px'],
): Geometry {
  const e = itemAt(layout.elements, element);
  const scroller = itemAt(layout.scrollers, e.scroller);
  const block = axis === 'block';
  // The axes are those of the scroller’s writing mode.
  const down = block !== (scroller.vertical === true);
  const port = down ? scroller.port.height : scroller.port.width;
  const padding = block ? scroller.padding : scroller.paddingInline;
  const em = e.fontSize ?? 16;
  const rem = layout.page.rem ?? 16;
  const inset = (css: string, side: 0 | 1): Px => {
    const parsed = parseLength(css === 'auto' ? (padding?.[side] ?? '0px') : css);
    return parsed.ok ? resolveLength(parsed.value, { percent: port, viewport: layout.viewport, em, rem }) : 0;
  };
  const own = e.asSubject ?? { ...e.box, x: 0, y: 0 };
  return {
    top: down ? e.box.y + own.y : e.box.x + own.x,
    size: down ? own.height : own.width,
    port,
    max: block ? scroller.max.block : scroller.max.inline,
    insets: [inset(insets[0], 0), inset(insets[1], 1)],
    sticky: block && down ? e.sticky : null,
    viewport: layout.viewport,
    em,
    rem,
  };
}
