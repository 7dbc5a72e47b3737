import 'reflect-metadata';
import { mkdtemp, readFile, rm, stat } from 'node:fs/promises';
import { createServer, request } from 'node:https';
import type { AddressInfo } from 'node:net';
import {
  PemConverter,
  SubjectAlternativeNameExtension,
  X509Certificate as SignedCertificate,
  X509CertificateGenerator,
} from '@peculiar/x509';
import { webcrypto, X509Certificate } from 'node:crypto';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { authorityIn, isPermitted, type Authority, type ServerIdentity } from './authority';

let folder = '';
let authority: Authority;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'authority-'));
  authority = await authorityIn(folder);
});
afterAll(() => rm(folder, { recursive: true }));

/** How a client that trusts the authority, and nobody else, finds a server. OpenSSL judges. */
async function visit(identity: ServerIdentity, host: string): Promise<string> {
  const server = createServer(identity, (_request, response) => response.end('hello'));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  try {
    return await new Promise((resolve) => {
      const asked = request(
        { host: '127.0.0.1', port, servername: host, ca: authority.certificate, agent: false },
        (response) => {
          response.resume();
          resolve('trusted');
        },
      );
      asked.on('error', (error: NodeJS.ErrnoException) => resolve(`${error.code}: ${error.message}`));
      asked.end();
    });
  } finally {
    server.close();
  }
}

describe('the authority of a bench', () => {
  it('is made once, and only its owner can read its key', async () => {
    const again = await authorityIn(folder);
    expect(again.certificate).toBe(authority.certificate);
    expect(again.fingerprint).toBe(authority.fingerprint);
    expect((await stat(join(folder, 'authority.pem'))).mode & 0o777).toBe(0o600);
    expect(authority.certificate).not.toContain('PRIVATE');
    expect(await readFile(join(folder, 'authority.pem'), 'utf8')).toContain('PRIVATE KEY');
  });

  it('has the fingerprint that others work out, too', () => {
    const { fingerprint256, ca } = new X509Certificate(authority.certificate);
    expect(authority.fingerprint).toBe(fingerprint256.replaceAll(':', ' '));
    expect(ca).toBe(true);
  });

  it('makes a client that trusts it trust what it signed, by the name and the address', async () => {
    const identity = await authority.sign(['bench.local', '127.0.0.1']);
    expect(await visit(identity, 'bench.local')).toBe('trusted');
    expect(await visit(identity, '')).toBe('trusted');
    expect(await visit(identity, 'other.local')).toContain('ERR_TLS_CERT_ALTNAME_INVALID');
  });

  it('lets a certificate end, and one that is over is not trusted', async () => {
    const yearsAgo = new Date(Date.now() - 800 * 86_400_000);
    const old = await authority.sign(['bench.local'], yearsAgo);
    expect(await visit(old, 'bench.local')).toContain('CERT_HAS_EXPIRED');
  });

  it.each(['bank.example', 'local.example', '8.8.8.8', '172.32.0.1', '2001:db8::1'])(
    'signs nothing for %s',
    async (host) => {
      expect(isPermitted(host)).toBe(false);
      await expect(authority.sign([host])).rejects.toThrow(host);
    },
  );

  it.each(['pit.local', 'localhost', '10.1.2.3', '172.31.255.1', '192.168.0.7', 'fe80::1', 'fd12::3'])(
    'signs for %s',
    (host) => {
      expect(isPermitted(host)).toBe(true);
    },
  );

  it('is trusted for nothing else, whatever its key signs: the constraint is in the certificate', async () => {
    const stolen = await signWithStolenKey('bank.example');
    expect(await visit(stolen, 'bank.example')).toContain('permitted subtree violation');
  });
});

const authorityName = (raw: ArrayBuffer): string => new SignedCertificate(raw).subject;

/** What somebody could do who has the key. */
async function signWithStolenKey(host: string): Promise<ServerIdentity> {
  const pem = await readFile(join(folder, 'authority.pem'), 'utf8');
  const curve = { name: 'ECDSA', namedCurve: 'P-256' };
  const [certificate, key] = PemConverter.decodeWithHeaders(pem);
  const keys = await webcrypto.subtle.generateKey(curve, true, ['sign', 'verify']);
  const thief = await X509CertificateGenerator.create({
    subject: 'CN=thief',
    issuer: authorityName(certificate!.rawData),
    signingAlgorithm: { name: 'ECDSA', hash: 'SHA-256' },
    publicKey: keys.publicKey,
    signingKey: await webcrypto.subtle.importKey('pkcs8', key!.rawData, curve, false, ['sign']),
    extensions: [new SubjectAlternativeNameExtension([{ type: 'dns', value: host }])],
  });
  const pkcs8 = await webcrypto.subtle.exportKey('pkcs8', keys.privateKey);
  return {
    cert: thief.toString('pem'),
    key: PemConverter.encode(pkcs8, PemConverter.PrivateKeyTag),
  };
}
