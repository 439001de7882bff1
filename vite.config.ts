import { sveltekit } from '@sveltejs/kit/vite';
import { optimizeCss } from 'carbon-preprocess-svelte';
import { defineConfig } from 'vitest/config';
import { noRemoteFonts } from './scripts/no-remote-fonts';

export default defineConfig({
  plugins: [noRemoteFonts(), sveltekit(), optimizeCss()],
  worker: { format: 'es' },
  server: { port: 4173, strictPort: true },
  test: {
    include: ['src/**/*.test.ts', 'demo/**/*.test.ts', 'tests/rehearsals/**/*.test.ts'],
    environment: 'node',
  },
});
