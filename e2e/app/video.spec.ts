/** A video that the scroll drives: recorded here, added with a page, scrubbed in the preview and in the finished page. */
import { expect, test } from '@playwright/test';
import type { Frame, Page } from '@playwright/test';
import { present } from '@lyvek/core';
import { strToU8, zipSync } from 'fflate';
import { addMotion, openNew, pick, saved } from '../support/app.ts';
import { getHandOff, serveFiles } from '../support/handed-off.ts';
import { elapse } from '../support/time.ts';

const PAGE = `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Tide</title><style>body{margin:0}header,footer{height:1200px}video{display:block;width:480px;height:270px;margin:auto}</style></head>
<body><header><h1>Tide</h1></header><video src="tide.webm" muted playsinline preload="auto" autoplay loop></video><footer></footer></body></html>`;

/** A second and more of a picture that grows from black to red. */
async function record(page: Page): Promise<Buffer> {
  const base64 = await page.evaluate(async () => {
    const canvas = document.createElement('canvas');
    canvas.width = canvas.height = 64;
    const context = canvas.getContext('2d')!;
    const stream = canvas.captureStream(0);
    const recorder = new MediaRecorder(stream, { mimeType: 'video/webm;codecs=vp8' });
    const chunks: Blob[] = [];
    recorder.ondataavailable = (e) => chunks.push(e.data);
    recorder.start();
    const began = performance.now();
    for (let at = 0; at < 1200; at = performance.now() - began) {
      context.fillStyle = `rgb(${Math.round((at / 1200) * 255)}, 0, 0)`;
      context.fillRect(0, 0, 64, 64);
      (stream.getVideoTracks()[0] as CanvasCaptureMediaStreamTrack).requestFrame();
      await new Promise((done) => requestAnimationFrame(done));
    }
    await new Promise((done) => {
      recorder.onstop = done;
      recorder.stop();
    });
    const bytes = new Uint8Array(await new Blob(chunks).arrayBuffer());
    return btoa(String.fromCharCode(...bytes));
  });
  return Buffer.from(base64, 'base64');
}

const look = (page: Page | Frame) =>
  page.evaluate(() => {
    const video = document.querySelector('video')!;
    return { at: video.currentTime / video.duration, paused: video.paused };
  });
/** How red its picture is, 0 to 1. */
const readRed = (page: Page) =>
  page.evaluate(() => {
    const video = document.querySelector('video')!;
    const canvas = document.createElement('canvas');
    canvas.width = canvas.height = 8;
    const context = canvas.getContext('2d')!;
    context.drawImage(video, 0, 0, 8, 8);
    return (context.getImageData(4, 4, 1, 1).data[0] ?? 0) / 255;
  });
const goTo = (page: Page | Frame, y: number) =>
  page.evaluate((top) => scrollTo({ top, behavior: 'instant' }), y);

/** It enters at 400 px and has left at 1,470: the whole of its view progress. */
async function isScrubbed(page: Page | Frame): Promise<void> {
  for (const share of [0, 0.25, 0.5, 1, 0.75, 0.1]) {
    await goTo(page, 400 + share * 1070);
    await expect.poll(async () => (await look(page)).at).toBeCloseTo(share, 1);
    // The preview’s pictures are of another origin.
    if ('mouse' in page)
      await expect.poll(async () => Math.abs((await readRed(page)) - share)).toBeLessThan(0.2);
    expect((await look(page)).paused).toBe(true);
  }
}

test('a video goes on and back with the scroll, and waits for the reader', async ({
  page,
  context,
  request,
}) => {
  await page.goto('about:blank');
  const video = await record(page);
  const zip = zipSync({ 'index.html': strToU8(PAGE), 'tide.webm': new Uint8Array(video) });
  const id = await openNew(page, request, `Video ${Date.now()}`, Buffer.from(zip));
  await pick(page, 'h1');
  await page.keyboard.press('a');
  await page.getByRole('textbox', { name: 'Search starting points' }).fill('Scrub a video');
  await expect(page.getByRole('option', { name: /Scrub a video/ })).toHaveAttribute('aria-disabled', 'true');
  await page.keyboard.press('Escape');
  await pick(page, 'video');
  await addMotion(page, 'Scrub a video');
  await saved(page);
  await expect(page.locator('.inspector')).toContainText('scrubs the video');
  const frame = present(page.frames().find((f) => f.parentFrame() === page.mainFrame()));
  await isScrubbed(frame);

  // A file is given by parts, as it is sought.
  const address = present(await page.locator('.preview-page iframe').getAttribute('src'));
  const whole = new URL('tide.webm', new URL(address, page.url()));
  const part = (range: string) =>
    request.get(whole.href.replace(whole.hostname, '127.0.0.1'), { headers: { range, host: whole.host } });
  const some = await part('bytes=10-19');
  expect([some.status(), (await some.body()).equals(video.subarray(10, 20))]).toEqual([206, true]);
  expect((await part(`bytes=${video.length}-`)).status()).toBe(416);
  expect((await part('lines=1-2')).status()).toBe(200);

  const files = await getHandOff(request, id);
  expect(Object.keys(files)).toEqual(expect.arrayContaining(['motion-runtime.js', 'motion-videos.js']));
  const site = await context.newPage();
  await site.setViewportSize({ width: 1280, height: 800 });
  await serveFiles(site, files);
  await site.goto('http://handed.off/');
  await isScrubbed(site);
  // Readers who ask for reduced motion have a video that stands.
  await site.emulateMedia({ reducedMotion: 'reduce' });
  await site.goto('http://handed.off/');
  await expect.poll(() => site.evaluate(() => document.querySelector('video')!.readyState)).toBe(4);
  await site.evaluate(() => document.querySelector('video')!.pause());
  const stood = (await look(site)).at;
  await goTo(site, 1200);
  await elapse(site, 400);
  expect((await look(site)).at).toBe(stood);
});
