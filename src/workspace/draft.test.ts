import { describe, expect, it } from 'vitest';
import { demonstration } from '../../demo/lantern-cove';
import type { Command } from '../core/system';
import { takeStep, type DraftState, type DraftStep } from './draft';

const whole = demonstration(0);
const fresh: DraftState = { record: whole.draft, edits: [] };
let revisions = 0;

function take(state: DraftState, ...steps: DraftStep[]): DraftState {
  for (const step of steps) {
    const result = takeStep(state, step, `r${++revisions}`);
    if (!result.ok) throw new Error(result.problems[0]!.message);
    state = result.state;
  }
  return state;
}
const rename = (name: string, at = 0, mergeKey?: string): DraftStep => {
  const command: Command = { do: 'person.set', id: 'rosa', change: { name } };
  return {
    kind: 'edit',
    edit: { words: `Call her ${name}`, commands: [command], ...(mergeKey ? { mergeKey } : {}) },
    at,
  };
};
const nameOf = (state: DraftState) => state.record.system.people.rosa!.name;
const words = (state: DraftState) => state.edits.map((e) => e.words);

describe('steps of a draft', () => {
  it('give each draft a revision of its own and leave the one before untouched', () => {
    const one = take(fresh, rename('A'));
    const two = take(one, { kind: 'undo' });
    expect(new Set([fresh, one, two].map((s) => s.record.revision)).size).toBe(3);
    expect([nameOf(fresh), nameOf(one), nameOf(two)]).toEqual(['Rosa Delgado', 'A', 'Rosa Delgado']);
  });

  it('do nothing for an edit that changes nothing', () => {
    const result = takeStep(fresh, rename('Rosa Delgado'), 'x');
    expect(result.ok && result.state).toBe(fresh);
  });

  it('do nothing for one that gives a field what it has, in a value made anew', () => {
    const rosa = fresh.record.system.people.rosa!;
    const again: Command = {
      do: 'person.set',
      id: 'rosa',
      change: { reach: structuredClone(rosa.reach), away: [...rosa.away] },
    };
    const edit = { words: 'The same', commands: [again] };
    const result = takeStep(fresh, { kind: 'edit', edit, at: 0 }, 'x');
    expect(result.ok && result.state).toBe(fresh);
  });

  it('leave nothing to undo of what was typed and cleared again', () => {
    const before = take(fresh, rename('A'));
    const cleared = take(
      before,
      rename('Ab', 5000, 'name'),
      rename('Abc', 6000, 'name'),
      rename('A', 7000, 'name'),
    );
    expect(words(cleared)).toEqual(['Call her A']);
    expect(cleared.record).toMatchObject({ done: 1, system: before.record.system });
    expect(nameOf(take(cleared, { kind: 'undo' }))).toBe('Rosa Delgado');
    // Typed on, it is an edit like any other.
    expect(words(take(cleared, rename('Ada', 8000, 'name')))).toEqual(['Call her A', 'Call her Ada']);
  });

  it('join typing in one field for a while, and only there', () => {
    const typed = take(
      fresh,
      rename('R', 0, 'name'),
      rename('Ro', 1000, 'name'),
      rename('Ros', 4500, 'name'),
    );
    expect(words(typed)).toEqual(['Call her Ros']);
    expect(words(take(typed, rename('Rosa', 20_000, 'name')))).toHaveLength(2);
    expect(words(take(typed, rename('Rosie', 5000, 'other')))).toHaveLength(2);
    expect(words(take(typed, rename('Rosie', 5000)))).toHaveLength(2);
    expect(nameOf(take(typed, { kind: 'undo' }))).toBe('Rosa Delgado');
    expect(nameOf(take(typed, { kind: 'undo' }, { kind: 'redo' }))).toBe('Ros');
  });

  it('do not join an edit to one that is in force', () => {
    const one = take(fresh, rename('R', 0, 'name'));
    const inForce: DraftState = { ...one, record: { ...one.record, inForceAt: 1 } };
    expect(words(take(inForce, rename('Ro', 500, 'name')))).toHaveLength(2);
  });

  it('go back behind what is in force and forward again', () => {
    const one = take(fresh, rename('A'), rename('B', 1));
    const inForce: DraftState = { ...one, record: { ...one.record, inForceAt: 2 } };
    const back = take(inForce, { kind: 'undo' }, { kind: 'undo' });
    expect(back.record).toMatchObject({ done: 0, inForceAt: 2 });
    expect(nameOf(take(back, { kind: 'redo' }, { kind: 'redo' }))).toBe('B');
    expect(takeStep(back, { kind: 'undo' }, 'x')).toMatchObject({ ok: false });
  });

  it('keep five hundred edits', () => {
    const steps = Array.from({ length: 510 }, (_, i) => rename(`Name ${i}`, i));
    const many = take(fresh, ...steps);
    expect(many.edits).toHaveLength(500);
    expect(many.edits[0]!.seq).toBe(11);
    expect(nameOf(take(many, { kind: 'undo' }))).toBe('Name 508');
  });
});

describe('an earlier system brought back', () => {
  const back = (state: DraftState): DraftStep => ({
    kind: 'bring back',
    system: state.record.system,
    words: 'Bring back version 1',
    at: 0,
  });
  it('is one edit, undone and done again as one', () => {
    const edited = take(fresh, rename('A'), rename('B', 60_000));
    const old = take(edited, back(fresh));
    expect(nameOf(old)).toBe('Rosa Delgado');
    expect(words(old)).toEqual(['Call her A', 'Call her B', 'Bring back version 1']);
    const undone = take(old, { kind: 'undo' });
    expect(nameOf(undone)).toBe('B');
    expect(nameOf(take(undone, { kind: 'undo' }))).toBe('A');
    expect(nameOf(take(undone, { kind: 'redo' }))).toBe('Rosa Delgado');
  });
  it('is gone on from like any other', () => {
    const on = take(fresh, rename('A'), back(fresh), rename('C', 90_000));
    expect(nameOf(on)).toBe('C');
    expect(nameOf(take(on, { kind: 'undo' }, { kind: 'undo' }))).toBe('A');
  });
});
