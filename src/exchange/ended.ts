/** What is kept of a call that has ended: the log entry, and the message with its mail. */
import { addressOfHelp, outcomeOf, saidSoFar, sentence, type CallState } from '../core/calls';
import { addressLine, writeNumber } from '../core/numbering';
import type { System } from '../core/system';
import { rawMessage } from '../standins/mail/compose';
import { emergencyWords, messageWords } from '../standins/mail/letters';
import { whileWriting, type Change, type Db, type MailRecord, type MessageRecord } from '../workspace';
import type { Said } from './protocol';

/** Stores what a call leaves behind, in one transaction. @returns what changed */
export async function keepEnded(
  db: Db,
  businessId: string,
  system: System,
  call: CallState,
  said: Said,
): Promise<Change['what'][]> {
  const { request, trace } = call;
  const ended = outcomeOf(trace);
  const message =
    ended?.outcome.kind === 'message' ? messageOf(businessId, system, call, said, ended.outcome) : null;
  const mail = [
    ...(message ? await lettersFor(businessId, system, message) : []),
    ...(await emergencyLetters(businessId, system, call)),
  ];
  await whileWriting(async () => {
    const tx = db.transaction(['calls', 'messages', 'mail'], 'readwrite');
    void tx.objectStore('calls').put({
      id: request.id,
      businessId,
      at: request.at,
      request,
      trace,
      words: sentence(trace, system, 'past'),
    });
    if (message) void tx.objectStore('messages').put(message);
    for (const letter of mail) void tx.objectStore('mail').put(letter);
    await tx.done;
  });
  return ['calls', ...(message ? (['messages'] as const) : []), ...(mail.length ? (['mail'] as const) : [])];
}

function messageOf(
  businessId: string,
  system: System,
  { request, trace }: CallState,
  said: Said,
  outcome: { mailboxId: string; seconds: number },
): MessageRecord {
  const spoke = trace.find((e) => e.kind === 'recording started');
  const notes = saidSoFar(trace, system);
  const fromNumber = request.from.kind === 'outside' ? request.from.number : null;
  return {
    id: request.id,
    businessId,
    mailboxId: outcome.mailboxId,
    at: request.at + (spoke?.t ?? 0),
    from: callerName(system, request.from),
    fromNumber,
    seconds: outcome.seconds,
    said: said.text.slice(0, 5000),
    sound: said.sound,
    heard: false,
    ...(notes.length ? { notes } : {}),
  };
}

export function callerName(system: System, from: CallState['request']['from']): string {
  if (from.kind === 'outside')
    return from.number ? writeNumber(from.number, system.business.country) : 'Hidden number';
  const owner = system.phones[from.phoneId]?.personId;
  return (owner && system.people[owner]?.name) || 'A colleague';
}

async function lettersFor(businessId: string, system: System, message: MessageRecord): Promise<MailRecord[]> {
  const mailbox = system.mailboxes[message.mailboxId];
  if (!mailbox) return [];
  const owners = mailbox.ownerIds
    .flatMap((id) => system.people[id] ?? [])
    .map((p) => ({ name: p.name, address: p.email }));
  const others = mailbox.mailTo.map((address) => ({ name: address, address }));
  const at = inFull(message.at, system);
  const sound = /^data:([\w/]+)[^,]*;base64,(.*)$/s.exec(message.sound ?? '');
  const words = messageWords({
    mailbox: mailbox.name,
    from: message.from,
    at,
    seconds: message.seconds,
    said: message.said,
    sound: sound !== null,
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
          ...(sound ? { attachments: [{ name: 'message.webm', type: sound[1]!, base64: sound[2]! }] } : {}),
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
  new Intl.DateTimeFormat('en-GB', {
    dateStyle: 'full',
    timeStyle: 'short',
    timeZone: system.business.timeZone,
  }).format(at);

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
  const where = event.place?.kind === 'site' ? site.name : `A phone of ${site.name}, used elsewhere`;
  const words = emergencyWords({
    business: system.business.name,
    number: event.number,
    who: callerName(system, request.from),
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
