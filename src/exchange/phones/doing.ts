/** What staff phones ask, done where they may ask it. */
import {
  hidden,
  lineOfText,
  ifCalled,
  mayAsk,
  ownPhones,
  phonesRungFor,
  seesAll,
  withoutTheirs,
  withTried,
  type PhoneRequest,
} from '../../core/phone';
import { CALLER, ownsMailbox, whoCalls, whoseName } from '../../core/calls';
import { addDays, localTime } from '../../core/hours';
import { membersOf } from '../../core/story';
import { asPaired } from '../../core/system';
import {
  changeBack,
  callOff,
  changeRecords,
  changeThread,
  enterWish,
  keepFile,
  dropRecordings,
  putPhones,
  readBytes,
  readMany,
  readOne,
  readSound,
  sendText,
  signOut,
  storeSettings,
  OwnContactRecord,
  seen,
  storeSound,
  within,
  writeTo,
  Workspace,
  type CallSoundKept,
  type Changes,
  type Db,
  type MessageRecord,
  type Place,
} from '../../workspace';
import type { Answers } from './protocol';

import { isOwnRecord, type Office, type Window } from './office';
/** As long as a note may be. */
const NOTE_LENGTH = 2000;

/** So many ways back are remembered of a phone. */
const REMEMBERED = 50;
const forgetOld = ({ backs }: Window): void => {
  for (const old of [...backs.keys()].slice(0, -REMEMBERED)) backs.delete(old);
};
/** A phone's address is looked at again after a year. */
const CHECK_DAYS = 365;
const MINUTE_MS = 60_000;
const DAY_MS = 86_400_000;

export class Doing {
  constructor(
    private readonly db: Db,
    private readonly changes: Changes,
    private readonly office: Office,
  ) {}

  /** Why a phone may not ask something, in words; empty where it may. */
  async whyNot(window: Window, request: PhoneRequest): Promise<string> {
    const { businessId, system, phoneId } = window;
    const aboutCall = request.do === 'act' || 'callId' in request;
    const calls = aboutCall ? ((await this.lineOf(businessId))?.calls ?? []) : [];
    const own = ownPhones(system, phoneId);
    const over =
      'callId' in request
        ? await readOne(this.db, 'calls', request.callId).catch(() => undefined)
        : undefined;
    const mailboxes = new Map<string, string>();
    if (request.do === 'change faxes')
      for (const id of request.ids) {
        const fax = await readOne(this.db, 'faxes', id).catch(() => undefined);
        if (fax?.businessId === businessId && fax.mailboxId) mailboxes.set(id, fax.mailboxId);
      }
    const ids = request.do === 'change messages' ? request.ids : request.do === 'sound' ? [request.id] : [];
    for (const id of ids) {
      const message = await this.message(businessId, id);
      if (message) mailboxes.set(id, message.mailboxId);
    }
    const lines: string[] = [];
    if (request.do === 'call off text') {
      const text = await readOne(this.db, 'texts', request.id).catch(() => undefined);
      if (text?.businessId === businessId) lines.push(lineOfText(text));
    } else if (request.do === 'file') {
      const texts = await readMany(this.db, 'texts', businessId);
      for (const text of texts)
        if (text.files?.some((f) => f.hash === request.hash)) lines.push(lineOfText(text));
    }
    const circleId =
      request.do === 'seen'
        ? request.circleId
        : request.do === 'write' && 'circleId' in request.to
          ? request.to.circleId
          : '';
    const circle = circleId ? await readOne(this.db, 'circles', circleId).catch(() => undefined) : undefined;
    const shown = request.do === 'file' && (await this.isShownFile(window, request.hash));
    const ownContact =
      request.do === 'own contact' ? request.contact.id : request.do === 'drop own contact' ? request.id : '';
    const owner = ownContact
      ? (await readOne(this.db, 'ownContacts', ownContact).catch(() => undefined))?.personId
      : undefined;
    return mayAsk(request, {
      ownerOf: () => owner,
      membersOf: () => (circle ? membersOf(circle, system) : undefined),
      isShownFile: () => shown,
      linesOf: () => lines,
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

  /** Does what was asked. @param id of the request @throws with why not, in words */
  async does(window: Window, id: string, request: PhoneRequest): Promise<Answers[PhoneRequest['do']]> {
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
      case 'change faxes': {
        const { ids, to } = request;
        const were = await changeRecords(this.db, 'faxes', ids, to);
        const told = () => this.changes.tell({ businessId, what: 'faxes', ids });
        told();
        this.remember(window, id, async () => {
          const left = await changeBack(this.db, 'faxes', were, to);
          told();
          return left ? 'It was changed elsewhere meanwhile, and stays as it is.' : undefined;
        });
        return null;
      }
      case 'change messages': {
        const { ids, to } = request;
        const were = await changeRecords(this.db, 'messages', ids, to);
        const told = () => this.changes.tell({ businessId, what: 'messages', ids });
        told();
        window.backs.set(id, async () => {
          const left = await changeBack(this.db, 'messages', were, to);
          told();
          return left ? 'It was changed elsewhere meanwhile, and stays as it is.' : null;
        });
        forgetOld(window);
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
        this.changes.tell({ businessId, what: 'calls', ids: [request.callId] });
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
      case 'text': {
        const { do: _, ...words } = request;
        return sendText(this.placeOf(window), words as Parameters<typeof sendText>[1]);
      }
      case 'call off text': {
        const back = await callOff(this.placeOf(window), request.id);
        if (back) this.remember(window, id, back);
        return back !== null;
      }
      case 'conversation': {
        const { ours, theirs, change } = request;
        const done = await changeThread(this.placeOf(window), { ours, theirs }, change);
        if (!done.ok) return done;
        this.remember(window, id, done.back);
        return { ok: true };
      }
      case 'wish':
        return this.inWorkspace(businessId, async (workspace) => {
          workspace.by = system.people[me]?.name;
          const done = await enterWish(workspace, request.number, request.does);
          return done.ok ? null : done.message;
        });
      case 'write': {
        const { to, text, files, about } = request;
        return writeTo(this.placeOf(window), me, to, {
          text,
          ...(files ? { files: files as never } : {}),
          ...(about ? { about } : {}),
        });
      }
      case 'seen':
        await seen(this.placeOf(window), me, request.circleId, request.at);
        return null;
      case 'own contact': {
        const read = OwnContactRecord.safeParse({ ...request.contact, businessId, personId: me, at: now });
        if (!read.success) return read.error.issues[0]?.message ?? 'It cannot be kept.';
        await this.putOwn(window, id, read.data.id, read.data);
        return null;
      }
      case 'drop own contact':
        await this.putOwn(window, id, request.id, null);
        return null;
      case 'keep file':
        return keepFile(this.db, businessId, request.name, request.bytes);
      case 'file':
        return (await readBytes(this.db, businessId, request.hash)) ?? null;
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

  /** Where this phone's person does something to texts and words. */
  private placeOf({ businessId, phoneId, system }: Window): Place {
    return {
      db: this.db,
      id: businessId,
      by: system.people[system.phones[phoneId]?.personId ?? '']?.name,
      now: () => this.office.now(),
      nameOf: (id) => system.people[id]?.name,
      changedOnes: (what, ids) => {
        this.changes.tell({ businessId, what, ids });
        return Promise.resolve();
      },
    };
  }

  /** Whether a file is the picture of a contact this phone knows, stands in a fax of a mailbox of its person's, or in what colleagues wrote to each other with them in it. */
  private async isShownFile({ businessId, phoneId, system }: Window, hash: string): Promise<boolean> {
    const me = system.phones[phoneId]?.personId ?? '';
    const all = seesAll(system, phoneId);
    if (Object.values(system.contacts).some((c) => c.picture === hash)) return true;
    const faxes = await readMany(this.db, 'faxes', businessId);
    if (
      faxes.some(
        (f) => f.file.hash === hash && f.mailboxId && (all || (me && ownsMailbox(system, f.mailboxId, me))),
      )
    )
      return true;
    const named = (await readMany(this.db, 'words', businessId)).filter((w) =>
      w.files?.some((f) => f.hash === hash),
    );
    for (const { circleId } of named) {
      const circle = await readOne(this.db, 'circles', circleId).catch(() => undefined);
      if (circle && membersOf(circle, system).includes(me)) return true;
    }
    return false;
  }

  /** A contact of somebody's own is put down, or goes; that is taken back. */
  private async putOwn(
    window: Window,
    requestId: string,
    id: string,
    contact: OwnContactRecord | null,
  ): Promise<void> {
    const { businessId } = window;
    const put = async (record: OwnContactRecord | null) => {
      const before = await readOne(this.db, 'ownContacts', id).catch(() => undefined);
      await this.db.write('standing', async (open) => {
        const tx = open('ownContacts');
        const store = tx.objectStore('ownContacts');
        within(record ? store.put(record) : store.delete(id));
        await tx.done;
      });
      this.changes.tell({ businessId, what: 'ownContacts', ids: [id] });
      return before ?? null;
    };
    const before = await put(contact);
    window.backs.set(requestId, async () => {
      await put(before);
      return null;
    });
    forgetOld(window);
  }

  /** Keeps the way back of a request. */
  private remember(window: Window, id: string, back: (place: Place) => Promise<string | undefined>): void {
    window.backs.set(id, async () => (await back(this.placeOf(window))) ?? null);
    forgetOld(window);
  }

  /** The sound is stored first: a call that names it has it. */
  private async keepRecording(
    { businessId, phoneId, system }: Window,
    { callId, at, seconds, ours, theirs, cut, said }: Extract<PhoneRequest, { do: 'recorded' }>,
  ): Promise<void> {
    const line = await this.lineOf(businessId);
    const trace =
      line?.calls.find((c) => c.request.id === callId)?.trace ??
      (await readOne(this.db, 'calls', callId).catch(() => undefined))?.trace ??
      [];
    // What was never begun by the engine is no recording: nobody was told of it.
    const begun = trace.findLast((e) => e.kind === 'record on');
    if (begun?.kind !== 'record on') throw new Error('That call was not recorded.');
    const arrived = trace.find((e) => e.kind === 'arrived');
    const from = arrived?.kind === 'arrived' ? arrived.from : undefined;
    const nameOf = (end: string) =>
      end !== CALLER ? whoseName(system, end) : from ? whoCalls(system, from) : 'the caller';
    const by = (words: { from: string; text: string }) => ({
      by: nameOf(words.from).slice(0, 200),
      text: words.text.slice(0, 500),
    });
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
      ...(said.length ? { said: said.slice(0, 500).map(by) } : {}),
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
