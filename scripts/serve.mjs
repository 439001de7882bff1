// The built server, with the headers that every answer carries: pages, files and routes alike.
import { createServer } from 'node:http';

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

export async function serve() {
  process.env.BODY_SIZE_LIMIT ??= '512K';
  const { handler } = await import('../build/handler.js');
  const server = createServer((request, response) => {
    for (const [name, value] of Object.entries(HEADERS)) response.setHeader(name, value);
    handler(request, response, () => {
      response.statusCode = 404;
      response.end();
    });
  });
  const end = () => {
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
  return port;
}

if (process.argv[1]?.endsWith('serve.mjs')) console.log(`Listening on ${await serve()}`);
