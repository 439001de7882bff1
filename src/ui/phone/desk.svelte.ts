/** The business as this phone knows it: what its exchange tells it, and what it asks. No database is opened. */
import { localTime, writeAs, writingOf } from '$core/hours';
import { ending, outcomeOf, whoCalls, type Action, type Trace } from '$core/calls';
import type { Differing } from '$core/coverage';
import type { MessageChange } from '$core/messages';
import { writeNumber } from '$core/numbering';
import { textLines, type PhoneRequest } from '$core/phone';
import type { About, FaxChange, ThreadChange } from '$core/story';
import type { WishEntered } from '$core/texting';
import { carriesTexts } from '$standins/carrier/texting';
import type { FileKept } from '$workspace';
import {
  emptyStanding,
  ownContactId,
  type OwnContact,
  type OwnValues,
  type Setting,
  type Standing,
  type System,
} from '$core/system';
import { PhoneClient, type Answers, type Carrier, type MessageKnown, type Parts } from '$exchange';
import { BrowserSignals, LONGEST_S, type CallSound, type Signals } from '$media';
import { benchTime, type ClockSetting } from '$standins/clock/clock';
import { freshId } from '../ids';
import type { Back } from '../window/acts-done';
import type { Deeds, Here, Supposing, Texting, TextWords } from '../window/here';
import type { Notice } from '../window/notice';

/** Until a call that was placed is out, so long at most: milliseconds of real time. */
const LONGEST_MS = 30_000;

export class PhoneDesk implements Here, Deeds {
  private business = $state.raw<Parts['business'] | null>(null);
  private mail = $state.raw<Parts['messages']>({ messages: [], log: [], faxes: [] });
  private toldCircles = $state.raw<Parts['circles']>({ circles: [], words: [], older: 0 });
  /** Meetings its person is asked to, that were not over when they were told. */
  meetings = $state.raw<Parts['meetings']>([]);
  private toldTexting = $state.raw<Parts['texting']>({
    texts: [],
    threads: [],
    wishes: [],
    requests: [],
    older: 0,
  });
  /** What goes on in calls. */
  going = $state.raw<Parts['calls']>({
    calls: [],
    near: [],
    lines: [],
    taken: [],
    presence: {},
    wants: [],
    queues: [],
    finishing: null,
    spent: {},
  });
  /** Why there is nothing to show, in words. */
  none = $state('');
  /** What the exchange did not answer, or would not do. */
  problem = $state('');
  now = $state(0);
  private readonly client: PhoneClient;

  constructor(
    readonly id: string,
    readonly phoneId: string,
    private readonly say: (notice: Omit<Notice, 'id'>) => void,
    /** Where the exchange is not in this browser. */
    far?: { carrier: Carrier; signals: () => Signals },
  ) {
    this.apart = far !== undefined;
    this.signals = far?.signals ?? (() => new BrowserSignals());
    this.client = new PhoneClient(
      { businessId: id, phoneId },
      {
        told: (part, is) => this.told(part, is),
        none: (words) => (this.none = words),
      },
      () => freshId('ask'),
      far?.carrier,
    );
  }
  /** The exchange is on another machine. */
  readonly apart: boolean;
  /** How its talks find each other. */
  readonly signals: () => Signals;
  /** What is to go with words to a colleague. */
  passing = $state.raw<About | null>(null);
  /** What somebody was pointed to in words, to be shown alone. */
  pointed = $state.raw<About | null>(null);
  /** Whether this phone knows what words are about. */
  knows({ is, id }: About): boolean {
    switch (is) {
      case 'call':
        return this.log.some((c) => c.id === id);
      case 'message':
        return this.messages.some((m) => m.id === id);
      case 'contact':
        return this.system.contacts[id] !== undefined;
    }
  }

  private told<P extends keyof Parts>(part: P, is: Parts[P]): void {
    this.none = '';
    const parts: { [Q in keyof Parts]: (is: Parts[Q]) => void } = {
      business: (b) => {
        this.business = b;
        writeAs(writingOf(b.system.business));
        this.tick();
      },
      calls: (c) => (this.going = c),
      messages: (m) => (this.mail = m),
      circles: (c) => (this.toldCircles = c),
      meetings: (m) => (this.meetings = m),
      texting: (t) => (this.toldTexting = t),
    };
    parts[part](is);
  }
  close(): void {
    this.client.close();
  }

  /** It has been told of its business. */
  readonly isOpen = $derived(this.business !== null);
  readonly system: System = $derived.by(() => this.business!.system);
  /** Before its person is in force, calls know neither of them. */
  readonly inForce: System = $derived.by(() =>
    this.business!.inForce ? this.system : { ...this.system, people: {}, phones: {} },
  );
  readonly settable = $derived.by(() => this.system);
  readonly standing: Standing = $derived.by(() => this.business?.standing ?? emptyStanding());
  readonly clock: ClockSetting = $derived.by(() => this.business?.clock ?? { mode: 'real' });
  readonly messages: readonly MessageKnown[] = $derived.by(() => this.mail.messages);
  readonly log = $derived.by(() => this.mail.log);
  /** Faxes of mailboxes of its person's. */
  readonly faxes = $derived.by(() => this.mail.faxes);
  /** What colleagues write to whoever uses this phone. */
  readonly circles = $derived.by(() => this.toldCircles);
  readonly texting: Texting = $derived.by(() => {
    const mine = textLines(this.system, this.phoneId);
    const lines = Object.values(this.system.numbers).filter((n) => carriesTexts(n) && mine.has(n.e164));
    return { ...this.toldTexting, lines };
  });
  readonly me = $derived.by(() => this.system.phones[this.phoneId]?.personId ?? null);
  readonly minute = $derived(Math.floor(this.now / 60_000) * 60_000);
  readonly zone = $derived.by(() => this.system.business.timeZone);
  readonly today = $derived.by(() => localTime(this.zone, this.now).date);
  readonly deeds: Deeds = this;

  /** What calls out cost. */
  readonly rates = $derived.by(() => this.business?.rates);

  tick(): void {
    this.now = benchTime(this.clock, Date.now());
  }
  number(e164: string, system: System = this.system): string {
    return writeNumber(e164, system.business.country);
  }
  /** On a phone the notice takes back what was done last; there is no long memory of it. */
  did(words: string, back: Back): () => void {
    let done = false;
    return () => {
      if (done) return;
      done = true;
      void Promise.resolve(back()).then((why) =>
        this.say(
          why
            ? { kind: 'error', title: `Not undone: ${words}`, detail: why }
            : { kind: 'info', title: `Undone: ${words}` },
        ),
      );
    };
  }
  sayDone(notice: Omit<Notice, 'id' | 'undo'>, back: Back): void {
    this.say({ ...notice, undo: this.did(notice.title, back) });
  }

  /** Does something to a call; what the exchange does not do is said. */
  async act(action: Action): Promise<void> {
    try {
      await this.client.ask({ do: 'act', action: plain(action) });
      this.problem = '';
    } catch (error) {
      this.problem = error instanceof Error ? error.message : String(error);
    }
  }
  /** Writes a note to a call, live or over; what does not come to be is said. */
  async note(callId: string, text: string): Promise<void> {
    try {
      await this.client.ask({ do: 'note', callId, text });
      this.problem = '';
    } catch (error) {
      this.problem = error instanceof Error ? error.message : String(error);
    }
  }
  /** Says how a call sounded here; that nobody heard it is no trouble. */
  quality(callId: string, rating: number): void {
    void this.client.ask({ do: 'quality', callId, rating }).catch(() => {});
  }

  /** @throws with why, in words */
  ask<R extends PhoneRequest>(request: R, id?: string): Promise<Answers[R['do']]> {
    return this.client.ask(plain(request), id);
  }

  set(_words: string, settings: Setting[], by: string): Promise<{ what: string; by: string }[]> {
    return this.client.ask({ do: 'set', settings: plain(settings), by, at: null });
  }
  /** Settings made while there was no network, as of when they were made. */
  setAsOf(settings: Setting[], by: string, at: number): Promise<{ what: string; by: string }[]> {
    return this.client.ask({ do: 'set', settings: plain(settings), by, at });
  }
  ifCalled(_personId: string, values: OwnValues | null, supposing: Supposing): Promise<Trace> {
    return this.client.ask({ do: 'if called', values: plain(values), supposed: supposing !== 'as now' });
  }
  private effects = 0;
  async effect(_personId: string, values: OwnValues | null): Promise<Differing | null> {
    const mine = ++this.effects;
    const found = await this.client.ask({ do: 'effect', values: plain(values) });
    return mine === this.effects ? found : null;
  }
  stop(): void {
    this.effects++;
  }
  async changeMessages(ids: readonly string[], to: MessageChange): Promise<Back> {
    const id = freshId('ask');
    await this.client.ask({ do: 'change messages', ids: [...ids], to: plain(to) }, id);
    return () => this.takenBack(id);
  }
  async changeFax(fax: { id: string }, to: FaxChange, words: string): Promise<void> {
    const id = freshId('ask');
    try {
      await this.client.ask({ do: 'change faxes', ids: [fax.id], to: plain(to) }, id);
    } catch (error) {
      return this.say({ kind: 'error', title: 'The fax is not changed', detail: wordsOf(error) });
    }
    if (words) this.sayDone({ kind: 'info', title: words }, () => this.takenBack(id));
  }
  /** A phone marks no calls: the list of whom to call back is the office's. */
  markCalls(): Promise<Back> {
    return Promise.resolve(() => Promise.resolve(undefined));
  }
  async recordingSound(hash: string): Promise<Uint8Array | undefined> {
    const sound = await this.client.ask({ do: 'sound', of: 'recording', id: hash });
    return sound instanceof Uint8Array ? sound : undefined;
  }
  async callSound(callId: string, hash: string): Promise<Uint8Array | undefined> {
    return (await this.client.ask({ do: 'call sound', callId, hash })) ?? undefined;
  }
  async deleteRecording(callId: string, at: number): Promise<void> {
    await this.client.ask({ do: 'delete recording', callId, at });
  }
  /** Keeps the sound of a call; that it could not be kept is said, for it is gone then. */
  async keepRecording(callId: string, at: number, sound: CallSound): Promise<void> {
    try {
      await this.client.ask({ do: 'recorded', callId, at, ...sound });
      if (sound.cut)
        this.say({
          kind: 'error',
          stays: true,
          title: 'The recording was cut',
          detail: `A recording is kept for ${LONGEST_S / 60} minutes; what came later is not in it.`,
        });
    } catch (error) {
      const detail = error instanceof Error ? error.message : String(error);
      this.say({ kind: 'error', stays: true, title: 'The recording is not kept', detail });
    }
  }
  async messageSound(message: MessageKnown): Promise<string | null> {
    if (!message.soundThere) return null;
    const sound = await this.client.ask({ do: 'sound', of: 'message', id: message.id });
    return typeof sound === 'string' ? sound : null;
  }
  text(words: TextWords): ReturnType<Deeds['text']> {
    const { files, sendAt, ...rest } = words;
    return this.client.ask({
      do: 'text',
      ...rest,
      ...(files ? { files: plain(files) } : {}),
      ...(sendAt === undefined ? {} : { sendAt }),
    });
  }
  private async takenBack(of: string): Promise<string | undefined> {
    return (await this.client.ask({ do: 'take back', of })) ?? undefined;
  }
  async callOff(textId: string): Promise<Back | null> {
    const id = freshId('ask');
    const was = await this.client.ask({ do: 'call off text', id: textId }, id);
    return was ? () => this.takenBack(id) : null;
  }
  async changeThread(
    { ours, theirs }: { ours: string; theirs: string },
    change: ThreadChange,
  ): ReturnType<Deeds['changeThread']> {
    const id = freshId('ask');
    const done = await this.client
      .ask({ do: 'conversation', ours, theirs, change: plain(change) }, id)
      .catch((error: unknown) => ({ ok: false as const, message: wordsOf(error) }));
    return done.ok ? { ok: true, back: () => this.takenBack(id) } : done;
  }
  async enterWish(number: string, does: WishEntered['does']): Promise<string | undefined> {
    return (await this.client.ask({ do: 'wish', number, does }).catch(wordsOf)) ?? undefined;
  }
  readonly contactsAre = 'your own' as const;
  /** A contact of one's own is put down anew or changed. @returns what is wrong, if anything */
  async keepOwn(contact: OwnContact): Promise<string | undefined> {
    const id = freshId('ask');
    const isNew = !this.system.contacts[contact.id];
    const wrong = await this.client.ask({ do: 'own contact', contact: plain(contact) }, id).catch(wordsOf);
    if (wrong !== null) return wrong;
    this.sayDone(
      { kind: 'info', title: isNew ? `${contact.name} is a contact of yours` : `${contact.name} is changed` },
      () => this.takenBack(id),
    );
    return undefined;
  }
  async dropOwn({ id: contactId, name }: { id: string; name: string }): Promise<void> {
    const id = freshId('ask');
    try {
      await this.client.ask({ do: 'drop own contact', id: contactId }, id);
    } catch (error) {
      return this.say({ kind: 'error', title: `${name} is not removed`, detail: wordsOf(error) });
    }
    this.sayDone({ kind: 'info', title: `${name} is no contact of yours any more` }, () =>
      this.takenBack(id),
    );
  }
  keepContact(name: string, number: string): Promise<string | undefined> {
    if (!name.trim()) return Promise.resolve('Give the contact a name.');
    return this.keepOwn({ id: ownContactId(freshId('c')), name: name.trim(), numbers: [number] });
  }
  keepFile(name: string, bytes: Uint8Array): Promise<FileKept> {
    return this.client.ask({ do: 'keep file', name, bytes });
  }
  async fileBytes(hash: string): Promise<Uint8Array<ArrayBuffer> | undefined> {
    return (await this.client.ask({ do: 'file', hash })) ?? undefined;
  }

  async call(phoneId: string, number: string): ReturnType<Deeds['call']> {
    const id = freshId('call');
    await this.act({
      kind: 'place',
      request: {
        id,
        at: this.now,
        from: { kind: 'phone', phoneId },
        to: { kind: 'digits', digits: number },
        behaviour: null,
        ...(phoneId === this.phoneId ? {} : { ringsFirst: true }),
      },
    });
    for (const end = Date.now() + LONGEST_MS; Date.now() < end && !this.problem;) {
      const live = this.going.calls.find((c) => c.request.id === id);
      const trace = live?.trace ?? this.log.find((c) => c.id === id)?.trace ?? [];
      const out = trace.find((e) => e.kind === 'goes out');
      if (out)
        return {
          out: true,
          words: `calls ${whoCalls(this.system, { kind: 'outside', number: out.number })}`,
        };
      const ended = outcomeOf(trace);
      if (ended) return { out: false, words: ending(ended.outcome, this.system) };
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    return { out: false, words: this.problem || 'nothing came of it' };
  }
}

/** Why the exchange did not do something. */
const wordsOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));

/** Plain data, for it passes between windows: a field that is undefined stays one. */
const plain = <T>(value: T): T => $state.snapshot(value) as T;

/** The desk of this window, for what is only on a phone. @throws where this window is no phone */
export function deskOf(here: Here): PhoneDesk {
  if (!(here instanceof PhoneDesk)) throw new Error('This window is no phone.');
  return here;
}
