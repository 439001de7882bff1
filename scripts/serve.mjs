// The built server, with the headers that every answer carries: pages, files and routes alike.
import { createServer } from 'node:http';
import { createServer as createSecureServer } from 'node:https';

const HEADERS = {
  // Fetch standard §3.6: what it says it is, it is.
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
  // The microphone for this page itself; nothing else of the machine for anybody.
  'permissions-policy':
    'microphone=(self), autoplay=(self), camera=(), geolocation=(), display-capture=(), usb=(), serial=(), payment=()',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
};

/** @param shared how it serves other machines beside this one, see `sharing`; null is that it does not */
export async function serve(shared = null) {
  process.env.BODY_SIZE_LIMIT ??= '512K';
  if (shared) {
    process.env.UPPER_LINE_SHARED = shared.address;
    process.env.UPPER_LINE_FINGERPRINT = shared.fingerprint;
    process.env.UPPER_LINE_AUTHORITY = shared.authority ?? '';
  }
  const { handler } = await import('../build/handler.js');
  const answer = (request, response) => {
    for (const [name, value] of Object.entries(HEADERS)) response.setHeader(name, value);
    handler(request, response, () => {
      response.statusCode = 404;
      response.end();
    });
  };
  const server = createServer(answer);
  const secure = shared && createSecureServer({ cert: shared.cert, key: shared.key }, answer);
  const end = () => {
    secure?.close();
    secure?.closeAllConnections();
    server.close(() => process.exit());
    server.closeAllConnections();
  };
  process.on('SIGTERM', end);
  process.on('SIGINT', end);
  const port = Number(process.env.PORT ?? 4173);
  await new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, process.env.HOST ?? '127.0.0.1', resolve);
  });
  if (secure)
    await new Promise((resolve, reject) => {
      secure.once('error', reject);
      secure.listen(shared.port, '0.0.0.0', resolve);
    });
  return port;
}

if (process.argv[1]?.endsWith('serve.mjs')) {
  const { sharing } = await import('./share.mjs');
  const shared = await sharing(process.argv, Number(process.env.SHARED_PORT ?? 4443));
  console.log(`Listening on ${await serve(shared)}`);
}
