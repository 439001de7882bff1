import { sveltekit } from '@sveltejs/kit/vite';
import { optimizeCss } from 'carbon-preprocess-svelte';
import { defineConfig } from 'vitest/config';
import { ownTypeface } from './scripts/own-typeface.ts';

export default defineConfig({
  plugins: [ownTypeface(), sveltekit(), optimizeCss()],
  worker: { format: 'es' },
  server: { port: 4173, strictPort: true },
  test: {
    include: ['src/**/*.test.ts', 'demo/**/*.test.ts', 'tests/rehearsals/**/*.test.ts'],
    environment: 'node',
    // Tests that try hundreds of cases take their time on a busy machine; none asserts how long.
    testTimeout: 60_000,
  },
});
