/** Phones for measurements: paired with a shared bench as one is by hand. Addresses of the loopback range stand for the network. */
import { Agent, request } from 'node:https';

/** @typedef {{ address: string, agent: Agent, cookie: string }} Device */

/** The owner's password, without which nothing is shared. @param {string} bench its address */
export const choosePassword = (bench) =>
  post(bench, '/pit', { intent: 'password', password: 'four wet kelp leaves' });

/**
 * @param {string} bench its address at the machine itself
 * @param {string} network its address on the network
 * @param {number} n which phone
 * @returns {Promise<Device>}
 */
export async function pairDevice(bench, network, n) {
  const invited = await post(bench, '/pit', { intent: 'invite', role: 'helper', name: `Device ${n}` });
  const code =
    /[A-Z0-9]{4}-[A-Z0-9]{4}/.exec(invited.text.slice(invited.text.indexOf('Code for')))?.[0] ?? '';
  const address = `127.0.3.${n + 1}`;
  const body = new URLSearchParams({ code }).toString();
  return new Promise((resolve, reject) => {
    const asked = request(
      `${network}/pair`,
      {
        method: 'POST',
        localAddress: address,
        rejectUnauthorized: false,
        headers: {
          origin: network,
          'content-type': 'application/x-www-form-urlencoded',
          'content-length': Buffer.byteLength(body),
        },
      },
      (response) => {
        const cookie = response.headers['set-cookie']?.[0]?.split(';')[0];
        response.resume();
        if (cookie === undefined) reject(new Error(`device ${n} was not paired: ${response.statusCode}`));
        else resolve({ address, agent: new Agent({ keepAlive: true, maxSockets: 6 }), cookie });
      },
    );
    asked.on('error', reject);
    asked.end(body);
  });
}

/** A form that is sent. @param {string} at @param {string} path @param {Record<string, string>} fields */
export async function post(at, path, fields) {
  const response = await fetch(`${at}${path}`, {
    method: 'POST',
    redirect: 'manual',
    headers: { origin: at, accept: 'text/html' },
    body: new URLSearchParams(fields),
  });
  return { status: response.status, text: await response.text() };
}
