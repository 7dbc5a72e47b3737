import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { ADDRESS } from './setting';
import { draftSaved, expect, importDemoRig, moveRail, test, typeRig } from './test';

async function axe(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  return violations.flatMap(({ id, nodes }) => nodes.map((node) => `${id}: ${node.html.slice(0, 160)}`));
}

const ENDPOINT_PARTS = ['first-power', 'bench-test', 'pulses', 'supply', 'trigger', 'trouble', 'record'];

for (const { name, ...look } of [
  { name: 'light, 1280 px', colorScheme: 'light', viewport: { width: 1280, height: 800 } },
  { name: 'dark, 1280 px', colorScheme: 'dark', viewport: { width: 1280, height: 800 } },
  { name: 'light, phone', colorScheme: 'light', viewport: { width: 390, height: 844 } },
  { name: 'dark, phone', colorScheme: 'dark', viewport: { width: 390, height: 844 } },
] as const) {
  test.describe(name, () => {
    test.use(look);
    // Axe takes its time, and there are many views.
    test.describe.configure({ timeout: 400_000 });

    test(`axe finds nothing on any view (${name})`, async ({ page }) => {
      await page.goto('/');
      expect(await axe(page)).toEqual([]);
      for (const view of [
        '/rigs/new',
        '/profiles',
        '/profiles/new',
        '/profiles/new?from=pattern-key-pad',
        '/rules',
        '/glossary',
      ]) {
        await page.goto(view);
        expect(await axe(page), view).toEqual([]);
      }
      await typeRig(page, { name: `A long name for a model that somebody was proud of, ${name}` });
      const rig = page.url().replace('/endpoints', '');
      expect(await axe(page)).toEqual([]);
      await page.getByLabel('Pinion out of mesh').check();
      await page.getByRole('button', { name: 'Begin calibrating' }).click();
      expect(await axe(page)).toEqual([]);
      for (const part of ENDPOINT_PARTS) {
        await page.goto(`${rig}/endpoints/${part}`);
        expect(await axe(page), part).toEqual([]);
      }
      await page.goto(`${rig}/rig`);
      expect(await axe(page)).toEqual([]);
      await page.goto(`${rig}/tune`);
      await page.getByRole('slider', { name: 'Brake strength' }).press('ArrowLeft');
      await page.getByRole('slider', { name: 'Cutoff' }).press('Home');
      await expect(page.getByText('Nothing protects the cells.')).toBeVisible();
      await expect(page.getByText('First 5 m')).toBeVisible();
      expect(await axe(page)).toEqual([]);
      await page.getByText('And about how to work').click();
      expect(await axe(page)).toEqual([]);
      await page.goto(`${rig}/trouble`);
      await page.getByLabel('It stutters as it starts').check();
      expect(await axe(page), 'trouble').toEqual([]);
      await page.goto(`${rig}/list`);
      expect(await axe(page), 'the whole sheet').toEqual([]);
      await page.goto(`${rig}/load`);
      expect(await axe(page)).toEqual([]);
      await page.getByLabel('Pinion out of mesh').check();
      await page.getByRole('button', { name: 'Begin loading' }).click();
      expect(await axe(page)).toEqual([]);
      await page.goto(`${rig}/load/paper`);
      expect(await axe(page), 'the plan on paper').toEqual([]);
      await page.goto(`${rig}/load`);
      await page.getByLabel('your own ESC').check();
      await page.getByLabel('Pinion out of mesh').check();
      await page.getByRole('button', { name: 'Begin loading' }).click();
      await page.getByText('It does not answer at all').click();
      expect(await axe(page), 'beside one’s own ESC').toEqual([]);
      await page.getByRole('button', { name: 'It did something else' }).click();
      expect(await axe(page), 'what it did instead').toEqual([]);
      await page.goto(`${rig}/sheets`);
      expect(await axe(page)).toEqual([]);
      await page.goto(`${rig}/firmware`);
      await page.getByRole('button', { name: 'Keep a sheet of it now' }).click();
      await expect(page.getByText('Kept as sheet')).toBeVisible();
      expect(await axe(page), 'new firmware').toEqual([]);
      await page.goto(`${rig}/esc`);
      await page.getByRole('button', { name: 'It got new firmware' }).click();
      await page.getByRole('button', { name: 'Yes, write it down' }).click();
      await expect(page.getByText('14 values are unknown.')).toBeVisible();
      expect(await axe(page)).toEqual([]);
      await page.goto(`${rig}/tune`);
      await expect(page.getByText('The band is what the ESC may do')).toBeVisible();
      expect(await axe(page)).toEqual([]);
      await page.getByRole('button', { name: 'Keys, look and sound' }).click();
      await expect(page.getByRole('dialog')).toBeVisible();
      expect(await axe(page)).toEqual([]);
    });

    test(`axe finds nothing on card and stick (${name})`, async ({ page }) => {
      await importDemoRig(page, 'cliff-path-crawler', `Card, ${name}`);
      await page.goto(page.url().replace(/\/rig$/, '/tune'));
      await moveRail(page, 'Cutoff', 'ArrowRight', 1);
      await draftSaved(page);
      await page.goto(page.url().replace('/tune', '/load'));
      await page.getByLabel('Wheels clear of the bench').check();
      await page.getByRole('button', { name: 'Begin loading' }).click();
      await page.keyboard.press('c');
      await page.keyboard.press('p');
      await expect(page.getByTestId('instruction')).toContainText('Press');
      await page.getByText('Make a mistake on purpose').click();
      expect(await axe(page)).toEqual([]);
      await importDemoRig(page, 'headland-trainer', `Stick, ${name}`);
      await page.goto(page.url().replace(/\/rig$/, '/tune'));
      await moveRail(page, 'Advance', 'ArrowRight', 1);
      await draftSaved(page);
      expect(await axe(page)).toEqual([]);
      await page.goto(page.url().replace('/tune', '/load'));
      await page.getByLabel('Propeller off').check();
      await page.getByRole('button', { name: 'Begin loading' }).click();
      await page.keyboard.press('u');
      await page.keyboard.press('p');
      await expect(page.getByTestId('countdown')).toBeVisible();
      expect(await axe(page)).toEqual([]);
      const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
      expect(overflow).toBeLessThanOrEqual(0);
    });

    test(`nothing is wider than the screen (${name})`, async ({ page }) => {
      await typeRig(page, { name: `Wide rig, ${name}` });
      const rig = page.url().replace('/endpoints', '');
      for (const path of [
        '/',
        '/rigs/new',
        '/profiles',
        '/profiles/new',
        '/profiles/new?from=pattern-text-box',
        '/rules',
        '/glossary',
        `${rig}/rig`,
        `${rig}/endpoints`,
        ...ENDPOINT_PARTS.map((part) => `${rig}/endpoints/${part}`),
        `${rig}/tune`,
        `${rig}/trouble`,
        `${rig}/list`,
        `${rig}/load`,
        `${rig}/load/paper`,
        `${rig}/sheets`,
        `${rig}/esc`,
        `${rig}/firmware`,
      ]) {
        await page.goto(path);
        const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
        expect(overflow, path).toBeLessThanOrEqual(0);
      }
    });
  });
}

test('scripts run only with the nonce, and nothing else is allowed in', async ({ request }) => {
  const response = await request.get('/');
  const policy = response.headers()['content-security-policy'] ?? '';
  const scripts = policy.split(';').find((part) => part.trim().startsWith('script-src'));
  expect(scripts).toMatch(/^script-src 'self' 'nonce-[A-Za-z0-9+/=]+'$/);
  expect(policy).not.toContain('unsafe-eval');
  expect(policy).toContain("default-src 'none'");
});

test('a change that another site asks for is refused, and so is another name for this machine', async ({
  request,
}) => {
  const foreign = await request.post('/', {
    headers: { origin: 'http://elsewhere.example' },
    multipart: { intent: 'import' },
  });
  expect(foreign.status()).toBe(403);
  const rebound = await request.get('/', { headers: { host: 'elsewhere.example' } });
  expect(rebound.status()).toBe(421);
});

test('the health route asks the database', async ({ request }) => {
  const health = await request.get(`${ADDRESS}/healthz`);
  expect(await health.json()).toEqual({ ok: true });
});
