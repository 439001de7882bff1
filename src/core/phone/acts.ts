/** What can be done with a call on a phone: by word, by key, in the order of need. */
import type { Action } from '../calls';
import { slotsOf, type System } from '../system';
import type { PhoneCall } from './calls';

/** Everything that can be done with a call on a phone. */
export type ActName =
  | 'take back'
  | 'hold'
  | 'mute'
  | 'keypad'
  | 'pass on'
  | 'add'
  | 'park'
  | 'move'
  | 'join'
  | 'all together'
  | 'back to'
  | 'swap'
  | 'note'
  | 'record'
  | 'stop recording'
  | 'pause recording'
  | 'hang up';

export interface PhoneAct {
  act: ActName;
  words: string;
  /** The key that does it. */
  key: string;
}

/** The key of each act. */
export const ACT_KEYS: Record<ActName, string> = {
  'take back': 'h',
  hold: 'h',
  mute: 'm',
  keypad: 'k',
  'pass on': 't',
  add: 'a',
  park: 'p',
  move: 'o',
  join: 'Enter',
  'all together': '3',
  'back to': 'b',
  swap: 's',
  note: 'n',
  record: 'r',
  'stop recording': 'r',
  'pause recording': 'g',
  'hang up': 'Escape',
};

/**
 * What can be done with the call a phone is in, in the order of need.
 * @param second the call it has placed about that one, where there is one
 */
export function actsOn(
  call: PhoneCall,
  second: PhoneCall | undefined,
  {
    system,
    taken,
    canMove,
    mayRecord = false,
  }: { system: System; taken: readonly string[]; canMove: boolean; mayRecord?: boolean },
): PhoneAct[] {
  const act = (name: ActName, words: string): PhoneAct => ({ act: name, words, key: ACT_KEYS[name] });
  const hangUp = act('hang up', 'Hang up');
  const recording = () => recordingActs(call, mayRecord).map(([name, words]) => act(name, words));
  if (call.meets !== null)
    return [act('mute', 'Mute'), act('keypad', 'Keypad'), ...recording(), act('hang up', 'Leave')];
  if (call.part === 'calls') return [act('keypad', 'Keypad'), act('hang up', 'Stop calling')];
  if (second?.about?.as === 'a word') {
    const them = second.others[0]?.name ?? 'them';
    const first = call.others[0]?.name ?? 'the caller';
    const talks = second.part === 'talks';
    return [
      act('join', talks ? `Put ${first} through` : 'Transfer now'),
      ...(talks
        ? [
            act('all together', 'All three together'),
            act('swap', call.holds === null ? `Back to ${them}` : 'Swap'),
          ]
        : []),
      act('back to', `Back to ${first}, without ${them}`),
      act('mute', 'Mute'),
    ];
  }
  const two = call.others.length === 1;
  const slot = slotsOf(system.business).find((s) => !taken.includes(s));
  return [
    call.holds === null ? act('hold', 'Hold') : act('take back', 'Take back'),
    act('mute', 'Mute'),
    act('keypad', 'Keypad'),
    ...(two ? [act('pass on', 'Transfer…')] : []),
    act('add', 'Add…'),
    ...(two && slot ? [act('park', `Park on ${slot}`)] : []),
    ...(canMove ? [act('move', 'To another phone…')] : []),
    act('note', 'Note…'),
    ...recording(),
    hangUp,
  ];
}

/**
 * What an act does to calls; null for what the phone does by itself, or asks more about first.
 * @param second the call it has placed about that one, where there is one @param phone that acts
 */
export function actionOf(
  act: ActName,
  call: PhoneCall,
  second: PhoneCall | undefined,
  phone: string,
): Action | null {
  const on = { callId: call.id, phone };
  switch (act) {
    case 'hold':
    case 'take back':
    case 'park':
    case 'join':
    case 'all together':
    case 'back to':
    case 'record':
    case 'stop recording':
    case 'pause recording':
      return { kind: act, ...on };
    case 'swap':
      return { kind: 'take back', callId: call.holds === null && second ? second.id : call.id, phone };
    case 'hang up':
      // Whoever placed it and nobody has answered is no end of it yet.
      return call.part === 'calls'
        ? { kind: 'hang up', callId: call.id, by: 'caller' }
        : { kind: 'hang up', callId: call.id, by: 'called', phone };
    case 'mute':
    case 'keypad':
    case 'pass on':
    case 'add':
    case 'move':
    case 'note':
      return null;
  }
}

/** What can be done about recording; what is by rule nobody ends. */
function recordingActs({ recorded }: PhoneCall, mayRecord: boolean): [ActName, string][] {
  if (!recorded) return mayRecord ? [['record', 'Record']] : [];
  const gap: [ActName, string] = ['pause recording', recorded.is === 'paused' ? 'Record on' : 'Gap'];
  return [
    ...(recorded.is === 'announced' ? [] : [gap]),
    ...(recorded.by === 'rule' ? [] : [['stop recording', 'Stop recording'] as [ActName, string]]),
  ];
}

/** Whether somebody may have calls recorded. */
export function mayRecord({ business }: System, personId: string | null): boolean {
  const who = business.recording?.mayRecordFor ?? [];
  return who === 'everybody' || (personId !== null && who.includes(personId));
}
