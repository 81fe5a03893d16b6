/** Both packages in the projects of three developers: React, Vue, and a page without a bundler. */
import { expect, test } from '@playwright/test';
import type { Browser, Page } from '@playwright/test';
import { fileURLToPath } from 'node:url';
import { build, preview } from 'vite';
import { emptyDocument, present } from '@lyvek/core';
import type { Motion, MotionDocument } from '@lyvek/core';
import { motion } from '@lyvek/core/testing';
import { addNew, base, measured, openRundown, saved } from '../support/app.ts';
import { elapse } from '../support/time.ts';
import { Project, setDocument } from './project.ts';

/** A reveal that is damped, and a section that is pinned while its heading fades. */
const makeMoving = (selector: string, stage: string, more: Partial<MotionDocument> = {}): MotionDocument => ({
  ...emptyDocument(),
  motions: [
    motion({
      ...{ id: 'm_rise', name: 'Rise', targets: { selector } },
      range: { start: 'entry 0%', end: 'cover 50%' },
      keyframes: { translate: [{ at: '0%', value: '0 120px' }] },
      damping: { kind: 'half-life', halfLife: 90 },
    }),
    motion({
      ...{ id: 'm_fade', name: 'Fade', targets: { selector: `${stage} h2` } },
      driver: { kind: 'pin', pin: 'p_stage' } as Motion['driver'],
      range: { start: 'contain 0%', end: 'contain 100%' },
      keyframes: { opacity: [{ at: '100%', value: '0' }] },
    }),
  ],
  pins: [
    {
      ...{ id: 'p_stage', name: 'Stage', on: true, stage, sticky: { by: 'top', inset: '0px' } },
      ...{ distance: { kind: 'length', value: '100vh' }, overlap: ['0px', '0px'], layer: null },
    } as MotionDocument['pins'][number],
  ],
  ...more,
});

const countTags = (page: Page) => page.locator('script[src*="/connect/"]').count();
/** What drives the reveal of an element: its style sheet’s timeline, or the runtime. */
const driving = (page: Page, selector: string) =>
  page
    .locator(selector)
    .first()
    .evaluate((e) => e.getAnimations().map((a) => a.timeline?.constructor.name));
/** The animation, taken once, and what goes on telling where its range lies. */
const DAMPED = ['DocumentTimeline', 'ViewTimeline'];
/** How far below its place an element is drawn, px. */
const toShift = (page: Page, selector: string) =>
  page
    .locator(selector)
    .first()
    .evaluate((e) => parseFloat(getComputedStyle(e).translate.split(' ')[1] ?? '0'));

/** Wheels until an element has entered half-way, and lets what is damped come to rest. */
async function wheelTo(page: Page, selector: string): Promise<void> {
  await page.mouse.move(600, 400);
  for (let i = 0; i < 60; i++) {
    const top = await page
      .locator(selector)
      .first()
      .evaluate((e) => e.getBoundingClientRect().top);
    if (top < 560) break;
    await page.mouse.wheel(0, 120);
    await elapse(page, 60);
  }
  await elapse(page, 900);
}

async function built(folder: string, browser: Browser) {
  await build({ root: folder, logLevel: 'error' });
  const server = await preview({ root: folder, logLevel: 'error', preview: { port: 0, host: 'localhost' } });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(present(server.resolvedUrls?.local[0]));
  return { page, end: () => server.close() };
}

test.describe.configure({ timeout: 240_000 });

test('React: pairing line, config, style sheet, module and wrapper; strict mode, routes and a build play it', async ({
  page,
  request,
  browser,
}) => {
  const app = await Project.copy('react');
  try {
    const name = `Tannery ${Date.now() % 1e6}`;
    const id = await app.connect(request, name);
    await openRundown(page, id);
    await setDocument(request, id, makeMoving('.shelf', '#vats'));
    await page.reload();
    await measured(page);

    const init = await app.lyvek('init', '--page', name, '--server', base);
    expect(init.err).toContain("import './motion.css'");
    expect(JSON.parse(app.read('lyvek.config.json'))).toEqual({
      server: base,
      pages: [
        {
          ...{ page: name, css: 'src/motion.css', module: 'src/motion.ts', html: 'src/App.tsx' },
          document: 'src/motion.lyvek.json',
        },
      ],
    });
    const first = await app.lyvek('sync', '--once');
    expect(first.status, first.err).toBe(0);
    // The component is the developer’s: what it needs is said, and seen once it is there.
    expect(first.err).toContain('<div className="lv-hold-stage">');
    expect((await app.lyvek('export', '--check')).out).toContain('src/App.tsx: Put a track around #vats');
    app.edit('src/main.tsx', ["import './page.css';", "import './page.css';\nimport './motion.css';"]);
    app.edit(
      'src/App.tsx',
      ['import { useState }', 'import { useEffect, useState }'],
      [
        "import { flushSync } from 'react-dom';",
        "import { flushSync } from 'react-dom';\nimport { startMotion } from './motion.ts';",
      ],
      ['function Room() {', 'function Room() {\n  useEffect(() => startMotion(), []);'],
      ['<section className="stage"', '<div className="lv-hold-stage">\n      <section className="stage"'],
      ['</section>', '</section>\n      </div>'],
    );
    const second = await app.lyvek('sync', '--once');
    expect(second.err).not.toContain('Put a track');
    // The page is measured with the written code in it now: that changes no name.
    await page.reload();
    await measured(page);
    await saved(page);
    const css = app.read('src/motion.css');
    await app.lyvek('sync', '--once');
    expect(app.read('src/motion.css')).toBe(css);
    expect((await app.lyvek('export', '--check')).err).toContain('4 files say what the document says');

    await test.step('types hold', async () => {
      const tsc = fileURLToPath(new URL('../../node_modules/typescript-7/bin/tsc', import.meta.url));
      const types = await app.run(process.execPath, tsc, '-p', '.');
      expect(types.out).toBe('');
    });

    await test.step('rendered on a server', async () => {
      const { App } = (await app.loadOnServer('/src/App.tsx')) as { App: () => unknown };
      expect(App).toBeInstanceOf(Function);
    });

    await test.step('development, in strict mode, from route to route', async () => {
      const site = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      await site.goto(app.url);
      expect(await countTags(site)).toBe(1);
      await expect.poll(() => driving(site, '.shelf')).toEqual(DAMPED);
      for (const route of ['Hours', 'The room', 'Hours', 'The room']) {
        await site.getByRole('button', { name: route }).click();
        await elapse(site, 500);
      }
      await expect.poll(() => driving(site, '.shelf')).toEqual(DAMPED);
      await wheelTo(site, '.shelf');
      expect(await toShift(site, '.shelf')).toBeGreaterThan(0);
      expect(await toShift(site, '.shelf')).toBeLessThan(110);
      await site.close();
    });

    await test.step('built: no pairing line, and it plays', async () => {
      const out = await built(app.folder, browser);
      expect(await countTags(out.page)).toBe(0);
      await expect.poll(() => driving(out.page, '.shelf')).toEqual(DAMPED);
      const height = await out.page.evaluate(() => document.querySelector('.lv-hold-stage')!.clientHeight);
      expect(height).toBe(1600);
      await out.end();
    });
  } finally {
    await app.end();
  }
});

test('Vue: the module starts and stops with its component; hot reload brings what is edited in the workbench', async ({
  page,
  request,
  browser,
}) => {
  const app = await Project.copy('vue');
  try {
    const name = `Ferry ${Date.now() % 1e6}`;
    const id = await app.connect(request, name);
    await openRundown(page, id);
    await setDocument(request, id, makeMoving('.quay', 'main > section'));
    await page.reload();
    await measured(page);
    const files = ['--page', name, '--css', 'src/motion.css', '--module', 'src/motion.js'];
    const once = ['sync', '--once', '--server', base, ...files, '--html', 'src/App.vue'];
    const first = await app.lyvek(...once);
    expect(first.err).toContain('<div class="lv-hold-stage">');
    // Both selectors count children: in the track they would find nothing.
    const [ofStage, ofHeading] = [...first.err.matchAll(/data-lv="[\w-]+"/g)].map(String);
    app.edit('src/main.js', ["import './page.css';", "import './page.css';\nimport './motion.css';"]);
    app.edit(
      'src/App.vue',
      [
        '<script setup>',
        "<script setup>\nimport { onMounted, onUnmounted } from 'vue';\nimport { startMotion } from './motion.js';\n\nlet stop = () => {};\nonMounted(() => (stop = startMotion()));\nonUnmounted(() => stop());",
      ],
      ['<section', `<div class="lv-hold-stage"><section ${ofStage}`],
      ['<h2', `<h2 ${ofHeading}`],
      ['</section>', '</section></div>'],
    );
    // The workbench sees the track, and measures the page with it.
    const written = async () => {
      const again = await app.lyvek(...once);
      expect(again.err).not.toContain('Put a track');
      return app.read('src/motion.css');
    };
    await expect.poll(written).toContain('[data-lv~="section-');
    const site = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await site.goto(app.url);
    await expect.poll(() => driving(site, '.quay')).toEqual(DAMPED);
    await wheelTo(site, '.quay');
    const near = await toShift(site, '.quay');
    expect(near).toBeGreaterThan(0);

    // Three times as far, and longer, in the workbench; the open page shows it without being loaded again.
    const far = makeMoving('.quay', 'main > section');
    far.motions = far.motions.map((m) =>
      m.id === 'm_rise'
        ? {
            ...m,
            keyframes: { translate: [{ at: '0%', value: '0 360px' }] },
            range: { ...m.range, end: 'cover 60%' },
          }
        : m,
    );
    await setDocument(request, id, far);
    await site.evaluate(() => Object.assign(window, { loaded: 'once' }));
    expect((await app.lyvek(...once)).err).toContain('Wrote src/motion.css');
    await expect.poll(() => toShift(site, '.quay')).toBeGreaterThan(near * 2);
    expect(await site.evaluate(() => (window as { loaded?: string }).loaded)).toBe('once');
    await site.close();

    const out = await built(app.folder, browser);
    expect(await countTags(out.page)).toBe(0);
    await expect.poll(() => driving(out.page, '.quay')).toEqual(DAMPED);
    await out.end();
  } finally {
    await app.end();
  }
});

/** The commands of the recipe for CI, as it is published. */
const recipe = (readme: string): string[][] =>
  [...readme.matchAll(/- run: npx lyvek (.*)/g)].map(([, args = '']) => args.split(' '));

test('a page without a bundler: HTML is patched, scripts lie beside it, and the recipe for CI runs there', async ({
  page,
  request,
  browser,
}) => {
  const app = await Project.copy('plain');
  try {
    const name = `Foundry ${Date.now() % 1e6}`;
    const bare = app.read('index.html');
    const id = await addNew(request, name, bare.replace('The bell foundry</title>', `${name}</title>`));
    await openRundown(page, id);
    await setDocument(request, id, makeMoving('.bell', '#pour'));
    await page.reload();
    await measured(page);
    expect((await app.lyvek('init', '--page', name, '--server', base)).status).toBe(0);
    app.edit('index.html', [
      '  </head>',
      '    <link rel="stylesheet" href="motion.css">\n    <script type="module" src="motion.js"></script>\n  </head>',
    ]);
    const linked = app.read('index.html');
    const synced = await app.lyvek('sync', '--once');
    expect(synced.status, synced.err).toBe(0);
    expect(app.read('index.html')).toContain('<div class="lv-hold-stage"><section class="stage" id="pour">');
    expect(app.read('motion-runtime.js').length).toBeGreaterThan(1000);
    const stored = app.read('index.html');
    await app.lyvek('sync', '--once');
    expect(app.read('index.html')).toBe(stored);

    await test.step('it plays as files', async () => {
      const site = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      await site.goto(await app.host());
      await expect.poll(() => driving(site, '.bell')).toEqual(DAMPED);
      await site.close();
    });

    await test.step('the recipe', async () => {
      const steps = recipe(app.read('node_modules/lyvek/README.md'));
      expect(steps.map(([command]) => command)).toEqual(['export', 'check', 'check']);
      for (const args of steps) {
        const ran = await app.lyvek(...args);
        expect([0, 1], ran.err).toContain(ran.status);
        expect(ran.err).not.toContain('lyvek:');
        if (args[0] === 'check') expect(app.read(args[args.indexOf('--out') + 1]!)).toContain('<testsuite');
        else expect(ran.status, ran.out).toBe(0);
      }
    });

    await test.step('unpinned, the HTML is what it was', async () => {
      await setDocument(request, id, { ...makeMoving('.bell', '#pour'), motions: [], pins: [] });
      await app.lyvek('sync', '--once');
      expect(app.read('index.html')).toBe(linked);
      app.edit('motion.css', ['lyvek begin', 'lyvek began']);
      expect(await app.lyvek('export', '--check')).toMatchObject({ status: 1 });
    });
  } finally {
    await app.end();
  }
});
