/** The lab reaches the files of one page and nothing else: every way out of a page is tried against ports that listen. */
import { itemAt } from '@lyvek/core';
import { createServer } from 'node:net';
import type { AddressInfo } from 'node:net';
import { createSocket } from 'node:dgram';
import { expect, test } from '@playwright/test';
import { filesInMemory, withPage } from '@lyvek/server/lab';
import { elapse } from '../support/time.ts';

/** All gestures that a browser has to reach another machine, or another port of this one. */
const page = (tcp: number, udp: number) => `<!doctype html><html><head><title>Out</title>
<link rel="preconnect" href="http://127.0.0.1:${tcp}"><link rel="dns-prefetch" href="http://127.0.0.1:${tcp}">
<link rel="prefetch" href="http://127.0.0.1:${tcp}/prefetch"><link rel="preload" as="fetch" crossorigin href="http://127.0.0.1:${tcp}/preload">
<link rel="stylesheet" href="http://127.0.0.1:${tcp}/style.css"><link rel="icon" href="http://127.0.0.1:${tcp}/icon.png">
<style>@font-face { font-family: x; src: url(http://127.0.0.1:${tcp}/font.woff2) } body { font-family: x; background: url(http://localhost:${tcp}/back.png) }</style>
<script type="speculationrules">{"prefetch":[{"urls":["http://127.0.0.1:${tcp}/rules"],"eagerness":"immediate"}],"prerender":[{"urls":["http://127.0.0.1:${tcp}/prerender"],"eagerness":"immediate"}]}</script>
</head><body>Words in a font<img src="http://127.0.0.1:${tcp}/img.png"><iframe src="http://127.0.0.1:${tcp}/frame"></iframe>
<video src="http://[::1]:${tcp}/video.mp4"></video><object data="http://127.0.0.1:${tcp}/object"></object>
<form id="f" target="_blank" action="http://127.0.0.1:${tcp}/form"></form>
<script src="http://127.0.0.1:${tcp}/script.js"></script>
<script>
const tries = {
  fetch: () => fetch('http://127.0.0.1:${tcp}/fetch', { mode: 'no-cors' }),
  xhr: () => { const x = new XMLHttpRequest(); x.open('GET', 'http://127.0.0.1:${tcp}/xhr'); x.send(); },
  beacon: () => navigator.sendBeacon('http://127.0.0.1:${tcp}/beacon', 'x'),
  keepalive: () => fetch('http://127.0.0.1:${tcp}/keepalive', { mode: 'no-cors', keepalive: true, method: 'POST' }),
  events: () => new EventSource('http://127.0.0.1:${tcp}/events'),
  socket: () => new WebSocket('ws://127.0.0.1:${tcp}/socket'),
  localsocket: () => new WebSocket('ws://localhost:${tcp}/socket'),
  transport: () => new WebTransport('https://127.0.0.1:${udp}/'),
  stun: () => { const c = new RTCPeerConnection({ iceServers: [{ urls: 'stun:127.0.0.1:${udp}' }] }); c.createDataChannel('x'); c.createOffer().then((o) => c.setLocalDescription(o)); },
  turn: () => { const c = new RTCPeerConnection({ iceServers: [{ urls: 'turn:127.0.0.1:${tcp}?transport=tcp', username: 'u', credential: 'p' }] }); c.createDataChannel('x'); c.createOffer().then((o) => c.setLocalDescription(o)); },
  worker: () => new Worker(URL.createObjectURL(new Blob(["fetch('http://127.0.0.1:${tcp}/worker', { mode: 'no-cors' }); new WebSocket('ws://127.0.0.1:${tcp}/worker')"]))),
  shared: () => new SharedWorker(URL.createObjectURL(new Blob(["fetch('http://127.0.0.1:${tcp}/shared', { mode: 'no-cors' }); new WebSocket('ws://127.0.0.1:${tcp}/shared'); new EventSource('http://127.0.0.1:${tcp}/shared-events')"]))),
  service: () => navigator.serviceWorker.register('/sw.js'),
  window: () => window.open('http://127.0.0.1:${tcp}/window'),
  form: () => document.getElementById('f').submit(),
  import: () => import('http://127.0.0.1:${tcp}/module.js'),
};
window.tried = [];
for (const [name, way] of Object.entries(tries)) try { tried.push(name); Promise.resolve(way()).catch(() => 0); } catch (e) { tried.push(name + ' is not there'); }
</script></body></html>`;

test('no port of this machine hears of a page in the lab, by any of the ways out of a page', async () => {
  const heard: string[] = [];
  const server = createServer((s) => {
    heard.push('tcp');
    s.on('data', (d) => heard.push(itemAt(d.toString('utf8').split('\n'), 0)));
    s.on('error', () => undefined);
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  const socket = createSocket('udp4', () => heard.push('udp'));
  await new Promise<void>((done) => socket.bind(0, '127.0.0.1', done));
  const ports = [(server.address() as AddressInfo).port, socket.address().port] as const;
  // The ports do listen.
  await fetch(`http://127.0.0.1:${ports[0]}/here`, { signal: AbortSignal.timeout(300) }).catch(
    () => undefined,
  );
  socket.send('here', ports[1], '127.0.0.1');
  await expect.poll(() => heard.includes('udp') && heard.includes('tcp')).toBe(true);
  heard.length = 0;
  const files = new Map([['index.html', new TextEncoder().encode(page(...ports))]]);
  const tried = await withPage(
    filesInMemory('index.html', files),
    { width: 800, height: 600 },
    async ({ page: p }) => {
      await elapse(p, 5000);
      return p.evaluate('window.tried') as Promise<string[]>;
    },
  );
  server.close();
  socket.close();
  expect(tried.length).toBeGreaterThanOrEqual(14);
  expect(heard).toEqual([]);
});
