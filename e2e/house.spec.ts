import type { EscProfile } from '#core/esc/profile';
import { readFile } from 'node:fs/promises';
import { axe, lookAt } from './looks';
import { openDemoRig, openNewRig, takeIn } from './rigs';
import { ADDRESS } from './setting';
import { draftSaved, expect, moveRail, test } from './test';

test.describe('every view, in light and dark, on a desk and on a phone', () => {
  for (const [where, views] of [
    [
      'outside of any rig',
      [
        '/',
        '/rigs/new',
        '/packs',
        '/packs/demo-blue',
        '/days',
        '/days/demo-test-day',
        '/days/demo-race-day',
        '/profiles',
        '/rules',
        '/glossary',
        '/alike',
        '/copies',
        '/pit',
        '/garages',
        '/pair',
        '/sign-in',
        '/trust',
        '/not-allowed',
        '/rehearse',
        '/rehearse/pattern-one-key',
        '/rehearse/pattern-stick-tones/signs',
      ],
    ],
    [
      'the workshop',
      ['/profiles/new', '/profiles/new?from=pattern-key-pad', '/profiles/new?from=pattern-text-box'],
    ],
  ] as const)
    test(where, async ({ page }) => {
      for (const view of views) {
        await page.goto(view);
        await lookAt(page, view);
      }
    });

  test('Rehearse, with names that do not end', async ({ page }) => {
    const text = await readFile('demo/tamsel-r60.esc-profile.json', 'utf8');
    const profile = JSON.parse(text) as EscProfile;
    const name = 'Nospace'.repeat(11);
    const items = profile.items.map((item) => ({ ...item, label: `${item.number}${'Nospace'.repeat(8)}` }));
    await takeIn(page, { ...profile, id: 'endless-name', name, items });
    for (const view of ['', '/changeThree', '/signs']) {
      await page.goto(`/rehearse/endless-name${view}`);
      await lookAt(page, `endless name${view}`);
    }
    await page.goto('/rehearse/endless-name/changeThree');
    await page.getByRole('button', { name: 'Start with the coach' }).click();
    await page.getByTestId('instruction').waitFor();
    await lookAt(page, 'endless name, on the bench');
  });

  test('Rehearse: before, on the bench, by computer, and the report', async ({ page }) => {
    for (const lesson of ['pattern-stick-tones/changeThree', 'pattern-link/changeThree?by=programForm']) {
      await page.goto(`/rehearse/${lesson}`);
      await lookAt(page, `before ${lesson}`);
      await page.getByRole('button', { name: 'Start with the coach' }).click();
      await page.getByTestId('instruction').waitFor();
      await lookAt(page, lesson);
    }
    await page.getByRole('button', { name: 'Pause' }).click();
    await lookAt(page, 'paused');
    await page.getByRole('button', { name: 'Go on' }).click();
    await page.getByRole('button', { name: 'Stop and see the report' }).click();
    await page.getByRole('heading', { name: /^Not passed/ }).waitFor();
    await lookAt(page, 'the report');
  });

  test('Rig and Endpoints', async ({ page }) => {
    const rigId = await openNewRig(page, LONG_NAME, 'endpoints');
    await lookAt(page, 'endpoints');
    await page.getByLabel('Pinion out of mesh').check();
    await page.getByRole('button', { name: 'Begin calibrating' }).click();
    await lookAt(page, 'calibrating');
    for (const part of ['first-power', 'bench-test', 'pulses', 'supply', 'trigger', 'trouble', 'record']) {
      await page.goto(`/rigs/${rigId}/endpoints/${part}`);
      await lookAt(page, part);
    }
    await page.goto(`/rigs/${rigId}/rig`);
    await lookAt(page, 'rig');
  });

  test('Set-ups, compared, translated, on paper; history; a group', async ({ page }) => {
    const other = await openDemoRig(page, 'cliff-path-crawler', 'Looked-at crawler', 'tune');
    const rigId = await openNewRig(page, LONG_NAME, 'tune');
    await page.goto(`/rigs/${rigId}/set-ups`);
    await page.getByLabel('Name', { exact: true }).fill(LONG_NAME);
    await page.getByLabel('For where and when').fill('the long straight along the water in August');
    await lookAt(page, 'a new set-up');
    await page.getByRole('button', { name: 'Keep this set-up' }).click();
    await page.getByRole('heading', { level: 1, name: LONG_NAME }).waitFor();
    await lookAt(page, 'a set-up');
    const [setUpId] = page.url().split('/').slice(-1);
    for (const path of [
      'set-ups',
      `set-ups/${setUpId!}/card`,
      `compare?a=factory&b=rig:${other}`,
      'history',
    ]) {
      await page.goto(`/rigs/${rigId}/${path}`);
      await lookAt(page, path);
    }
    await page.goto(`/rigs/${rigId}/translate?from=esc&to=rig:${other}`);
    await page.getByText('does nearly the same').first().waitFor();
    await lookAt(page, 'translate');
    await page.goto('/alike');
    const name = page.getByLabel('Name', { exact: true });
    if (!(await name.isVisible())) await page.getByText('Make a group', { exact: true }).click();
    await name.fill('Looked at');
    await page.getByRole('checkbox', { name: 'Looked-at crawler' }).check();
    await page.getByLabel('First five metres').fill('1.2');
    await page.getByRole('button', { name: 'Keep this group' }).click();
    await page.getByRole('heading', { level: 1, name: 'Looked at' }).waitFor();
    await lookAt(page, 'a group');
  });

  test('Runs, one of them, between heats, questions, two compared', async ({ page }) => {
    const rigId = await openNewRig(page, LONG_NAME, 'runs');
    await lookAt(page, 'runs');
    for (let run = 1; run <= 2; run += 1) {
      const brake = page.getByRole('group', { name: 'Brake', exact: true });
      await brake.getByRole('button', { name: 'less' }).click();
      await page.getByLabel('Motor can temperature', { exact: true }).fill(String(70 + run));
      await page.getByLabel('Time, min').fill('6');
      await page.getByRole('button', { name: 'Save the run' }).click();
      await page.getByRole('link', { name: `Run ${run}`, exact: true }).waitFor();
    }
    await page.getByText('What was wrong, more numbers').click();
    await page
      .getByRole('button', { name: /^Draft it/ })
      .first()
      .click();
    await page.getByRole('link', { name: 'Load it' }).waitFor();
    await lookAt(page, 'runs, with two of them');
    for (const path of ['runs/2', 'runs/2/log', 'runs/between', 'runs/questions', 'runs/compare']) {
      await page.goto(`/rigs/${rigId}/${path}`);
      await lookAt(page, path);
    }
    await page.goto(`/rigs/${rigId}/runs/measure`);
    await page.getByLabel('A stop').check();
    await page.getByLabel('The stretch is clear of people').check();
    await page.getByLabel('Speed at the mark').fill('30');
    await page.getByLabel('Distance to standing').fill('6');
    await page.getByLabel('Did the wheels slide?').selectOption('yes');
    await page.getByText('as measured').waitFor();
    await lookAt(page, 'measured');
  });

  test('Tune', async ({ page }) => {
    const rigId = await openNewRig(page, LONG_NAME, 'tune');
    await page.getByRole('slider', { name: 'Brake strength' }).press('ArrowLeft');
    await page.getByRole('slider', { name: 'Cutoff' }).press('Home');
    await expect(page.getByText('Nothing protects the cells.')).toBeVisible();
    await expect(page.getByText('First 5 m')).toBeVisible();
    await page.getByText('Ways to work').click();
    await lookAt(page, 'tune');
    await page.getByRole('button', { name: 'Keys, look and sound' }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    expect(await axe(page), 'keys, look and sound').toEqual([]);
    await page.goto(`/rigs/${rigId}/trouble`);
    await page.getByLabel('It stutters as it starts').check();
    await lookAt(page, 'trouble');
    await page.goto(`/rigs/${rigId}/list`);
    await lookAt(page, 'the whole sheet');
    await page.goto(`/rigs/${rigId}/esc`);
    await page.getByRole('button', { name: 'I updated its firmware' }).click();
    await page.getByRole('button', { name: 'Yes, note it' }).click();
    await expect(page.getByText('14 values are unknown.')).toBeVisible();
    await lookAt(page, 'esc');
    await page.goto(`/rigs/${rigId}/tune`);
    await expect(page.getByText('The band shows what the ESC may do')).toBeVisible();
    await lookAt(page, 'tune, values unknown');
  });

  test('Load and Sheets', async ({ page }) => {
    const rigId = await openNewRig(page, LONG_NAME, 'tune');
    await moveRail(page, 'Brake strength', 'ArrowLeft', 1);
    await draftSaved(page);
    await page.goto(`/rigs/${rigId}/load`);
    await lookAt(page, 'load');
    await page.getByLabel('Pinion out of mesh').check();
    await page.getByRole('button', { name: 'Begin loading' }).click();
    await lookAt(page, 'loading');
    await page.goto(`/rigs/${rigId}/load/paper`);
    await lookAt(page, 'the plan on paper');
    await page.goto(`/rigs/${rigId}/load`);
    await page.getByLabel('your own ESC').check();
    await page.getByLabel('Pinion out of mesh').check();
    await page.getByRole('button', { name: 'Begin loading' }).click();
    await page.getByText('It does not answer at all').click();
    await lookAt(page, 'beside one’s own ESC');
    await page.getByRole('button', { name: 'It did something else' }).click();
    await lookAt(page, 'what it did instead');
    await page.goto(`/rigs/${rigId}/firmware`);
    await page.getByRole('button', { name: 'Save a sheet now' }).click();
    await expect(page.getByText('Kept as sheet')).toBeVisible();
    await lookAt(page, 'new firmware');
    await page.goto(`/rigs/${rigId}/sheets`);
    await lookAt(page, 'sheets');
  });

  test('loading by card and by stick', async ({ page }) => {
    await openDemoRig(page, 'cliff-path-crawler', 'Card', 'tune');
    await moveRail(page, 'Cutoff', 'ArrowRight', 1);
    await draftSaved(page);
    await page.goto(page.url().replace('/tune', '/load'));
    await page.getByLabel('Wheels clear of the bench').check();
    await page.getByRole('button', { name: 'Begin loading' }).click();
    await page.keyboard.press('c');
    await page.keyboard.press('p');
    await expect(page.getByTestId('instruction')).toContainText('Press');
    await page.getByText('Make a mistake on purpose').click();
    await lookAt(page, 'card');
    await openDemoRig(page, 'headland-trainer', 'Stick', 'tune');
    await moveRail(page, 'Timing', 'ArrowRight', 1);
    await draftSaved(page);
    await lookAt(page, 'tune, of an aeroplane');
    await page.goto(page.url().replace('/tune', '/load'));
    await page.getByLabel('Propeller off').check();
    await page.getByRole('button', { name: 'Begin loading' }).click();
    await page.keyboard.press('u');
    await page.keyboard.press('p');
    await expect(page.getByTestId('countdown')).toBeVisible();
    await lookAt(page, 'stick');
  });
});

const LONG_NAME = 'A long name for a model that somebody was proud of, and rightly so';

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

test('a page is read before its scripts come: none of them is asked for until it was painted', async ({
  page,
}) => {
  const rigId = await openNewRig(page, LONG_NAME, 'tune');
  const html = await (await page.request.get(`/rigs/${rigId}/tune`)).text();
  expect(html.match(/<link rel="after-paint"[^>]*\.js"/g)!.length).toBeGreaterThan(3);
  expect(html.match(/<script[^>]* type="after-paint">/g)).toHaveLength(1);
  expect(html).not.toMatch(/rel="modulepreload"|type="module"|<script[^>]* src=/);
  expect(html).toMatch(/<\/html>$/);
  // Once it answers, what waited is what the browser and the router expect.
  await expect(page.locator('[rel="after-paint"], [type="after-paint"]')).toHaveCount(0);
  await expect(page.locator('script[type="module"]')).toHaveCount(1);
});

test('profiles are found by all words that are typed', async ({ page }) => {
  const named = page.getByRole('main').getByRole('listitem');
  await page.goto('/profiles?q=tamsel+one+key');
  await expect(named.filter({ hasText: 'Tamsel R60' }).first()).toBeVisible();
  await expect(named.filter({ hasText: 'Brackel T40' })).toHaveCount(0);
  await page.goto('/profiles?q=tamsel+card');
  await expect(named).toHaveCount(0);
});

test('nothing but loopback listens: another address of this machine gets no answer', async () => {
  const elsewhere = ADDRESS.replace('127.0.0.1', '127.0.0.2');
  await expect(fetch(elsewhere)).rejects.toThrow();
});
