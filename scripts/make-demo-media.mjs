/**
 * Draws the videos and pictures of the demo: for the night the sky that turns about its pole, and the moon from new to full; for Hessle a shuttle, with a single
 * key frame. They follow from the constants below; another version of the browser encodes a little differently. Run it after changing it:
 * node scripts/make-demo-media.mjs
 */
import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromium } from '@playwright/test';

const inRoot = (...path) => join(dirname(dirname(fileURLToPath(import.meta.url))), ...path);

/* global FileReader, OffscreenCanvas */
/** Runs in the page: draws with a canvas, encodes with the browser. */
async function draw({ sky, moon, shuttle }) {
  let seed = 1040;
  const random = () => (seed = (seed * 1664525 + 1013904223) % 4294967296) / 4294967296;
  const toBase64 = async (blob) =>
    (
      await new Promise((done) => {
        const reader = new FileReader();
        reader.onload = () => done(reader.result);
        reader.readAsDataURL(blob);
      })
    ).split(',')[1];

  const stars = Array.from({ length: 420 }, () => ({
    far: 8 + 780 * Math.sqrt(random()),
    angle: random() * 2 * Math.PI,
    size: 0.5 + 1.5 * random() ** 4,
    light: 0.25 + 0.6 * random(),
    warm: random() > 0.8,
  }));
  const [width, height] = [sky.width, sky.height];
  const canvas = new OffscreenCanvas(width, height);
  const pen = canvas.getContext('2d');
  /** Trails grow as the night goes on, and the sky brightens before its end. */
  const drawSky = (share) => {
    const ground = pen.createLinearGradient(0, 0, 0, height);
    ground.addColorStop(0, '#0b1122');
    ground.addColorStop(1, `rgb(${24 + 60 * share ** 4} ${33 + 30 * share ** 4} ${62 + 20 * share ** 4})`);
    pen.fillStyle = ground;
    pen.fillRect(0, 0, width, height);
    const [x, y] = [width * 0.5, height * 0.62];
    for (const { far, angle, size, light, warm } of stars) {
      pen.strokeStyle = warm ? `rgb(243 207 157 / ${light})` : `rgb(214 226 246 / ${light})`;
      pen.lineWidth = size;
      pen.beginPath();
      pen.arc(x, y, far, angle, angle + 0.01 + share * 1.4);
      pen.stroke();
    }
    pen.fillStyle = '#070b14';
    pen.beginPath();
    pen.moveTo(0, height);
    for (let i = 0; i <= 60; i++)
      pen.lineTo(
        (i / 60) * width,
        height * (0.86 - 0.05 * Math.sin(i * 0.35) - 0.03 * Math.sin(i * 1.3 + 1)),
      );
    pen.lineTo(width, height);
    pen.fill();
    pen.beginPath();
    pen.arc(width * 0.5, height * 0.84, height * 0.075, Math.PI, 0);
    pen.rect(width * 0.5 - height * 0.075, height * 0.84, height * 0.15, height * 0.1);
    pen.fill();
  };
  const { BufferTarget, CanvasSource, Output, WebMOutputFormat } = globalThis.Mediabunny;
  /** What `paint` draws for shares of the way from 0 to 1, as a video. */
  async function encode(on, { pictures, rate, keyFrameEvery, bitrate }, paint) {
    const output = new Output({ format: new WebMOutputFormat(), target: new BufferTarget() });
    const source = new CanvasSource(on, { codec: 'vp9', bitrate, keyFrameInterval: keyFrameEvery / rate });
    output.addVideoTrack(source, { frameRate: rate });
    await output.start();
    for (let i = 0; i < pictures; i++) {
      paint(i / (pictures - 1));
      await source.add(i / rate, 1 / rate);
    }
    await output.finalize();
    return toBase64(new Blob([output.target.buffer]));
  }
  const video = await encode(canvas, sky, drawSky);
  drawSky(0);
  const poster = await toBase64(await canvas.convertToBlob({ type: 'image/webp', quality: 0.8 }));

  const moons = [];
  const disc = new OffscreenCanvas(moon.size, moon.size);
  const moonPen = disc.getContext('2d');
  const spots = Array.from({ length: 26 }, () => [
    random() - 0.5,
    random() - 0.5,
    0.03 + 0.12 * random() ** 2,
  ]);
  for (let i = 0; i < moon.pictures; i++) {
    const [r, lit] = [moon.size / 2, i / (moon.pictures - 1)];
    moonPen.setTransform(1, 0, 0, 1, r, r);
    moonPen.clearRect(-r, -r, moon.size, moon.size);
    moonPen.save();
    moonPen.beginPath();
    moonPen.arc(0, 0, r - 2, 0, 2 * Math.PI);
    moonPen.clip();
    moonPen.fillStyle = '#e9dfc2';
    moonPen.fillRect(-r, -r, moon.size, moon.size);
    moonPen.fillStyle = 'rgb(150 140 118 / 0.35)';
    for (const [x, y, size] of spots) {
      moonPen.beginPath();
      moonPen.arc(x * 1.7 * r, y * 1.7 * r, size * moon.size, 0, 2 * Math.PI);
      moonPen.fill();
    }
    // The shadow: the left half, and half an ellipse that is first added to it, then taken from it.
    moonPen.fillStyle = 'rgb(14 22 40 / 0.93)';
    moonPen.beginPath();
    moonPen.arc(0, 0, r, Math.PI / 2, -Math.PI / 2);
    moonPen.ellipse(0, 0, Math.abs(1 - 2 * lit) * r, r, 0, -Math.PI / 2, Math.PI / 2, lit > 0.5);
    moonPen.fill();
    moonPen.restore();
    moons.push(await toBase64(await disc.convertToBlob({ type: 'image/webp', quality: 0.8 })));
  }
  const loom = new OffscreenCanvas(shuttle.width, shuttle.height);
  const loomPen = loom.getContext('2d');
  const thrown = await encode(loom, shuttle, (share) => {
    loomPen.fillStyle = '#efe7d8';
    loomPen.fillRect(0, 0, shuttle.width, shuttle.height);
    loomPen.fillStyle = '#38546b';
    for (let x = 6; x < shuttle.width; x += 12) loomPen.fillRect(x, 0, 3, shuttle.height);
    loomPen.fillStyle = '#a3452f';
    loomPen.beginPath();
    loomPen.ellipse(share * shuttle.width, shuttle.height / 2, 34, 9, 0, 0, 2 * Math.PI);
    loomPen.fill();
  });
  return { video, poster, moons, thrown };
}

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium' });
try {
  const page = await browser.newPage();
  // Encoders are only there for pages that came safely.
  await page.route('**/*', (route) =>
    route.fulfill({ contentType: 'text/html', body: '<title>Media</title>' }),
  );
  await page.goto('https://media.invalid/');
  await page.addScriptTag({
    path: inRoot('node_modules', 'mediabunny', 'dist', 'bundles', 'mediabunny.cjs'),
  });
  const { video, poster, moons, thrown } = await page.evaluate(draw, {
    sky: { width: 720, height: 405, pictures: 72, rate: 24, keyFrameEvery: 8, bitrate: 5e5 },
    moon: { size: 240, pictures: 24 },
    shuttle: { width: 320, height: 180, pictures: 60, rate: 24, keyFrameEvery: 600, bitrate: 6e4 },
  });
  const write = (page, name, base64) => {
    mkdirSync(inRoot('demo', page, 'media'), { recursive: true });
    writeFileSync(inRoot('demo', page, 'media', name), Buffer.from(base64, 'base64'));
  };
  write('night', 'sky.webm', video);
  write('night', 'sky.webp', poster);
  moons.forEach((m, i) => write('night', `moon-${String(i + 1).padStart(2, '0')}.webp`, m));
  write('hessle', 'shuttle.webm', thrown);
} finally {
  await browser.close();
}
