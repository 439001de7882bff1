/** What people do in a rehearsal once a call is answered: the acts of real people, at moments that are given. */
import { CALLER } from '../base/talk';
import { RANK, type Action, type CallState, type Run } from '../base/state';

/** Sets what people will do: when a call arrives, and when it is answered for the first time. */
export function planActs(run: Run, call: CallState, from: 'arrival' | 'answer'): void {
  for (const [i, { after, doing }] of (call.request.behaviour?.then ?? []).entries())
    if ((doing.does === 'picks up') === (from === 'arrival'))
      run.after(call, after * 1000, 'does', doing.does === 'picks up' ? RANK.human : RANK.act, i);
}

/**
 * One of those acts is due. Who is not in the call then does nothing, which is said.
 * @param act does what somebody does to a call
 */
export function does(
  run: Run,
  call: CallState,
  i: number,
  act: (action: Extract<Action, { callId: string }>) => void,
): void {
  const { behaviour, id } = call.request;
  const planned = behaviour?.then?.[i];
  if (!behaviour || !planned) return;
  const { personId, doing } = planned;
  const phone = run.world(call).phonesOf.get(personId)?.[0]?.id ?? CALLER;
  if (doing.does === 'picks up') return act({ kind: 'pick up', callId: id, phone });
  const end = call.ends.find((e) => e.personId === personId);
  if (!end) return run.refuse(call, phone, 'not in this call');
  const on = { callId: id, phone: end.phone };
  switch (doing.does) {
    case 'holds':
      return act({ kind: 'hold', ...on });
    case 'takes back':
      return act({ kind: 'take back', ...on });
    case 'passes on':
      return act({ kind: 'pass on', ...on, to: doing.to, ifNobody: doing.ifNobody });
    case 'calls about it':
      return run.place({
        id: `${id}-${i + 1}`.slice(0, 60),
        at: run.now,
        from: { kind: 'phone', phoneId: end.phone },
        to: { kind: 'target', target: doing.to },
        about: { callId: id, as: doing.as },
        // They talk until they do something else.
        behaviour: {
          ...behaviour,
          caller: { hangsUpAfter: null, talks: 3600, message: 12 },
          then: undefined,
        },
      });
    case 'joins them':
      return act({ kind: 'join', ...on });
    case 'goes back':
      return act({ kind: 'back to', ...on });
    case 'puts all together':
      return act({ kind: 'all together', ...on });
    case 'parks':
      return act({ kind: 'park', ...on });
    case 'hangs up':
      return act({ kind: 'hang up', by: 'called', ...on });
    case 'is gone':
      return act({ kind: 'gone', ...on });
    case 'is there again':
      return act({ kind: 'there again', ...on });
  }
}
