import { test } from './test';
import { ADDRESS } from './setting';
test('look', async ({ page }) => {
  test.setTimeout(120000);
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto('/');
  await page.getByRole('link', { name: /Kelp-beach buggy/ }).first().click();
  await page.waitForURL(/rigs/);
  const rig = /rigs\/([^/]+)/.exec(page.url())![1];
  const shot = async (path: string, name: string, wait = 400) => { await page.goto(`/rigs/${rig}/${path}`); await page.waitForTimeout(wait); await page.screenshot({ path: `/tmp/shots/${name}.png`, fullPage: false }); };
  await shot('set-ups', 'setups');
  await shot('set-ups/island-race', 'setup');
  await shot('set-ups/island-race/card', 'card');
  await shot('compare?a=esc&b=set-up:island-race', 'compare', 3000);
  await shot('history', 'history');
});
