import 'fake-indexeddb/auto';
import { readFileSync } from 'node:fs';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { deleteDB } from 'idb';
import { demonstration, DEMO_ID } from '../../demo/lantern-cove';
import { CallEngine } from '../core/calls';
import { SYSTEM_VERSION, type Command } from '../core/system';
import {
  Changes,
  DB_NAME,
  NewerData,
  openDatabase,
  readFile,
  readWhole,
  fileSchema,
  Workspace,
  writeFile,
  writeWhole,
  type Db,
} from '.';

let db: Db;
let open: { close(): void }[] = [];

beforeEach(async () => {
  db = await openDatabase();
  await writeWhole(db, demonstration(1_800_000_000_000));
});
afterEach(async () => {
  for (const thing of open) if (thing instanceof Workspace) await thing.settled();
  for (const thing of open) thing.close();
  open = [];
  db.close();
  await deleteDB(DB_NAME);
});

/** A window: its own listener for changes, the same database. */
async function windowOn(id = DEMO_ID): Promise<Workspace> {
  const changes = new Changes();
  const opened = await Workspace.open(db, changes, id);
  if (!opened.ok) throw new Error(opened.message);
  open.push(changes, opened.workspace);
  return opened.workspace;
}
const rename = (id: string, name: string): Command => ({ do: 'person.set', id, change: { name } });
const say = (words: string, ...commands: Command[]) => ({ words, commands });

describe('settings that hold at once', () => {
  const toPia = {
    kind: 'person' as const,
    personId: 'rosa',
    values: { always: { to: 'person' as const, personId: 'pia' } },
  };
  it('are in every window, survive a reload, and are no edit of the draft', async () => {
    const [a, b] = [await windowOn(), await windowOn()];
    expect(await a.set([toPia], { at: 5, by: 'Rosa Delgado' })).toEqual([]);
    await vi.waitFor(() =>
      expect(b.view.standing.own?.people.rosa?.always?.value).toEqual(toPia.values.always),
    );
    expect((await windowOn()).view.standing.own?.people.rosa?.always?.by).toBe('Rosa Delgado');
    expect(a.view.draft.record.done).toBe(0);
    // What was set before is not set again by a window that comes late.
    const late = await b.set([{ ...toPia, values: { always: null } }], { at: 4, by: 'an old phone' });
    expect(late).toEqual([{ what: 'always', by: 'Rosa Delgado', at: 5 }]);
  });

  it('stand until the administration puts something else of the same in force', async () => {
    const w = await windowOn();
    await w.set([toPia, { kind: 'phone', phoneId: 'dov-linked-mobile', values: { confirmByKey: false } }], {
      at: 5,
      by: 'Rosa Delgado',
    });
    const { reach } = w.system.people.rosa!;
    w.edit(
      say('Forward Rosa', {
        do: 'person.set',
        id: 'rosa',
        change: { reach: { ...reach, always: { to: 'person', personId: 'idris' } } },
      }),
    );
    expect(await w.putInForce(w.view.draft.record.revision)).toBeUndefined();
    expect(w.view.standing.own?.people.rosa).toEqual({});
    expect(w.view.standing.own?.phones['dov-linked-mobile']?.confirmByKey?.value).toBe(false);
  });
});

describe('the draft', () => {
  it('is there again after a reload, with undo and redo', async () => {
    const first = await windowOn();
    first.edit(say('Rename Rosa', rename('rosa', 'Rosa D')));
    first.edit(say('Rename Pia', rename('pia', 'Pia L')));
    first.undo();
    await first.settled();
    const again = await windowOn();
    expect(again.system.people.rosa!.name).toBe('Rosa D');
    expect(again.system.people.pia!.name).toBe('Pia Lindqvist');
    expect(again.redo().ok).toBe(true);
    expect(again.system.people.pia!.name).toBe('Pia L');
    again.undo();
    again.undo();
    expect(again.undo()).toMatchObject({ ok: false });
    expect(again.system).toEqual(demonstration(0).draft.system);
  });

  it('forgets what was undone once something else is done', async () => {
    const w = await windowOn();
    w.edit(say('a', rename('rosa', 'A')));
    w.undo();
    w.edit(say('b', rename('rosa', 'B')));
    expect(w.redo()).toMatchObject({ ok: false });
    await w.settled();
    expect((await windowOn()).view.draft.edits.map((e) => e.words)).toEqual(['b']);
  });

  it('counts typing in one field as one edit', async () => {
    const w = await windowOn();
    for (const name of ['R', 'Ro', 'Ros'])
      w.edit({ ...say(`Call her ${name}`, rename('rosa', name)), mergeKey: 'rosa:name' });
    expect(w.view.draft.edits).toHaveLength(1);
    w.undo();
    expect(w.system.people.rosa!.name).toBe('Rosa Delgado');
    w.redo();
    expect(w.system.people.rosa!.name).toBe('Ros');
  });

  it('stays as it is when an edit is refused', async () => {
    const w = await windowOn();
    const before = w.view;
    expect(w.edit(say('bad', { do: 'person.set', id: 'rosa', change: { extension: '202' } }))).toMatchObject({
      ok: false,
    });
    expect(w.view).toBe(before);
  });
});

describe('storing', () => {
  it('an edit is stored by itself, and folded into the whole after a while', async () => {
    const w = await windowOn();
    const base = w.view.draft.record.revision;
    w.edit(say('Rename Rosa', rename('rosa', 'Rosa D')));
    w.edit(say('Rename Pia', rename('pia', 'Pia L')));
    await w.settled();
    // The whole as it was, and what was done to it since.
    expect((await db.get('drafts', DEMO_ID))!.system.people.rosa!.name).toBe('Rosa Delgado');
    expect(await db.get('heads', DEMO_ID)).toMatchObject({ base, done: 2, patches: [{}, {}] });
    const again = await windowOn();
    expect(again.system.people).toMatchObject({ rosa: { name: 'Rosa D' }, pia: { name: 'Pia L' } });
    expect(again.undo().ok).toBe(true);
    await again.settled();
    await vi.waitFor(async () => expect(await db.get('heads', DEMO_ID)).toBeUndefined(), { timeout: 10_000 });
    expect((await db.get('drafts', DEMO_ID))!.system.people).toMatchObject({
      rosa: { name: 'Rosa D' },
      pia: { name: 'Pia Lindqvist' },
    });
    expect((await windowOn()).redo().ok).toBe(true);
  });

  it('a window that has fallen behind folds nothing away', async () => {
    const [a, b] = [await windowOn(), await windowOn()];
    a.edit(say('From A', rename('rosa', 'From A')));
    await a.settled();
    await vi.waitFor(() => expect(b.system.people.rosa!.name).toBe('From A'));
    b.edit(say('From B', rename('pia', 'From B')));
    await b.settled();
    await new Promise((resolve) => setTimeout(resolve, 3500));
    const whole = await windowOn();
    expect(whole.system.people).toMatchObject({ rosa: { name: 'From A' }, pia: { name: 'From B' } });
  });
});

describe('two windows', () => {
  it('show each other’s edits', async () => {
    const [a, b] = [await windowOn(), await windowOn()];
    a.edit(say('Rename', rename('rosa', 'From A')));
    await a.settled();
    await vi.waitFor(() => expect(b.system.people.rosa!.name).toBe('From A'));
    b.undo();
    await b.settled();
    await vi.waitFor(() => expect(a.system.people.rosa!.name).toBe('Rosa Delgado'));
  });

  it('lose nothing when both edit at the same moment', async () => {
    const [a, b] = [await windowOn(), await windowOn()];
    a.edit(say('Rename Rosa', rename('rosa', 'From A')));
    b.edit(say('Rename Pia', rename('pia', 'From B')));
    await Promise.all([a.settled(), b.settled()]);
    await vi.waitFor(() => {
      for (const w of [a, b]) {
        expect(w.system.people.rosa!.name).toBe('From A');
        expect(w.system.people.pia!.name).toBe('From B');
        expect(w.view.draft.edits).toHaveLength(2);
      }
    });
  });
});

describe('messages', () => {
  const of = (w: Workspace, id: string) => w.view.messages.find((m) => m.id === id);

  it('change as they are stored, and taking it back leaves what another window did to them', async () => {
    const [a, b] = [await windowOn(), await windowOn()];
    const { id } = a.view.messages[0]!;
    const before = of(a, id)!;
    const back = await a.change('messages', [id], { folder: 'bin', binnedAt: 5 });
    await b.change('messages', [id], { note: 'Keep this one' });
    expect(await back()).toBeUndefined();
    await vi.waitFor(() => {
      for (const w of [a, b]) expect(of(w, id)).toEqual({ ...before, note: 'Keep this one' });
    });
    expect(Object.keys(of(a, id)!)).not.toContain('folder');
  });

  it('that another window changed in the same way since stay so, and that is said', async () => {
    const [a, b] = [await windowOn(), await windowOn()];
    const [one, two] = a.view.messages.map((m) => m.id) as [string, string];
    const back = await a.change('messages', [one, two], { note: 'From A' });
    await b.change('messages', [two], { note: 'From B' });
    expect(await back()).toBe('1 of 2 were changed in another window meanwhile, and stay as they are.');
    await vi.waitFor(() => expect([of(b, one)!.note, of(b, two)!.note]).toEqual([undefined, 'From B']));
    const again = await a.change('messages', [two], { note: 'From A' });
    await b.change('messages', [two], { note: 'From B' });
    expect(await again()).toBe('It was changed in another window meanwhile, and stays as it is.');
  });

  it('that change while a window is opening are shown in it', async () => {
    const a = await windowOn();
    const { id } = a.view.messages[0]!;
    const names = db.getAll.bind(db);
    // The names of businesses are read last, when the messages have been.
    vi.spyOn(db, 'getAll').mockImplementationOnce(async (store) => {
      await a.change('messages', [id], { note: 'Meanwhile' });
      // The other window hears of it by the browser's channel.
      await new Promise((resolve) => setTimeout(resolve, 20));
      return names(store);
    });
    const b = await windowOn();
    expect(of(b, id)!.note).toBe('Meanwhile');
  });

  it('that are gone are passed over', async () => {
    const w = await windowOn();
    const all = w.view.messages;
    await (
      await w.change('messages', ['gone'], { note: 'Nobody' })
    )();
    expect(w.view.messages).toEqual(all);
  });
});

describe('putting in force', () => {
  it('makes the draft what callers get, as a new version', async () => {
    const w = await windowOn();
    w.edit(say('Rename', rename('rosa', 'Rosa D')));
    expect(w.view.inForce.system.people.rosa!.name).toBe('Rosa Delgado');
    expect(await w.putInForce(w.view.draft.record.revision)).toBeUndefined();
    expect(w.view.inForce).toMatchObject({ n: 1, words: ['Rename'] });
    expect(w.view.inForce.system.people.rosa!.name).toBe('Rosa D');
    expect(w.view.draft.record.inForceAt).toBe(w.view.draft.record.done);
  });

  it('refuses a draft that changed since it was looked at', async () => {
    const [a, b] = [await windowOn(), await windowOn()];
    const reviewed = a.view.draft.record.revision;
    b.edit(say('Rename', rename('rosa', 'Surprise')));
    await b.settled();
    expect(await a.putInForce(reviewed)).toContain('Look again');
    expect(a.view.inForce.n).toBe(0);
  });

  it('keeps twenty versions', { timeout: 30_000 }, async () => {
    const w = await windowOn();
    for (let i = 0; i < 25; i++) {
      w.edit(say(`Edit ${i}`, rename('rosa', `Rosa ${i}`)));
      await w.settled();
      await w.putInForce(w.view.draft.record.revision);
    }
    expect(await db.countFromIndex('versions', 'business', DEMO_ID)).toBe(20);
    expect(w.view.inForce.n).toBe(25);
  });
});

describe('files', () => {
  it('bring everything back as it was', async () => {
    const w = await windowOn();
    w.edit(say('Rename', rename('rosa', 'Rosa D')));
    w.undo();
    const whole = await w.whole();
    const read = await readFile(new Blob(await writeFile(whole, 0)));
    expect(read).toEqual({ ok: true, whole });
  });

  it.each([
    ['not JSON', '{"a":', 'not a JSON file'],
    ['something else', '{"a":1}', 'not a system saved by Upper Line'],
    ['a newer version', '{"format":"upper-line-system","version":99}', 'version 99'],
    ['a damaged one', '{"format":"upper-line-system","version":1}', 'damaged at'],
  ])('say what is wrong with %s', async (_, text, message) => {
    expect(await readFile(new Blob([text]))).toEqual({
      ok: false,
      message: expect.stringContaining(message),
    });
  });
});

it('describes its files by a published schema', async () => {
  const published: unknown = JSON.parse(readFileSync('docs/formats/system.schema.json', 'utf8'));
  expect(published, 'renew it with npm run schema').toEqual(JSON.parse(JSON.stringify(fileSchema())));
  // Ajv, an independent validator of JSON Schema.
  const validate = new Ajv2020({ strict: false, validateFormats: false }).compile(published as object);
  const w = await windowOn();
  const file = JSON.parse(
    JSON.stringify({
      format: 'upper-line-system',
      version: SYSTEM_VERSION,
      savedAt: '2026-11-24T10:15:00Z',
      ...(await w.whole()),
    }),
  );
  expect(validate(file), JSON.stringify(validate.errors)).toBe(true);
  // Such a file of one object is read, too.
  expect(await readFile(new Blob([JSON.stringify(file, null, 2)]))).toMatchObject({ ok: true });
  file.draft.system.people.rosa.extension = 'two';
  expect(validate(file)).toBe(false);
});

describe('stored data that cannot be read', () => {
  it('is given back as it lies there, and stays', async () => {
    const draft = (await db.get('drafts', DEMO_ID))!;
    const damaged = { ...draft, system: { ...draft.system, people: { rosa: { id: 'rosa' } } } };
    await db.raw.put('drafts', damaged as never);
    const read = await readWhole(db, DEMO_ID);
    expect(read).toMatchObject({ ok: false, why: 'damaged', message: expect.stringContaining('people') });
    expect(await db.get('drafts', DEMO_ID)).toEqual(damaged);
  });

  it('of a newer version is left alone', async () => {
    db.close();
    await new Promise<void>((resolve) => {
      const newer = indexedDB.open(DB_NAME, 999);
      newer.onsuccess = () => {
        newer.result.close();
        resolve();
      };
    });
    await expect(openDatabase()).rejects.toThrow(NewerData);
  });
});

it('does not move the clock under a call', async () => {
  const w = await windowOn();
  expect(await w.setClock({ mode: 'set', benchAt: 0, realAt: Date.now() })).toBeUndefined();
  expect(w.now()).toBeLessThan(60_000);
  const engine = new CallEngine(w.view.inForce.system, w.view.standing);
  engine.act(0, {
    kind: 'place',
    request: {
      id: 'going',
      at: 0,
      from: { kind: 'outside', number: '+12065550187' },
      to: { kind: 'number', e164: '+13605550142' },
      behaviour: null,
    },
  });
  engine.advance(0);
  await db.raw.put('exchange', { businessId: DEMO_ID, snapshot: engine.snapshot() });
  expect(await w.setClock({ mode: 'real' })).toContain('call is going on');
});

describe('what is planned', () => {
  const setBack = async (w: Workspace, ms: number) =>
    w.putInForceLater({ at: w.now() + ms, revision: w.view.draft.record.revision });
  it('goes in force once, in one of two windows, when its moment has come', async () => {
    const [one, two] = [await windowOn(), await windowOn()];
    one.edit(say('Rename Rosa', rename('rosa', 'Rosa D')));
    await one.settled();
    await setBack(one, 60_000);
    expect(await one.putInForceIfDue()).toBeUndefined();
    expect(one.view.inForce.system.people.rosa!.name).toBe('Rosa Delgado');
    await setBack(one, -1);
    const done = await Promise.all([one.putInForceIfDue(), two.putInForceIfDue()]);
    expect(done.filter((d) => d !== undefined)).toEqual([{ problem: undefined }]);
    const versions = await one.versions();
    expect(versions.map((v) => v.n)).toEqual([versions[0]!.n, versions[0]!.n - 1]);
    expect(versions[0]!.system.people.rosa!.name).toBe('Rosa D');
    expect(one.view.standing.planned ?? null).toBeNull();
  });
  it('does not go in force when the draft was changed since, and that is said', async () => {
    const w = await windowOn();
    w.edit(say('Rename Rosa', rename('rosa', 'Rosa D')));
    await w.settled();
    await setBack(w, -1);
    w.edit(say('Rename Pia', rename('pia', 'Pia L')));
    expect(await w.putInForceIfDue()).toEqual({ problem: expect.stringContaining('has changed since') });
    expect(await w.versions()).toHaveLength(1);
    expect(await w.putInForceIfDue()).toBeUndefined();
  });
  it('is taken back', async () => {
    const w = await windowOn();
    w.edit(say('Rename Rosa', rename('rosa', 'Rosa D')));
    await w.settled();
    await setBack(w, -1);
    await w.putInForceLater(null);
    expect(await w.putInForceIfDue()).toBeUndefined();
  });
});

it("who did something is kept with it, by the name they had, and each one's typing is an edit of its own", async () => {
  const w = await windowOn();
  const typing = (name: string) => ({ ...say('Rename Rosa', rename('rosa', name)), mergeKey: 'name' });
  w.edit(typing('R'));
  w.by = 'Idris Okafor';
  w.edit(typing('Ro'));
  w.edit(typing('Ros'));
  expect(w.view.draft.edits.map((e) => e.by)).toEqual([undefined, 'Idris Okafor']);
  await w.settled();
  await w.putInForceLater({ at: w.now() - 1, revision: w.view.draft.record.revision });
  w.by = 'Rosa Delgado';
  await w.putInForceIfDue();
  const again = await windowOn();
  expect(again.view.draft.edits.map((e) => e.by)).toEqual([undefined, 'Idris Okafor']);
  expect(again.view.inForce.by).toBe('Idris Okafor');
});

it('a version brought back is in the draft after a reload, with the way back', async () => {
  const w = await windowOn();
  w.edit(say('Rename Rosa', rename('rosa', 'Rosa D')));
  await w.settled();
  expect(await w.putInForce(w.view.draft.record.revision)).toBeUndefined();
  const [, first] = await w.versions();
  expect(w.bringBack(first!, 'Tuesday').ok).toBe(true);
  await w.settled();
  const again = await windowOn();
  expect(again.system.people.rosa!.name).toBe('Rosa Delgado');
  expect(again.view.inForce.system.people.rosa!.name).toBe('Rosa D');
  expect(again.view.draft.edits.at(-1)!.words).toBe(`Bring back version ${first!.n}, in force since Tuesday`);
  expect(again.undo().ok).toBe(true);
  expect(again.system.people.rosa!.name).toBe('Rosa D');
});
