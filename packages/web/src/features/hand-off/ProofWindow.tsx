/** A small window into the page while it is being proved; a frame that cannot be seen would not be drawn. */
import { useEffect, useRef } from 'react';
import type { Viewport } from '@lyvek/core';

let open: HTMLElement | null = null;
/** Where the frame of a proof belongs; null while no window is shown. */
export const proofWindow = (): HTMLElement | null => open;

export function ProofWindow({ width, viewport }: { width: number; viewport: Viewport }) {
  const box = useRef<HTMLDivElement>(null);
  const scale = width / viewport.width;
  useEffect(() => {
    open = box.current;
    return () => {
      open = null;
    };
  }, []);
  return (
    <div className="proof-frame" style={{ width, height: viewport.height * scale }}>
      <div
        ref={box}
        style={{ width: viewport.width, height: viewport.height, transform: `scale(${scale})` }}
      />
    </div>
  );
}
