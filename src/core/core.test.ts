/** The example of the documentation runs as it stands, and prints what is said there. */
import { readFileSync } from 'node:fs';
import ts from 'typescript';
import { expect, it } from 'vitest';
import * as calls from './calls';
import * as system from './system';

it('a system is built and a call rehearsed as docs/core.md says', () => {
  const text = readFileSync('docs/core.md', 'utf8');
  const [, code] = /```ts\n([\s\S]*?)```/.exec(text)!;
  const [, printed] = /It prints:\n\n```\n([\s\S]*?)\n```/.exec(text)!;
  expect(code!.trim().split('\n').filter(Boolean).length).toBeLessThanOrEqual(16);
  const js = ts.transpileModule(code!, {
    compilerOptions: { module: ts.ModuleKind.CommonJS, target: ts.ScriptTarget.ES2022 },
  }).outputText;
  const said: string[] = [];
  const load = (path: string) => (path.endsWith('calls') ? calls : system);
  const run = new Function('require', 'exports', 'console', js) as (...args: unknown[]) => void;
  run(load, {}, { log: (line: string) => said.push(line) });
  expect(said).toEqual([printed]);
});
