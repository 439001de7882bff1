/** What people are told by mail while a call goes on: by Notify steps, and as leads of queues. */
import { saidSoFar, whoCalls, type CallState, type TraceEvent } from '../core/calls';
import { writeNumber } from '../core/numbering';
import type { System } from '../core/system';
import { rawMessage } from '../standins/mail/compose';
import { noticeWords } from '../standins/mail/letters';
import type { MailRecord } from '../workspace';

/** Fills in who calls, which number, and what they said so far. */
export function filledIn(
  text: string,
  system: System,
  { request, trace }: Pick<CallState, 'request' | 'trace'>,
): string {
  const arrived = trace.find((e) => e.kind === 'arrived');
  const numberId = arrived?.kind === 'arrived' ? arrived.numberId : null;
  const number = numberId ? system.numbers[numberId] : undefined;
  const values: Record<string, string> = {
    caller: whoCalls(system, request.from),
    number: number ? `${number.label} (${writeNumber(number.e164, system.business.country)})` : '',
    notes: saidSoFar(trace, system)
      .map((n) => `${n.label}: ${n.text}`)
      .join('; '),
  };
  return text.replace(/\{(\w+)\}/g, (whole, name: string) => values[name] ?? whole);
}

interface Letter {
  to: string;
  about: string;
  words: string;
}

/** What somebody is told by mail of an event: by a Notify step, or as the lead of a queue. */
function letterOf(e: TraceEvent, call: CallState, system: System): Letter | undefined {
  if (e.kind === 'notified' && e.how === 'mail' && e.to) {
    const about = (call.planId && system.plans[call.planId]?.name) || 'A call';
    return { to: e.to, about, words: filledIn(e.text, system, call) };
  }
  if (e.kind !== 'paused') return undefined;
  const queue = system.queues[e.queueId];
  const to = system.people[queue?.leadId ?? '']?.email;
  const who = system.people[e.personId]?.name ?? 'Somebody';
  return queue && to
    ? {
        to,
        about: queue.name,
        words: `${who} missed ${e.missed} calls in a row and is paused in ${queue.name} until they say that they go on.`,
      }
    : undefined;
}

/** The letters that a call gives rise to from its n-th event on. */
export function letters(
  businessId: string,
  system: System,
  call: CallState,
  from: number,
): Promise<MailRecord[]> {
  const { request, trace } = call;
  return Promise.all(
    trace.flatMap((e, i) => {
      const letter = i < from ? undefined : letterOf(e, call, system);
      if (!letter) return [];
      const id = `${request.id}-notice-${i}`;
      const at = request.at + e.t;
      const words = noticeWords(letter.about, letter.words);
      const to = { name: letter.to, address: letter.to };
      const sender = { name: system.business.name, address: 'calls@upperline.example' };
      return [
        rawMessage({ id, to, from: sender, at, ...words }).then((raw) => ({
          id,
          businessId,
          at,
          to: letter.to,
          subject: words.subject,
          raw,
        })),
      ];
    }),
  );
}
