/** Reads what a video’s file says of itself: how far its key frames are apart. The file is somebody’s, so it is read within limits. */
import { ALL_FORMATS, BufferSource, EncodedPacketSink, Input } from 'mediabunny';
import type { VideoFile } from '@lyvek/core';

/** Pictures that are looked at: an hour at 60 Hz. */
const MAX_PICTURES = 216_000;

/** The most pictures from one key frame to the next, the last one ending with the file; undefined where it cannot be read. */
async function readKeyFrames(bytes: Uint8Array): Promise<number | undefined> {
  const input = new Input({ source: new BufferSource(bytes), formats: ALL_FORMATS });
  try {
    const track = await input.getPrimaryVideoTrack();
    if (!track) return undefined;
    let [most, since, all] = [0, 0, 0];
    const packets = new EncodedPacketSink(track).packets(undefined, undefined, { metadataOnly: true });
    for await (const { type } of packets) {
      if (type === 'key') since = 0;
      most = Math.max(most, ++since);
      if (++all >= MAX_PICTURES) break;
    }
    return all === 0 ? undefined : most;
  } catch {
    // No video, or a broken one: its page shows that anyway.
    return undefined;
  } finally {
    input.dispose();
  }
}

export async function readVideoFile(path: string, bytes: Uint8Array): Promise<VideoFile> {
  const keyFrames = await readKeyFrames(bytes);
  return { path, bytes: bytes.length, ...(keyFrames === undefined ? {} : { keyFrames }) };
}
