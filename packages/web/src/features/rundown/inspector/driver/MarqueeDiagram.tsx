/** The screen with the strip running through it. Dragging the strip sets its speed: what a second of it would be. */
import { itemAt, lastItem } from '@lyvek/core';
import type { Layout } from '@lyvek/core';
import { beginDrag } from '../../../../ui/drag.ts';
import type { Bar } from '../../../../editor/model/bars.ts';
import type { Marquee } from '../../../../editor/drivers/marquee/marquee.ts';
import { grouped } from '../../../../editor/strip/view.ts';
import { useRundown } from '../../rundown-context.ts';
import { marqueeDiagramText } from './text.ts';

const W = 168;
const H = 96;

interface MarqueeDiagramProps {
  bar: Bar;
  marquee: Marquee;
  onTry(speed: number | null): void;
  onPut(speed: number): void;
}

/** The items of a strip along it, and how far it goes until it looks the same again; px of the page. */
function measureStrip(layout: Layout, index: number, inline: boolean) {
  const element = itemAt(layout.elements, index);
  const parts = layout.elements
    .filter((e) => e.parent === index)
    .map(
      (e) =>
        (inline ? [e.box.x - element.box.x, e.box.width] : [e.box.y - element.box.y, e.box.height]) as [
          number,
          number,
        ],
    );
  const tiles = parts.length
    ? parts
    : [[0, inline ? element.box.width : element.box.height] as [number, number]];
  const last = lastItem(tiles);
  const gap = tiles[1] ? tiles[1][0] - itemAt(tiles, 0)[0] - itemAt(tiles, 0)[1] : 0;
  const period = Math.max(20, last[0] + last[1] + Math.max(0, gap));
  return { tiles, period };
}

export function MarqueeDiagram({ bar, marquee, onTry, onPut }: MarqueeDiagramProps) {
  const { layout } = useRundown();
  const { viewport } = layout;
  const element = itemAt(layout.elements, bar.element);
  const inline = marquee.axis === 'inline';
  const k = Math.min(W / viewport.width, H / viewport.height);
  const [w, h] = [viewport.width * k, viewport.height * k];
  const { tiles, period } = measureStrip(layout, bar.element, inline);
  const across = Math.max(6, (inline ? element.box.height : element.box.width) * k);
  const span = inline ? w : h;
  const runs = Math.min(40, Math.ceil(span / (period * k)) + 1);
  const arrow = Math.max(-span * 0.8, Math.min(span * 0.8, marquee.speed * k));
  const mid = (inline ? h : w) / 2;
  return (
    <div className="diagram">
      <h3>{marqueeDiagramText.onTheScreen}</h3>
      <svg
        width={W + 12}
        height={h + 4}
        role="img"
        aria-label={marqueeDiagramText.theStripMovesPx(marquee.speed)}
        className="marquee-drawing"
        onPointerDown={(e) => {
          const from = inline ? e.clientX : e.clientY;
          const was = marquee.speed;
          const at = (event: PointerEvent) =>
            Math.round((was - ((inline ? event.clientX : event.clientY) - from) / k) / 5) * 5;
          beginDrag(e, {
            move: (_, event) => onTry(at(event)),
            drop: (_, event) => onPut(at(event)),
            putBack: () => onTry(null),
          });
        }}
      >
        <title>{marqueeDiagramText.dragHowFarIt}</title>
        <clipPath id="marquee-port">
          <rect x={0} y={0} width={w} height={h} />
        </clipPath>
        <rect className="diagram-port" x={0.5} y={0.5} width={w} height={h} />
        <g clipPath="url(#marquee-port)" className="marquee-tiles">
          {Array.from({ length: runs }, (_, run) =>
            tiles.map(([at, size], i) => (
              <Tile
                key={`${run} ${i}`}
                isCopy={run > 0}
                inline={inline}
                from={(run * period + at) * k}
                length={Math.max(1, size * k)}
                mid={mid}
                across={across}
              />
            )),
          )}
        </g>
        {marquee.speed !== 0 && (
          <path
            className="marquee-arrow"
            d={
              inline
                ? `M${w / 2 + arrow / 2} ${mid}h${-arrow}m${Math.sign(arrow) * 6} -4l${-Math.sign(arrow) * 6} 4l${Math.sign(arrow) * 6} 4`
                : `M${mid} ${h / 2 + arrow / 2}v${-arrow}m-4 ${Math.sign(arrow) * 6}l4 ${-Math.sign(arrow) * 6}l4 ${Math.sign(arrow) * 6}`
            }
          />
        )}
      </svg>
      <p>
        {marqueeDiagramText.oneLoop} <b>{marqueeDiagramText.px(grouped(period))}</b>
        {marquee.speed !== 0 && (
          <>
            {marqueeDiagramText.inWord} <b>{(period / Math.abs(marquee.speed)).toFixed(1)} s</b>
          </>
        )}
        <br />
        {marqueeDiagramText.seenOverPxOf(grouped(bar.placed.end - bar.placed.start))}
      </p>
    </div>
  );
}

interface TileProps {
  isCopy: boolean;
  inline: boolean;
  /** along the strip */
  from: number;
  length: number;
  /** across it */
  mid: number;
  across: number;
}

const Tile = ({ isCopy, inline, from, length, mid, across }: TileProps) => (
  <rect
    className={isCopy ? 'copy' : ''}
    {...(inline
      ? { x: from, y: mid - across / 2, width: length, height: across }
      : { x: mid - across / 2, y: from, width: across, height: length })}
  />
);
