/** The draft of one business and its history: edits, undo and redo, kept in step with storage and other windows. */
import equal from 'fast-deep-equal';
import { nanoid } from 'nanoid';
import type { z } from 'zod';
import { applyEdit, patchSystem, System, type Applied, type Edit } from '../core/system';
import { Damaged, reading, sorted } from './stored/damage';
import type { Db, Transaction } from './stored/db';
import { DraftRecord, HeadRecord, type EditRecord } from './stored/records';
import { within } from './stored/store';

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
export type DraftStep =
  | { kind: 'edit'; edit: Edit; at: number; by?: string | undefined }
  /** The whole system is replaced by an earlier one. */
  | { kind: 'bring back'; system: System; words: string; at: number; by?: string | undefined }
  | { kind: 'undo' }
  | { kind: 'redo' };
export type Stepped =
  /** `patches` lead from the system before to the one after. */
  | { ok: true; state: DraftState; patches: Patches }
  | { ok: false; problems: Extract<Applied, { ok: false }>['problems'] };

const refuse = (message: string): Stepped => ({ ok: false, problems: [{ field: '', message }] });

/**
 * What a step makes of a draft. Pure: the window shows the result at once and storage comes to the same.
 * @param revision of the draft that comes of it, never used before
 */
export function takeStep(state: DraftState, step: DraftStep, revision: string): Stepped {
  const { record, edits } = state;
  const next = (system: System, patches: Patches, done: number, all: EditRecord[]): Stepped => ({
    ok: true,
    patches,
    state: { record: { ...record, system, done, revision }, edits: all },
  });
  const patched = (patches: Patches, done: number) =>
    next(patchSystem(record.system, patches), patches, done, edits);
  if (step.kind === 'undo') {
    const last = edits.find((e) => e.seq === record.done);
    if (!last) return refuse('There is nothing to undo.');
    return patched(asPatches(last.inverse), record.done - 1);
  }
  if (step.kind === 'redo') {
    const undone = edits.find((e) => e.seq === record.done + 1);
    if (!undone) return refuse('There is nothing to redo.');
    return patched(asPatches(undone.patches), record.done + 1);
  }
  const applied =
    step.kind === 'edit' ? applyEdit(record.system, step.edit) : replaced(record.system, step.system);
  if (!applied.ok) return applied;
  if (isSame(record.system, applied.system, applied.patches)) return { ok: true, state, patches: [] };
  const kept = edits.filter((e) => e.seq <= record.done);
  const last = kept.at(-1);
  const { words, mergeKey } = step.kind === 'edit' ? step.edit : { words: step.words, mergeKey: undefined };
  const merges =
    mergeKey !== undefined &&
    last?.mergeKey === mergeKey &&
    last.by === step.by &&
    step.at - last.at < MERGE_MS &&
    record.done > record.inForceAt;
  const patches = applied.patches as EditRecord['patches'];
  const inverse = applied.inverse as EditRecord['inverse'];
  if (merges) {
    const all = [...asPatches(last.patches), ...applied.patches];
    // Typed, and cleared again: nothing is left of it to undo.
    if (isSame(patchSystem(record.system, asPatches(last.inverse)), applied.system, all))
      return next(applied.system, applied.patches, record.done - 1, kept.slice(0, -1));
    const joined = {
      ...last,
      at: step.at,
      words,
      patches: [...last.patches, ...patches],
      inverse: [...inverse, ...last.inverse],
    };
    return next(applied.system, applied.patches, record.done, [...kept.slice(0, -1), joined]);
  }
  const edit: EditRecord = {
    businessId: record.businessId,
    seq: record.done + 1,
    at: step.at,
    words,
    ...(step.by === undefined ? {} : { by: step.by }),
    ...(mergeKey === undefined ? {} : { mergeKey }),
    patches,
    inverse,
  };
  return next(applied.system, applied.patches, record.done + 1, [...kept, edit].slice(-HISTORY));
}

/** Whether nothing that patches touch differs in the end: a field may have been given what it had. */
const isSame = (before: System, after: System, patches: Patches): boolean =>
  patches.every(
    // A whole list that was replaced may have another order, which counts.
    ({ path: [list, item] }) =>
      item !== undefined && equal(itemIn(before, list, item), itemIn(after, list, item)),
  );
const itemIn = (system: System, list: string | number | undefined, item: string | number): unknown =>
  (system as unknown as Record<string | number, Record<string | number, unknown> | undefined>)[list!]?.[item];

/** The edit that puts one system in place of another. */
function replaced(before: System, after: System): Extract<Applied, { ok: true }> {
  const whole = (value: System): Patches => [{ op: 'replace', path: [], value }];
  return { ok: true, system: after, patches: whole(after), inverse: whole(before) };
}

/** A stored draft with what was done since. @throws Damaged */
function withHead(record: DraftRecord, raw: unknown): DraftRecord {
  if (raw === undefined) return record;
  const head = reading('heads', HeadRecord, raw);
  if (head.base !== record.revision)
    throw new Damaged('heads', 'It belongs to another state of the draft.', raw);
  try {
    const system = patchSystem(record.system, asPatches(head.patches));
    return { ...record, system: System.parse(system), done: head.done, revision: head.revision };
  } catch {
    throw new Damaged('heads', 'It does not fit the draft it goes on.', raw);
  }
}

/** Reads a draft as it stands in storage. @throws Damaged */
export async function readRecord(db: Db, businessId: string): Promise<DraftRecord | undefined> {
  const tx = db.reading('drafts', 'heads');
  const [record, head] = await Promise.all([
    tx.objectStore('drafts').get(businessId),
    tx.objectStore('heads').get(businessId),
  ]);
  await tx.done;
  return record && withHead(reading('drafts', DraftRecord, record), head);
}

/** Reads a draft and its history as they stand in storage; edits that cannot be read are left out. @throws Damaged */
export async function readDraft(db: Db, businessId: string): Promise<DraftState | undefined> {
  const tx = db.reading('drafts', 'heads', 'edits');
  const [record, head, edits] = await Promise.all([
    tx.objectStore('drafts').get(businessId),
    tx.objectStore('heads').get(businessId),
    tx.objectStore('edits').index('business').getAll(businessId),
  ]);
  await tx.done;
  if (!record) return undefined;
  const whole = withHead(reading('drafts', DraftRecord, record), head);
  return { record: whole, edits: historyOf(sorted('edits', edits).good, whole.done) };
}

/** The part of a history that hangs together around what is done: past a gap nothing is undone or done again. */
export function historyOf(edits: readonly EditRecord[], done: number): EditRecord[] {
  const bySeq = new Map(edits.map((e) => [e.seq, e]));
  const history: EditRecord[] = [];
  for (let seq = done; bySeq.has(seq); seq--) history.unshift(bySeq.get(seq)!);
  for (let seq = done + 1; bySeq.has(seq); seq++) history.push(bySeq.get(seq)!);
  return history;
}

/** Whether a draft stands at a revision in storage, found out without reading all of it. */
async function isAt(
  db: Db,
  businessId: string,
  revision: string,
  head: HeadRecord | undefined,
): Promise<boolean> {
  if (head) return head.revision === revision;
  return (await db.getKeyFromIndex('drafts', 'revision', [businessId, revision])) !== undefined;
}

/**
 * Takes a step in storage, on what is stored there: another window may have been first.
 * @param expected the state this window came to, which is stored as it is when nobody was
 * @param words what it is, for the person
 */
export function storeStep(
  db: Db,
  businessId: string,
  step: DraftStep,
  expected: { from: DraftState; to: DraftState; patches: Patches },
  words: string,
): Promise<Stepped> {
  return db.write(
    'edit',
    async (open) => {
      const head = await db.get('heads', businessId);
      const at = await isAt(db, businessId, expected.from.record.revision, head);
      const stored = at ? expected.from : await readDraft(db, businessId);
      if (!stored) return refuse('This business is no longer in this browser.');
      const result: Stepped = at
        ? { ok: true, state: expected.to, patches: expected.patches }
        : takeStep(stored, step, nanoid(12));
      if (!result.ok) return result;
      const tx = open('heads', 'edits');
      writeHead(tx, head, stored, result.state, result.patches);
      await tx.done;
      return result;
    },
    words,
  );
}

/** Writes what was done to a draft and what changed in its history. */
function writeHead(
  tx: Transaction<'heads' | 'edits'>,
  head: HeadRecord | undefined,
  before: DraftState,
  after: DraftState,
  patches: Patches,
): void {
  const { businessId, revision, done } = after.record;
  within(
    tx.objectStore('heads').put({
      businessId,
      base: head?.base ?? before.record.revision,
      revision,
      done,
      patches: [...(head?.patches ?? []), ...(patches as HeadRecord['patches'])],
    }),
  );
  // An edit that has not changed is the same object: one that grew may have the same moment and words.
  const known = new Map(before.edits.map((e) => [e.seq, e]));
  for (const edit of after.edits) {
    if (known.get(edit.seq) !== edit) within(tx.objectStore('edits').put(edit));
    known.delete(edit.seq);
  }
  for (const seq of known.keys()) within(tx.objectStore('edits').delete([businessId, seq]));
}

/** Stores the whole of a draft, so that reading it need not go over what was done one by one. */
export function foldDraft(db: Db, { record }: DraftState): Promise<void> {
  return db.write('upkeep', async (open) => {
    const { businessId, revision } = record;
    const head = await db.get('heads', businessId);
    // Another window may have gone on: it folds then.
    if (head?.revision !== revision) return;
    const tx = open('drafts', 'heads');
    within(tx.objectStore('drafts').put(record));
    within(tx.objectStore('heads').delete(businessId));
    await tx.done;
  });
}
