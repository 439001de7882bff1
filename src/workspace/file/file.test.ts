/** A saved system: whatever goes out comes in again, and what could not have come to be here does not. */
import { createHash } from 'node:crypto';
import { gunzipSync, gzipSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import { simpleParser } from 'mailparser';
import jsonPatch, { type Operation } from 'fast-json-patch';
import { bigBusiness } from '../../../bench/big';
import { demonstration } from '../../../demo/lantern-cove';
import { applyEdit, type Command } from '../../core/system';
import { rawMessage } from '../../standins/mail/compose';
import type { Whole } from '../businesses';
import { takeStep } from '../draft';
import { readFile } from './read';
import { TooLarge, writeFile } from './write';

const AT = Date.UTC(2026, 10, 24, 18, 15);
const file = async (whole: Whole) => new Blob(await writeFile(whole, AT));
const bytes = async (blob: Blob) => Buffer.from(await blob.arrayBuffer());
const lines = async (whole: Whole) =>
  gunzipSync(await bytes(await file(whole)))
    .toString()
    .trim()
    .split('\n')
    .map((l) => JSON.parse(l) as Record<string, unknown> & { is: string });
const again = (all: unknown[], packed = true) => {
  const text = all.map((l) => JSON.stringify(l)).join('\n') + '\n';
  return new Blob([packed ? gzipSync(text) : text]);
};
const refused = async (blob: Blob) => {
  const read = await readFile(blob);
  return read.ok ? 'it was read' : read.message;
};

/** The demonstration with edits, some undone, and versions in force. */
function lived(): Whole {
  const whole = demonstration(AT);
  let state = { record: whole.draft, edits: whole.edits };
  const step = (command: Command, words: string) => {
    const stepped = takeStep(state, { kind: 'edit', edit: { words, commands: [command] }, at: AT }, words);
    if (!stepped.ok) throw new Error(stepped.problems[0]!.message);
    state = stepped.state;
  };
  const versions = [...whole.versions];
  for (let n = 1; n <= 5; n++) {
    step({ do: 'person.set', id: 'rosa', change: { name: `Rosa ${n}` } }, `Call her Rosa ${n}`);
    versions.push({ ...versions[0]!, n, words: [`Rosa ${n}`], system: state.record.system });
  }
  const undone = takeStep(state, { kind: 'undo' }, 'undone');
  if (undone.ok) state = undone.state;
  return {
    ...whole,
    draft: { ...state.record, inForceAt: 5 },
    edits: state.edits,
    versions,
    sounds: [],
    files: [],
  };
}

/** A recording of a second or so, as a data URL; another for each seed. */
const sound = (seed: number, length = 6000) => {
  const samples = Buffer.alloc(length);
  for (let i = 0; i < length; i += 32) createHash('sha256').update(`${seed} ${i}`).digest().copy(samples, i);
  return `data:audio/webm;codecs=opus;base64,${samples.toString('base64')}`;
};
async function withMessages(whole: Whole, count: number, mailed = count, length = 6000): Promise<Whole> {
  const businessId = whole.business.id;
  const mailboxId = Object.keys(whole.draft.system.mailboxes)[0]!;
  const messages = Array.from({ length: count }, (_, i) => ({
    id: `call-${i}`,
    businessId,
    mailboxId,
    at: AT + i,
    from: '(206) 555-0187',
    fromNumber: '+12065550187',
    seconds: 4,
    said: 'The anchor chain is stuck.',
    sound: sound(i, length),
    heard: false,
  }));
  const mail = await Promise.all(
    messages.slice(0, mailed).map(async (m) => ({
      id: `${m.id}-mail`,
      businessId,
      at: m.at,
      to: 'rosa@lanterncove.example',
      subject: 'New message',
      raw: await rawMessage({
        id: `${m.id}-mail`,
        to: { name: 'Rosa', address: 'rosa@lanterncove.example' },
        from: { name: 'Yard', address: 'voicemail@upperline.example' },
        at: m.at,
        subject: 'New message',
        text: 'A message.',
        html: '<p>A message.</p>',
        attachments: [{ name: 'message.webm', type: 'audio/webm', base64: m.sound.split(',')[1]! }],
      }),
    })),
  );
  const calls = messages.map((m) => ({
    id: m.id,
    businessId,
    at: m.at,
    request: {
      id: m.id,
      at: m.at,
      from: { kind: 'outside' as const, number: '+12065550187' },
      to: { kind: 'number' as const, e164: '+13605550142' },
      behaviour: null,
    },
    trace: Array.from({ length: 30 }, (_, t) => ({ t, kind: 'key' as const, key: '1' })),
    words: 'A message was left.',
  }));
  return { ...whole, messages, mail, calls };
}

describe('a saved system', () => {
  it('comes back as it was, packed or not', async () => {
    const whole = await withMessages(lived(), 3);
    expect(await readFile(await file(whole))).toEqual({ ok: true, whole });
    expect(await readFile(again(await lines(whole), false))).toEqual({ ok: true, whole });
  });

  it('is gzip and JSON to tools nobody here wrote, with versions as JSON Patch', async () => {
    const whole = lived();
    const all = await lines(whole);
    const versions = all.filter((l) => l.is === 'version') as unknown as {
      value: { system?: unknown };
      differs?: Operation[];
    }[];
    let system = structuredClone(versions[0]!.value.system);
    for (const [i, { differs }] of versions.slice(1).entries()) {
      expect(differs).toHaveLength(1);
      // RFC 6902, as that library's own validator reads it.
      expect(jsonPatch.validate(differs!, system)).toBeUndefined();
      system = jsonPatch.applyPatch(system, structuredClone(differs!)).newDocument;
      expect(system).toEqual(whole.versions[i + 1]!.system);
    }
  });

  it('holds each sound once, and gives mails back to the byte', async () => {
    const whole = await withMessages(demonstration(AT), 5);
    const all = await lines(whole);
    expect(all.filter((l) => l.is === 'sound')).toHaveLength(5);
    const [{ base64 }] = all.filter((l) => l.is === 'sound') as unknown as [{ base64: string }];
    expect(JSON.stringify(all).split(base64).length - 1).toBe(1);
    const read = await readFile(await file(whole));
    expect(read.ok && read.whole.mail).toEqual(whole.mail);
    // Mailparser finds the sound in a mail that came back.
    const parsed = await simpleParser(read.ok ? read.whole.mail[0]!.raw : '');
    expect(parsed.attachments[0]!.content.toString('base64')).toBe(base64);
  });

  it('of the greatest business of the bench, with its versions, goes out and comes in', async () => {
    const big = bigBusiness(2000, 100);
    const versions = Array.from({ length: 20 }, (_, n) => {
      const made = applyEdit(big.draft.system, {
        words: 'x',
        commands: [{ do: 'person.set', id: `p${n}`, change: { name: `Somebody else ${n}` } }],
      });
      if (!made.ok) throw new Error(made.problems[0]!.message);
      return { ...big.versions[0]!, n, system: made.system };
    });
    const whole = { ...big, versions, sounds: [], files: [] };
    const progress: number[] = [];
    const blob = new Blob(await writeFile(whole, AT, (done) => progress.push(done)));
    // As one indented JSON object it was 133 MB.
    expect(blob.size).toBeLessThan(3_000_000);
    const seen: number[] = [];
    const read = await readFile(blob, (n) => seen.push(n));
    expect(read).toEqual({ ok: true, whole });
    expect(seen.at(-1)).toBe(blob.size);
    expect(progress.at(-1)).toBeGreaterThan(0);
  });

  it('of ten thousand calls with their messages and mails goes out and comes in', async () => {
    const whole = await withMessages(demonstration(AT), 10_000, 500, 640);
    const blob = await file(whole);
    const read = await readFile(blob);
    if (!read.ok) throw new Error(read.message);
    expect(read.whole.messages).toHaveLength(10_000);
    expect(read.whole.messages[9999]).toEqual(whole.messages[9999]);
    expect(read.whole.mail).toEqual(whole.mail);
    expect(read.whole.calls[4711]).toEqual(whole.calls[4711]);
  });

  it('that could not be read back is not written', async () => {
    const whole = demonstration(AT);
    const huge = { ...whole.messages[0]!, said: 'x'.repeat(130_000_000) };
    await expect(writeFile({ ...whole, messages: [huge] }, AT)).rejects.toThrow(TooLarge);
  });
});

describe('a damaged file is refused in words', () => {
  it.each([1, 2, 10, 200, 2000])('cut off %i bytes before its end', async (n) => {
    const whole = await bytes(await file(lived()));
    expect(await refused(new Blob([whole.subarray(0, whole.length - n)]))).toMatch(/cut off|damaged/);
  });
  it('with a line missing, or one after its end', async () => {
    const all = await lines(lived());
    expect(await refused(again(all.filter((_, i) => i !== 4)))).toMatch(/missing|damaged|history/);
    expect(await refused(again(all.slice(0, -1)))).toContain('its end is missing');
    expect(await refused(again([...all, all[5]]))).toContain('after its end');
  });
  it('with any byte changed', async () => {
    const whole = await bytes(await file(lived()));
    for (let i = 0; i < 60; i++) {
      const changed = Buffer.from(whole);
      const at = 10 + Math.floor((i * (whole.length - 20)) / 60);
      changed[at] = changed[at]! ^ 0x55;
      expect(await refused(new Blob([changed])), `byte ${at}`).not.toBe('it was read');
    }
  });
  it('that is empty, something else, of a newer version, or twice as large when unpacked as may be', async () => {
    expect(await refused(new Blob([]))).toBe('The file is empty.');
    expect(await refused(new Blob(['<html>']))).toContain('not a JSON file');
    const [head, ...rest] = await lines(lived());
    expect(await refused(again([{ ...head, container: 3 }, ...rest]))).toContain('newer Upper Line');
    expect(await refused(again([{ ...head, version: 99 }, ...rest]))).toContain('version 99');
    const bomb = gzipSync(Buffer.alloc(200_000_000, 'x'));
    expect(await refused(new Blob([bomb]))).toContain('more than is read');
  });
});

describe('a file is refused whose business could not have come to be', () => {
  const whole = lived();
  const changed = (change: (w: Whole) => void) => {
    const copy = structuredClone(whole);
    change(copy);
    return file(copy);
  };
  it.each<[string, (w: Whole) => void, RegExp]>([
    [
      'records of another business',
      (w) => (w.messages[0]!.businessId = 'other'),
      /belongs to another business, other/,
    ],
    ['a draft of another business', (w) => (w.draft.businessId = 'other'), /draft belongs to another/],
    [
      'two people with one extension',
      (w) => (w.draft.system.people.pia!.extension = w.draft.system.people.rosa!.extension),
      /201 belongs to/,
    ],
    [
      'somebody under another key',
      (w) => {
        const { people } = w.draft.system;
        people.stranger = people.rosa!;
        delete people.rosa;
      },
      /under another key|no such person/,
    ],
    ['a pointer to nobody', (w) => (w.draft.system.people.rosa!.mailboxId = 'nowhere'), /no such mailbox/],
    [
      'a step that rings nobody there is',
      (w) => {
        const plan = w.draft.system.plans['rosa-direct']!;
        plan.steps = [{ id: 'x', kind: 'voicemail', mailboxId: 'nowhere' }];
      },
      /no such mailbox/,
    ],
    ['more edits done than there are', (w) => (w.draft.done = 99), /99 edits are done/],
    ['a gap in its history', (w) => w.edits.splice(1, 1), /gap|edits are done/],
    [
      'an edit that cannot be undone',
      (w) => (w.edits[0]!.inverse = [{ op: 'replace', path: ['x', 'y', 'z'], value: 1 }]),
      /cannot be undone/,
    ],
    [
      'an id that every object has',
      (w) => {
        w.draft.system.lists = { constructor: { id: 'constructor', name: 'x' } } as never;
      },
      /damaged|constructor/,
    ],
    ['a message twice', (w) => w.messages.push(w.messages[0]!), /Two messages are the same/],
    ['a sound that is a page', (w) => (w.messages[0]!.sound = 'data:text/html;base64,PGI+'), /sound/],
  ])('%s', async (_, change, message) => {
    expect(await refused(await changed(change))).toMatch(message);
  });
  it('an older version is held to the same rules', async () => {
    // Not cloned: versions share what did not change.
    const copy = JSON.parse(JSON.stringify(whole)) as Whole;
    copy.versions[2]!.system.numbers['n-main']!.planId = 'gone';
    expect(await refused(await file(copy))).toContain('In version 2: number');
  });
});
