/** Checks of meeting rooms: those that nobody gets into, that nobody can host, and PINs that are the same. */
import { allSteps } from '../../system';
import type { Check, Finding } from '../finding';

export const rooms: Check = ({ system }) => {
  const led = new Set(
    Object.values(system.plans).flatMap((p) =>
      [...allSteps(p.steps)].flatMap((s) => (s.kind === 'meeting' ? (s.roomId ?? []) : [])),
    ),
  );
  return Object.values(system.rooms).flatMap((one): Finding[] => {
    const found: Finding[] = [];
    const add = (what: string, severity: Finding['severity'], title: string, detail: string) =>
      found.push({
        id: `room:${what}:${one.id}`,
        severity,
        place: { kind: 'meeting room', id: one.id },
        title,
        detail,
      });
    if (!led.has(one.id))
      add(
        'nowhere',
        'warning',
        `No plan leads to the room ${one.name}`,
        'Give a plan a Meeting step, and the plan a number or an extension.',
      );
    if (one.waits && one.hostId === null && one.hostPin === null)
      add(
        'host',
        'warning',
        `The room ${one.name} waits for a host it has not`,
        'Everybody hears music until they give up: say who is the host, or give the host a PIN.',
      );
    if (one.pin !== null && one.pin === one.hostPin)
      add(
        'pins',
        'warning',
        `Everybody is host of ${one.name}`,
        'The PINs of host and members are the same.',
      );
    if (one.pin === null && led.has(one.id))
      add(
        'open',
        'hint',
        `Everybody gets into ${one.name}`,
        'It has no PIN: whoever knows the number hears what is said.',
      );
    return found;
  });
};
