/** What people are told by mail while a call goes on: by Notify steps, as leads of queues, and of fraud. */
import { saidSoFar, whoCalls, type CallState, type TraceEvent } from '../core/calls';
import { countryName, writeNumber } from '../core/numbering';
import { may } from '../core/people';
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

/** What somebody is told by mail of an event: by a Notify step, as the lead of a queue, or of what looks like fraud. */
function lettersOf(e: TraceEvent, call: CallState, system: System): Letter[] {
  switch (e.kind) {
    case 'notified': {
      if (e.how !== 'mail' || !e.to) return [];
      const about = (call.planId && system.plans[call.planId]?.name) || 'A call';
      return [{ to: e.to, about, words: filledIn(e.text, system, call) }];
    }
    case 'paused': {
      const queue = system.queues[e.queueId];
      const to = system.people[queue?.leadId ?? '']?.email;
      const who = system.people[e.personId]?.name ?? 'Somebody';
      const words = `${who} missed ${e.missed} calls in a row and is paused in ${queue?.name} until they say that they go on.`;
      return queue && to ? [{ to, about: queue.name, words }] : [];
    }
    case 'stopped': {
      const country = countryName(e.country);
      const words = `Many short calls to ${country} looked like fraud: ${whoCalls(system, call.request.from)} was stopped, and nobody can call there until one of you allows it again, on the page of costs.`;
      return Object.values(system.people).flatMap((p) =>
        may(p.role, 'change the system') && p.email
          ? [{ to: p.email, about: `Calls to ${country}`, words }]
          : [],
      );
    }
    default:
      return [];
  }
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
    trace.flatMap((e, i) =>
      (i < from ? [] : lettersOf(e, call, system)).map(async (letter, n): Promise<MailRecord> => {
        const id = `${request.id}-notice-${i}${n ? `-${n}` : ''}`;
        const at = request.at + e.t;
        const words = noticeWords(letter.about, letter.words);
        const to = { name: letter.to, address: letter.to };
        const sender = { name: system.business.name, address: 'calls@upperline.example' };
        const raw = await rawMessage({ id, to, from: sender, at, ...words });
        return { id, businessId, at, to: letter.to, subject: words.subject, raw };
      }),
    ),
  );
}
