/** Checks of phones: can each of them ring where it is used? */
import {
  accountId,
  accountsOn,
  isLinked,
  isProved,
  type Phone,
  type Standing,
  type System,
} from '../../system';
import type { Check, Finding } from '../finding';

/** Whether each phone can ring: paired, proved, with the right password, and allowed where it is used. */
export const phones: Check = ({ system, standing, now = 0 }) =>
  Object.values(system.phones).flatMap((phone) => {
    const owners = accountsOn(phone);
    return (owners.length ? owners : [null]).flatMap((personId) =>
      ofPhone(phone, personId, system, standing, now),
    );
  });

function ofPhone(
  phone: Phone,
  personId: string | null,
  system: System,
  standing: Standing,
  now: number,
): Finding[] {
  const account = accountId(phone, personId);
  const who = system.people[personId ?? '']?.name;
  const what = who ? `${who}: ${phone.name.toLowerCase()}` : phone.name;
  const finding = (id: string, title: string, detail: string, fix?: Finding['fix']): Finding => ({
    id: `${id}:${account}`,
    severity: 'warning',
    place: { kind: 'phone', id: phone.id },
    title: `${what} ${title}`,
    detail,
    ...(fix ? { fix } : {}),
  });
  if (isLinked(phone))
    return isProved(standing, phone)
      ? []
      : [
          finding(
            'not-proved',
            'is not proved',
            'No call is sent to it before its owner gives back the code that is sent there.',
          ),
        ];
  const registration = standing.registrations[account];
  const kept = standing.accounts[account];
  const found: Finding[] = [];
  if (kept && kept.lockedUntil !== null && now < kept.lockedUntil)
    found.push(
      finding(
        'locked',
        'is locked out',
        'Its password was wrong five times. Make a new one and set it up again.',
      ),
    );
  if (!registration)
    found.push(
      phone.kind === 'desk'
        ? finding(
            'not-paired',
            kept ? 'has never signed on' : 'has no account yet',
            kept
              ? 'Enter the details of its card in the phone.'
              : 'Make its account, and enter it in the phone.',
          )
        : finding(
            'not-paired',
            'is not paired',
            'It cannot ring until they enter the code from their invitation.',
          ),
    );
  else if (registration.passwordOf !== null && kept?.madeAt !== registration.passwordOf)
    found.push(
      finding(
        'old-password',
        'has an old password',
        'It goes off as soon as its registration has run out. Enter the new one.',
      ),
    );
  if (registration?.outside && !phone.outsideOffice)
    found.push(
      finding(
        'barred',
        'is used outside, where it may not ring',
        'It is signed on from outside every office network.',
        {
          label: 'Allow it outside',
          edit: {
            words: `Allow ${who ?? 'everybody'} to use ${phone.name.toLowerCase()} outside the office`,
            commands: [{ do: 'phone.set', id: phone.id, change: { outsideOffice: true } }],
          },
        },
      ),
    );
  return found;
}
