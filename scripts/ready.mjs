// What both commands need on a fresh clone.
import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';

/** Runs a command with its output shown; ends this process when it fails. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { stdio: 'inherit', ...options });
  if (done.status !== 0) process.exit(done.status ?? 1);
}

/** Installs the packages when there are none, or other ones than the lock file says. */
export function installPackages() {
  const installed = 'node_modules/.package-lock.json';
  if (existsSync(installed) && statSync(installed).mtimeMs >= statSync('package-lock.json').mtimeMs - 1000)
    return;
  // Not `npm ci`: it wants the packages of every other platform in the lock file as well, and npm leaves those out here.
  run('npm', ['install', '--no-save']);
}

const newest = (path) =>
  statSync(path).isDirectory()
    ? Math.max(0, ...readdirSync(path).map((name) => newest(join(path, name))))
    : statSync(path).mtimeMs;

/** Builds when there is no build, or sources are newer than it. */
export function build() {
  const sources = [
    'src',
    'demo',
    'static',
    'scripts',
    'svelte.config.js',
    'vite.config.ts',
    'package-lock.json',
  ];
  const built = existsSync('build/index.js') ? statSync('build/index.js').mtimeMs : 0;
  if (built < Math.max(...sources.map(newest))) run('npx', ['vite', 'build', '--logLevel', 'warn']);
}
