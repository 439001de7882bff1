/**
 * What tests import in place of the test runner: they are collected once and run as often as there are mutants, in the same
 * process, which a test runner that loads every file anew would take hours for.
 */
import {
  JestAsymmetricMatchers,
  JestChaiExpect,
  GLOBAL_EXPECT,
  JestExtend,
  customMatchers,
  setState,
} from '@vitest/expect';
import * as chai from 'chai';

chai.use(JestExtend);
chai.use(JestChaiExpect);
chai.use(JestAsymmetricMatchers);
const expect = (value, message) => chai.expect(value, message);
Object.assign(expect, chai.expect);
Object.defineProperty(globalThis, GLOBAL_EXPECT, { value: expect, writable: true, configurable: true });
setState(
  {
    assertionCalls: 0,
    isExpectingAssertions: false,
    isExpectingAssertionsError: null,
    expectedAssertionsNumber: null,
    expectedAssertionsNumberErrorGen: null,
  },
  expect,
);
expect.extend(expect, customMatchers);

/** Everything collected: a name, what runs before, and the test. */
export const collected = (globalThis.__collected ??= []);
let path = [];
let before = [];

const words = (name, values, i) => {
  let n = 0;
  return String(name)
    .replace(/%[sdifjo#]/g, (f) => (f === '%#' ? i : String(values[n++])))
    .replace(/\$(\w+)/g, (_, key) => String(values[0]?.[key]));
};
const rows = (cases) => cases.map((c) => (Array.isArray(c) ? c : [c]));

export function describe(name, body) {
  const [outerPath, outerBefore] = [path, before];
  path = [...path, name];
  before = [...before];
  body();
  [path, before] = [outerPath, outerBefore];
}
describe.each = (cases) => (name, body) =>
  rows(cases).forEach((values, i) => describe(words(name, values, i), () => body(...values)));

export function it(name, ...rest) {
  const run = rest.find((r) => typeof r === 'function');
  collected.push({ name: [...path, name].join(' › '), before, run });
}
it.each = (cases) => (name, body) =>
  rows(cases).forEach((values, i) => it(words(name, values, i), () => body(...values)));
export const test = it;
export const beforeEach = (run) => before.push(run);
export { expect };
