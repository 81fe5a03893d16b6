import type { Request, Response } from 'express';

/** A file, or the part of it that is asked for (RFC 9110, §14): a video is sought by parts. */
export function sendBytes(req: Request, res: Response, bytes: Buffer): void {
  res.setHeader('Accept-Ranges', 'bytes');
  const ranges = req.range(bytes.length);
  if (ranges === -1) {
    res.setHeader('Content-Range', `bytes */${bytes.length}`);
    return void res.status(416).end();
  }
  // What is not understood, and several parts at once, may be answered with all of it.
  const only = Array.isArray(ranges) && ranges.type === 'bytes' && ranges.length === 1 ? ranges[0] : null;
  if (!only) return void res.send(bytes);
  res.setHeader('Content-Range', `bytes ${only.start}-${only.end}/${bytes.length}`);
  res.status(206).send(bytes.subarray(only.start, only.end + 1));
}
