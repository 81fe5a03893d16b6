import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { readVideoFile } from './video-file.ts';

const sky = readFileSync(new URL('../../../../demo/night/media/sky.webm', import.meta.url));

describe('what a video’s file says', () => {
  test('how many pictures lie between its key frames, as it was encoded', async () => {
    expect(await readVideoFile('sky.webm', sky)).toEqual({
      path: 'sky.webm',
      bytes: sky.length,
      keyFrames: 8,
    });
  });

  test('of one that is cut off, or none at all, how large it is', async () => {
    const cut = sky.subarray(0, 60);
    expect(await readVideoFile('cut.webm', cut)).toEqual({ path: 'cut.webm', bytes: 60 });
    const text = Buffer.from('<html>not a film</html>');
    expect(await readVideoFile('text.mp4', text)).toEqual({ path: 'text.mp4', bytes: text.length });
    expect(await readVideoFile('none.mov', Buffer.alloc(0))).toEqual({ path: 'none.mov', bytes: 0 });
  });

  test('whatever bytes are wrong in it, it answers', async () => {
    for (let seed = 1; seed <= 40; seed++) {
      const broken = Buffer.from(sky);
      for (let i = 0; i < 30; i++)
        broken[(seed * 7919 + i * i * 104729) % Math.min(sky.length, 4000)] = (seed * 31 + i * 17) % 256;
      const { bytes, keyFrames } = await readVideoFile('broken.webm', broken);
      expect(bytes).toBe(sky.length);
      if (keyFrames !== undefined) expect(keyFrames).toBeGreaterThan(0);
    }
  });
});
