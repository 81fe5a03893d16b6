/** A project of a developer’s, with both packages installed from the packed files, beside a workbench that drives its dev server. */
import { execFile } from 'node:child_process';
import { cpSync, existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { createServer as createHttp } from 'node:http';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { dirname, join } from 'node:path';
import { lookup } from 'mime-types';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { expect } from '@playwright/test';
import type { APIRequestContext } from '@playwright/test';
import { createServer } from 'vite';
import type { ViteDevServer } from 'vite';
import { itemAt, present } from '@lyvek/core';
import type { MotionDocument } from '@lyvek/core';
import { pack } from '../../scripts/setup/pack.mjs';
import { freePort } from '../../scripts/setup/ports.mjs';
import { base, demoProject } from '../support/app.ts';
import type { Ran } from '../support/cli.ts';

const inRoot = (path: string) => fileURLToPath(new URL(`../../${path}`, import.meta.url));
const PACKED = inRoot('.cache/packed');
let packed: ReturnType<typeof pack> | null = null;

/** What `npm install FILE` leaves, without asking anybody on the net: further libraries are those of this repository. */
async function install(folder: string): Promise<void> {
  packed ??= pack(PACKED);
  for (const [name, file] of Object.entries(await packed)) {
    const to = join(folder, 'node_modules', name);
    const unpacked = join(folder, 'node_modules', '.unpacked');
    mkdirSync(unpacked, { recursive: true });
    await promisify(execFile)('tar', ['-xzf', file, '-C', unpacked]);
    mkdirSync(dirname(to), { recursive: true });
    renameSync(join(unpacked, 'package'), to);
  }
  const manifest = join(folder, 'package.json');
  if (!existsSync(manifest)) return;
  const known = JSON.parse(readFileSync(manifest, 'utf8')) as object;
  writeFileSync(manifest, JSON.stringify({ ...known, dependencies: await packed }, null, 2));
}

export class Project {
  private server: ViteDevServer | null = null;
  private plain: Server | null = null;
  private constructor(
    readonly folder: string,
    private readonly port: number,
  ) {}

  /** Where its dev server listens. */
  get url(): string {
    return `http://localhost:${this.port}/`;
  }

  /** A copy of one of the apps. */
  static async copy(name: string): Promise<Project> {
    const folder = inRoot(join('.cache', 'apps', `${name}-${process.pid}`));
    rmSync(folder, { recursive: true, force: true });
    cpSync(inRoot(join('e2e', 'fixtures', 'apps', name)), folder, { recursive: true });
    await install(folder);
    return new Project(folder, await freePort());
  }

  read(file: string): string {
    return existsSync(join(this.folder, file)) ? readFileSync(join(this.folder, file), 'utf8') : '';
  }
  write(file: string, text: string): void {
    writeFileSync(join(this.folder, file), text);
  }
  edit(file: string, ...changes: readonly (readonly [from: string, to: string])[]): void {
    let text = this.read(file);
    for (const [from, to] of changes) {
      expect(text).toContain(from);
      text = text.replace(from, to);
    }
    this.write(file, text);
  }

  /** A command in its folder. */
  run(command: string, ...args: readonly string[]): Promise<Ran> {
    return new Promise((done) => {
      execFile(command, [...args], { cwd: this.folder }, (error, out, err) =>
        done({ status: error ? Number(error.code ?? 1) : 0, out, err }),
      );
    });
  }

  /** `npx lyvek …` there. */
  lyvek(...args: readonly string[]): Promise<Ran> {
    return this.run(
      process.execPath,
      join(this.folder, 'node_modules', 'lyvek', 'bin', 'lyvek.mjs'),
      ...args,
    );
  }

  /** Its dev server, as its own config has it. */
  async serve(): Promise<void> {
    this.server = await createServer({
      root: this.folder,
      logLevel: 'error',
      cacheDir: join(this.folder, '.vite'),
      server: { port: this.port, strictPort: true, host: 'localhost', fs: { strict: false } },
    });
    await this.server.listen();
  }

  /** A module as a server that renders the page loads it. */
  loadOnServer(path: string): Promise<Record<string, unknown>> {
    return present(this.server).ssrLoadModule(path);
  }

  /** Connects the dev server under a name of its own, with the pairing line put there by the plugin, and starts it. */
  async connect(request: APIRequestContext, name: string): Promise<string> {
    const project = await demoProject(request);
    const made = await request.post(`${base}/api/projects/${project}/live-pages`, {
      data: { url: this.url, name },
    });
    expect(made.status(), await made.text()).toBe(201);
    const { id, live } = (await made.json()) as { id: string; live: { code: string } };
    this.write('.env.local', `LYVEK_CONNECT=${base}/connect/${live.code}.js\n`);
    await this.serve();
    return id;
  }

  /** Its files, as a plain host has them; where. */
  async host(): Promise<string> {
    this.plain = createHttp((request, response) => {
      const path = new URL(request.url ?? '/', 'http://host').pathname.slice(1) || 'index.html';
      const text = this.read(path);
      response.writeHead(text === '' ? 404 : 200, { 'content-type': lookup(path) || 'text/plain' }).end(text);
    });
    await new Promise<void>((done) => this.plain?.listen(0, '127.0.0.1', done));
    return `http://127.0.0.1:${(this.plain.address() as AddressInfo).port}/`;
  }

  async end(): Promise<void> {
    this.plain?.close();
    await this.server?.close();
    rmSync(this.folder, { recursive: true, force: true });
  }
}

/** Saves a document as the newest revision of a page’s first take. */
export async function setDocument(
  request: APIRequestContext,
  pageId: string,
  document: MotionDocument,
): Promise<void> {
  const page = (await (await request.get(`${base}/api/pages/${pageId}`)).json()) as {
    takes: { id: string; revision: number }[];
  };
  const { id, revision } = itemAt(page.takes, 0);
  const saved = await request.put(`${base}/api/takes/${id}/document`, {
    headers: { 'if-match': `"${revision}"`, 'x-edit-id': crypto.randomUUID() },
    data: document,
  });
  expect(saved.status(), await saved.text()).toBe(200);
}
