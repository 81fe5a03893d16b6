/** Sizes of panes whose borders people drag: each is a share of the room it is in, and this browser remembers it. */
import { useCallback, useState } from 'react';

const KEY = 'lyvek-panes';

function readShares(): Record<string, number> {
  try {
    const stored = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Record<string, unknown>;
    return Object.fromEntries(
      Object.entries(stored).filter(
        (e): e is [string, number] => typeof e[1] === 'number' && e[1] > 0 && e[1] < 1,
      ),
    );
  } catch {
    // Nothing was stored yet, or not by us.
    return {};
  }
}

export interface PaneBounds {
  /** px of the room that the pane is a part of */
  room: number;
  /** px where nobody has chosen a size */
  usual: number;
  least: number;
  most: number;
}

export interface Pane {
  px: number;
  least: number;
  most: number;
  /** px; null: back to the usual size */
  resize(px: number | null): void;
}

/** The size of a pane, kept between its bounds; what is stored is the share that was chosen, not the px it came to. */
export function usePane(name: string, { room, usual, least, most }: PaneBounds): Pane {
  const [share, setShare] = useState<number | null>(() => readShares()[name] ?? null);
  const resize = useCallback(
    (px: number | null) => {
      const next = px === null || room <= 0 ? null : Math.min(0.98, Math.max(0.02, px / room));
      setShare(next);
      const { [name]: _, ...others } = readShares();
      localStorage.setItem(KEY, JSON.stringify(next === null ? others : { ...others, [name]: next }));
    },
    [name, room],
  );
  const wanted = share === null ? usual : share * room;
  const px = Math.round(Math.max(least, Math.min(Math.max(least, most), wanted)));
  return { px, least, most: Math.max(least, most), resize };
}
