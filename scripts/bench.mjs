// npm run bench: the figures, as operations a second and shares. The machine matters more than the last digit.
import { build, installPackages, run } from './ready.mjs';

installPackages();
build();
// Imported only now: it needs the packages.
const { bundled } = await import('./bundled.mjs');
for (const part of [
  'engine',
  'answering',
  'audio',
  'numbers',
  'people',
  'log',
  'figures',
  'load',
  'by-itself',
])
  run('node', [await bundled(`bench/${part}.ts`)]);
run('npx', ['tsx', 'bench/inbox.ts']);
run('npx', ['tsx', 'bench/browser.ts']);
run('npx', ['tsx', 'bench/drawn.ts']);
run('npx', ['tsx', 'bench/stored.ts']);
run('npx', ['tsx', 'bench/talk.ts']);
run('npx', ['tsx', 'bench/devices.ts']);
// These two fail where something grows faster than the business, or a page stands still again.
run('node', [await bundled('bench/growth.ts')]);
run('npx', ['tsx', 'bench/pages.ts']);
