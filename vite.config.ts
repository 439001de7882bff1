import { sveltekit } from '@sveltejs/kit/vite';
import { optimizeCss } from 'carbon-preprocess-svelte';
import { defineConfig } from 'vitest/config';
import { componentList } from './scripts/components.ts';
import { fewChunks } from './scripts/few-chunks.ts';
import { ownTypeface } from './scripts/own-typeface.ts';

/** Packages whose entry for Node and for browsers differ in what they export: they are bundled everywhere alike. */
const BUNDLED = ['alawmulaw', 'wavefile'];

/** What is imported from these for a type or a schema alone brings nothing else along: nothing of them acts when it is loaded. */
const treeshake = {
  moduleSideEffects: (id: string) => !/\/src\/core\/|\/node_modules\/jstat\//.test(id),
};

export default defineConfig({
  plugins: [componentList(), ownTypeface(), fewChunks(), sveltekit(), optimizeCss()],
  worker: { format: 'es', rolldownOptions: { treeshake } },
  build: { rolldownOptions: { treeshake } },
  ssr: { noExternal: BUNDLED },
  server: { port: 4173, strictPort: true },
  test: {
    include: ['src/**/*.test.ts', 'demo/**/*.test.ts', 'tests/{rehearsals,server}/**/*.test.ts'],
    environment: 'node',
    // No test leaves anything behind that another would find: loading all files anew for each took longer than the tests.
    isolate: false,
    maxWorkers: '100%',
    server: { deps: { inline: BUNDLED } },
    // Tests that try hundreds of cases take their time on a busy machine; none asserts how long.
    testTimeout: 60_000,
  },
});
