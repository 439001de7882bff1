/** What a page of the administration does to its business: in storage, in this window. */
import { ending, outcomeOf, whoCalls, type Trace } from '$core/calls';
import type { Differing } from '$core/coverage';
import type { MessageChange } from '$core/messages';
import { ifCalled, withoutTheirs, withTried } from '$core/phone';
import {
  accountsOn,
  asAllPaired,
  asPaired,
  contactOf,
  type Contact,
  type OwnValues,
  type Setting,
  type Standing,
} from '$core/system';
import type { MessageKnown } from '$exchange';
import type { ThreadChange } from '$core/story';
import type { WishEntered } from '$core/texting';
import {
  callOff,
  changeThread,
  dropRecordings,
  enterWish,
  keepFile,
  readBytes,
  readOne,
  readSound,
  sendText,
  type FileKept,
  type Sent,
} from '$workspace';
import { CoverageClient } from '../coverage/client';
import { byWhom } from '../format';
import { freshId } from '../ids';
import { Line } from '../phone/line.svelte';
import type { Back } from './acts-done';
import type { Deeds, Supposing, TextWords } from './here';
import type { OpenBusiness } from './open-business.svelte';

/** The phone rings first, so long at most; then so long until it is out, in milliseconds of real time. */
const LONGEST_MS = 30_000;

export class OfficeDeeds implements Deeds {
  private readonly worker = new CoverageClient();

  constructor(private readonly place: OpenBusiness) {}

  set(words: string, settings: Setting[], by: string): Promise<{ what: string; by: string }[]> {
    return this.place.settings.make(words, settings, by, this.place.view.draft.record.done);
  }

  ifCalled(personId: string, values: OwnValues | null, supposing: Supposing): Promise<Trace> {
    const { settable, standing, now } = this.place;
    const tried = withTried(standing, personId, values, settable, now);
    const person = settable.people[personId]!;
    return Promise.resolve(ifCalled(person, settable, this.supposed(supposing, tried), now));
  }
  private supposed(supposing: Supposing, standing: Standing): Standing {
    switch (supposing) {
      case 'as now':
        return standing;
      case 'all on':
        return asPaired(standing);
      case 'all paired':
        return asAllPaired(this.place.settable, standing);
    }
  }

  effect(personId: string, values: OwnValues | null): Promise<Differing | null> {
    const { standing, settable, minute, inForce } = this.place;
    const rung = Object.values(settable.phones).filter((p) => accountsOn(p).includes(personId));
    const phones = new Set(rung.map((p) => p.id));
    const [before, after] = values
      ? [standing, withTried(standing, personId, values, settable, minute)]
      : [withoutTheirs(standing, personId, phones), standing];
    return this.worker.ask((w) => w.effect(inForce, before, after, minute) as Promise<Differing>);
  }
  stop(): void {
    this.worker.stop();
  }

  changeMessages(ids: readonly string[], to: MessageChange, words?: string): Promise<Back> {
    return this.place.workspace.change('messages', ids, to, words);
  }
  markCalls(ids: readonly string[], answeredAt: number): Promise<Back> {
    return this.place.workspace.change('calls', ids, { answeredAt });
  }

  recordingSound(hash: string): Promise<Uint8Array | undefined> {
    return readSound(this.place.db, this.place.id, hash);
  }
  callSound(_callId: string, hash: string): Promise<Uint8Array | undefined> {
    return readSound(this.place.db, this.place.id, hash);
  }
  async deleteRecording(callId: string, at: number): Promise<void> {
    const { workspace, db, id, now, actorName } = this.place;
    await dropRecordings(db, id, callId, (r) => r.at === at, { at: now, by: byWhom(actorName) });
    await workspace.changedOnes('calls', [callId]);
  }
  messageSound(message: MessageKnown): Promise<string | null> {
    return Promise.resolve(message.sound);
  }

  text(words: TextWords): Promise<Sent> {
    return sendText(this.place.workspace, words);
  }
  async callOff(textId: string): Promise<Back | null> {
    const back = await callOff(this.place.workspace, textId);
    return back && (() => back(this.place.workspace));
  }
  async changeThread(
    between: { ours: string; theirs: string },
    change: ThreadChange,
  ): ReturnType<Deeds['changeThread']> {
    const done = await changeThread(this.place.workspace, between, change);
    return done.ok ? { ok: true, back: () => done.back(this.place.workspace) } : done;
  }
  async enterWish(number: string, does: WishEntered['does']): Promise<string | undefined> {
    const done = await enterWish(this.place.workspace, number, does);
    return done.ok ? undefined : done.message;
  }
  async keepContact(name: string, number: string): Promise<string | undefined> {
    if (!name.trim()) return 'Give the contact a name.';
    const taken = contactOf(number, this.place.system.contacts);
    if (taken) return `${taken.name} has this number already.`;
    const value: Contact = {
      id: freshId('contact'),
      name: name.trim(),
      numbers: [number],
      ownerId: null,
      listIds: [],
      blocked: false,
    };
    return this.place.keepStored(`Add the contact ${value.name}`, [{ do: 'contact.add', value }]);
  }
  keepFile(name: string, bytes: Uint8Array): Promise<FileKept> {
    return keepFile(this.place.db, this.place.id, name, bytes);
  }
  fileBytes(hash: string): Promise<Uint8Array<ArrayBuffer> | undefined> {
    return readBytes(this.place.db, this.place.id, hash);
  }

  async call(phoneId: string, number: string): ReturnType<Deeds['call']> {
    const line = new Line(this.place.id);
    const id = freshId('call');
    const system = this.place.inForce;
    try {
      await line.act({
        kind: 'place',
        request: {
          id,
          at: this.place.workspace.now(),
          from: { kind: 'phone', phoneId },
          to: { kind: 'digits', digits: number },
          behaviour: null,
          ringsFirst: true,
        },
      });
      for (const end = Date.now() + LONGEST_MS; Date.now() < end;) {
        const live = line.calls.find((c) => c.request.id === id);
        const trace = live?.trace ?? (await readOne(this.place.db, 'calls', id))?.trace ?? [];
        const out = trace.find((e) => e.kind === 'goes out');
        if (out)
          return { out: true, words: `calls ${whoCalls(system, { kind: 'outside', number: out.number })}` };
        const ended = outcomeOf(trace);
        if (ended) return { out: false, words: ending(ended.outcome, system) };
        await new Promise((resolve) => setTimeout(resolve, 100));
      }
      return { out: false, words: line.problem || 'nothing came of it' };
    } finally {
      line.close();
    }
  }
}
