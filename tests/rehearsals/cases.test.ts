/**
 * A folder of rehearsal cases: each says what it shows, changes the small yard a little, places calls, and keeps beside
 * it the whole trace in readable form. `npx vitest -u` rewrites the traces: read them before you commit them.
 */
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { traceLines } from '../../src/core/calls';
import { folder, names, runCase } from './case';

describe('rehearsal cases', () => {
  it('are at least 120', () => expect(names.length).toBeGreaterThanOrEqual(120));
  it.each(names)('%s', async (name) => {
    const { shows, system, calls } = runCase(name);
    const text = calls.map(({ trace }) => traceLines(trace, system).join('\n')).join('\n\n');
    await expect(`${shows}\n\n${text}\n`).toMatchFileSnapshot(join(folder, name, 'expected.txt'));
  });
});
