/** What is kept of a call that has ended: the log entry, and the message with its mail. */
import { addressOfHelp, saidSoFar, sentence, whoCalls, type CallState } from '../core/calls';
import { addressLine, writeNumber } from '../core/numbering';
import { momentInFull, writingOf } from '../core/hours';
import { callRow } from '../core/story';
import { contactOf, isBlockedNumber, type Standing, type System } from '../core/system';
import { rawMessage } from '../standins/mail/compose';
import { emergencyWords, messageWords } from '../standins/mail/letters';
import { afterwardsOf } from './afterwards';
import {
  putLeaving,
  raise,
  stoppedIn,
  within,
  type Beside,
  type CallRecord,
  type Change,
  type Db,
  type MailRecord,
  type MessageRecord,
  type Said,
  type TextRecord,
} from '../workspace';

/**
 * Stores what a call leaves behind, in one transaction, with what follow-ups want done for it.
 * @param system that it went by @returns what changed
 */
export async function keepEnded(
  db: Db,
  businessId: string,
  system: System,
  call: CallState,
  { said, beside, standing, now }: { said: Said; beside: Beside; standing: Standing; now: System },
): Promise<Change[]> {
  const { request, trace } = call;
  // Whoever took the call while a message was left did not take away what was said until then.
  const spoken = trace.findLast((e) => e.kind === 'recorded');
  const message =
    spoken?.kind === 'recorded' ? messageOf(businessId, system, call, said, spoken, standing) : null;
  const mail = [
    ...(message && !message.folder ? await lettersFor(businessId, system, message) : []),
    ...(await emergencyLetters(businessId, system, call)),
  ];
  const after = afterwardsOf(businessId, system, call);
  const texts = message && !message.folder ? textsFor(system, message) : [];
  const record: CallRecord = {
    id: request.id,
    businessId,
    at: request.at,
    request,
    trace,
    words: sentence(trace, system, 'past'),
    ...beside,
  };
  let raised: string[] = [];
  await db.write('call', async (open) => {
    const tx = open('calls', 'messages', 'mail', 'texts', 'dealings', 'settings', 'errands', 'runs', 'tasks');
    within(tx.objectStore('calls').put(record));
    raised = await raise(tx, businessId, now, [
      { is: 'dealt with', row: callRow(record, message ?? undefined) },
    ]);
    if (message) within(tx.objectStore('messages').put(message));
    for (const letter of mail) within(tx.objectStore('mail').put(letter));
    for (const text of texts) await putLeaving(tx, text);
    if (after) {
      within(tx.objectStore('runs').put(after.run));
      for (const task of after.tasks) within(tx.objectStore('tasks').put(task));
      // Whoever wants no texts gets none.
      for (const text of after.texts)
        if (!(await stoppedIn(tx, businessId, text.to))) await putLeaving(tx, text);
    }
    await tx.done;
  });
  return [
    { businessId, what: 'calls', ids: [request.id] },
    ...(raised.length ? [{ businessId, what: 'errands' as const, ids: raised }] : []),
    ...(message ? [{ businessId, what: 'messages' as const, ids: [message.id] }] : []),
    ...(mail.length ? [{ businessId, what: 'mail' as const, ids: mail.map((m) => m.id) }] : []),
    ...(texts.length ? [{ businessId, what: 'texts' as const, ids: texts.map((t) => t.id) }] : []),
    ...(after ? [{ businessId, what: 'runs' as const, ids: [after.run.id] }] : []),
    ...(after?.tasks.length
      ? [{ businessId, what: 'tasks' as const, ids: after.tasks.map((t) => t.id) }]
      : []),
    ...(after?.texts.length
      ? [{ businessId, what: 'texts' as const, ids: after.texts.map((t) => t.id) }]
      : []),
  ];
}

function messageOf(
  businessId: string,
  system: System,
  { request, trace }: CallState,
  said: Said,
  outcome: { mailboxId: string; seconds: number },
  standing: Standing,
): MessageRecord {
  const spoke = trace.find((e) => e.kind === 'recording started');
  const notes = saidSoFar(trace, system);
  const fromNumber = request.from.kind === 'outside' ? request.from.number : null;
  return {
    id: request.id,
    businessId,
    mailboxId: outcome.mailboxId,
    at: request.at + (spoke?.t ?? 0),
    from: whoCalls(system, request.from),
    fromNumber,
    seconds: outcome.seconds,
    said: said.text.slice(0, 5000),
    sound: said.sound,
    heard: false,
    ...(notes.length ? { notes } : {}),
    // Those nobody wants are looked through, not announced.
    ...(isUnwanted(request, standing, system) ? { folder: 'spam' as const } : {}),
  };
}

const isUnwanted = ({ from }: CallState['request'], standing: Standing, system: System): boolean => {
  if (from.kind !== 'outside') return false;
  if (from.suspected) return true;
  return (
    from.number !== null && isBlockedNumber(from.number, standing, contactOf(from.number, system.contacts))
  );
};

/** Numbers that are told of a message by text, from the number that the business shows. */
function textsFor(system: System, message: MessageRecord): TextRecord[] {
  const mailbox = system.mailboxes[message.mailboxId];
  const from = system.business.defaultCallerId ?? Object.values(system.numbers)[0]?.e164;
  if (!from) return [];
  return (mailbox?.textTo ?? []).map((to, i) => ({
    id: `${message.id}-text-${i + 1}`.slice(0, 60),
    businessId: message.businessId,
    way: 'out' as const,
    from,
    to,
    text: `New message in ${mailbox!.name} from ${message.from}, ${message.seconds} s.`,
    at: message.at + message.seconds * 1000,
  }));
}

async function lettersFor(businessId: string, system: System, message: MessageRecord): Promise<MailRecord[]> {
  const mailbox = system.mailboxes[message.mailboxId];
  if (!mailbox) return [];
  const owners = mailbox.ownerIds
    .flatMap((id) => system.people[id] ?? [])
    .map((p) => ({ name: p.name, address: p.email }));
  const others = mailbox.mailTo.map((address) => ({ name: address, address }));
  const at = inFull(message.at, system);
  const delivers = mailbox.mail ?? { sound: true, transcript: true };
  const sound = /^data:([\w/]+)[^,]*;base64,(.*)$/s.exec(message.sound ?? '');
  const words = messageWords({
    mailbox: mailbox.name,
    from: message.from,
    at,
    seconds: message.seconds,
    said: delivers.transcript ? message.said : '',
    sound: sound !== null && delivers.sound,
    withheld: !delivers.transcript && message.said !== '',
    notes: message.notes ?? [],
  });
  return Promise.all(
    [...owners, ...others]
      .filter((to) => to.address)
      .map(async (to, i) => {
        const id = `${message.id}-mail-${i + 1}`;
        const raw = await rawMessage({
          id,
          to,
          from: { name: system.business.name, address: 'voicemail@upperline.example' },
          at: message.at,
          ...words,
          ...(sound && delivers.sound
            ? {
                attachments: [
                  {
                    name: `message.${sound[1] === 'audio/wav' ? 'wav' : 'webm'}`,
                    type: sound[1]!,
                    base64: sound[2]!,
                  },
                ],
              }
            : {}),
        });
        return {
          id,
          businessId,
          at: message.at + message.seconds * 1000,
          to: to.address,
          subject: words.subject,
          raw,
        };
      }),
  );
}

const inFull = (at: number, system: System): string =>
  momentInFull(at, system.business.timeZone, writingOf(system.business));

/** Who is named for the site of an emergency call is told of it. */
async function emergencyLetters(
  businessId: string,
  system: System,
  { request, trace }: CallState,
): Promise<MailRecord[]> {
  const event = trace.find((e) => e.kind === 'emergency');
  const site = event?.siteId ? system.sites[event.siteId] : undefined;
  if (event?.kind !== 'emergency' || !site) return [];
  const address = addressOfHelp(system, event.place);
  const where =
    event.place?.kind === 'phone'
      ? `A phone of ${site.name}, used elsewhere`
      : event.elsewhere
        ? `A phone of ${site.name}, used elsewhere: where it is is not known. The address of the business`
        : site.name;
  const words = emergencyWords({
    business: system.business.name,
    number: event.number,
    who: whoCalls(system, request.from),
    where: `${where}${address ? `, ${addressLine(address)}` : ''}`,
    callback: event.callback ? writeNumber(event.callback, system.business.country) : '',
    at: inFull(request.at, system),
  });
  const people = site.notify.personIds
    .flatMap((id) => system.people[id] ?? [])
    .map((p) => ({ name: p.name, address: p.email }));
  const others = site.notify.mailTo.map((address) => ({ name: address, address }));
  return Promise.all(
    [...people, ...others]
      .filter((to) => to.address)
      .map(async (to, i) => {
        const id = `${request.id}-help-${i + 1}`;
        const from = { name: system.business.name, address: 'emergency@upperline.example' };
        const raw = await rawMessage({ id, to, from, at: request.at, ...words });
        return { id, businessId, at: request.at, to: to.address, subject: words.subject, raw };
      }),
  );
}
