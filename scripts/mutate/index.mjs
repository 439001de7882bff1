/**
 * `npm run mutate [files...]`: changes the call engine in every small way there is, one at a time, and reports which changes
 * no test notices. Recorded traces are not among the tests: what is found is found by what a test says, not by its being as
 * it was. Not part of the tests, for it takes minutes.
 */
import { fork } from 'node:child_process';
import { cpSync, existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { Instrumenter } from '@stryker-mutator/instrumenter';

/** At least so many of a hundred are to be noticed. */
const ENOUGH = 88;
/** Tests that take longer are not run for each mutant, in milliseconds. */
const SLOW_MS = 1000;
/** A mutant that goes on so long without a word is taken to go on for ever, in milliseconds. */
const FOR_EVER_MS = 10_000;

const root = process.cwd();
const place = join(root, '.mutate');
const under = (folder) =>
  existsSync(folder)
    ? readdirSync(folder, { recursive: true, encoding: 'utf8' })
        .filter((f) => f.endsWith('.ts'))
        .map((f) => `${folder}/${f}`)
    : [];
const asked = process.argv.slice(2);
const sources = under('src/core/calls').filter(
  (f) =>
    !f.endsWith('.test.ts') && (asked.length ? asked.some((a) => f.includes(a)) : !f.includes('/words/')),
);
const tests = ['calls', 'coverage', 'promises', 'findings', 'people', 'messages']
  .flatMap((folder) => under(`src/core/${folder}`))
  // Those that try hundreds of systems take too long to be run for each mutant.
  .filter((f) => f.endsWith('.test.ts') && !/random|traffic|exact/.test(f));
tests.push('tests/rehearsals/becomes.test.ts');

rmSync(place, { recursive: true, force: true });
mkdirSync(join(place, 'node_modules', 'vitest'), { recursive: true });
for (const folder of ['src', 'tests/fixtures', 'tests/rehearsals', 'demo'])
  if (existsSync(folder)) cpSync(join(root, folder), join(place, folder), { recursive: true, force: true });
writeFileSync(join(place, 'package.json'), '{"type":"module"}');
writeFileSync(join(place, 'tsconfig.json'), '{"compilerOptions":{"target":"ES2023","module":"ESNext"}}');
writeFileSync(
  join(place, 'node_modules/vitest/package.json'),
  '{"name":"vitest","type":"module","main":"index.mjs"}',
);
cpSync(join(root, 'scripts/mutate/shim.mjs'), join(place, 'node_modules/vitest/index.mjs'));

const quiet = { isDebugEnabled: () => false, debug() {}, info() {}, warn() {}, error: console.error };
const { files, mutants } = await new Instrumenter(quiet).instrument(
  sources.map((name) => ({ name, mutate: true, content: readFileSync(name, 'utf8') })),
  { ignorers: [], excludedMutations: [], plugins: null, noHeader: false },
);
for (const { name, content } of files) {
  // The switch of the mutants stands in one object for all files.
  const text = content.replace(/new Function\("return this"\)\(\)/g, 'globalThis');
  writeFileSync(join(place, name), text.replaceAll('__stryker__', '__mutation'));
}
console.log(`${mutants.length} mutants in ${files.length} files, ${tests.length} files of tests`);

function worker() {
  const child = fork(
    join(root, 'scripts/mutate/worker.mjs'),
    [JSON.stringify({ files: tests.map((t) => join(place, t)) })],
    { cwd: place, execArgv: ['--import', 'tsx'], stdio: ['ignore', 'inherit', 'inherit', 'ipc'] },
  );
  const heard = (ms = 120_000) =>
    new Promise((resolve) => {
      const timer = setTimeout(() => done('for ever'), ms);
      const done = (what) => {
        clearTimeout(timer);
        child.off('message', done);
        child.off('exit', gone);
        resolve(what);
      };
      const gone = () => done('for ever');
      child.on('message', done);
      child.on('exit', gone);
    });
  return { child, heard, ask: (message, ms) => (child.send(message), heard(ms)) };
}

const first = worker();
const up = await first.heard();
if (!up.ok) throw new Error('The tests could not be loaded.');
console.log('loaded');
const base = await first.ask('baseline', 600_000);
if (!base.ok) throw new Error(base.message);
const slow = base.names.filter((_, i) => base.times[i] > SLOW_MS);
if (slow.length) console.log(`Left out, for each takes over ${SLOW_MS} ms: ${slow.join('; ')}`);
const covered = new Map();
const most = new Map();
for (const [test, hits] of Object.entries(base.coverage.perTest))
  for (const [id, n] of Object.entries(hits)) {
    if (base.times[test] > SLOW_MS) continue;
    covered.set(id, [...(covered.get(id) ?? []), Number(test)]);
    most.set(id, Math.max(most.get(id) ?? 0, n));
  }
const alone = new Set(Object.keys(base.coverage.static ?? {}));
const results = new Map();
const waiting = [];
for (const m of mutants) {
  const by = (covered.get(m.id) ?? []).sort((a, b) => base.times[a] - base.times[b]);
  if (by.length) waiting.push({ id: m.id, by, most: 20 * (most.get(m.id) ?? 0) + 1000 });
  else if (!alone.has(m.id)) results.set(m.id, 'no test comes by');
}

async function work(own) {
  let me = own;
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const said = await me.ask(next, FOR_EVER_MS);
    if (said === 'for ever') {
      results.set(next.id, 'killed');
      me.child.kill('SIGKILL');
      me = worker();
      await me.heard();
      await me.ask('baseline', 600_000);
      continue;
    }
    results.set(next.id, said.killedBy === null ? 'lives' : 'killed');
    if (waiting.length % 200 === 0) console.log(`${waiting.length} to go`);
  }
  me.child.kill();
}
const more = Array.from({ length: Math.max(0, availableParallelism() - 1) }, () => worker());
for (const w of more) {
  await w.heard();
  await w.ask('baseline', 600_000);
}
await Promise.all([first, ...more].map(work));

const byFile = new Map();
for (const m of mutants) {
  const is = results.get(m.id);
  if (!is) continue;
  const of = byFile.get(m.fileName) ?? { killed: 0, all: 0, left: [] };
  byFile.set(m.fileName, of);
  of.all++;
  if (is === 'killed') of.killed++;
  else of.left.push({ ...m, is });
}
let [killed, all] = [0, 0];
const lines = [];
for (const [name, of] of [...byFile].sort()) {
  killed += of.killed;
  all += of.all;
  console.log(`${((100 * of.killed) / of.all).toFixed(0).padStart(4)} %  ${of.killed} of ${of.all}  ${name}`);
  const text = readFileSync(name, 'utf8').split('\n');
  for (const m of of.left)
    lines.push(
      `${name}:${m.location.start.line + 1} ${m.is}: ${text[m.location.start.line].trim()}  →  ${m.replacement.replace(/\s+/g, ' ').slice(0, 80)}`,
    );
}
mkdirSync('reports', { recursive: true });
writeFileSync('reports/mutants.txt', lines.join('\n') + '\n');
const share = (100 * killed) / all;
console.log(`${share.toFixed(1)} % of ${all} are noticed (those that live: reports/mutants.txt)`);
rmSync(place, { recursive: true, force: true });
process.exit(share >= ENOUGH ? 0 : 1);
