/** With a key: who does not show it gets nothing, whoever opens the printed address gets in and stays in. */
import { expect, test } from '@playwright/test';
import { startServer, withDatabase } from '../support/servers.ts';

test('the API opens with the key only: as a cookie that scripts do not see, or as a bearer token', async ({
  page,
}) => {
  await withDatabase(async (database) => {
    const server = await startServer(database, { LYVEK_KEY: 'a-key-of-our-own' });
    try {
      const status = async (headers: Record<string, string> = {}) =>
        (await fetch(`${server.url}/api/projects`, { headers })).status;
      expect(await status()).toBe(401);
      expect(await status({ authorization: 'Bearer wrong' })).toBe(401);
      expect(await status({ cookie: `lyvek-key-${new URL(server.url).port}=wrong` })).toBe(401);
      expect(await status({ authorization: 'Bearer a-key-of-our-own' })).toBe(200);
      await page.goto(server.url);
      await expect(page.getByText('Open the whole address')).toBeVisible();
      await page.goto(`${server.url}/?key=not-this-one`);
      await expect(page.getByText('Open the whole address')).toBeVisible();
      await page.goto(`${server.url}/?key=a-key-of-our-own`);
      await expect(page.locator('.shelf')).toBeVisible({ timeout: 20_000 });
      expect(page.url()).not.toContain('key=');
      expect(await page.evaluate('document.cookie')).toBe('');
      await page.goto(server.url);
      await expect(page.locator('.shelf')).toBeVisible({ timeout: 20_000 });
      const [cookie] = await page.context().cookies();
      expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Strict' });
    } finally {
      await server.stop();
    }
  });
});
