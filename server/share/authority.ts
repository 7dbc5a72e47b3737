/** Certificates of our own, so that phones nearby reach this machine by HTTPS: an authority that is made once, and what it signs. */
import 'reflect-metadata';
import { AsnConvert } from '@peculiar/asn1-schema';
import {
  GeneralName,
  GeneralSubtree,
  GeneralSubtrees,
  id_ce_nameConstraints,
  NameConstraints,
} from '@peculiar/asn1-x509';
import {
  AuthorityKeyIdentifierExtension,
  BasicConstraintsExtension,
  ExtendedKeyUsage,
  ExtendedKeyUsageExtension,
  Extension,
  KeyUsageFlags,
  KeyUsagesExtension,
  PemConverter,
  SubjectAlternativeNameExtension,
  SubjectKeyIdentifierExtension,
  X509Certificate,
  X509CertificateGenerator,
} from '@peculiar/x509';
import { randomBytes, webcrypto } from 'node:crypto';
import { mkdir, readFile, rename, writeFile } from 'node:fs/promises';
import { BlockList, isIP } from 'node:net';
import { join } from 'node:path';

/** What a server speaks TLS with, as PEM. */
export interface ServerIdentity {
  cert: string;
  key: string;
}

export interface Authority {
  /** As PEM: what a phone comes to trust. */
  certificate: string;
  /** SHA-256 of the certificate, in pairs of hex digits: what is compared by eye. */
  fingerprint: string;
  /** Makes a certificate for these names and addresses. @throws {Error} where there is none, or one that it may not sign for */
  sign: (hosts: readonly string[], now?: Date) => Promise<ServerIdentity>;
}

interface Signer {
  certificate: X509Certificate;
  key: webcrypto.CryptoKey;
}

const KEYS = { name: 'ECDSA', namedCurve: 'P-256' };
const SIGNING = { name: 'ECDSA', hash: 'SHA-256' };
const DAY_MS = 86_400_000;
const AUTHORITY_DAYS = 3650;
/** Browsers take none of a server that lasts longer than 398 days. From memory: the rules of the CA/Browser Forum. */
const SERVER_DAYS = 397;
/** A phone whose clock is behind takes it all the same. */
const BEHIND_DAYS = 2;

/**
 * What the authority can sign for at all (name constraints, RFC 5280 4.2.1.10): private networks (RFC 1918, RFC 4193),
 * link-local addresses, this machine. Who steals its key cannot play a bank to a phone that trusts it.
 */
const PERMITTED_NETS = [
  '10.0.0.0/8',
  '172.16.0.0/12',
  '192.168.0.0/16',
  '169.254.0.0/16',
  '127.0.0.0/8',
  'fc00::/7',
  'fe80::/10',
  '::1/128',
];
const PERMITTED_NAMES = ['local', 'localhost', 'lan', 'home.arpa'];

const permittedNets = new BlockList();
for (const net of PERMITTED_NETS) {
  const [address, bits] = net.split('/') as [string, string];
  permittedNets.addSubnet(address, Number(bits), familyOf(address));
}

function familyOf(address: string): 'ipv4' | 'ipv6' {
  return isIP(address) === 4 ? 'ipv4' : 'ipv6';
}

/** Whether the authority can sign for a name or an address. */
export const isPermitted = (host: string): boolean =>
  isIP(host)
    ? permittedNets.check(host, familyOf(host))
    : PERMITTED_NAMES.some((name) => host === name || host.endsWith(`.${name}`));

/** The authority of a folder, made when it is first asked for. Its key never leaves the folder. */
export async function authorityIn(folder: string): Promise<Authority> {
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const file = join(folder, 'authority.pem');
  const pem = (await readIfThere(file)) ?? (await writeWhole(file, await makeAuthority()));
  const signer = { certificate: new X509Certificate(pem), key: await readKey(pem) };
  const hash = Buffer.from(await signer.certificate.getThumbprint('SHA-256'));
  return {
    certificate: `${signer.certificate.toString('pem')}\n`,
    fingerprint: hash.toString('hex').toUpperCase().match(/../g)!.join(' '),
    sign: (hosts, now = new Date()) => signFor(signer, hosts, now),
  };
}

/** Certificate and key in one text: either both are kept, or none. */
async function makeAuthority(): Promise<string> {
  const keys = await newKeys();
  const certificate = await X509CertificateGenerator.createSelfSigned({
    serialNumber: serialNumber(),
    name: 'CN=Live Tune on this bench, O=Live Tune',
    ...lasting(AUTHORITY_DAYS, new Date()),
    signingAlgorithm: SIGNING,
    keys,
    extensions: [
      new BasicConstraintsExtension(true, 0, true),
      new KeyUsagesExtension(KeyUsageFlags.keyCertSign | KeyUsageFlags.cRLSign, true),
      new Extension(id_ce_nameConstraints, true, AsnConvert.serialize(nameConstraints())),
      await SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  });
  return `${certificate.toString('pem')}\n${await keyText(keys.privateKey)}`;
}

function nameConstraints(): NameConstraints {
  const names = [
    ...PERMITTED_NAMES.map((dNSName) => new GeneralName({ dNSName })),
    ...PERMITTED_NETS.map((iPAddress) => new GeneralName({ iPAddress })),
  ];
  const permittedSubtrees = new GeneralSubtrees(names.map((base) => new GeneralSubtree({ base })));
  return new NameConstraints({ permittedSubtrees });
}

async function signFor(signer: Signer, hosts: readonly string[], now: Date): Promise<ServerIdentity> {
  const strange = hosts.find((host) => !isPermitted(host));
  if (strange !== undefined) throw new Error(`the authority of this bench cannot sign for '${strange}'`);
  if (hosts.length === 0) throw new Error('a certificate needs a name or an address');
  const keys = await newKeys();
  const certificate = await X509CertificateGenerator.create({
    serialNumber: serialNumber(),
    subject: 'CN=Live Tune, O=Live Tune',
    issuer: signer.certificate.subject,
    ...lasting(SERVER_DAYS, now),
    signingAlgorithm: SIGNING,
    publicKey: keys.publicKey,
    signingKey: signer.key,
    extensions: [
      new BasicConstraintsExtension(false, undefined, true),
      new KeyUsagesExtension(KeyUsageFlags.digitalSignature, true),
      new ExtendedKeyUsageExtension([ExtendedKeyUsage.serverAuth]),
      new SubjectAlternativeNameExtension(
        hosts.map((host) => ({ type: isIP(host) ? ('ip' as const) : ('dns' as const), value: host })),
      ),
      await AuthorityKeyIdentifierExtension.create(signer.certificate.publicKey),
    ],
  });
  return { cert: `${certificate.toString('pem')}\n`, key: await keyText(keys.privateKey) };
}

const newKeys = (): Promise<webcrypto.CryptoKeyPair> =>
  webcrypto.subtle.generateKey(KEYS, true, ['sign', 'verify']);

/** @returns hex, positive and never used before. RFC 5280 4.1.2.2 */
const serialNumber = (): string => `01${randomBytes(15).toString('hex')}`;

const lasting = (days: number, now: Date): { notBefore: Date; notAfter: Date } => ({
  notBefore: new Date(now.getTime() - BEHIND_DAYS * DAY_MS),
  notAfter: new Date(now.getTime() + (days - BEHIND_DAYS) * DAY_MS),
});

const keyText = async (key: webcrypto.CryptoKey): Promise<string> =>
  `${PemConverter.encode(await webcrypto.subtle.exportKey('pkcs8', key), PemConverter.PrivateKeyTag)}\n`;

async function readKey(pem: string): Promise<webcrypto.CryptoKey> {
  const key = PemConverter.decodeWithHeaders(pem).find(({ type }) => type === PemConverter.PrivateKeyTag);
  if (!key) throw new Error('the authority of this bench has lost its key');
  return webcrypto.subtle.importKey('pkcs8', key.rawData, KEYS, false, ['sign']);
}

async function readIfThere(file: string): Promise<string | undefined> {
  try {
    return await readFile(file, 'utf8');
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return undefined;
    throw error;
  }
}

/** Never half a file, and for nobody else to read. */
async function writeWhole(file: string, text: string): Promise<string> {
  await writeFile(`${file}.part`, text, { mode: 0o600 });
  await rename(`${file}.part`, file);
  return text;
}
