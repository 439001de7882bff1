/** The draft of one business and its history: edits, undo and redo, kept in step with storage and other windows. */
import { nanoid } from 'nanoid';
import type { z } from 'zod';
import { applyEdit, patchSystem, type Applied, type Edit, type System } from '../core/system';
import type { Db } from './db';
import type { DraftRecord, EditRecord } from './records';
import { whileWriting } from './sync';

/** Edits kept for undo. */
const HISTORY = 500;
/** Edits with the same merge key within this time of each other are one for undo, in milliseconds. */
const MERGE_MS = 4000;

type Patches = Parameters<typeof patchSystem>[1];
const asPatches = (stored: z.infer<typeof EditRecord>['patches']): Patches => stored as Patches;

export interface DraftState {
  record: DraftRecord;
  /** Ascending by seq; those above `record.done` are undone and can be redone. */
  edits: EditRecord[];
}

/** One step of a draft's life: an edit, undo or redo. Refused steps leave everything as it was. */
export type DraftStep = { kind: 'edit'; edit: Edit; at: number } | { kind: 'undo' } | { kind: 'redo' };
export type Stepped =
  { ok: true; state: DraftState } | { ok: false; problems: Extract<Applied, { ok: false }>['problems'] };

const refuse = (message: string): Stepped => ({ ok: false, problems: [{ field: '', message }] });

/**
 * What a step makes of a draft. Pure: the window shows the result at once and storage comes to the same.
 * @param revision of the draft that comes of it, never used before
 */
export function takeStep(state: DraftState, step: DraftStep, revision: string): Stepped {
  const { record, edits } = state;
  const next = (system: System, done: number, all: EditRecord[]): Stepped => ({
    ok: true,
    state: { record: { ...record, system, done, revision }, edits: all },
  });
  if (step.kind === 'undo') {
    const last = edits.find((e) => e.seq === record.done);
    if (!last) return refuse('There is nothing to undo.');
    return next(patchSystem(record.system, asPatches(last.inverse)), record.done - 1, edits);
  }
  if (step.kind === 'redo') {
    const undone = edits.find((e) => e.seq === record.done + 1);
    if (!undone) return refuse('There is nothing to redo.');
    return next(patchSystem(record.system, asPatches(undone.patches)), record.done + 1, edits);
  }
  const applied = applyEdit(record.system, step.edit);
  if (!applied.ok) return applied;
  if (!applied.patches.length) return { ok: true, state };
  const kept = edits.filter((e) => e.seq <= record.done);
  const last = kept.at(-1);
  const { words, mergeKey } = step.edit;
  const merges =
    mergeKey !== undefined &&
    last?.mergeKey === mergeKey &&
    step.at - last.at < MERGE_MS &&
    record.done > record.inForceAt;
  const patches = applied.patches as EditRecord['patches'];
  const inverse = applied.inverse as EditRecord['inverse'];
  if (merges) {
    const joined = {
      ...last,
      at: step.at,
      words,
      patches: [...last.patches, ...patches],
      inverse: [...inverse, ...last.inverse],
    };
    return next(applied.system, record.done, [...kept.slice(0, -1), joined]);
  }
  const edit: EditRecord = {
    businessId: record.businessId,
    seq: record.done + 1,
    at: step.at,
    words,
    ...(mergeKey === undefined ? {} : { mergeKey }),
    patches,
    inverse,
  };
  return next(applied.system, record.done + 1, [...kept, edit].slice(-HISTORY));
}

/** Reads a draft and its history as they are stored. */
export async function readDraft(db: Db, businessId: string): Promise<DraftState | undefined> {
  const tx = db.transaction(['drafts', 'edits']);
  const record = await tx.objectStore('drafts').get(businessId);
  const edits = await tx.objectStore('edits').index('business').getAll(businessId);
  await tx.done;
  return record && { record, edits: edits.sort((a, b) => a.seq - b.seq) };
}

/**
 * Takes a step in storage, on what is stored there: another window may have been first.
 * @param expected the state this window came to, which is stored as it is when nobody was
 */
export function storeStep(
  db: Db,
  businessId: string,
  step: DraftStep,
  expected: { from: DraftState; to: DraftState },
): Promise<Stepped> {
  return whileWriting(async () => {
    const same = await db.getKeyFromIndex('drafts', 'revision', [businessId, expected.from.record.revision]);
    if (same !== undefined) {
      await writeDraft(db, expected.from, expected.to);
      return { ok: true, state: expected.to };
    }
    const stored = await readDraft(db, businessId);
    if (!stored) return refuse('This business is no longer in this browser.');
    const result = takeStep(stored, step, nanoid(12));
    if (result.ok) await writeDraft(db, stored, result.state);
    return result;
  });
}

/** Writes a draft and what changed in its history, in one transaction. */
export async function writeDraft(db: Db, before: DraftState | undefined, after: DraftState): Promise<void> {
  const tx = db.transaction(['drafts', 'edits'], 'readwrite');
  const { businessId } = after.record;
  void tx.objectStore('drafts').put(after.record);
  const known = new Map(before?.edits.map((e) => [e.seq, e]));
  for (const edit of after.edits) {
    if (known.get(edit.seq)?.at !== edit.at || known.get(edit.seq)?.words !== edit.words)
      void tx.objectStore('edits').put(edit);
    known.delete(edit.seq);
  }
  for (const seq of known.keys()) void tx.objectStore('edits').delete([businessId, seq]);
  await tx.done;
}
