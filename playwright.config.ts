import { defineConfig } from '@playwright/test';
import { shared } from './tests/server';

export default defineConfig({
  ...shared,
  testDir: 'tests/browser',
  projects: [
    { name: 'seed', testMatch: /seed\.setup\.ts/ },
    { name: 'browser', dependencies: ['seed'] },
  ],
  outputDir: 'test-results/browser',
  reporter: [['list'], ['json', { outputFile: 'test-results/browser.json' }]],
});
