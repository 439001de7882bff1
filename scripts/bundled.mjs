// Runs TypeScript as it ships: bundled by Vite. A loader that compiles file by file keeps every function's name, which costs a quarter of a rehearsal's time.
import { build } from 'vite';

/** Bundles a file of bench/ for Node. @returns the path of the bundle */
export async function bundled(entry) {
  const outDir = 'node_modules/.bench';
  await build({
    configFile: false,
    logLevel: 'error',
    publicDir: false,
    ssr: { noExternal: ['alawmulaw', 'wavefile', 'rrule'] },
    build: {
      ssr: entry,
      outDir,
      emptyOutDir: false,
      target: 'node20',
      rollupOptions: { output: { entryFileNames: '[name].mjs' } },
    },
  });
  return `${outDir}/${entry.split('/').at(-1).replace(/\.ts$/, '.mjs')}`;
}
