/** What has changed for each person, in words for them. */
import { describe, expect, it } from 'vitest';
import { edited, yard } from '../../../tests/fixtures/yard';
import { joiningCommands } from '../people';
import type { Command } from '../system';
import { changesByPerson, peopleRung } from '.';

const told = (commands: Command[]) =>
  Object.fromEntries(
    changesByPerson(yard(), edited(yard(), commands)).map(({ person, says }) => [
      person.name,
      says.join(' '),
    ]),
  );

describe('for whom something changes', () => {
  it('is nobody where nothing does', () =>
    expect(told([{ do: 'business.set', change: { name: 'New name' } }])).toEqual({}));
  it('is whoever it is about', () => {
    expect(told([{ do: 'person.set', id: 'idris', change: { extension: '299' } }])).toEqual({
      'Idris Okafor': 'Of yourself: extension is 299 (was 202).',
    });
  });
  it('is somebody new, with their extension and not with each thing of theirs', () => {
    let n = 0;
    const add = joiningCommands(
      'ada',
      { what: 'person', name: 'Ada Quill', email: 'ada@lanterncove.example', extension: '230', siteId: null },
      (kind) => `${kind}-${++n}`,
    );
    expect(told(add)).toEqual({ 'Ada Quill': 'You are new on the phone system, with extension 230.' });
  });
  it('is everybody who is rung from now on, or no longer', () => {
    const rung = peopleRung(yard(), 'main-plan');
    expect(rung).toContain('rosa');
    const gone = told([{ do: 'plan.set', id: 'main-plan', change: { steps: [] } }]);
    expect(gone['Rosa Delgado']).toContain('no longer ring you.');
  });
});
