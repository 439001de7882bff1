/**
 * Writes into a new case what becomes of its calls as it is worked out now: `npx tsx tests/rehearsals/fill.ts name…`. To be
 * read, and held against what the case says it shows, before it is kept.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { sentence } from '../../src/core/calls';
import { because, folder, rings, runCase } from './case';

interface Told {
  becomes?: string;
  because?: string[];
  rings?: string[];
}
for (const name of process.argv.slice(2)) {
  const path = join(folder, name, 'case.json');
  const json = JSON.parse(readFileSync(path, 'utf8')) as { shows: string; calls: Told[] };
  for (const call of json.calls) call.becomes ??= '';
  const write = () => writeFileSync(path, `${JSON.stringify(json, null, 2)}\n`);
  write();
  const { system, calls } = runCase(name);
  process.stdout.write(`${name}: ${json.shows}\n`);
  for (const [i, { trace }] of calls.entries()) {
    const told = { because: because(trace, system), rings: rings(trace, system) };
    Object.assign(json.calls[i]!, { becomes: sentence(trace, system) });
    for (const key of ['because', 'rings'] as const)
      if (told[key].length) json.calls[i]![key] = told[key];
      else delete json.calls[i]![key];
    process.stdout.write([`   ${sentence(trace, system)}`, ...told.because, ...told.rings].join('\n      ') + '\n');
  }
  write();
}
