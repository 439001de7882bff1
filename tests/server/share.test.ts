/** Serving other machines: the certificate is held against the TLS of the platform, as a browser would look at it. */
import { mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { connect } from 'node:tls';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { certificateFor, fingerprintOf, sharing } from '../../scripts/share.mjs';

let folder: string;
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'share-'))));
afterEach(() => rmSync(folder, { recursive: true }));
const make = (names = ['boat.local'], ips = ['127.0.0.1'], now?: number) =>
  certificateFor(folder, names, ips, now);

/** What a client says that trusts an authority, or nobody, of a server with a certificate. */
async function met(
  made: { cert: string; key: string },
  ca: string | undefined,
  servername: string,
): Promise<string> {
  const server = createServer({ cert: made.cert, key: made.key });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  const said = await new Promise<string>((resolve) => {
    const socket = connect({ port, host: '127.0.0.1', servername, ...(ca ? { ca } : {}) }, () => {
      socket.end();
      resolve('trusted');
    });
    socket.on('error', (e: NodeJS.ErrnoException) => resolve(e.code ?? e.message));
  });
  server.close();
  return said;
}

describe('the certificate of a shared server', () => {
  it('is trusted by whoever trusts its authority, under its names, and by nobody else', async () => {
    const made = await make();
    expect(await met(made, made.authority, 'boat.local')).toBe('trusted');
    expect(await met(made, made.authority, 'other.local')).toBe('ERR_TLS_CERT_ALTNAME_INVALID');
    expect(await met(made, undefined, 'boat.local')).toMatch(/VERIFY|SELF_SIGNED|UNABLE/);
  });
  it('is kept as long as it fits; for another address it is made anew, by the same authority', async () => {
    const first = await make();
    expect(await make()).toEqual(first);
    const other = await make(['boat.local'], ['127.0.0.1', '192.0.2.7']);
    expect(other.cert).not.toBe(first.cert);
    expect(other.authority).toBe(first.authority);
    expect(await met(other, first.authority, 'boat.local')).toBe('trusted');
  });
  it('is made anew before it runs out, and so is the authority', async () => {
    const first = await make();
    const year = 365 * 86_400_000;
    const later = await make(['boat.local'], ['127.0.0.1'], Date.now() + 1.05 * year);
    expect(later.cert).not.toBe(first.cert);
    expect(later.authority).toBe(first.authority);
    const decade = await make(['boat.local'], ['127.0.0.1'], Date.now() + 9.5 * year);
    expect(decade.authority).not.toBe(first.authority);
  });
  it('keys are readable by whoever made them alone', async () => {
    await make();
    for (const name of ['authority.key', 'server.key'])
      expect(statSync(join(folder, name)).mode & 0o077).toBe(0);
  });
});

describe('the command line', () => {
  it('without --share nothing is shared', async () => {
    expect(await sharing(['node', 'start'], 4443)).toBeNull();
  });
  it('an address and a certificate of one’s own are used, with its fingerprint', async () => {
    const made = await make(['phones.yard.example'], []);
    const [cert, key] = ['own.crt', 'own.key'].map((f) => join(folder, f)) as [string, string];
    writeFileSync(cert, made.cert);
    writeFileSync(key, made.key);
    const shared = await sharing(['--share', '--address', '127.0.0.1', '--cert', cert, '--key', key], 4443);
    expect(shared).toMatchObject({
      address: 'https://phones.yard.example:4443',
      fingerprint: fingerprintOf(made.cert),
      authority: null,
    });
  });
  it('half a certificate is refused in words', async () => {
    await expect(sharing(['--share', '--cert', 'own.crt'], 4443)).rejects.toThrow('both --cert and --key');
  });
});
