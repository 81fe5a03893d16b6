/** What devices reach: the page, the letters that let them in, and two narrow ways in which page and workbench speak. Nothing else is here. */
import express from 'express';
import type { Request, Response } from 'express';
import mime from 'mime-types';
import { DeviceReport } from '@lyvek/api';
import { insertFirstInHead, lastItem } from '@lyvek/core';
import { sendBytes } from '../http/send-bytes.ts';
import { Attempts } from './attempts.ts';
import { isSame } from './codes.ts';
import type { Devices } from './devices.ts';
import { endScreen, typingScreen, waitingScreen } from './screens.ts';
import type { ShownFiles } from './show.ts';

interface Listened {
  /** as it is now: it changes with every edit */
  running: { shown: ShownFiles; token: string; code: string };
  devices: Devices;
  script: () => string;
  /** as devices ask for it */
  host: string;
}

/** A report is small; a page that sends more is not of ours. */
const MAX_REPORT = '16kb';
/** Frames of a long page; only what was asked is read. */
const MAX_ANSWER = '4mb';
const SCREEN =
  "default-src 'none'; style-src 'unsafe-inline'; form-action 'self'; frame-ancestors 'none'; base-uri 'none'";
const SECRET = '/:secret';

export function listen({ running, devices, script, host }: Listened): express.Express {
  const attempts = new Attempts();
  const app = express();
  app.disable('x-powered-by');
  app.set('query parser', 'simple');
  app.use((req, res, next) => {
    res.setHeader('X-Content-Type-Options', 'nosniff');
    res.setHeader('Referrer-Policy', 'no-referrer');
    res.setHeader('Cache-Control', 'no-store');
    res.setHeader('Content-Security-Policy', SCREEN);
    // Another name for this address is somebody else’s.
    if (req.headers.host !== host) return void res.status(421).send(endScreen('This is another address.'));
    next();
  });
  const screen = (res: Response, html: string, status = 200) =>
    void res.status(status).type('html').send(html);
  const nothing = (res: Response) => screen(res, endScreen('This link is no longer in use.'), 404);
  const from = (req: Request) => req.socket.remoteAddress ?? '';
  /** Lets a device wait, or holds it up. */
  const knock = (req: Request, res: Response, isRight: boolean) => {
    if (attempts.isHeldUp(from(req)))
      return screen(res, typingScreen('Too many wrong letters. Wait a minute, then try again.'), 429);
    if (!isRight) {
      attempts.fail(from(req));
      return screen(res, typingScreen('These are other letters. Look at them again.'), 403);
    }
    const device = devices.add(from(req), String(req.headers['user-agent'] ?? ''));
    if (!device) return screen(res, endScreen('Too many devices wait. Stop one of them in Lyvek.'), 503);
    res.redirect(303, `/${device.secret}/`);
  };

  app.get('/', (_req, res) => screen(res, typingScreen()));
  app.post('/enter', express.urlencoded({ extended: false, limit: 500, parameterLimit: 3 }), (req, res) => {
    const code = String((req.body as Record<string, unknown> | undefined)?.code ?? '');
    knock(req, res, isSame(code.trim().toUpperCase(), running.code));
  });
  app.get('/t/:token', (req, res) => knock(req, res, isSame(req.params.token, running.token)));

  app.get(`${SECRET}/-/events`, (req, res) => {
    const device = devices.find(req.params.secret);
    if (!device?.in || !devices.open(device, res)) return nothing(res);
    allow(res);
    res.writeHead(200, { 'Content-Type': 'text/event-stream' });
    res.write('retry: 1000\n\n');
  });
  app.post(`${SECRET}/-/report`, express.text({ type: () => true, limit: MAX_REPORT }), (req, res) => {
    const device = devices.find(String(req.params.secret));
    if (!device?.in) return nothing(res);
    allow(res);
    if (!devices.mayWord(device)) return void res.status(429).end();
    const report = DeviceReport.safeParse(parse(String(req.body)));
    if (!report.success) return void res.status(422).end();
    device.report = report.data;
    res.status(204).end();
  });
  app.post(`${SECRET}/-/answer/:token`, express.text({ type: () => true, limit: MAX_ANSWER }), (req, res) => {
    const device = devices.find(String(req.params.secret));
    if (!device?.in) return nothing(res);
    allow(res);
    if (!devices.mayWord(device)) return void res.status(429).end();
    res.status(devices.answer(device, String(req.params.token), parse(String(req.body))) ? 204 : 422).end();
  });
  app.get(`${SECRET}/{*path}`, (req, res) => {
    const device = devices.find(req.params.secret);
    if (!device) return nothing(res);
    if (!device.in) return screen(res, waitingScreen(device.code));
    const own = `http://${host}/${device.secret}/`;
    servePage(req, res, running.shown, { own, script: script() });
  });
  app.use((_req: Request, res: Response) => nothing(res));
  // Whatever went wrong is nobody’s to read.
  app.use((_error: unknown, _req: Request, res: Response, _next: express.NextFunction) => nothing(res));
  return app;
}

/** The page’s origin is opaque, so even this is foreign to it. */
const allow = (res: Response) => res.setHeader('Access-Control-Allow-Origin', '*');

function servePage(
  req: Request,
  res: Response,
  { entry, files, outside }: ShownFiles,
  { own, script }: { own: string; script: string },
): void {
  allow(res);
  res.setHeader(
    'Content-Security-Policy',
    [
      'sandbox allow-scripts',
      "frame-ancestors 'none'",
      ...(outside
        ? []
        : [`default-src ${own} data: blob: 'unsafe-inline' 'unsafe-eval'`, `form-action ${own}`]),
    ].join('; '),
  );
  const path = ((req.params as { path?: string[] }).path ?? []).join('/');
  const found = path === '' ? entry : path;
  const bytes = files.get(found) ?? files.get(`${found.replace(/\/$/, '')}/index.html`);
  if (!bytes) return void res.status(404).type('text').send('This file is not part of the page.');
  res.setHeader('Content-Type', mime.contentType(lastItem(found.split('/'))) || 'application/octet-stream');
  const body = Buffer.from(bytes);
  if (!/\.(html?|xhtml)$/i.test(found)) return sendBytes(req, res, body);
  const inline = `<script data-lyvek-device="${own}-/">${script.replaceAll('</script', '<\\/script')}</script>`;
  res.send(insertFirstInHead(body.toString('utf8'), inline));
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
