import { defineConfig } from '@playwright/test';
import { shared } from './tests/server';

export default defineConfig({
  ...shared,
  workers: 1,
  testDir: 'tests/screenshots',
  outputDir: 'test-results/screenshots',
  reporter: 'list',
});
