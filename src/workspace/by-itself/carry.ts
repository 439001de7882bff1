/**
 * Does what follow-ups want done, when its time has come. Whatever stops it in the middle, nothing is done twice: each thing has a
 * key, and what came of it is there or not before it is done again.
 */
import { max } from 'd3-array';
import { decide, LATE_MS, receiverOf, stopInWords, waitAfter, type Known } from '../../core/followups';
import { addDays, localTime } from '../../core/hours';
import { whereaboutsOf, writeNumber } from '../../core/numbering';
import { factsOfCall, known as knownOf } from '../../core/story';
import { usualByItself, type System } from '../../core/system';
import { needsApproval, textingStanding } from '../../standins/carrier/approval';
import type { Db } from '../stored/db';
import { DealingsRecord, ErrandRecord, noDealings, TextRecord, type TaskRecord } from '../stored/records';
import { within } from '../stored/store';
import type { Change } from '../stored/sync';
import {
  DOING_STORES,
  doIt,
  hookFor,
  idOf,
  lookAgain,
  mailFor,
  type At,
  type DoingTx,
  type Made,
} from './doings';

const dueRange = (businessId: string, now: number) =>
  IDBKeyRange.bound([businessId, -Infinity], [businessId, now]);
/** So many are done at one go: the others right after. */
const AT_ONCE = 100;

/** Does what is due. @param system in force @returns what changed in storage */
export async function carryDue(db: Db, businessId: string, system: System, now: number): Promise<Change[]> {
  // Nearly always there is nothing: nothing is written then, and nobody waits.
  const due = await db.getAllFromIndex('errands', 'next', dueRange(businessId, now), AT_ONCE);
  const changed: Change[] = [];
  for (const raw of due) {
    const errand = ErrandRecord.safeParse(raw).data;
    if (errand?.next !== undefined) changed.push(...(await carry(db, errand, system, now)));
  }
  return changed;
}

async function carry(db: Db, errand: ErrandRecord, system: System, now: number): Promise<Change[]> {
  // What takes longer than a transaction lives is made outside of it; a hook goes only when nothing is against it.
  const mail = await mailFor(db, errand, system, now);
  const first = await attempt(db, errand, system, now, { mail });
  if (first !== 'a hook is to go') return first;
  const answer = await hookFor(db, errand, system, now);
  const then = await attempt(db, errand, system, now, { answer });
  return then === 'a hook is to go' ? [] : then;
}

/** Whatever is known of it by now is done in one transaction, with what is said of it. */
const attempt = (
  db: Db,
  { id, businessId }: ErrandRecord,
  system: System,
  now: number,
  made: Made,
): Promise<Change[] | 'a hook is to go'> =>
  db.write('call', async (open) => {
    const tx = open(...DOING_STORES);
    const errand = ErrandRecord.safeParse(await tx.objectStore('errands').get(id)).data;
    // Another window may have done it, or somebody withdrawn it.
    if (errand?.next === undefined || errand.next > now) {
      await tx.done;
      return [];
    }
    const changed: Change[] = [];
    const told = (what: Change['what'], ids: string[]) => changed.push({ businessId, what, ids });
    const put = (change: Partial<ErrandRecord>) => {
      const { next: _, why: __, ...rest } = errand;
      within(tx.objectStore('errands').put({ ...rest, ...change }));
      told('errands', [id]);
    };
    const task = (why: string) => {
      if (errand.quiet) return;
      const record = taskOf(errand, why, system, now);
      within(tx.objectStore('tasks').put(record));
      told('tasks', [record.id]);
    };
    const at: At = {
      tx,
      errand,
      system,
      now,
      made,
      told,
      done: (came, more = {}) =>
        put({
          state: 'done',
          at: now,
          ...(now - errand.due > LATE_MS ? { late: true } : {}),
          ...(errand.doing && receiverOf(errand.doing) ? { receiver: receiverOf(errand.doing)! } : {}),
          ...(came ? { came } : {}),
          ...more,
        }),
      not: (why) => put({ state: 'not done', at: now, why }),
      fail: (why, tries = errand.tries) => {
        put({ state: 'failed', at: now, why, ...(tries ? { tries } : {}) });
        task(why);
      },
      again: (said) => {
        const tries = [...(errand.tries ?? []), { at: now, said: said.slice(0, 300) }].slice(-20);
        const wait = waitAfter(tries.length);
        if (wait === undefined) at.fail(said, tries);
        else put({ next: now + wait, why: `${said} It is tried again.`, tries });
      },
    };
    if (errand.state === 'done') await lookAgain(at, () => put({}));
    else {
      const decision = decide(errand, await knownIn(tx, errand, system, now));
      if (decision.is === 'wait') put({ next: decision.until, why: decision.why });
      else if (decision.is === 'not') {
        at.not(decision.why);
        if (decision.task) task(decision.why);
      } else if (errand.doing?.do === 'hook' && !made.answer) {
        await tx.done;
        return 'a hook is to go';
      } else await doIt(at);
    }
    await tx.done;
    return changed;
  });

/** What somebody is to see to, where it could not be done. */
function taskOf(errand: ErrandRecord, why: string, system: System, now: number): TaskRecord {
  const who = errand.other ? writeNumber(errand.other, system.business.country) : 'nobody outside';
  return {
    id: idOf(`${errand.id} task`),
    businessId: errand.businessId,
    at: now,
    text: `See to it: ${errand.name} did not reach ${who}. ${why}`.slice(0, 5000),
    personId: null,
    callBack: errand.other !== null,
    by: addDays(localTime(system.business.timeZone, now).date, 1),
    other: errand.other,
    about: errand.about,
    from: errand.name,
  };
}

async function knownIn(tx: DoingTx, errand: ErrandRecord, system: System, now: number): Promise<Known> {
  const { businessId, other, over, doing } = errand;
  const { business } = system;
  const receiver = doing && receiverOf(doing);
  const sent = receiver
    ? await tx
        .objectStore('errands')
        .index('receiver')
        .getAll(IDBKeyRange.only([businessId, receiver]))
    : [];
  const dealings =
    DealingsRecord.safeParse(await tx.objectStore('dealings').get(businessId)).data ?? noDealings(businessId);
  const range = (from: number) => IDBKeyRange.bound([businessId, other, from], [businessId, other, Infinity]);
  const texts = other
    ? (await tx.objectStore('texts').index('from').getAll(range(-Infinity))).flatMap(
        (t) => TextRecord.safeParse(t).data ?? [],
      )
    : [];
  let talked = false;
  if (errand.unlessTalked && other) {
    const calls = await tx
      .objectStore('calls')
      .index('at')
      .getAll(IDBKeyRange.bound([businessId, over], [businessId, now]));
    talked = calls.some((raw) => {
      const facts = factsOfCall(raw);
      return raw.id !== errand.about?.id && facts.other === other && facts.talked;
    });
  }
  const contact = other ? knownOf(system).contacts.get(other) : undefined;
  const { perDay, lateHours } = business.byItself ?? usualByItself();
  return {
    now,
    zone: business.timeZone,
    perDay,
    lateHours,
    stopped: (number) => stopInWords(texts, dealings.wishes ?? [], number, now),
    talkedSince: () => talked,
    lastSent: (id) => max(sent.flatMap((e) => (e.followUpId === id ? (e.at ?? []) : []))) ?? null,
    sentFor: (about) => sent.some((e) => e.about?.kind === about.kind && e.about.id === about.id),
    sentOn: (_, day) =>
      sent.filter((e) => e.at !== undefined && localTime(business.timeZone, e.at).date === day).length,
    where: (number) =>
      whereaboutsOf(number, business.country, business.timeZone, contact?.timeZone ?? undefined),
    held: (from) =>
      needsApproval(from) && textingStanding(dealings.texting, now).stage !== 'approved'
        ? 'Your business may not send texts yet.'
        : null,
  };
}
