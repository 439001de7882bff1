/** What has changed for each person between two systems, in words for them: who should know when a change goes in force. */
import { peopleRung } from './rung';
import { netChanges, type NetChange } from './net';
import { servingOf, usersOf, type Person, type System } from '../system';

export interface ForWhom {
  person: Person;
  /** One sentence each, the nearest first; to them. */
  says: string[];
}

const fields = (change: NetChange): string =>
  change.fields.map((f) => `${f.name} is ${f.is}${f.was ? ` (was ${f.was})` : ''}`).join('; ');
const steps = (change: NetChange): string => {
  const told = change.steps.map((s) => s.is ?? `no longer ${s.was!}`);
  return told.length > 3 ? `${told.slice(0, 3).join('; ')}; and ${told.length - 3} more` : told.join('; ');
};
const listed = (names: readonly string[]): string =>
  names.length < 2 ? names.join() : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

/** Labels of the numbers whose plan can ring each person. */
function numbersRinging(system: System): Map<string, string[]> {
  const found = new Map<string, string[]>();
  for (const { label, planId } of Object.values(system.numbers))
    for (const id of planId ? peopleRung(system, planId) : [])
      found.set(id, [...(found.get(id) ?? []), label]);
  return found;
}

/**
 * Everybody for whom something has changed, in the order of the system. Not told: changes of numbers and plans that ring
 * somebody only by forwarding, and of what callers hear.
 */
export function changesByPerson(then: System, now: System): ForWhom[] {
  const changes = netChanges(then, now);
  const [rungThen, rungNow] = [numbersRinging(then), numbersRinging(now)];
  const planIds = new Set(Object.values(now.numbers).flatMap((n) => n.planId ?? []));
  const rungBy = new Map([...planIds].map((planId) => [planId, new Set(peopleRung(now, planId))] as const));
  return Object.values(now.people).flatMap((person): ForWhom[] => {
    const { id } = person;
    const says: string[] = [];
    const [before, after] = [rungThen.get(id) ?? [], rungNow.get(id) ?? []];
    const came = after.filter((label) => !before.includes(label));
    const went = before.filter((label) => !after.includes(label));
    const ringing = new Set([...rungBy].flatMap(([planId, all]) => (all.has(id) ? [planId] : [])));
    for (const change of changes) {
      const object = change.id;
      switch (change.part) {
        case 'person':
          if (object !== id) break;
          if (change.what === 'new')
            says.unshift(`You are new on the phone system, with extension ${person.extension}.`);
          else if (change.what === 'changed') says.unshift(`Of yourself: ${fields(change)}.`);
          break;
        case 'phone': {
          const owner = (now.phones[object] ?? then.phones[object])?.personId;
          if (owner === id && !(change.what === 'new' && !then.people[id]))
            says.push(
              `Your phone ${change.name} ${change.what === 'changed' ? `has changed: ${fields(change)}` : `is ${change.what}`}.`,
            );
          break;
        }
        case 'mailbox': {
          const owners = (now.mailboxes[object] ?? then.mailboxes[object])?.ownerIds ?? [];
          if (owners.includes(id) && then.people[id])
            says.push(
              `The mailbox ${change.name} ${change.what === 'changed' ? `has changed: ${fields(change)}` : `is ${change.what}`}.`,
            );
          break;
        }
        case 'queue':
          if (servingOf(now, object).includes(id) !== servingOf(then, object).includes(id))
            says.push(
              `You ${servingOf(now, object).includes(id) ? 'serve' : 'no longer serve'} the queue ${change.name}.`,
            );
          break;
        case 'plan':
          if (ringing.has(object) && change.what === 'changed' && change.steps.length)
            says.push(`What callers of ${change.name} get has changed: ${steps(change)}.`);
          break;
        case 'hours': {
          const by = usersOf(now, 'hours', object).some((u) => u.kind === 'plan' && ringing.has(u.id));
          if ((by || person.hoursId === object) && change.what === 'changed')
            says.push(`${change.name}: ${fields(change)}.`);
          break;
        }
        case 'rota': {
          const turns = [now, then].map((s) => s.rotas[object]?.turns.includes(id) ?? false);
          if (turns[0] || turns[1])
            says.push(
              turns[0] !== turns[1]
                ? `You are ${turns[0] ? '' : 'no longer '}on the rota ${change.name}.`
                : `The rota ${change.name} has changed${change.fields.length ? `: ${fields(change)}` : ''}.`,
            );
          break;
        }
        case 'number':
        case 'group':
        case 'recording':
        case 'business':
        case 'site':
        case 'contact':
        case 'list':
        case 'shortcut':
        case 'wording':
        case 'follow-up':
        case 'dialogue':
        case 'calendar':
        case 'own answer':
        case 'call button':
        case 'meeting room':
        case 'promise':
          // Whom a number or a group rings is said below; the rest is about callers, not about anybody here.
          break;
      }
    }
    if (came.length) says.push(`Calls to ${listed(came)} ring you now.`);
    if (went.length) says.push(`Calls to ${listed(went)} no longer ring you.`);
    return says.length ? [{ person, says }] : [];
  });
}
