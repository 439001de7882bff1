/** Follow-ups in storage: what they do is done once, whatever stops it; and what failed is told, tried again and done again by hand. */
import { describe, expect, it } from 'vitest';
import PostalMime from 'postal-mime';
import { DEMO_ID, demonstration } from '../../../demo/lantern-cove';
import { pastOf } from '../../standins/past/past';
import { usualOutcomes } from '../../core/call-lists';
import type { FollowThen, FollowUp, System } from '../../core/system';
import { callRow } from '../../core/story';
import {
  addTask,
  changeTask,
  doAgain,
  dropTask,
  raise,
  raiseWithoutCall,
  readFile,
  readHookBook,
  readMany,
  receiveText,
  setHookHabit,
  setTags,
  withdrawErrands,
  writeFile,
  writeTextHabits,
  type CallRecord,
} from '..';
import {
  ADA,
  becomes,
  begin,
  byId,
  carry,
  db,
  errands,
  having,
  HOUR,
  later,
  MAIN,
  MINUTE,
  now,
  NOW,
  stored,
  tasks,
  texts,
  w,
} from '../../../tests/fixtures/stored';

const whole = demonstration(NOW);
const vain = pastOf(DEMO_ID, whole.draft.system, whole.standing.standing, NOW, 30).calls.find((c) => {
  const { facts } = callRow(c);
  return facts.missed && facts.numberId === 'n-main' && !facts.unwanted;
})!;
/** A call in vain just now. */
const called = (id = 'call', from = ADA, at = now): CallRecord => ({
  ...vain,
  businessId: DEMO_ID,
  id,
  at: at - (vain.trace.at(-1)?.t ?? 0),
  request: { ...vain.request, id, from: { kind: 'outside', number: from } },
});
const followUp = (then: FollowThen, change: Partial<FollowUp> = {}): FollowUp => ({
  id: 'f',
  name: 'Sorry',
  when: { is: 'missed' },
  if: [],
  then: [then],
  after: { is: 'minutes', minutes: 2 },
  unlessTalked: false,
  pauseDays: 0,
  ...change,
});
const TEXT: FollowThen = { do: 'text', text: 'Sorry, we call back.', numberId: null };

/** These follow-ups and no others. @returns the system that is in force */
async function start(followUps: FollowUp[]): Promise<System> {
  await begin({ ...having({ followUps: byId(followUps) }), texts: [], threads: [], mail: [] });
  return w.system;
}
/** A call is over: it is stored with what follows from it, as the exchange does. */
const over = (system: System, call: CallRecord = called()) =>
  db.write('call', async (open) => {
    const tx = open('calls', 'errands');
    void tx.objectStore('calls').put(call);
    const ids = await raise(tx, DEMO_ID, system, [{ is: 'dealt with', row: callRow(call) }]);
    await tx.done;
    return ids;
  });

// What is stored differs from test to test.
stored(() => {});

describe('a text after a call in vain', () => {
  it('goes once, two minutes later, however often it is looked at and from how many windows', async () => {
    const system = await start([followUp(TEXT)]);
    await over(system);
    // The exchange stores the same call again where it was stopped in the middle.
    expect(await over(system)).toEqual([]);
    await carry(system);
    expect(await texts()).toEqual([]);
    later(2 * MINUTE);
    await Promise.all([carry(system), carry(system), carry(system)]);
    expect(await texts()).toMatchObject([
      { from: MAIN, to: ADA, text: 'Sorry, we call back.', byItself: true },
    ]);
    expect(await errands()).toMatchObject([{ state: 'done', receiver: ADA }]);
    expect((await errands())[0]).not.toHaveProperty('next');
    await carry(system);
    expect(await texts()).toHaveLength(1);
  });
  it('does not go where it went and only that it did could not be stored', async () => {
    const system = await start([followUp(TEXT)]);
    await over(system);
    const [waiting] = await errands();
    later(2 * MINUTE);
    await carry(system);
    await db.write('call', async (open) => {
      const tx = open('errands');
      void tx.objectStore('errands').put(waiting!);
      await tx.done;
    });
    await carry(system);
    expect(await texts()).toHaveLength(1);
    expect(await errands()).toMatchObject([{ state: 'done' }]);
  });
  it('does not go where they were talked with meanwhile, or said stop', async () => {
    const system = await start([followUp(TEXT, { unlessTalked: true })]);
    await over(system);
    await over(system, called('other', '+12065550102'));
    const talk = pastOf(DEMO_ID, system, whole.standing.standing, NOW, 30).calls.find(
      (c) => callRow(c).facts.talked,
    )!;
    later(MINUTE);
    await over(system, {
      ...talk,
      businessId: DEMO_ID,
      id: 'talk',
      at: now,
      request: { ...talk.request, id: 'talk', from: { kind: 'outside', number: ADA } },
    });
    await receiveText(w, { from: '+12065550102', to: MAIN, text: 'STOP' });
    later(MINUTE);
    await carry(system);
    expect((await errands()).map((e) => e.why)).toEqual([
      'They were talked with meanwhile.',
      'They want no texts, and said so.',
    ]);
    expect((await texts()).filter((t) => t.text.startsWith('Sorry'))).toEqual([]);
  });
  it('that a landline cannot take is told when the network says so, and becomes a task', async () => {
    const system = await start([followUp(TEXT)]);
    await writeTextHabits(db, DEMO_ID, { [ADA]: 'calls only' });
    await over(system);
    later(2 * MINUTE);
    await carry(system);
    expect(await errands()).toMatchObject([{ state: 'done' }]);
    later(MINUTE);
    await carry(system);
    expect(await errands()).toMatchObject([
      { state: 'failed', why: expect.stringContaining('landline') as string },
    ]);
    expect(await tasks()).toMatchObject([{ other: ADA, callBack: true, from: 'Sorry' }]);
    // By hand, once it takes texts: a second text, and never a third.
    await writeTextHabits(db, DEMO_ID, {});
    const [failed] = await errands();
    expect(await doAgain(w, failed!.id)).toBe(true);
    expect(await doAgain(w, failed!.id)).toBe(false);
    await carry(system);
    await carry(system);
    expect(await texts()).toHaveLength(2);
    expect(await errands()).toMatchObject([{ state: 'done' }]);
  });
  it('is called off, and that is taken back', async () => {
    const system = await start([followUp(TEXT)]);
    await over(system);
    const [waiting] = await errands();
    const back = await withdrawErrands(w, [waiting!.id]);
    later(5 * MINUTE);
    await carry(system);
    expect(await texts()).toEqual([]);
    expect(await errands()).toMatchObject([{ state: 'withdrawn' }]);
    await back();
    await carry(system);
    expect(await texts()).toHaveLength(1);
  });
  it('is not done three days later: a person is to see to it', async () => {
    const system = await start([followUp(TEXT)]);
    await over(system);
    later(72 * HOUR);
    await carry(system);
    expect(await errands()).toMatchObject([{ state: 'not done' }]);
    expect(await tasks()).toHaveLength(1);
    expect(await texts()).toEqual([]);
  });
});

describe('a web hook', () => {
  const HOOK: FollowThen = { do: 'hook', url: 'https://records.example/calls' };
  it('is signed, taken once, and tried again with growing pauses until it is told to be given up', async () => {
    const system = await start([followUp(HOOK, { after: { is: 'minutes', minutes: 0 } })]);
    await setHookHabit(db, DEMO_ID, HOOK.url, 'is broken');
    await over(system);
    const waits: number[] = [];
    for (let i = 0; i < 6; i++) {
      await carry(system);
      const [one] = await errands();
      if (one!.next === undefined) break;
      waits.push((one!.next - now) / MINUTE);
      becomes(one!.next);
    }
    expect(waits).toEqual([1, 5, 30, 120]);
    expect(await errands()).toMatchObject([{ state: 'failed', why: '503 Service Unavailable.' }]);
    expect((await errands())[0]!.tries).toHaveLength(5);
    expect((await readHookBook(db, DEMO_ID)).received).toEqual([]);
  });
  it('that was taken without an answer is not taken twice', async () => {
    const system = await start([followUp(HOOK, { after: { is: 'minutes', minutes: 0 } })]);
    await setHookHabit(db, DEMO_ID, HOOK.url, 'answers late');
    await over(system);
    await carry(system);
    expect(await errands()).toMatchObject([{ state: 'waits', next: now + MINUTE }]);
    await setHookHabit(db, DEMO_ID, HOOK.url, 'takes them');
    later(MINUTE);
    await carry(system);
    expect(await errands()).toMatchObject([{ state: 'done' }]);
    const { received } = await readHookBook(db, DEMO_ID);
    expect(received).toMatchObject([{ signed: true }]);
    expect(JSON.parse(received[0]!.body)).toMatchObject({
      followUp: 'Sorry',
      other: ADA,
      way: 'in',
      line: MAIN,
    });
  });
  it('that is refused is not tried again', async () => {
    const system = await start([followUp(HOOK, { after: { is: 'minutes', minutes: 0 } })]);
    await setHookHabit(db, DEMO_ID, HOOK.url, 'refuses');
    await over(system);
    await carry(system);
    expect(await errands()).toMatchObject([{ state: 'failed' }]);
    expect(await tasks()).toHaveLength(1);
  });
});

it('mails, tasks, notes and tags are made, and a tag sets off what waits for it', async () => {
  const system = await start([
    followUp(
      {
        do: 'mail',
        to: { is: 'person', personId: 'rosa' },
        subject: 'Missed: {caller}',
        text: 'At {when}',
        with: 'record',
      },
      {
        then: [
          {
            do: 'mail',
            to: { is: 'person', personId: 'rosa' },
            subject: 'Missed: {caller}',
            text: 'At {when}',
            with: 'record',
          },
          { do: 'task', personId: 'mei', text: 'Ring {caller}', callBack: true, days: 1 },
          { do: 'note', text: 'Somebody rings back' },
          { do: 'tag', tag: 'missed' },
        ],
        after: { is: 'minutes', minutes: 0 },
      },
    ),
    followUp(
      { do: 'task', personId: null, text: 'Tagged', callBack: false, days: 0 },
      {
        id: 'g',
        name: 'Tagged',
        when: { is: 'tagged', tag: 'missed' },
        after: { is: 'minutes', minutes: 0 },
      },
    ),
  ]);
  await over(system);
  await carry(system);
  await carry(system);
  const [mail] = (await readMany(db, 'mail', DEMO_ID)).filter((m) => m.subject.startsWith('Missed'));
  // Written here, read by a library that others made.
  const read = await PostalMime.parse(mail!.raw);
  expect(read.subject).toBe('Missed: (206) 555-0101');
  const json = new TextDecoder().decode(read.attachments[0]!.content as ArrayBuffer);
  expect(JSON.parse(json)).toMatchObject({ other: ADA });
  expect((await tasks()).map((t) => [t.text, t.personId, t.by])).toEqual([
    ['Ring (206) 555-0101', 'mei', '2026-11-25'],
    ['Tagged', null, '2026-11-24'],
  ]);
  const call = (await readMany(db, 'calls', DEMO_ID)).find((c) => c.id === 'call')!;
  expect(call.tags).toEqual(['missed']);
  expect(call.remarks).toMatchObject([{ by: 'Sorry', text: 'Somebody rings back' }]);
  // A person who takes the tag away and puts it back sets off nothing twice.
  await setTags(w, 'call', []);
  await setTags(w, 'call', ['missed', ' missed ', '']);
  later(MINUTE);
  await carry(system);
  expect((await errands()).filter((e) => e.followUpId === 'g')).toHaveLength(1);
});

it('whoever called is put on a call list, once; who wants no calls is not, and a list that is gone is said', async () => {
  const put = (callList: string | null) => ({ do: 'list', callList, name: 'Spring' }) as const;
  const at = { is: 'minutes', minutes: 0 } as const;
  const system = await start([
    followUp(put('spring'), { after: at }),
    followUp(put('spring'), { id: 'g', name: 'Again', after: at }),
    followUp(put('gone'), { id: 'h', name: 'Gone', after: at }),
    followUp(put(null), { id: 'i', name: 'None', after: at }),
  ]);
  const list = { id: 'spring', businessId: DEMO_ID, at: now, name: 'Spring', selling: false, registry: null };
  const bo = { id: 'spring +12065550177', listId: 'spring', businessId: DEMO_ID, order: 0, name: 'Bo' };
  await db.write('call', async (open) => {
    const tx = open('callLists', 'listed');
    await tx.objectStore('callLists').put({ ...list, script: '', outcomes: usualOutcomes(), rests: false });
    await tx
      .objectStore('listed')
      .put({ ...bo, number: '+12065550177', fields: {}, state: 'waits', calls: [] });
    await tx.done;
  });
  await over(system);
  await carry(system);
  const NEVER = '+12065550188';
  await db.write('call', async (open) => {
    const tx = open('dealings');
    const store = tx.objectStore('dealings');
    await store.put({
      ...((await store.get(DEMO_ID)) as object),
      never: [{ number: NEVER, at: now, by: 'Rosa' }],
    } as never);
    await tx.done;
  });
  await over(system, called('never', NEVER));
  await carry(system);
  expect((await errands()).find((e) => e.id === 'f call never 0')?.why).toBe('They want no calls.');
  const on = (await readMany(db, 'listed', DEMO_ID)).sort((a, b) => a.order - b.order);
  expect(on.map((e) => [e.number, e.state])).toEqual([
    ['+12065550177', 'waits'],
    [ADA, 'waits'],
  ]);
  const said = async () =>
    Object.fromEntries(
      (await errands()).flatMap((e) =>
        e.about?.id === 'call' ? [[e.followUpId, e.why ?? e.lacks ?? e.state]] : [],
      ),
    );
  expect(await said()).toMatchObject({
    f: 'done',
    g: 'They are on it already.',
    h: 'The call list is gone.',
    i: 'No call list is chosen.',
  });
});

it('somebody who has paired nothing, and a number that moved, set one off once', async () => {
  const system = await start([
    followUp(
      { do: 'task', personId: null, text: 'Help {person}', callBack: false, days: 0 },
      { when: { is: 'not paired', days: 2 }, after: { is: 'minutes', minutes: 0 } },
    ),
  ]);
  await db.write('invitations', async (open) => {
    const tx = open('invitations');
    void tx.objectStore('invitations').put({
      id: 'i',
      businessId: DEMO_ID,
      personId: 'jonah',
      phoneId: 'jonah-browser',
      code: '123456',
      to: 'jonah@lanterncove.example',
      mailId: null,
      sentAt: NOW,
      expiresAt: NOW + 7 * 24 * HOUR,
      wrongTries: 0,
      state: 'open',
    });
    await tx.done;
  });
  later(47 * HOUR);
  expect(await raiseWithoutCall(db, DEMO_ID, system, now)).toEqual([]);
  later(HOUR);
  await raiseWithoutCall(db, DEMO_ID, system, now);
  await raiseWithoutCall(db, DEMO_ID, system, now);
  await carry(system);
  expect((await tasks()).map((t) => t.text)).toEqual([`Help ${system.people.jonah!.name}`]);
});

it('tasks of people are made, changed, done and taken back; wrong ones change nothing', async () => {
  await start([]);
  w.by = 'Rosa Delgado';
  const made = await addTask(w, { text: '  Order rope ', personId: 'mei', by: '2026-12-01' });
  if (!made.ok) throw new Error(made.message);
  expect(await addTask(w, { text: ' ', personId: null, by: null })).toMatchObject({
    ok: false,
    field: 'text',
  });
  const done = await changeTask(w, made.task.id, { done: true });
  expect(await tasks()).toMatchObject([{ text: 'Order rope', from: 'Rosa Delgado', doneBy: 'Rosa Delgado' }]);
  if (done.ok) await done.back(w);
  expect((await tasks())[0]).not.toHaveProperty('doneAt');
  const back = await dropTask(w, made.task.id);
  expect(await tasks()).toEqual([]);
  await back(w);
  expect(await tasks()).toHaveLength(1);
});

it('all of it is in a file, and comes back as it was', async () => {
  const system = await start([followUp(TEXT)]);
  await over(system);
  await addTask(w, { text: 'x', personId: null, by: null });
  const read = await readFile(new Blob(await writeFile(await w.whole(), NOW)));
  if (!read.ok) throw new Error(read.message);
  expect(read.whole.errands).toEqual(await errands());
  expect(read.whole.tasks).toEqual(await tasks());
  expect(Object.keys(read.whole.draft.system.followUps)).toEqual(['f']);
});

it('two changes that are told at once are both shown', async () => {
  await start([]);
  const task = (id: string) => ({
    id,
    businessId: DEMO_ID,
    at: NOW,
    text: id,
    personId: null,
    callBack: false,
    by: null,
    other: null,
    about: null,
    from: 'x',
  });
  await db.write('call', async (open) => {
    const tx = open('tasks');
    for (const id of ['a', 'b', 'c']) void tx.objectStore('tasks').put(task(id));
    await tx.done;
  });
  await Promise.all(['a', 'b', 'c'].map((id) => w.changedOnes('tasks', [id])));
  expect(w.view.tasks.map((t) => t.id)).toEqual(['a', 'b', 'c']);
});
