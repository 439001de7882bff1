/** What a plan's Notify steps send while a call goes on. */
import { saidSoFar, whoCalls, type CallState } from '../core/calls';
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

/** The letters of Notify steps from the n-th event of a call on. */
export function letters(
  businessId: string,
  system: System,
  call: CallState,
  from: number,
): Promise<MailRecord[]> {
  const { request, trace } = call;
  return Promise.all(
    trace.flatMap((e, i) => {
      if (i < from || e.kind !== 'notified' || e.how !== 'mail' || !e.to) return [];
      const id = `${request.id}-notice-${i}`;
      const at = request.at + e.t;
      const plan = (call.planId && system.plans[call.planId]?.name) || 'A call';
      const words = noticeWords(plan, filledIn(e.text, system, call));
      const to = { name: e.to, address: e.to };
      const sender = { name: system.business.name, address: 'calls@upperline.example' };
      return [
        rawMessage({ id, to, from: sender, at, ...words }).then((raw) => ({
          id,
          businessId,
          at,
          to: e.to,
          subject: words.subject,
          raw,
        })),
      ];
    }),
  );
}
