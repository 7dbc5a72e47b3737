/** By which names and addresses devices nearby find this machine. */
import { hostname, networkInterfaces } from 'node:os';
import { isIP } from 'node:net';
import { isPermitted } from './authority';

/** As the system tells it; another in tests. */
export interface Surroundings {
  hostname: string;
  interfaces: ReturnType<typeof networkInterfaces>;
}

const thisMachine = (): Surroundings => ({ hostname: hostname(), interfaces: networkInterfaces() });

/**
 * The hosts under which devices nearby reach this machine: addresses in private networks, the plainest first, then the name
 * that the network may know it by. Public addresses are left out: a bench is nobody's web site.
 */
export function nearbyHosts({ hostname: name, interfaces } = thisMachine()): string[] {
  const addresses = Object.values(interfaces)
    .flatMap((of) => of ?? [])
    // An IPv6 address of a link alone needs the name of the phone's own network card behind it.
    .filter(({ internal, address }) => !internal && isPermitted(address) && !address.startsWith('fe80'))
    .map(({ address }) => address)
    .toSorted((a, b) => isIP(a) - isIP(b));
  const label = name.split('.')[0]!.toLowerCase();
  const isName = /^[a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?$/.test(label) && label !== 'localhost';
  // A name without an address leads to nobody.
  return [...new Set(addresses), ...(isName && addresses.length > 0 ? [`${label}.local`] : [])];
}

/** A host as it stands in an address. */
export const inAddress = (host: string): string => (isIP(host) === 6 ? `[${host}]` : host);
