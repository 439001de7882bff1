/** A real call as a question to the rehearsal: the same caller, moment and behaviour, with the plan as it is now. */
import { behaviourBehind, type CallKept } from '$core/story';
import { asLink, freshQuestion } from '../rehearse/question';

/** The address of the rehearsal that asks it; undefined of a call that did not come in through a number of ours. */
export function againLink({ at, request, trace }: CallKept): string | undefined {
  const { from } = request;
  const arrived = trace.find((e) => e.kind === 'arrived');
  if (from.kind !== 'outside' || arrived?.kind !== 'arrived' || !arrived.numberId) return undefined;
  const { people, phones, caller } = behaviourBehind(trace);
  return `/answering/rehearsal${asLink({
    ...freshQuestion(from.number ?? ''),
    numberId: arrived.numberId,
    suspected: from.suspected ?? false,
    at,
    people,
    phones,
    keys: caller.keys ?? [],
    says: caller.says ?? {},
    patience: caller.hangsUpAfter,
  })}`;
}
