/** A place where files may be dropped. */
import { useState } from 'react';
import type { DragEvent } from 'react';

/** Whether files are held over it, and what it listens to. */
export function useFileDrop(onDrop: (files: DataTransfer) => void) {
  const [over, setOver] = useState(false);
  return {
    over,
    listeners: {
      onDragOver(e: DragEvent) {
        e.preventDefault();
        setOver(true);
      },
      onDragLeave: (e: DragEvent) => e.currentTarget === e.target && setOver(false),
      onDrop(e: DragEvent) {
        e.preventDefault();
        setOver(false);
        onDrop(e.dataTransfer);
      },
    },
  };
}
