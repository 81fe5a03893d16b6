/** The size of a hand-off, worked out in a worker of its own. */
import type { PageTexts } from '@lyvek/api';
import type { OwnScript, PinnedLayout, MotionDocument } from '@lyvek/core';

export interface SizeQuestion {
  document: MotionDocument;
  layout: PinnedLayout;
  entry: string;
  texts: PageTexts;
  /** bytes of each script that it may include */
  scripts: Record<OwnScript, number>;
}

/** Bytes of CSS and script together. */
export function sizeOfHandOff(question: SizeQuestion, signal: AbortSignal): Promise<number> {
  return new Promise((done, fail) => {
    const worker = new Worker(new URL('./workers/size-worker.ts', import.meta.url), { type: 'module' });
    const end = () => worker.terminate();
    signal.addEventListener('abort', () => {
      end();
      fail(new DOMException('no longer wanted', 'AbortError'));
    });
    worker.onmessage = ({ data }: MessageEvent<number>) => {
      end();
      done(data);
    };
    worker.onerror = (e) => {
      end();
      fail(new Error(e.message));
    };
    worker.postMessage(question);
  });
}
