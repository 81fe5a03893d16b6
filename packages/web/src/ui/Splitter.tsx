/** The border between two panes: dragged, moved by arrows, put back by a double click. */
import type { Pane } from './panes.ts';
import { beginDrag } from './drag.ts';

const STEP_PX = 16;

interface SplitterProps {
  /** which pane it sizes, as it is announced */
  label: string;
  pane: Pane;
  /** `columns`: the pane lies to its left; `rows`: the pane lies below it */
  between: 'columns' | 'rows';
  className?: string;
}

export function Splitter({ label, pane, between, className = '' }: SplitterProps) {
  const sign = between === 'columns' ? 1 : -1;
  const resize = (px: number) => pane.resize(Math.max(pane.least, Math.min(pane.most, px)));
  return (
    <div
      className={`splitter ${between} ${className}`}
      role="separator"
      aria-label={label}
      aria-orientation={between === 'columns' ? 'vertical' : 'horizontal'}
      aria-valuenow={pane.px}
      aria-valuemin={pane.least}
      aria-valuemax={pane.most}
      tabIndex={0}
      onPointerDown={(e) => {
        const { clientX } = e;
        const from = pane.px;
        const sizeAt = (by: number, event: PointerEvent) =>
          from + sign * (between === 'columns' ? event.clientX - clientX : by);
        const begun = beginDrag(e, {
          move: (by, event) => resize(sizeAt(by, event)),
          drop: (by, event) => resize(sizeAt(by, event)),
          putBack: (given) => given && resize(from),
        });
        if (begun) e.preventDefault();
      }}
      onDoubleClick={() => pane.resize(null)}
      onKeyDown={(e) => {
        const back = between === 'columns' ? 'ArrowLeft' : 'ArrowUp';
        const forth = between === 'columns' ? 'ArrowRight' : 'ArrowDown';
        if (e.key === 'Home') pane.resize(null);
        else if (e.key === back || e.key === forth)
          resize(pane.px + sign * (e.key === forth ? STEP_PX : -STEP_PX));
        else return;
        e.preventDefault();
        e.stopPropagation();
      }}
    />
  );
}
