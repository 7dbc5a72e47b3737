/** Devices round the second Live Tune: the bench itself, and phones that come by the network. */
import type { APIRequestContext, Browser, BrowserContext, Page } from '@playwright/test';
import { request } from 'node:https';
import { RIGHTS } from '../server/access/rights';
import { ADDRESSES } from './addresses';
import { PIT } from './setting';
import { expect, openAnswering } from './test';

export const PASSWORD = 'four wet kelp leaves';
/** A phone held in one hand. */
const PHONE = { width: 390, height: 844 };

/** A browser at the bench. */
export async function atBench(browser: Browser): Promise<BrowserContext> {
  const bench = await browser.newContext({ baseURL: PIT.bench, viewport: { width: 1280, height: 800 } });
  return bench.on('page', openAnswering);
}

/** A phone in the network; it does not know the authority of the bench and was told to go on all the same. */
export async function onPhone(browser: Browser): Promise<BrowserContext> {
  const phone = await browser.newContext({
    baseURL: PIT.network,
    viewport: PHONE,
    hasTouch: true,
    ignoreHTTPSErrors: true,
  });
  return phone.on('page', openAnswering);
}

/** The page of who may what, with a password chosen. */
export async function openPit(bench: BrowserContext): Promise<Page> {
  const page = await bench.newPage();
  await page.goto('/pit');
  const first = page.getByRole('heading', { name: 'First: your password' });
  if (await first.isVisible()) {
    await page.getByLabel('Password of the owner').first().fill(PASSWORD);
    await page.getByRole('button', { name: 'Keep the password' }).first().click();
    await expect(page.getByText('Password kept.')).toBeVisible();
  }
  return page;
}

type Whose = 'my own' | 'a helper' | 'a visitor';

/** Makes a code at the bench. @param sees what a visitor sees */
export async function makeCode(
  pit: Page,
  whose: Whose,
  name: string,
  sees?: { rig: string; setUp?: string },
): Promise<string> {
  await pit.getByRole('radio', { name: new RegExp(`^${whose}`) }).check();
  if (sees) {
    await pit.getByLabel('sees').selectOption({ label: sees.rig });
    if (sees.setUp !== undefined)
      await pit
        .getByLabel('All of the rig, or a set-up')
        .selectOption({ label: `only the set-up ${sees.setUp}` });
  }
  await pit.getByLabel('Name of the phone, for your list').fill(name);
  await pit.getByRole('button', { name: 'Make a code' }).click();
  await expect(pit.getByRole('heading', { name: `Code for “${name}”` })).toBeVisible();
  return (await pit.locator('strong.font-mono').innerText()).trim();
}

/** A phone that is paired. */
export async function paired(
  browser: Browser,
  pit: Page,
  whose: Whose,
  name: string,
  sees?: { rig: string; setUp?: string },
): Promise<BrowserContext> {
  const code = await makeCode(pit, whose, name, sees);
  const phone = await onPhone(browser);
  const page = await phone.newPage();
  await page.goto(`/pair#${code}`);
  await page.getByRole('button', { name: 'Pair', exact: true }).click();
  await page.waitForURL((url) => !url.pathname.startsWith('/pair'));
  await page.close();
  return phone;
}

/** What differs at every answer, and says nothing. */
const FLEETING = new Set(['date', 'content-security-policy', 'connection', 'keep-alive']);

interface Asked {
  /** Where the stranger is: addresses of the loopback range stand for those of the network. */
  from: string;
  method?: string;
  headers?: Record<string, string>;
  body?: string;
}

export interface Answer {
  status: number | undefined;
  headers: Record<string, string | string[] | undefined>;
  body: string;
}

/** What somebody gets who is not paired. */
export function askAsStranger(
  path: string,
  { from, method = 'GET', headers = {}, body = '' }: Asked,
): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const asked = request(
      {
        host: PIT.host,
        port: PIT.sharePort,
        path,
        method,
        localAddress: from,
        rejectUnauthorized: false,
        headers: { ...headers, ...(body !== '' && { 'content-length': String(Buffer.byteLength(body)) }) },
        timeout: 20_000,
      },
      (response) => {
        const chunks: Buffer[] = [];
        response.on('data', (chunk: Buffer) => chunks.push(chunk));
        response.on('end', () => {
          const kept = Object.entries(response.headers).filter(([name]) => !FLEETING.has(name));
          resolve({
            status: response.statusCode,
            headers: Object.fromEntries(kept),
            body: Buffer.concat(chunks).toString(),
          });
        });
      },
    );
    asked.on('error', reject);
    asked.on('timeout', () => asked.destroy(new Error(`${path} does not answer`)));
    asked.end(body);
  });
}

/** The rigs of the bench, by their names. */
export async function rigIds(bench: BrowserContext): Promise<Record<string, string>> {
  const page = await bench.newPage();
  await page.goto('/');
  const links = await page
    .locator('a[href^="/rigs/"]')
    .evaluateAll((all) =>
      all.map((link) => [link.textContent, link.getAttribute('href')!.split('/')[2]!] as const),
    );
  await page.close();
  return Object.fromEntries(links.filter(([, id]) => id !== 'new').map(([name, id]) => [name.trim(), id]));
}

/** What a paired device gets, without following where it is sent. */
export async function ask(
  device: APIRequestContext,
  method: 'GET' | 'POST',
  path: string,
): Promise<{ status: number; to: string | undefined; body: string }> {
  const response = await device.fetch(path, {
    method,
    maxRedirects: 0,
    headers:
      method === 'GET'
        ? { accept: 'text/html' }
        : { origin: PIT.network, 'content-type': 'application/x-www-form-urlencoded' },
    ...(method === 'POST' && { data: '' }),
  });
  return { status: response.status(), to: response.headers().location, body: await response.text() };
}

const FORM = /<form(?=[^>]* method="post")[^>]* action="([^"]*)"[^>]*>(.*?)<\/form>/gs;
const DISABLED = /<fieldset disabled="".*?<\/fieldset>/gs;

/** Where the forms of a page go that can be sent, and what they ask for there. */
export const formsIn = (html: string): { to: string; intents: string[] }[] =>
  [...html.replaceAll(DISABLED, '').matchAll(FORM)]
    .filter(([, , fields]) => fields!.includes('type="submit"'))
    .map(([, to, fields]) => ({
      to: new URL(to!, PIT.network).pathname,
      intents: [...fields!.matchAll(/name="intent" value="([^"]*)"/g)].map(([, intent]) => intent!),
    }));

/** A form as a page of the bench sends it. */
export const form = (fields: Record<string, string>, origin: string = PIT.network) => ({
  method: 'POST',
  headers: { origin, 'content-type': 'application/x-www-form-urlencoded' },
  body: new URLSearchParams(fields).toString(),
});

/** The cookie by which a device is known. */
export const tokenOf = async (device: BrowserContext): Promise<string> =>
  (await device.cookies()).find(({ name }) => name === '__Host-live-tune')!.value;

export const BUGGY = 'Kelp-beach buggy';
/** All else that the demo has: rigs, ESCs, packs. */
export const OTHERS = /cliff-path|headland|brackel|day at/i;

/** An address with its parameters filled in. */
export const filled = (address: string, rigId: string): string =>
  address.replace(':rigId', rigId).replace(':number', '1').replaceAll(/:\w+/g, 'no-such');

/** The addresses that a stranger is turned away from. */
export const CLOSED = [
  ...new Set([...ADDRESSES, '/archive', '/archive/no-such', '/live', '/healthz', '/no-such', '/__manifest']),
].filter((address) => RIGHTS[address]?.read !== 'stranger');
