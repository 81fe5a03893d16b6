/** The HTTP application: preview hosts first, then the guarded API, then the interface's own files. */
import { itemAt } from '@lyvek/core';
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import express from 'express';
import type { Express } from 'express';
import helmet from 'helmet';
import type pg from 'pg';
import type { Logger } from 'pino';
import { Importer, startImportWorker } from './add-page/importer.ts';
import type { ImportResults } from './add-page/importer.ts';
import { guardApi, isAppHost, tokenOfHost } from './http/guard.ts';
import { requireKey, takeKey } from './http/key.ts';
import { Problem, problems, sendProblem } from './http/problem.ts';
import type { LabTurn } from './lab/index.ts';
import { Connect } from './preview/connect.ts';
import { liveFrame } from './preview/live-frame.ts';
import { Proofs } from './preview/proofs.ts';
import { servePreview } from './preview/serve.ts';
import { findPageImport, putPageImport } from './store/page-imports.ts';
import { archiveRoutes } from './routes/archives.ts';
import { handOffRoutes } from './routes/hand-off.ts';
import { healthRoutes } from './routes/health.ts';
import { Proving } from './add-page/proved.ts';
import { pageRoutes } from './routes/pages.ts';
import { presetRoutes } from './routes/presets.ts';
import { projectRoutes } from './routes/projects.ts';
import { referenceRoutes } from './routes/references.ts';
import { showRoutes } from './routes/shows.ts';
import { schemaRoutes } from './routes/schemas.ts';
import { syncRoutes } from './routes/sync.ts';
import { takeRoutes } from './routes/takes.ts';
import { thingRoutes } from './routes/things.ts';
import { trialRoutes } from './routes/trials.ts';

/** A layout of 6,000 elements or a document of 5,000 motions stays below this. */
const MAX_JSON = 12e6;

export interface AppOptions {
  pool: pg.Pool;
  log: Logger;
  /** where this server listens, and where the interface is opened when another server hands it out */
  port: number;
  appPort: number;
  /** folder with probe.js and web/ */
  dist: string;
  lab: LabTurn;
  /** what opens it; null: it is open to everybody on this machine */
  key: string | null;
}

const isDeveloping = import.meta.url.endsWith('.ts');

/** Kept for the importer that reads them; while developing it changes with every edit, and nothing is kept. */
function storedImports(pool: pg.Pool, log: Logger, dist: string): ImportResults | null {
  if (isDeveloping) return null;
  const source = readFileSync(join(dist, 'import-worker.js'));
  const importer = createHash('sha256').update(source).digest('hex').slice(0, 16);
  const unstored = (error: unknown) =>
    log.warn({ err: String(error) }, 'the result of an import was not stored');
  return {
    find: (page, refuted) =>
      findPageImport(pool, { ...page, refuted, importer }) as ReturnType<ImportResults['find']>,
    put: (page, refuted, result) =>
      putPageImport(pool, { ...page, refuted, importer }, result).catch(unstored),
  };
}

/** What the interface may load, and from where. */
const headers = (port: number) =>
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        'default-src': ["'none'"],
        'script-src': ["'self'"],
        // The second one is the charts’ legend style, which they put into the page themselves.
        'style-src': ["'self'", "'sha256-aSysLrDECVdJ6L+jLf8CC5QKLmwRuk/OZiZk9mYky8A='"],
        'style-src-attr': ["'none'"],
        'img-src': ["'self'", 'data:'],
        'font-src': ["'self'"],
        'connect-src': ["'self'"],
        'frame-src': ["'self'", `http://*.localhost:${port}`],
        'worker-src': ["'self'"],
        'base-uri': ["'none'"],
        'form-action': ["'self'"],
        'frame-ancestors': ["'none'"],
        'object-src': ["'none'"],
      },
    },
    strictTransportSecurity: false,
    crossOriginResourcePolicy: { policy: 'same-origin' },
  });

interface ApiParts extends AppOptions {
  built: (file: string) => Buffer;
  importer: Importer;
  proofs: Proofs;
  addresses: { ports: readonly number[] };
}

function apiRoutes({
  pool,
  lab,
  key,
  appPort,
  built,
  importer,
  proofs,
  addresses,
}: ApiParts): express.Router {
  const access = { key, port: appPort };
  const api = express.Router();
  api.use(guardApi(addresses));
  api.put('/key', express.json({ limit: 1000 }), takeKey(access));
  api.use(requireKey(access));
  api.use(express.json({ limit: MAX_JSON, type: ['json', '+json'] }));
  api.use(
    healthRoutes(pool),
    projectRoutes(pool),
    archiveRoutes(pool),
    pageRoutes({
      pool,
      ownPorts: addresses.ports,
      importer,
      proving: new Proving(importer, lab, (file) => built(file).toString('utf8')),
    }),
    takeRoutes(pool),
    syncRoutes(),
    showRoutes(pool, built),
    thingRoutes(pool),
    presetRoutes(pool),
    referenceRoutes(pool),
  );
  api.use(handOffRoutes(pool, built, proofs, lab));
  api.use(trialRoutes(pool));
  api.use(schemaRoutes());
  api.use((req, res) =>
    sendProblem(res, new Problem(404, 'Not found', `There is no ${req.method} ${req.path} in this API.`)),
  );
  return api;
}

export function createApp(options: AppOptions): Express {
  const { pool, log, port, appPort, dist, key } = options;
  const app = express();
  const addresses = { ports: [port, appPort] };
  const origins = addresses.ports.flatMap((p) => [`http://127.0.0.1:${p}`, `http://localhost:${p}`]);
  const results = storedImports(pool, log, dist);
  let probe = '';
  const proofs = new Proofs();
  const built = (file: string) => readFileSync(join(dist, file));
  const connect = new Connect({ db: pool, origins, script: () => built('live.js').toString('utf8') });
  const importer = new Importer({
    start: () => startImportWorker(pathToFileURL(join(dist, 'import-worker.js'))),
    ...(results ? { results } : {}),
  });
  const preview = {
    db: pool,
    proofs,
    importer,
    // While developing it is built again whenever its sources change.
    probe: () => (isDeveloping || !probe ? (probe = built('probe.js').toString('utf8')) : probe),
    framedBy: origins,
  };
  app.disable('x-powered-by');
  app.set('query parser', 'simple');

  app.use(async (req, res, next) => {
    const token = tokenOfHost(req.headers.host);
    if (token) return servePreview(req, res, token, req.path, preview);
    if (!isAppHost(req.headers.host, addresses))
      return sendProblem(
        res,
        new Problem(
          403,
          'Refused',
          'This host name is not Lyvek’s. Open it as http://127.0.0.1 with its port.',
        ),
      );
    if (connect.handles(req.path)) return connect.serve(req, res);
    const path = /^\/preview\/([0-9a-f]{32})(\/.*)?$/.exec(req.path);
    if (path) return servePreview(req, res, itemAt(path, 1), path[2] ?? '/', preview);
    next();
  });

  app.use(headers(port));

  const access = { key, port: appPort };
  app.get('/live/:id', requireKey(access), liveFrame(pool));
  app.use('/api', apiRoutes({ ...options, built, importer, proofs, addresses }));

  const web = join(dist, 'web');
  app.use(
    '/assets',
    express.static(join(web, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }),
  );
  app.use(express.static(web, { index: false }));
  app.get(/.*/, (_req, res) => res.sendFile('index.html', { root: web }));
  app.use(problems(log));
  return app;
}
