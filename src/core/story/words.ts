/** The story in words: each entry a line, as it is told. */
import { listed, whoseName } from '../calls';
import type { System } from '../system';
import type { Settled } from './settled';
import { endOf, type Entry } from './story';

/** "40 s", "2 min 5 s", "1 h 3 min". @param seconds whole */
export function lasting(seconds: number): string {
  if (seconds < 60) return `${seconds} s`;
  const [minutes, rest] = [Math.floor(seconds / 60), seconds % 60];
  if (minutes >= 60) return `${Math.floor(minutes / 60)} h ${minutes % 60} min`;
  return rest ? `${minutes} min ${rest} s` : `${minutes} min`;
}

const names = (ids: readonly string[], system: System): string =>
  listed(ids.map((id) => system.people[id]?.name ?? 'somebody removed'));

/** Who of ours called. */
const ourCaller = ({ call }: Entry, system: System): string => {
  const from = call?.request.from;
  return from?.kind === 'phone' ? whoseName(system, from.phoneId) : '';
};

/** Who did what with whom: "Ada Ferris called Main line". */
export function titleOf(entry: Entry, system: System): string {
  const { kind, facts, who, line } = entry;
  const ours = line?.label ?? 'a number given back';
  switch (kind) {
    case 'text':
      return facts.way === 'in' ? `${who} texted ${ours}` : `Text to ${who} from ${ours}`;
    case 'fax':
      return facts.way === 'in' ? `${who} faxed ${ours}` : `Fax to ${who} from ${ours}`;
    case 'message':
      return `${who} left a message`;
    case 'call':
      if (facts.way === 'in') return `${who} called ${ours}`;
      return `${ourCaller(entry, system)} called ${who}`;
  }
}

/** What came of it: waiting, ringing, talking, how it ended, what was left. */
export function detailOf(entry: Entry, system: System): string {
  const { kind, facts, call, message, text, fax } = entry;
  if (kind === 'text')
    return [text!.text, ...(text!.files ?? []).map((f) => f.name)].filter(Boolean).join(' · ');
  if (kind === 'fax') return `${fax!.pages} ${fax!.pages === 1 ? 'page' : 'pages'}: ${fax!.file.name}`;
  const mailbox = facts.mailboxId ?? message?.mailboxId;
  const where = `in ${(mailbox && system.mailboxes[mailbox]?.name) || 'a removed mailbox'}`;
  if (!call || !facts.times) return where;
  const left = message ? `left a message ${where}` : '';
  const { times, queueIds, rungIds, withIds, talked } = facts;
  const parts = [
    times.waited > 0
      ? `waited ${lasting(times.waited)} in ${listed(queueIds.map((id) => system.queues[id]?.name ?? 'a removed queue'))}`
      : '',
    rungIds.length && facts.way !== 'out'
      ? `rang ${names(rungIds, system)}${times.rang ? ` ${lasting(times.rang)}` : ''}`
      : '',
    talked || facts.way === 'inside'
      ? withIds.length && facts.way !== 'out'
        ? `talked ${lasting(times.talked)} with ${names(withIds, system)}`
        : times.talked
          ? `talked ${lasting(times.talked)}`
          : ''
      : '',
    times.held > 0 ? `${lasting(times.held)} of it on hold` : '',
    left || (talked ? '' : endOf(entry, system)),
  ];
  return parts.filter(Boolean).join(', ');
}

/** How an entry that reached nobody stands. @param at when it came, epoch milliseconds */
export function settledInWords(settled: Settled | undefined, at: number, system: System): string {
  if (!settled) return 'not called back yet';
  const after = lasting(Math.max(0, Math.round((settled.at - at) / 1000)));
  const by = names(settled.personIds, system) || (settled.phone ? whoseName(system, settled.phone) : '');
  switch (settled.how) {
    case 'called back':
      return `called back${by ? ` by ${by}` : ''} ${after} later`;
    case 'called again and talked':
      return `called again ${after} later${by ? ` and talked with ${by}` : ' and was answered'}`;
    case 'said to be done':
      return `said to be done ${after} later`;
  }
}
