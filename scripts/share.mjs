// npm start -- --share: the same server for other machines, by HTTPS, for microphones need it. A local authority is made at first
// start, and a certificate of the server by it whenever its addresses are others; or one's own certificate is used.
import { X509Certificate } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { hostname, networkInterfaces } from 'node:os';
import { join } from 'node:path';

const DAY = 86_400_000;
/** An authority of one's own is good for ten years; a server's certificate for 397 days (CA/Browser Forum, from memory). */
const AUTHORITY_DAYS = 3650;
const SERVER_DAYS = 397;
/** Made anew so long before it runs out. */
const EARLY_DAYS = 30;

/** Addresses of this machine that others of its network may know it by. */
export const addresses = () =>
  Object.values(networkInterfaces())
    .flat()
    .filter((a) => a && !a.internal && a.family === 'IPv4')
    .map((a) => a.address);

/** SHA-256 of a certificate, as browsers show it. */
export const fingerprintOf = (pem) => new X509Certificate(pem).fingerprint256;

const read = (folder, name) => {
  const [cert, key] = [`${name}.crt`, `${name}.key`].map((file) => join(folder, file));
  return existsSync(cert) && existsSync(key)
    ? { cert: readFileSync(cert, 'utf8'), key: readFileSync(key, 'utf8') }
    : null;
};
const write = (folder, name, { cert, key }) => {
  writeFileSync(join(folder, `${name}.crt`), cert);
  writeFileSync(join(folder, `${name}.key`), key, { mode: 0o600 });
};
const endsAfter = (cert, moment) => Date.parse(new X509Certificate(cert).validTo) > moment;

/** The authority in a folder; made where there is none, or it runs out. */
async function authorityIn(folder, now) {
  const there = read(folder, 'authority');
  if (there && endsAfter(there.cert, now + SERVER_DAYS * DAY)) return there;
  const { generate } = await import('selfsigned');
  const made = await generate([{ name: 'commonName', value: `Upper Line on ${hostname()}` }], {
    keyType: 'ec',
    algorithm: 'sha256',
    notBeforeDate: new Date(now - DAY),
    notAfterDate: new Date(now + AUTHORITY_DAYS * DAY),
    extensions: [
      { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
      { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
    ],
  });
  const authority = { cert: made.cert, key: made.private };
  write(folder, 'authority', authority);
  return authority;
}

/**
 * Certificate and key of the server for names and addresses.
 * @param folder where they are kept
 * @returns with the authority that signed it, to be trusted by other machines
 */
export async function certificateFor(folder, names, ips, now = Date.now()) {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const authority = await authorityIn(folder, now);
  const there = read(folder, 'server');
  if (there) {
    const known = new X509Certificate(there.cert);
    const covers = names.every((n) => known.checkHost(n)) && ips.every((ip) => known.checkIP(ip));
    if (
      covers &&
      known.verify(new X509Certificate(authority.cert).publicKey) &&
      endsAfter(there.cert, now + EARLY_DAYS * DAY)
    )
      return { ...there, authority: authority.cert };
  }
  const { generate } = await import('selfsigned');
  const made = await generate([{ name: 'commonName', value: names[0] }], {
    keyType: 'ec',
    algorithm: 'sha256',
    notBeforeDate: new Date(now - DAY),
    notAfterDate: new Date(now + SERVER_DAYS * DAY),
    ca: authority,
    extensions: [
      { name: 'basicConstraints', cA: false, critical: true },
      { name: 'keyUsage', digitalSignature: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: [...names.map((value) => ({ type: 2, value })), ...ips.map((ip) => ({ type: 7, ip }))],
      },
    ],
  });
  const server = { cert: made.cert, key: made.private };
  write(folder, 'server', server);
  return { ...server, authority: authority.cert };
}

/** What follows a word of the command line. */
const after = (args, word) => {
  const at = args.indexOf(word);
  return at >= 0 ? args[at + 1] : undefined;
};

/**
 * How to share, from the command line; null where nobody asked to. `--share [--address 192.0.2.5] [--cert file --key file]`:
 * the address is for machines of several networks.
 */
export async function sharing(args, port) {
  if (!args.includes('--share')) return null;
  const [cert, key] = [after(args, '--cert'), after(args, '--key')];
  if (!cert !== !key) throw new Error('Give both --cert and --key, or neither.');
  const address = after(args, '--address');
  const ips = address ? [address] : addresses();
  if (!ips.length) throw new Error('This machine is in no network: there is nobody to share with.');
  const names = [...new Set([hostname(), `${hostname().split('.')[0]}.local`, 'localhost'])];
  const tls = cert
    ? { cert: readFileSync(cert, 'utf8'), key: readFileSync(key, 'utf8'), authority: null }
    : await certificateFor(process.env.UPPER_LINE_KEYS ?? '.share', names, [...ips, '127.0.0.1']);
  const host = cert
    ? (new X509Certificate(tls.cert).subjectAltName?.match(/DNS:([^,*]+)/)?.[1] ?? ips[0])
    : ips[0];
  return {
    ...tls,
    port,
    address: `https://${host}:${port}`,
    fingerprint: fingerprintOf(tls.authority ?? tls.cert),
  };
}

/** What is printed where it is shared. */
export async function sharedInWords({ address, fingerprint, authority }) {
  const { toString } = await import('qrcode');
  const picture = await toString(address, { type: 'terminal', small: true });
  return [
    `Other machines of your network find it at ${address}`,
    `${authority ? 'Its authority, made here, has' : 'Its certificate has'} the fingerprint (SHA-256)`,
    `  ${fingerprint}`,
    picture,
  ].join('\n');
}
