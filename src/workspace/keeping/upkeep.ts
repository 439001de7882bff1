/** What goes by itself when its time is over, and what is deleted for good by hand. That something went stays on record. */
import { overdue } from '../../core/messages';
import { dueBy, withoutCaller } from '../../core/story';
import { dropRecordings } from './call-sounds';
import { sweepBytes } from './kept-bytes';
import { CallRecord, DealingsRecord, noDealings, type CallSoundKept } from '../stored/records';
import { readOne } from '../stored/reading';
import { callsUpTo } from '../stored/near';
import { within } from '../stored/store';
import type { Workspace } from '../workspace';

/** Entries of the log, by their ids. */
export interface Ids {
  calls?: readonly string[];
  messages?: readonly string[];
  texts?: readonly string[];
  faxes?: readonly string[];
}
const DAY_MS = 86_400_000;
const KINDS = ['calls', 'messages', 'texts', 'faxes'] as const;

/** What is done to entries: some go, of some calls the caller's number is hidden. */
interface Doing {
  drop?: Ids;
  /** Calls, by their ids. */
  hide?: readonly string[];
}

const isCall = (call: unknown): boolean => CallRecord.safeParse(call).success;

/** Does it, and keeps on record by whom or by which rule. What another window has done already counts no more. @returns how many */
async function carryOut(
  workspace: Workspace,
  { drop = {}, hide = [] }: Doing,
  by: string,
  words?: string,
): Promise<number> {
  const { db, id: businessId } = workspace;
  const at = workspace.now();
  const entries = await db.write(
    'calls',
    async (open) => {
      const tx = open('calls', 'messages', 'texts', 'faxes', 'dealings');
      let n = 0;
      for (const kind of KINDS)
        for (const id of drop[kind] ?? []) {
          if ((await tx.objectStore(kind).getKey(id)) === undefined) continue;
          within(tx.objectStore(kind).delete(id));
          n++;
        }
      for (const id of hide) {
        const known = CallRecord.safeParse(await tx.objectStore('calls').get(id)).data;
        const hidden = known && withoutCaller(known, isCall);
        if (!hidden || hidden === known) continue;
        within(tx.objectStore('calls').put(hidden));
        const message = await tx.objectStore('messages').get(id);
        if (message)
          within(tx.objectStore('messages').put({ ...message, from: 'a hidden number', fromNumber: null }));
        n++;
      }
      if (n) {
        const raw = await tx.objectStore('dealings').get(businessId);
        const dealings = DealingsRecord.safeParse(raw).data ?? noDealings(businessId);
        const gone = { at, entries: n, by, ...(hide.length ? { hidden: true } : {}) };
        within(
          tx.objectStore('dealings').put({ ...dealings, forgotten: [...(dealings.forgotten ?? []), gone] }),
        );
      }
      await tx.done;
      return n;
    },
    words,
  );
  if (!entries) return 0;
  for (const kind of KINDS) {
    const ids = [...(drop[kind] ?? []), ...(kind === 'calls' || kind === 'messages' ? hide : [])];
    if (ids.length) await workspace.changedOnes(kind, ids);
  }
  await workspace.changed('dealings');
  return entries;
}

/** Deletes entries for good, with their recordings and files. @returns how many went */
export async function deleteEntries(workspace: Workspace, ids: Ids, by: string): Promise<number> {
  const { db, id: businessId } = workspace;
  const read = <S extends 'calls' | 'texts' | 'faxes'>(kind: S) =>
    Promise.all((ids[kind] ?? []).map((id) => readOne(db, kind, id)));
  const bytes = new Set([
    ...(await read('calls')).flatMap((c) => c?.recordings ?? []).flatMap((r) => [r.ours, r.theirs]),
    ...(await read('faxes')).flatMap((f) => f?.file.hash ?? []),
    ...(await read('texts')).flatMap((t) => t?.files ?? []).map((f) => f.hash),
  ]);
  const entries = await carryOut(workspace, { drop: ids }, by, 'what is deleted for good');
  // What only they named goes with them, however new it is.
  if (bytes.size) await sweepBytes(db, businessId, Date.now(), bytes);
  return entries;
}

/** By the rules in force: entries whose days are over, and numbers that are to be hidden. */
async function byRules(workspace: Workspace): Promise<void> {
  const { inForce, texts } = workspace.view;
  const { keeping } = inForce.system.business;
  if (!keeping) return;
  const now = workspace.now();
  const due = dueBy(keeping, [], texts, now);
  const drop = { calls: [] as string[], texts: due.texts.map((t) => t.id) };
  const hide: string[] = [];
  const days = Math.min(keeping.callDays ?? Infinity, keeping.hideDays ?? Infinity);
  if (days < Infinity)
    for await (const { calls } of callsUpTo(workspace.db, workspace.id, now - days * DAY_MS)) {
      const those = dueBy(keeping, calls, [], now);
      drop.calls.push(...those.calls.map((c) => c.id));
      hide.push(...those.hide.map((c) => c.id));
    }
  if (drop.calls.length || drop.texts.length)
    await deleteEntries(workspace, drop, 'the rule of how long they are kept');
  if (hide.length) await carryOut(workspace, { hide }, 'the rule of when numbers are hidden');
}

/** Recordings of calls whose time is over go for good. Where there is no sound, no call is looked at. */
async function dropOldRecordings(workspace: Workspace): Promise<void> {
  const at = workspace.now();
  const isOver = (r: CallSoundKept) => r.until !== null && r.until <= at;
  const over: CallRecord[] = [];
  if (await workspace.db.countFromIndex('sounds', 'business', workspace.id))
    for await (const { calls } of callsUpTo(workspace.db, workspace.id))
      over.push(...calls.filter((c) => c.recordings?.some(isOver)));
  const gone = { at, by: 'the rule of how long they are kept' };
  for (const { id } of over) await dropRecordings(workspace.db, workspace.id, id, isOver, gone);
  if (over.length)
    await workspace.changedOnes(
      'calls',
      over.map((c) => c.id),
    );
}

/** Messages that are older than their mailbox keeps them, or long in the bin. @returns how many went */
async function dropOldMessages(workspace: Workspace): Promise<number> {
  const { inForce, messages } = workspace.view;
  const keepDays = new Map(
    Object.values(inForce.system.mailboxes).flatMap((m) => (m.keepDays ? [[m.id, m.keepDays] as const] : [])),
  );
  const gone = overdue(messages, keepDays, workspace.now());
  if (!gone.length) return 0;
  await workspace.db.write('upkeep', async (open) => {
    const tx = open('messages');
    for (const { id } of gone) within(tx.objectStore('messages').delete(id));
    await tx.done;
  });
  await workspace.changedOnes(
    'messages',
    gone.map((m) => m.id),
  );
  return gone.length;
}

/** All whose time is over goes. @returns how many messages went */
export async function sweepOld(workspace: Workspace): Promise<number> {
  await dropOldRecordings(workspace);
  await byRules(workspace);
  return dropOldMessages(workspace);
}
