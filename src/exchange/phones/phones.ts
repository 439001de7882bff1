/**
 * The exchange's side of staff phones: tells each window what its phone may know, whenever that changes, and does what it
 * asks, where it may ask it. Whatever a phone learns of its business goes through here.
 */
import type { Action, Memory } from '../../core/calls';
import type { Differing } from '../../core/coverage';
import {
  callsKnown,
  finishing,
  hidden,
  ifCalled,
  knownTo,
  mayAsk,
  ownPhones,
  ownsMailbox,
  phonesRungFor,
  presencesApart,
  presencesIn,
  seesAll,
  unseenIn,
  unseenNumbers,
  withoutTheirs,
  withTried,
  type PhoneRequest,
  type Presence,
} from '../../core/phone';
import { addDays, localTime } from '../../core/hours';
import { asPaired, withOwn, type Standing, type System } from '../../core/system';
import { deliveredAt } from '../../standins/carrier/texting';
import { RATES } from '../../standins/carrier/prices';
import type { ClockSetting } from '../../standins/clock/clock';
import {
  changeBack,
  changeRecords,
  dropRecordings,
  putPhones,
  readMany,
  readOne,
  readRecord,
  readSound,
  sendText,
  settable,
  signOut,
  storeSettings,
  storeSound,
  Workspace,
  type Beside,
  type CallRecord,
  type CallSoundKept,
  type Change,
  type Changes,
  type Db,
  type MessageRecord,
} from '../../workspace';
import { phoneLock, type LiveCall } from '../protocol';
import { InThisBrowser, type Passes } from './passes';
import {
  KNOCKS,
  phoneChannel,
  type Answers,
  type FromPhone,
  type Knock,
  type MessageKnown,
  type Parts,
  type ToPhone,
} from './protocol';

/** The business of a line as it is now. */
export interface LineNow {
  system: System;
  standing: Standing;
  calls: readonly LiveCall[];
  memory: Memory;
}

/** What phones need of the switch. */
export interface Office {
  clock(): ClockSetting;
  now(): number;
  /** Does something while the switch does nothing else. */
  turn<T>(job: () => Promise<T>): Promise<T>;
  /** The business as calls go by it; undefined where it is not here. To be asked within a turn. */
  line(businessId: string): Promise<LineNow | undefined>;
  /** To be asked outside of a turn. */
  act(businessId: string, action: Action): Promise<void>;
  /** Writes something beside a call: kept with it while it goes on, and in its record once it is over. Outside of a turn. */
  writeBeside(businessId: string, callId: string, change: (known: Beside) => Beside): Promise<void>;
  /** What a change of settings does to callers: worked out apart, for it takes long. */
  effect(system: System, before: Standing, after: Standing, moment: number): Promise<Differing>;
}

/** Whether a phone took part in a call that is over. */
const isOwnRecord = ({ request, trace }: CallRecord, own: ReadonlySet<string>): boolean =>
  (request.from.kind === 'phone' && own.has(request.from.phoneId)) ||
  trace.some((e) => 'phone' in e && own.has(String(e.phone)));

/** As long as a note may be. */
const NOTE_LENGTH = 2000;

interface Window extends Knock {
  passes: Passes<FromPhone, ToPhone>;
  /** What of the business it was told of last, to judge what it asks and what it may see of calls. */
  system: System;
  standing: Standing;
  unseen: ReadonlySet<string>;
  /** Requests being done, and the answers of those done lately, so that one sent again is not done twice. */
  going: Set<string>;
  answered: Map<string, ToPhone>;
  /** Takes back what a request did to messages. */
  backs: Map<string, () => Promise<string | null>>;
}

/** What lies in the mailboxes and the log of a business. */
interface Mail {
  messages: MessageRecord[];
  calls: CallRecord[];
}

/** So many answers and ways back are remembered of a phone. */
const REMEMBERED = 50;
/** So many of the last calls a phone is told of. */
const LOG = 100;
/** A phone's address is looked at again after a year. */
const CHECK_DAYS = 365;
const MINUTE_MS = 60_000;
const DAY_MS = 86_400_000;

export class PhoneWindows {
  private readonly windows = new Map<string, Window>();
  private readonly knocks: Passes<Knock, never> = new InThisBrowser(KNOCKS);
  private readonly apart = new Map<
    string,
    {
      minute: number;
      system: System;
      standing: Standing;
      /** Who is left alone after a call, and when the first of them is not any more. */
      finishing: string;
      until: number;
      is: Record<string, Presence>;
    }
  >();

  constructor(
    private readonly db: Db,
    private readonly changes: Changes,
    private readonly office: Office,
  ) {
    this.knocks.onmessage = (knock) => void this.office.turn(() => this.knocked(knock)).catch(() => {});
  }

  close(): void {
    this.knocks.close();
    for (const { passes } of this.windows.values()) passes.close();
    this.windows.clear();
  }

  /** Within a turn: windows that are open are taken on without their knocking, and those that are gone are let go. @param locks held or asked for */
  async look(locks: ReadonlySet<string | undefined>, businessIds: readonly string[]): Promise<void> {
    for (const [key, { passes }] of this.windows)
      if (!locks.has(key)) {
        passes.close();
        this.windows.delete(key);
      }
    for (const businessId of businessIds) {
      const prefix = phoneLock(businessId, '');
      for (const lock of locks)
        if (lock?.startsWith(prefix) && !this.windows.has(lock))
          await this.knocked({ businessId, phoneId: lock.slice(prefix.length) });
    }
    const now = this.office.now();
    const minute = Math.floor(now / MINUTE_MS);
    // What somebody is doing goes by the time of day, too.
    for (const [businessId, known] of this.apart)
      if (!this.of(businessId).length) this.apart.delete(businessId);
      else if (known.minute !== minute || known.until <= now) await this.tellCalls(businessId);
  }

  private async knocked({ businessId, phoneId }: Knock): Promise<void> {
    const key = phoneLock(businessId, phoneId);
    let window = this.windows.get(key);
    if (!window) {
      const passes: Passes<FromPhone, ToPhone> = new InThisBrowser(phoneChannel(businessId, phoneId));
      const line = await this.office.line(businessId).catch(() => undefined);
      if (!line) {
        // Whoever opens a business that is just being laid in knocks again.
        passes.send({ kind: 'none', words: 'This business is not in this browser.' });
        return passes.close();
      }
      const { system, standing } = line;
      const none = { unseen: new Set<string>(), going: new Set<string>() };
      window = {
        businessId,
        phoneId,
        passes,
        system,
        standing,
        ...none,
        answered: new Map(),
        backs: new Map(),
      };
      passes.onmessage = (message) => void this.asked(window!, message);
      this.windows.set(key, window);
    }
    await this.tellAll(window);
  }

  private async tellAll(window: Window): Promise<void> {
    await this.tellBusiness(window);
    this.tellMessages(window, await this.mailOf(window.businessId));
    await this.tellCalls(window.businessId, window);
  }

  /** Something of a business changed in storage. Within a turn. */
  async changed({ businessId, what }: Change): Promise<void> {
    const mail = new Map<string, Mail>();
    for (const window of this.windows.values()) {
      if (businessId !== null && window.businessId !== businessId) continue;
      switch (what) {
        case 'draft':
          // A phone that is in force goes by what is in force.
          if (!(await this.isInForce(window))) await this.tellBusiness(window);
          break;
        case 'in force':
        case 'standing':
          await this.tellBusiness(window);
          await this.tellCalls(window.businessId, window);
          break;
        case 'clock':
        case 'businesses':
          await this.tellAll(window);
          break;
        case 'messages':
        case 'calls': {
          // Read once, however many phones are told of it.
          const known = mail.get(window.businessId) ?? (await this.mailOf(window.businessId));
          mail.set(window.businessId, known);
          this.tellMessages(window, known);
          break;
        }
        case 'mail':
        case 'invitations':
        case 'dealings':
        case 'carrier':
          break;
      }
    }
  }

  private async isInForce({ businessId, phoneId }: Window): Promise<boolean> {
    const inForce = (await this.office.line(businessId))?.system;
    return inForce?.phones[phoneId] !== undefined;
  }

  private tell<P extends keyof Parts>({ passes }: Window, part: P, is: Parts[P]): void {
    passes.send({ kind: 'told', part, is } as ToPhone);
  }

  private async tellBusiness(window: Window): Promise<void> {
    const { businessId, phoneId } = window;
    const line = await this.office.line(businessId);
    if (!line) return;
    const draft = (await readRecord(this.db, businessId).catch(() => undefined))?.system;
    window.system = draft ? settable(line.system, draft) : line.system;
    window.standing = line.standing;
    window.unseen = unseenNumbers(window.system, window.standing, phoneId);
    this.tell(window, 'business', {
      ...knownTo(window.system, window.standing, phoneId),
      inForce: line.system.phones[phoneId] !== undefined,
      clock: this.office.clock(),
      rates: RATES,
    });
  }

  /** What goes on in calls, told to one window or to all of a business. */
  private async tellCalls(businessId: string, only?: Window): Promise<void> {
    const windows = only ? [only] : this.of(businessId);
    const line = windows.length ? await this.office.line(businessId) : undefined;
    if (line) this.sendCalls(windows, line);
  }
  /** The same at once, for acts are shown without delay. */
  callsNow(businessId: string, line: LineNow): void {
    this.sendCalls(this.of(businessId), line);
  }
  private of(businessId: string): Window[] {
    return [...this.windows.values()].filter((w) => w.businessId === businessId);
  }

  private sendCalls(windows: readonly Window[], line: LineNow): void {
    if (!windows.length) return;
    const { calls, memory } = line;
    const done = finishing(memory, line.system, this.office.now());
    const set = withOwn(line.system, line.standing.own);
    const presence = presencesIn(
      this.presenceApart(windows[0]!.businessId, set, line.standing, done),
      calls,
      set,
    );
    for (const window of windows) {
      const { phoneId, standing, unseen } = window;
      const system = withOwn(window.system, standing.own);
      this.tell(window, 'calls', callsKnown(calls, phoneId, system, presence, memory, done, unseen));
    }
  }

  /** What everybody in force is doing apart from calls: the same for all phones of a business. */
  private presenceApart(
    businessId: string,
    system: System,
    standing: Standing,
    done: ReadonlyMap<string, number>,
  ): Record<string, Presence> {
    const now = this.office.now();
    const minute = Math.floor(now / MINUTE_MS);
    const known = this.apart.get(businessId);
    const finishing = [...done.keys()].join(' ');
    if (
      known?.minute === minute &&
      known.system === system &&
      known.standing === standing &&
      known.finishing === finishing
    )
      return known.is;
    const is = presencesApart({ system, standing, now, finishing: new Set(done.keys()) });
    const until = Math.min(...done.values());
    this.apart.set(businessId, { minute, system, standing, finishing, until, is });
    return is;
  }

  private async mailOf(businessId: string): Promise<Mail> {
    const [messages, calls] = await Promise.all([
      readMany(this.db, 'messages', businessId),
      readMany(this.db, 'calls', businessId),
    ]);
    return { messages, calls };
  }

  private tellMessages(window: Window, { messages, calls }: Mail): void {
    const { phoneId, system } = window;
    const me = system.phones[phoneId]?.personId ?? '';
    const all = seesAll(system, phoneId);
    const own = ownPhones(system, phoneId);
    const theirs = (c: CallRecord) =>
      c.trace.some((e) => e.kind === 'leg offered' && e.personId === me) || isOwnRecord(c, own);
    this.tell(window, 'messages', {
      messages: messages
        .filter((m) => all || (me && ownsMailbox(system, m.mailboxId, me)))
        .map(({ sound, ...m }): MessageKnown => ({ ...m, sound: null, soundThere: sound !== null })),
      log: calls
        .filter((c) => all || (me && theirs(c)))
        .slice(-LOG)
        .map((c) => hidden(c, unseenIn(c.request, c.trace, own, window.unseen))),
    });
  }

  /** Answers a request once, however often it is sent. */
  private async asked(window: Window, { id, request }: FromPhone): Promise<void> {
    const before = window.answered.get(id);
    if (before) return window.passes.send(before);
    if (window.going.has(id)) return;
    window.going.add(id);
    let answer: ToPhone;
    try {
      const refused = await this.whyNot(window, request);
      answer = {
        kind: 'answer',
        id,
        answer: refused ? null : await this.does(window, id, request),
        refused: refused || null,
      };
    } catch (error) {
      answer = {
        kind: 'answer',
        id,
        answer: null,
        refused: error instanceof Error ? error.message : String(error),
      };
    }
    window.going.delete(id);
    window.answered.set(id, answer);
    for (const old of [...window.answered.keys()].slice(0, -REMEMBERED)) window.answered.delete(old);
    window.passes.send(answer);
  }

  private async whyNot(window: Window, request: PhoneRequest): Promise<string> {
    const { businessId, system, phoneId } = window;
    const aboutCall = request.do === 'act' || 'callId' in request;
    const calls = aboutCall ? ((await this.lineOf(businessId))?.calls ?? []) : [];
    const own = ownPhones(system, phoneId);
    const over =
      'callId' in request
        ? await readOne(this.db, 'calls', request.callId).catch(() => undefined)
        : undefined;
    const mailboxes = new Map<string, string>();
    const ids = request.do === 'change messages' ? request.ids : request.do === 'sound' ? [request.id] : [];
    for (const id of ids) {
      const message = await this.message(businessId, id);
      if (message) mailboxes.set(id, message.mailboxId);
    }
    return mayAsk(request, {
      system,
      phoneId,
      mailboxOf: (id) => mailboxes.get(id),
      recordedBy: (_, at) => over?.recordings?.find((r) => r.at === at)?.by,
      isOwnCall: (id) =>
        (over !== undefined && over.businessId === businessId && isOwnRecord(over, own)) ||
        calls.some((c) => c.request.id === id && c.ends.some((e) => own.has(e.phone))),
      phoneCalling: (id) => {
        const from = calls.find((c) => c.request.id === id)?.from;
        return from?.kind === 'phone' ? from.phoneId : undefined;
      },
    });
  }

  private lineOf(businessId: string): ReturnType<Office['line']> {
    return this.office.turn(() => this.office.line(businessId));
  }

  private async message(businessId: string, id: string): Promise<MessageRecord | undefined> {
    const message = await readOne(this.db, 'messages', id).catch(() => undefined);
    return message?.businessId === businessId ? message : undefined;
  }

  private async does(
    window: Window,
    id: string,
    request: PhoneRequest,
  ): Promise<Answers[PhoneRequest['do']]> {
    const { businessId, phoneId, system, standing } = window;
    const me = system.phones[phoneId]?.personId ?? '';
    const now = this.office.now();
    switch (request.do) {
      case 'act':
        await this.office.act(businessId, request.action);
        return null;
      case 'set': {
        const stamp = { at: request.at ?? now, by: request.by };
        const stayed = await storeSettings(this.db, businessId, request.settings, stamp, system);
        this.changes.tell({ businessId, what: 'standing' });
        return stayed;
      }
      case 'if called': {
        const tried = withTried(standing, me, request.values, system, now);
        const supposed = request.supposed ? asPaired(tried) : tried;
        return hidden(ifCalled(system.people[me]!, system, supposed, now), window.unseen);
      }
      case 'effect': {
        const inForce = (await this.lineOf(businessId))?.system ?? system;
        const [before, after] = request.values
          ? [standing, withTried(standing, me, request.values, system, now)]
          : [withoutTheirs(standing, me, phonesRungFor(system, phoneId)), standing];
        const minute = Math.floor(now / MINUTE_MS) * MINUTE_MS;
        return hidden(await this.office.effect(inForce, before, after, minute), window.unseen);
      }
      case 'change messages': {
        const { ids, to } = request;
        const were = await changeRecords(this.db, 'messages', ids, to);
        const told = () => this.changes.tell({ businessId, what: 'messages' });
        told();
        window.backs.set(id, async () => {
          const left = await changeBack(this.db, 'messages', were, to);
          told();
          return left ? 'It was changed elsewhere meanwhile, and stays as it is.' : null;
        });
        for (const old of [...window.backs.keys()].slice(0, -REMEMBERED)) window.backs.delete(old);
        return null;
      }
      case 'note':
        await this.office.writeBeside(businessId, request.callId, ({ note: _, ...known }) => {
          const note = request.text.trim().slice(0, NOTE_LENGTH);
          return note ? { ...known, note } : known;
        });
        return null;
      case 'recorded':
        await this.keepRecording(window, request);
        return null;
      case 'delete recording': {
        const by = system.people[me]?.name ?? 'a phone';
        await dropRecordings(this.db, businessId, request.callId, (r) => r.at === request.at, {
          at: now,
          by,
        });
        this.changes.tell({ businessId, what: 'calls' });
        return null;
      }
      case 'call sound': {
        const record = await readOne(this.db, 'calls', request.callId).catch(() => undefined);
        const named = record?.recordings?.some((r) => r.ours === request.hash || r.theirs === request.hash);
        return named ? ((await readSound(this.db, businessId, request.hash)) ?? null) : null;
      }
      case 'quality':
        await this.office.writeBeside(businessId, request.callId, (known) => ({
          ...known,
          quality: { ...known.quality, [phoneId]: Math.min(100, Math.max(0, request.rating)) },
        }));
        return null;
      case 'take back': {
        const back = window.backs.get(request.of);
        window.backs.delete(request.of);
        return back ? back() : 'It is too long ago to be taken back from here.';
      }
      case 'sound': {
        if (request.of === 'recording') return (await readSound(this.db, businessId, request.id)) ?? null;
        return (await this.message(businessId, request.id))?.sound ?? null;
      }
      case 'text':
        return this.inWorkspace(businessId, async (workspace) => {
          const { from, to, text } = request;
          const sent = await sendText(workspace, { from, to, text });
          const { texts, texting } = workspace.view.dealings;
          const last = texts.at(-1);
          return sent.ok && last ? { ...sent, held: deliveredAt(last, texting, now) === null } : sent;
        });
      case 'address':
        return this.inWorkspace(businessId, async (workspace) => {
          const { date } = localTime(system.business.timeZone, now);
          const phone = workspace.system.phones[phoneId];
          workspace.by = workspace.system.people[me]?.name;
          const done = workspace.edit({
            words: `Say where ${(phone?.name ?? 'a phone').toLowerCase()} is used`,
            commands: [
              {
                do: 'phone.set',
                id: phoneId,
                change: { address: request.address, checkAgainOn: addDays(date, CHECK_DAYS) },
              },
            ],
          });
          if (!done.ok) return done.problems[0]?.message ?? 'It cannot be kept.';
          const [late] = await done.stored;
          return late?.message ?? null;
        });
      case 'be': {
        const { address, condition } = request;
        await this.inWorkspace(businessId, (workspace) =>
          putPhones(workspace, [phoneId], {
            ...(address === undefined ? {} : { address }),
            ...(condition === undefined ? {} : { condition }),
          }),
        );
        return null;
      }
      case 'sign out':
        await this.inWorkspace(businessId, (workspace) => signOut(workspace, [phoneId]));
        return null;
    }
  }

  /** The sound is stored first: a call that names it has it. */
  private async keepRecording(
    { businessId, phoneId, system }: Window,
    { callId, at, seconds, ours, theirs, cut }: Extract<PhoneRequest, { do: 'recorded' }>,
  ): Promise<void> {
    const line = await this.lineOf(businessId);
    const trace =
      line?.calls.find((c) => c.request.id === callId)?.trace ??
      (await readOne(this.db, 'calls', callId).catch(() => undefined))?.trace ??
      [];
    // What was never begun by the engine is no recording: nobody was told of it.
    const begun = trace.findLast((e) => e.kind === 'record on');
    if (begun?.kind !== 'record on') throw new Error('That call was not recorded.');
    const days = system.business.recording?.keepDays ?? null;
    const kept: CallSoundKept = {
      phone: phoneId,
      at,
      seconds,
      ours: await storeSound(this.db, businessId, ours),
      theirs: await storeSound(this.db, businessId, theirs),
      consent: begun.consent,
      by: begun.personId,
      ...(cut ? { cut } : {}),
      until: days === null ? null : at + days * DAY_MS,
    };
    await this.office.writeBeside(businessId, callId, (known) => ({
      ...known,
      recordings: [...(known.recordings ?? []).filter((r) => r.at !== at), kept],
    }));
  }

  /** Does something that goes through the whole of a business. */
  private async inWorkspace<T>(businessId: string, work: (workspace: Workspace) => Promise<T>): Promise<T> {
    const opened = await Workspace.open(this.db, this.changes, businessId);
    if (!opened.ok) throw new Error(opened.message);
    try {
      const result = await work(opened.workspace);
      await opened.workspace.settled();
      return result;
    } finally {
      opened.workspace.close();
    }
  }
}
