// npm test: types, lint, unit tests, build and browser tests; the last line counts them all.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { installPackages, run } from './ready.mjs';

installPackages();
// The one without a window system is quicker; where apt has none, the whole one does as well.
const CHROMIUM = ['chromium-headless-shell', 'chromium'];
if (!CHROMIUM.some((name) => existsSync(`/usr/bin/${name}`))) {
  run('apt-get', ['update', '-qq']);
  for (const name of CHROMIUM) {
    const args = ['install', '-y', '-qq', '--no-install-recommends', name];
    if (spawnSync('apt-get', args, { stdio: 'inherit' }).status === 0) break;
  }
}

const REPORTS = 'test-results';
rmSync(REPORTS, { recursive: true, force: true });
mkdirSync(REPORTS, { recursive: true });
let passed = 0;
let failed = 0;

/** A step without a count of its own is one test. What it says is shown when it is done. */
function step(name, args) {
  return new Promise((resolve) => {
    const child = spawn('npx', args, { stdio: ['ignore', 'pipe', 'pipe'] });
    const said = [];
    child.stdout.on('data', (text) => said.push(text));
    child.stderr.on('data', (text) => said.push(text));
    child.on('error', (error) => said.push(Buffer.from(String(error))));
    child.on('close', (status) => {
      console.log(`\n— ${name}\n${Buffer.concat(said).toString()}`);
      if (status === 0) passed++;
      else failed++;
      resolve();
    });
  });
}
/** Steps one after the other. */
async function lane(...steps) {
  for (const [name, args] of steps) await step(name, args);
}
/** A test runner, counted from its JSON report; one that dies without a report has failed. */
function counted(name, args, report, count, env = {}) {
  console.log(`\n— ${name}`);
  const { status } = spawnSync('npx', args, { stdio: 'inherit', env: { ...process.env, ...env } });
  const tests = existsSync(report)
    ? count(JSON.parse(readFileSync(report, 'utf8')))
    : { passed: 0, failed: 1 };
  passed += tests.passed;
  failed += tests.failed || (status === 0 ? 0 : 1);
}

run('npx', ['svelte-kit', 'sync']);
// Each takes one core: two go beside each other.
await Promise.all([
  lane(
    ['types of the core, without a browser', ['tsc', '-p', 'tsconfig.core.json']],
    ['types', ['svelte-check', '--tsconfig', './tsconfig.json', '--fail-on-warnings']],
  ),
  lane(['lint', ['eslint', '.']], ['format', ['prettier', '--check', '--log-level', 'warn', '.']]),
]);
counted(
  'unit tests',
  ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${REPORTS}/unit.json`],
  `${REPORTS}/unit.json`,
  (r) => ({
    passed: r.numPassedTests,
    failed: r.numFailedTests + (r.success ? 0 : r.numFailedTests ? 0 : 1),
  }),
);
await step('build', ['vite', 'build', '--logLevel', 'warn']);
counted('browser tests', ['playwright', 'test'], `${REPORTS}/browser.json`, (r) => ({
  passed: r.stats.expected + r.stats.flaky,
  failed: r.stats.unexpected + r.errors.length,
}));

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed ? 1 : 0);
