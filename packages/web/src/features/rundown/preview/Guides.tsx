/** Over the page: the chosen element's untransformed box, and the lines it meets. Nothing covers the page's content. */
import { useStore } from 'zustand';
import { asView, drawnAt, pageBox, itemAt } from '@lyvek/core';
import type { ElementFacts } from '@lyvek/core';
import { useShownPage } from '../../../preview/shown-page.ts';
import { elementName } from '../../../editor/words.ts';
import { useRundown, useNearest, useShownElement } from '../rundown-context.ts';
import { useLines } from './use-lines.ts';

export function Guides({ scale, width, height }: { scale: number; width: number; height: number }) {
  const { link } = useShownPage();
  const { layout, guides, outlines } = useRundown();
  const shown = useShownElement();
  const bar = useNearest();
  const y = useStore(link.store, (s) => s.offset.y);
  const hovered = useStore(link.store, (s) => s.hovered);
  const found = useStore(link.store, (s) => s.found);
  const lines = useLines();
  const element = layout.elements[shown];
  const under = layout.elements[hovered];
  const view = bar && asView(bar.motion.driver);
  const subject =
    view && view.subject !== 'self' ? layout.elements.findIndex((e) => e.selector === view.subject) : -1;
  return (
    <svg className="guides" width={width} height={height} aria-hidden="true">
      {outlines && under && under !== element && <Outline e={under} y={y} scale={scale} className="under" />}
      {outlines && layout.elements[subject] && (
        <Outline e={itemAt(layout.elements, subject)} y={y} scale={scale} className="subject" />
      )}
      {found?.elements.map((i) => {
        const e = layout.elements[i];
        return e && <Outline key={i} e={e} y={y} scale={scale} className="found" />;
      })}
      {outlines && element && (
        <Outline
          e={element}
          y={y}
          scale={scale}
          className="own"
          name={bar?.motion.name ?? elementName(element, layout)}
          width={width}
          height={height}
        />
      )}
      {guides &&
        lines
          .filter((l) => l.line >= 0 && l.line <= 1)
          .map((l) => (
            <g key={l.side}>
              <path className="guide-under" d={`M0 ${l.line * height}H${width}`} />
              <path className="guide-line" d={`M0 ${l.line * height}H${width}`} />
              <path
                className="guide-tick"
                d={`M0 ${l.line * height}h12M${width - 12} ${l.line * height}h12`}
              />
            </g>
          ))}
    </svg>
  );
}

/** px, of a name’s plate */
const TAG = 16;

/** Where a name stands: beside what is thin, else above it, else below it, and in it only where it fills the window. */
function findTagTop(top: number, tall: number, height: number, beside: boolean): number {
  if (beside) return top + tall / 2 - TAG / 2;
  const isInSight = top >= 0 && top + tall + TAG + 2 < height;
  return top < TAG + 2 && isInSight ? top + tall + 2 : top - TAG - 2;
}

function Outline({
  e,
  y,
  scale,
  className,
  name,
  width = 0,
  height = 0,
}: {
  e: ElementFacts;
  y: number;
  scale: number;
  className: string;
  name?: string;
  /** of the preview */
  width?: number;
  height?: number;
}) {
  const { layout } = useRundown();
  // What lies in an inner scroller is outlined as it stands before that is scrolled.
  const inner = e.scroller !== 0 && !e.fixed ? pageBox(layout, layout.elements.indexOf(e)) : null;
  const top = (inner ? inner.y - y : drawnAt(e, y)) * scale;
  const box = {
    x: (inner ?? e.box).x * scale,
    y: top,
    width: e.box.width * scale,
    height: e.box.height * scale,
  };
  const w = (name?.length ?? 0) * 5.9 + 12;
  // Above it; what is thinner than its name has it beside, or the words that it underlines would be hidden.
  const beside = box.height < TAG && box.x + box.width + w + 12 < width;
  const tag = {
    x: beside ? box.x + box.width + 6 : Math.max(0, box.x),
    y: Math.min(Math.max(0, findTagTop(top, box.height, height, beside)), height - 18),
  };
  return (
    <g className={`box-outline ${className}`}>
      <rect className="outline-under" {...box} />
      <rect className="outline-line" {...box} />
      {name && top > -box.height && top < height + 40 && (
        <g className="outline-tag" transform={`translate(${tag.x} ${tag.y})`}>
          <rect width={w} height={TAG} rx={2} />
          <text x={6} y={11.5}>
            {name}
          </text>
        </g>
      )}
    </g>
  );
}
