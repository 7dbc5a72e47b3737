import type { BrowserContext } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { placeOf, RIGHTS } from '../server/access/rights';
import { ADDRESSES } from './addresses';
import {
  ask,
  askAsStranger,
  atBench,
  BUGGY,
  CLOSED,
  filled,
  form,
  formsIn,
  makeCode,
  onPhone,
  openPit,
  OTHERS,
  paired,
  PASSWORD,
  rigIds,
  tokenOf,
} from './pit';
import { PIT } from './setting';
import { expect, FRESH, test } from './test';

test.describe.configure({ mode: 'serial' });

let bench: BrowserContext;
let ids: Record<string, string>;

test.beforeAll(async ({ browser }) => {
  bench = await atBench(browser);
  ids = await rigIds(bench);
  await (await openPit(bench)).close();
});
test.afterAll(() => bench.close());

test('a stranger gets the same answer from every address: nothing says what there is', async () => {
  const seen = new Map<string, string>();
  for (const [place, address] of CLOSED.entries()) {
    // From ever other places, so that nobody is told to wait.
    const from = `127.0.1.${1 + Math.floor(place / 15)}`;
    const path = filled(address, ids[BUGGY]!);
    const answers = {
      page: await askAsStranger(path, { from, headers: { accept: 'text/html' } }),
      data: await askAsStranger(path === '/' ? '/_root.data' : `${path}.data`, { from }),
      change: await askAsStranger(path, { from, method: 'POST', headers: { origin: PIT.network } }),
    };
    for (const [kind, answer] of Object.entries(answers)) seen.set(`${kind} ${JSON.stringify(answer)}`, path);
  }
  expect([...seen].map(([answer, path]) => `${path}: ${answer}`)).toHaveLength(3);
  for (const answer of seen.keys()) expect(answer).not.toMatch(/kelp|garage|express|node|postgres/i);
});

test('every address answers each role by the table of rights', FRESH, async ({ browser }) => {
  test.setTimeout(180_000);
  const pit = await openPit(bench);
  const rigId = ids[BUGGY]!;
  const devices = {
    owner: await paired(browser, pit, 'my own', 'Own phone'),
    helper: await paired(browser, pit, 'a helper', 'Helping phone'),
    visitor: await paired(browser, pit, 'a visitor', 'Visiting phone', { rig: BUGGY }),
  };
  const order = ['visitor', 'helper', 'owner'] as const;
  const wrong: string[] = [];
  for (const [place, role] of order.entries()) {
    for (const address of ADDRESSES) {
      const { read, change } = RIGHTS[address]!;
      const path = filled(address, rigId);
      const may = (least: string): boolean => least === 'stranger' || order.indexOf(least as never) <= place;
      const page = await ask(devices[role].request, 'GET', path);
      const isShown = page.to !== '/not-allowed' && page.to !== '/pair';
      if (isShown !== may(read)) wrong.push(`${role} reads ${path}: ${page.status} ${page.to}`);
      if (role === 'visitor' && OTHERS.test(page.body)) wrong.push(`${role} reads of other rigs at ${path}`);
      if (page.status >= 500) wrong.push(`${role} reads ${path}: ${page.status}`);
      for (const { to } of formsIn(page.body))
        if (!may(placeOf(to)?.right.change ?? 'owner'))
          wrong.push(`${role} is offered a form to ${to} at ${path}`);
      // An empty form is refused for what it lacks, once the role has been let in; signing out is tried elsewhere.
      if (address === '/sign-out' || address === '/pair' || address === '/sign-in') continue;
      const changed = await ask(devices[role].request, 'POST', path);
      const isTurnedAway = changed.status === 403 && changed.body.includes('This device may not do that');
      if (isTurnedAway === may(change)) wrong.push(`${role} changes ${path}: ${changed.status}`);
    }
    const elsewhere = await ask(devices[role].request, 'GET', `/rigs/${ids['Cliff-path crawler']}/rig`);
    if ((elsewhere.status === 200) !== (role !== 'visitor'))
      wrong.push(`${role} sees another rig: ${elsewhere.status}`);
  }
  // A helper ticks what is on the plan of a day, and changes nothing else of it.
  for (const day of ['/days/demo-race-day', '/days/demo-test-day']) {
    const { body } = await ask(devices.helper.request, 'GET', day);
    for (const { to, intents } of formsIn(body))
      if (intents.some((intent) => intent !== 'did')) wrong.push(`helper may ask ${to} to ${intents.join()}`);
  }
  expect(wrong).toEqual([]);
  for (const device of Object.values(devices)) await device.close();
  await pit.close();
});

test(
  'the cookie of a device is nothing for scripts, other sites, plain lines or other hosts',
  FRESH,
  async ({ browser }) => {
    const pit = await openPit(bench);
    const phone = await paired(browser, pit, 'a helper', 'Cookie phone');
    const cookie = (await phone.cookies()).find(({ name }) => name === '__Host-live-tune')!;
    expect(cookie).toMatchObject({
      httpOnly: true,
      secure: true,
      sameSite: 'Lax',
      path: '/',
      domain: PIT.host,
    });
    expect(cookie.value).toMatch(/^[\w-]{43}$/);
    await phone.close();
    await pit.close();
  },
);

test(
  'a token that was laid into a browser beforehand is worth nothing after pairing',
  FRESH,
  async ({ browser }) => {
    const pit = await openPit(bench);
    const code = await makeCode(pit, 'a helper', 'Fixed phone');
    const phone = await onPhone(browser);
    const laid = 'x'.repeat(43);
    await phone.addCookies([{ name: '__Host-live-tune', value: laid, url: PIT.network, secure: true }]);
    const page = await phone.newPage();
    await page.goto(`/pair#${code}`);
    await page.getByRole('button', { name: 'Pair', exact: true }).click();
    await page.waitForURL(`${PIT.network}/`);
    expect(await tokenOf(phone)).not.toBe(laid);
    const stranger = await askAsStranger('/', {
      from: '127.0.2.1',
      headers: { accept: 'text/html', cookie: `__Host-live-tune=${laid}` },
    });
    expect(stranger).toMatchObject({ status: 303, headers: { location: '/pair' } });
    // And nobody is paired twice by one code.
    const again = await askAsStranger('/pair', { from: '127.0.2.1', ...form({ code }) });
    expect(again.status).toBe(403);
    await phone.close();
    await pit.close();
  },
);

test(
  'a change asked for by another site is refused, and so is another name for the bench',
  FRESH,
  async ({ browser }) => {
    const pit = await openPit(bench);
    const phone = await paired(browser, pit, 'my own', 'Lured phone');
    const cookie = `__Host-live-tune=${await tokenOf(phone)}`;
    const from = '127.0.2.2';
    const fields = { intent: 'removeAll' };
    for (const origin of ['https://evil.example', `http://${PIT.host}:${PIT.sharePort}`, 'null', PIT.bench]) {
      const sent = form(fields, origin);
      const answer = await askAsStranger('/pit', { from, ...sent, headers: { ...sent.headers, cookie } });
      expect(answer.status, origin).toBe(403);
    }
    const { origin: _none, ...headers } = form(fields).headers;
    expect(
      (await askAsStranger('/pit', { from, ...form(fields), headers: { ...headers, cookie } })).status,
    ).toBe(403);
    const rebound = { cookie, host: `evil.example:${PIT.sharePort}`, accept: 'text/html' };
    expect((await askAsStranger('/', { from, headers: rebound })).status).toBe(421);
    // It is still paired: nothing was done.
    expect((await ask(phone.request, 'GET', '/pit')).status).toBe(200);
    await phone.close();
    await pit.close();
  },
);

test('guessing codes and passwords gets slower and slower, also many at once', async () => {
  const from = '127.0.2.3';
  const guesses = await Promise.all(
    Array.from({ length: 20 }, (_, n) => askAsStranger('/pair', { from, ...form({ code: `AAAA-${n}` }) })),
  );
  const looked = guesses.filter(({ body }) => body.includes('That code is not right'));
  const refused = guesses.filter(({ body }) => body.includes('Too many tries'));
  expect(looked.length).toBe(3);
  expect(refused.length).toBe(17);
  const signIn = await askAsStranger('/sign-in', {
    from,
    ...form({ garage: 'My garage', password: PASSWORD }),
  });
  expect(signIn.body).toContain('Too many tries');
  expect(signIn.headers['set-cookie']).toBeUndefined();
  // Who is elsewhere is not kept waiting, and learns nothing of which was wrong.
  const wrong = await askAsStranger('/sign-in', {
    from: '127.0.2.4',
    ...form({ garage: 'My garage', password: 'wrong' }),
  });
  const nobody = await askAsStranger('/sign-in', {
    from: '127.0.2.5',
    ...form({ garage: 'No such', password: 'wrong' }),
  });
  expect(wrong.status).toBe(403);
  const plain = ({ body }: { body: string }): string => body.replaceAll(/nonce[^>]*>|nonce[^,]*,/g, '');
  expect(plain(nobody)).toBe(plain(wrong));
});

test('what is too much is refused: bodies, headers, requests', async () => {
  const from = '127.0.2.6';
  const large = await askAsStranger('/pair', { from, ...form({ code: 'x'.repeat(1_000_001) }) });
  expect(large.status).toBe(413);
  const heads = await askAsStranger('/pair', { from, headers: { 'x-much': 'x'.repeat(20_000) } });
  expect(heads.status).toBe(431);
  const many = await Promise.all(Array.from({ length: 80 }, () => askAsStranger('/', { from: '127.0.2.7' })));
  expect(many.filter(({ status }) => status === 429)).toHaveLength(20);
});

test(
  'a paired phone stays paired when the server starts again, and is out at once when it is removed',
  FRESH,
  async ({ browser }) => {
    const pit = await openPit(bench);
    const phone = await paired(browser, pit, 'a helper', 'Lasting phone');
    const { web } = JSON.parse(await readFile(`${PIT.data}/processes.json`, 'utf8')) as { web: number };
    process.kill(web, 'SIGKILL');
    await expect
      .poll(async () => (await ask(phone.request, 'GET', '/').catch(() => undefined))?.status, {
        timeout: 60_000,
      })
      .toBe(200);
    await pit.goto('/pit');
    await pit.getByRole('button', { name: 'Remove Lasting phone' }).click();
    await expect(pit.getByText('It sees nothing from now on.')).toBeVisible();
    expect(await ask(phone.request, 'GET', '/')).toMatchObject({ status: 303, to: '/pair' });
    await phone.close();
    await pit.close();
  },
);

test(
  'signing out ends a session for good, and signing out everywhere ends all',
  FRESH,
  async ({ browser }) => {
    const pit = await openPit(bench);
    const [one, two] = [
      await paired(browser, pit, 'a helper', 'First phone'),
      await paired(browser, pit, 'a visitor', 'Second phone', { rig: BUGGY }),
    ];
    const cookie = `__Host-live-tune=${await tokenOf(one)}`;
    expect(await ask(one.request, 'POST', '/sign-out')).toMatchObject({ to: '/' });
    const replayed = await askAsStranger('/', {
      from: '127.0.2.8',
      headers: { cookie, accept: 'text/html' },
    });
    expect(replayed.headers.location).toBe('/pair');
    await pit.goto('/pit');
    await pit.getByRole('button', { name: 'Sign out everywhere' }).click();
    await pit.getByRole('alertdialog').getByRole('button', { name: 'Sign out everywhere' }).click();
    await expect(pit.getByText('Signed out everywhere')).toBeVisible();
    expect(await ask(two.request, 'GET', `/rigs/${ids[BUGGY]!}/rig`)).toMatchObject({ to: '/pair' });
    await one.close();
    await two.close();
    await pit.close();
  },
);

test(
  'the owner signs in from a phone without a code, and is told from a wrong one',
  FRESH,
  async ({ browser }) => {
    const phone = await onPhone(browser);
    const page = await phone.newPage();
    await page.goto('/sign-in');
    await page.getByLabel('Garage').fill('my garage');
    await page.getByLabel('Password', { exact: true }).fill('not the right one');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByText('do not belong together')).toBeVisible();
    await page.getByLabel('Password', { exact: true }).fill(PASSWORD);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.waitForURL(`${PIT.network}/`);
    await expect(page.getByText(BUGGY).first()).toBeVisible();
    await phone.close();
  },
);
