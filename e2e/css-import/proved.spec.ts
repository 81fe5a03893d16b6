/** What a page loses to its takes was seen to play the same in Chromium, under each of its conditions; what plays differently stays. */
import { itemAt, present } from '@lyvek/core';
import { expect, test } from '@playwright/test';
import type { APIRequestContext } from '@playwright/test';
import { base, newProject } from '../support/app.ts';

/** A lab that is measuring something lets others wait. */
test.describe.configure({ timeout: 180_000 });

const CARD = 'min-height:300px;margin:240px 10%;background:#dde6ea';
const page = (css: string, body: string) =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Proved</title><style>body{margin:0}p{${CARD}}
@keyframes rise { from { opacity: var(--from, 0.2); translate: 0 80px } }
${css}</style></head><body>${body}</body></html>`;
/** Names in the hand-off are in small letters. */
const RENAMED =
  'animation: Élan linear both; animation-timeline: view(); animation-range: entry 0% cover 40%';
const MOVED = 'animation: rise linear both; animation-timeline: view(); animation-range: entry 0% cover 40%';

async function add(request: APIRequestContext, html: string) {
  const project = await newProject(request, 'Proved');
  const made = await request.post(`${base}/api/projects/${project}/pages`, {
    headers: { 'content-type': 'text/html' },
    data: html,
    timeout: 170_000,
  });
  expect(made.status()).toBe(201);
  const { id, proof } = (await made.json()) as { id: string; proof?: { proved: boolean; message: string } };
  const whole = (await (await request.get(`/api/pages/${id}`)).json()) as {
    page: { token: string };
    takes: { id: string }[];
  };
  const { document } = (await (await request.get(`/api/takes/${itemAt(whole.takes, 0).id}`)).json()) as {
    document: {
      motions: { targets: { selector: string }; conditions?: unknown[] }[];
      importedRules: string[];
    };
  };
  const imported = (await (await request.get(`/api/pages/${id}/import`)).json()) as {
    unsupported: { what: string; reason: string }[];
  };
  return { id, proof, document, unsupported: imported.unsupported, token: whole.page.token };
}

test('two widths, one within the other, are both looked at, and both come along', async ({ request }) => {
  const css = `@media (min-width: 768px) { .a { ${MOVED} } }
@media (min-width: 1024px) { .a { animation-range: entry 50% cover 90% } }`;
  const { proof, document } = await add(request, page(css, '<p class="a">1</p><p class="a">2</p>'));
  expect(proof).toMatchObject({ proved: true });
  expect(present(proof).message).toMatch(/3 sizes and reduced motion/);
  expect(document.motions).toHaveLength(1);
  expect(itemAt(document.motions, 0).conditions).toHaveLength(2);
});

test('what a script reads of an animation’s name plays differently when it is written anew: that one stays, and why is said', async ({
  page: window,
  request,
}) => {
  const body = `<p class="a">1</p><p class="b">2</p><script>
for (const e of document.querySelectorAll('.b'))
  if (e.getAnimations().some((a) => a.animationName === 'Élan')) e.style.setProperty('--from', '0.9');
</script>`;
  const { id, proof, document, unsupported } = await add(
    request,
    page(
      `@keyframes Élan { from { opacity: var(--from, 0.2); translate: 0 80px } } .a { ${RENAMED} } .b { ${RENAMED} }`,
      body,
    ),
  );
  expect(document.motions.map((m) => m.targets.selector)).toEqual(['.a']);
  expect(proof).toMatchObject({ proved: true });
  expect(present(proof).message).toContain('1 stays in its own CSS');
  const left = present(unsupported.find((u) => u.what === '.b'));
  expect(left.reason).toMatch(/rewritten it would play something else: opacity 0\.\d+ instead of 0\.9/);
  // Seen in the page itself: Lyvek plays the one, the page goes on playing the other.
  await window.goto(`/pages/${id}`);
  const frame = window.frameLocator('.preview iframe');
  const playing = (selector: string) =>
    frame.locator(selector).evaluate((e) => e.getAnimations().map((a) => (a as CSSAnimation).animationName));
  await expect.poll(() => playing('.a')).toEqual(['lv-elan']);
  await expect.poll(() => playing('.b')).toEqual(['Élan']);
});

test('a page that never shows anything to look at keeps its motions', async ({ request }) => {
  const { proof, document } = await add(
    request,
    page(`.a { ${MOVED} }`, '<p class="a">1</p><script>document.body.replaceChildren()</script>'),
  );
  expect(document).toMatchObject({ motions: [], importedRules: [] });
  expect(proof).toMatchObject({ proved: false });
  expect(present(proof).message).toContain('stays in its own CSS');
});
