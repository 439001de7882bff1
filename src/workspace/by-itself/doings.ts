/** Each thing a follow-up can do, as it is done: with an id that is the same each time, so that what is there is not made again. */
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { entriesOf, MOST_ENTRIES, neverCalled } from '../../core/call-lists';
import type { Doing } from '../../core/followups';
import { callRow } from '../../core/story';
import { contactOf, type System } from '../../core/system';
import { FAILURES } from '../../standins/carrier/texting';
import { mayPass } from '../../standins/hooks/receiver';
import { base64Of, rawMessage, type Attachment } from '../../standins/mail/compose';
import type { Db, Transaction } from '../stored/db';
import {
  CallListRecord,
  CallRecord,
  DealingsRecord,
  MessageRecord,
  MOST_REMARKS,
  TextRecord,
  type ErrandRecord,
} from '../stored/records';
import { within } from '../stored/store';
import type { Change } from '../stored/sync';
import { putLeaving } from '../texting/kept';
import { beginWith } from './dialogues';
import { postHook } from './hooks';
import { raise } from './raise';

/** All that doing something may write. */
export const DOING_STORES = [
  'errands',
  'tasks',
  'texts',
  'dealings',
  'settings',
  'mail',
  'calls',
  'messages',
  'runs',
  'threads',
  'bookings',
  'callLists',
  'listed',
] as const;
export type DoingTx = Transaction<(typeof DOING_STORES)[number]>;

/** What was made before the transaction. */
export interface Made {
  mail?: { id: string; to: string; subject: string; raw: string } | undefined;
  /** What a web hook was answered. */
  answer?: { status: number | null; said: string };
}

/** Where something is done, and how it comes to an end. */
export interface At {
  tx: DoingTx;
  errand: ErrandRecord;
  /** In force. */
  system: System;
  now: number;
  made: Made;
  told: (what: Change['what'], ids: string[]) => void;
  /** @param came what came of it */
  done: (came?: string, more?: Partial<ErrandRecord>) => void;
  not: (why: string) => void;
  fail: (why: string, tries?: ErrandRecord['tries']) => void;
  /** It is tried again after a while, as long as that may help. */
  again: (said: string) => void;
}

/** An id that is the same each time. */
export const idOf = (key: string): string => `f${bytesToHex(sha256(utf8ToBytes(key))).slice(0, 24)}`;

type Acts = { [K in Doing['do']]: (at: At, doing: Extract<Doing, { do: K }>) => Promise<void> | void };

const ACTS: Acts = {
  text: async ({ tx, errand, now, told, done, again }, { from, to, text }) => {
    const { businessId, tries } = errand;
    const came = idOf(`${errand.id} ${tries?.length ?? 0}`);
    const known = TextRecord.safeParse(await tx.objectStore('texts').get(came)).data;
    const words = { id: came, businessId, way: 'out', from, to, text, at: now, byItself: true } as const;
    const { fate } = known ?? (await putLeaving(tx, words));
    told('texts', [came]);
    if (fate?.failed === 'pace') again(FAILURES.pace);
    // What the network will say of it is looked at when it says so.
    else done(came, fate?.failed ? { next: now + fate.after } : {});
  },
  ask: async ({ tx, errand, system, now, told, done, not }, { from, to, dialogueId }) => {
    const dialogue = system.dialogues[dialogueId];
    if (!dialogue) return not('The dialogue is gone.');
    const came = idOf(errand.id);
    const who = { id: came, ours: from, theirs: to };
    const begun = await beginWith(tx, errand.businessId, dialogue, who, system, now);
    if (typeof begun === 'string') return not(begun);
    for (const { what, ids } of begun) told(what, [...(ids ?? [])]);
    done(came);
  },
  mail: ({ tx, errand, now, made, told, done }) => {
    if (!made.mail) return;
    within(tx.objectStore('mail').put({ ...made.mail, businessId: errand.businessId, at: now }));
    told('mail', [made.mail.id]);
    done(made.mail.id);
  },
  hook: ({ errand, now, made, done, fail, again }) => {
    if (!made.answer) return;
    const { status, said } = made.answer;
    const tries = [...(errand.tries ?? []), { at: now, said }].slice(-20);
    if (status !== null && status < 300) done(undefined, { tries });
    else if (mayPass(status)) again(said);
    else fail(said, tries);
  },
  task: async ({ tx, errand, system, now, told, done }, { personId, ...doing }) => {
    const came = idOf(errand.id);
    const { businessId, other, about, name } = errand;
    const whose = personId && system.people[personId] ? personId : null;
    const { do: _, ...rest } = doing;
    const record = { ...rest, id: came, businessId, at: now, personId: whose, other, about, from: name };
    if ((await tx.objectStore('tasks').getKey(came)) === undefined)
      within(tx.objectStore('tasks').put(record));
    told('tasks', [came]);
    done(came);
  },
  list: async ({ tx, errand, system, now, told, done, not }, { listId, number, name }) => {
    const list = CallListRecord.safeParse(await tx.objectStore('callLists').get(listId)).data;
    if (!list) return not('The call list is gone.');
    const listed = tx.objectStore('listed');
    if ((await listed.getKey(`${listId} ${number}`)) !== undefined) return not('They are on it already.');
    const order = await listed.count(IDBKeyRange.bound(`${listId} `, `${listId} \uffff`));
    if (order >= MOST_ENTRIES) return not(`A list has at most ${MOST_ENTRIES} people.`);
    const { businessId } = errand;
    const dealings = DealingsRecord.safeParse(await tx.objectStore('dealings').get(businessId)).data;
    const contact = contactOf(number, system.contacts);
    const who = { number, name, contact, fields: {}, wrong: '' };
    const { entries, not: left } = entriesOf(listId, [who], neverCalled(dealings?.never, now), system);
    const [entry] = entries;
    if (!entry) return not(left[0]?.why ?? 'They cannot be called.');
    if (entry.state === 'left out') return not(entry.why ?? 'They are not to be called.');
    within(listed.put({ ...entry, order, businessId }));
    told('listed', [entry.id]);
    done();
  },
  tag: async (at, { tag }) => {
    const call = await callOf(at);
    if (!call) return;
    const { tx, system, now, told, done } = at;
    if (!call.tags?.includes(tag)) {
      const tagged = { ...call, tags: [...(call.tags ?? []), tag].slice(0, 30) };
      within(tx.objectStore('calls').put(tagged));
      told('calls', [call.id]);
      const happening = { is: 'tagged', row: callRow(tagged), tag, at: now } as const;
      const raised = await raise(tx, call.businessId, system, [happening]);
      if (raised.length) told('errands', raised);
    }
    done();
  },
  note: async (at, { text }) => {
    const call = await callOf(at);
    if (!call) return;
    const remark = { at: at.now, by: at.errand.name.slice(0, 80), text: text.slice(0, 2000) };
    const remarks = [...(call.remarks ?? []), remark].slice(0, MOST_REMARKS);
    within(at.tx.objectStore('calls').put({ ...call, remarks }));
    at.told('calls', [call.id]);
    at.done();
  },
};

async function callOf({ tx, errand, not }: At): Promise<CallRecord | undefined> {
  const call = errand.about && CallRecord.safeParse(await tx.objectStore('calls').get(errand.about.id)).data;
  if (!call) not('The call it was about is not kept any more.');
  return call ?? undefined;
}

export function doIt(at: At): Promise<void> | void {
  const { doing } = at.errand;
  if (doing) return (ACTS[doing.do] as (at: At, doing: Doing) => Promise<void> | void)(at, doing);
}

/** A text went, and the network has something to say of it by now. */
export async function lookAgain({ tx, errand, fail }: At, well: () => void): Promise<void> {
  const text = TextRecord.safeParse(await tx.objectStore('texts').get(errand.came ?? '')).data;
  if (text?.fate?.failed) fail(FAILURES[text.fate.failed]);
  else well();
}

const callBehind = async (db: Db, { about }: ErrandRecord): Promise<CallRecord | undefined> =>
  about?.kind === 'call' ? CallRecord.safeParse(await db.get('calls', about.id)).data : undefined;

/** The mail as it is to go, where it is one. */
export async function mailFor(
  db: Db,
  errand: ErrandRecord,
  system: System,
  now: number,
): Promise<Made['mail']> {
  const { doing, about } = errand;
  if (errand.state !== 'waits' || doing?.do !== 'mail') return undefined;
  const id = idOf(errand.id);
  const attachments: Attachment[] = [];
  if (doing.with === 'record') {
    const record = JSON.stringify(recordOf(errand, await callBehind(db, errand), system), null, 2);
    attachments.push({ name: 'what-happened.json', type: 'application/json', base64: base64Of(record) });
  } else if (doing.with === 'message' && about) {
    const { sound } = MessageRecord.safeParse(await db.get('messages', about.id)).data ?? {};
    const [, type, base64] = /^data:([\w/]+)[^,]*;base64,(.*)$/s.exec(sound ?? '') ?? [];
    if (type && base64)
      attachments.push({ name: `message.${type === 'audio/wav' ? 'wav' : 'webm'}`, type, base64 });
  }
  const raw = await rawMessage({
    id,
    to: { name: doing.name, address: doing.to },
    from: { name: system.business.name, address: 'calls@upperline.example' },
    at: now,
    subject: doing.subject,
    text: `${doing.text}\n`,
    ...(attachments.length ? { attachments } : {}),
  });
  return { id, to: doing.to, subject: doing.subject, raw };
}

/** Hands a web hook over. What it is told has a key: it is taken once, however often it comes. */
export async function hookFor(
  db: Db,
  errand: ErrandRecord,
  system: System,
  now: number,
): Promise<NonNullable<Made['answer']>> {
  const { doing, businessId, id } = errand;
  if (doing?.do !== 'hook') return { status: null, said: 'It is no web hook.' };
  const body = JSON.stringify(recordOf(errand, await callBehind(db, errand), system));
  return postHook(db, businessId, { url: doing.url, key: id, body, at: now });
}

/** What happened, for records elsewhere. */
function recordOf(errand: ErrandRecord, call: CallRecord | undefined, system: System): object {
  const { name, over, about, other } = errand;
  const common = { followUp: name, at: new Date(over).toISOString(), about, other };
  if (!call) return common;
  const { facts, tags = [] } = callRow(call);
  return {
    ...common,
    way: facts.way,
    line: facts.numberId ? system.numbers[facts.numberId]?.e164 : undefined,
    withPeople: facts.withIds.map((id) => system.people[id]?.name ?? id),
    seconds: facts.times,
    answers: Object.fromEntries(facts.course?.noted ?? []),
    tags,
    what: call.words,
  };
}
