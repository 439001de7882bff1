/** Runs the collected tests against one mutant after the other, as the parent asks. */
import { pathToFileURL } from 'node:url';

// What is kept per system is forgotten between mutants, for it was worked out under another.
let epoch = 0;
const Native = WeakMap;
globalThis.WeakMap = class {
  #epoch = 0;
  #map;
  constructor(entries) {
    this.#map = new Native(entries);
  }
  get #now() {
    if (this.#epoch !== epoch) {
      this.#epoch = epoch;
      this.#map = new Native();
    }
    return this.#map;
  }
  get(key) {
    return this.#now.get(key);
  }
  has(key) {
    return this.#now.has(key);
  }
  set(key, value) {
    this.#now.set(key, value);
    return this;
  }
  delete(key) {
    return this.#now.delete(key);
  }
};

const { files } = JSON.parse(process.argv[2]);
const mutation = (globalThis.__mutation = {});
for (const file of files) await import(pathToFileURL(file).href);
const tests = globalThis.__collected;

async function passes(test) {
  for (const before of test.before) await before();
  await test.run();
}

/** Which mutants each test comes by, and how long it takes. */
async function baseline() {
  const all = [];
  for (const [i, test] of tests.entries()) {
    epoch++;
    mutation.currentTestId = String(i);
    const start = performance.now();
    try {
      await passes(test);
    } catch (error) {
      throw new Error(`“${test.name}” fails without a mutant: ${error.message}`, { cause: error });
    }
    all.push(performance.now() - start);
  }
  mutation.currentTestId = undefined;
  return {
    times: all,
    names: tests.map((t) => t.name),
    coverage: mutation.mutantCoverage ?? { perTest: {} },
  };
}

async function mutant({ id, by, most }) {
  mutation.activeMutant = id;
  mutation.hitLimit = most;
  let killedBy = null;
  for (const i of by) {
    epoch++;
    mutation.hitCount = 0;
    try {
      await passes(tests[i]);
    } catch {
      killedBy = i;
      break;
    }
  }
  mutation.activeMutant = undefined;
  return { id, killedBy };
}

process.on('message', async (message) => {
  try {
    process.send({ ok: true, ...(message === 'baseline' ? await baseline() : await mutant(message)) });
  } catch (error) {
    process.send({ ok: false, message: error.message });
  }
});
process.send({ ok: true, ready: true });
