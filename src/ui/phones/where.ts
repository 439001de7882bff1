/** Where a phone stands, in words: how far it has come, from where it is used, what is wrong and what to do. */
import {
  accountId,
  isLinked,
  isProved,
  registeredAt,
  type Phone,
  type Registration,
  type Standing,
} from '$core/system';
import type { Delivery } from '$standins/mail/post';
import type { Invitation } from '$workspace';
import { agoText, durationText, momentText } from '../format';

export type Stage = 'not invited' | 'invited' | 'paired' | 'registered' | 'linked';

export interface Where {
  stage: Stage;
  /** The stage and since when. */
  words: string;
  /** Whether it can ring now. */
  on: boolean;
  /** Whether an invitation is the way on. */
  unpaired: boolean;
  /** Last heard of, epoch milliseconds; null for never. */
  lastSeen: number | null;
  place: 'in the office' | 'outside' | '';
  version: string;
  /** What is wrong, and what to do about it; empty where nothing is. */
  problem: string;
  todo: string;
}

/** What is known besides the phone. */
export interface Known {
  standing: Standing;
  invitations: readonly Invitation[];
  /** Where the letter of an invitation is. */
  delivery: (invitation: Invitation) => Delivery;
  /** Bench time, epoch milliseconds. */
  now: number;
  zone: string;
}

const nothing = { lastSeen: null, place: '' as const, version: '', problem: '', todo: '' };

/** @param personId whose account on it is asked about: a desk phone has several */
export function whereItStands(phone: Phone, personId: string | null, known: Known): Where {
  const { standing, now, zone } = known;
  if (isLinked(phone)) {
    const proved = isProved(standing, phone);
    return {
      ...nothing,
      stage: 'linked',
      words: proved ? 'linked, rung over the outside line' : 'linked, not proved',
      on: proved,
      unpaired: false,
      ...(proved
        ? {}
        : { problem: 'No call is sent to it yet', todo: 'Send a code to it and type it here.' }),
    };
  }
  const account = accountId(phone, personId);
  const registration = standing.registrations[account];
  if (registration) return ofRegistered(phone, registration, account, known);
  if (phone.kind === 'desk') {
    const made = standing.accounts[account];
    return {
      ...nothing,
      stage: made ? 'invited' : 'not invited',
      words: made ? `account made ${momentText(made.madeAt, zone)}, never signed on` : 'no account yet',
      on: false,
      unpaired: false,
      ...(made?.lockedUntil && now < made.lockedUntil
        ? { problem: 'Locked after wrong passwords', todo: 'Make a new password and set the phone up again.' }
        : {
            problem: 'It cannot ring',
            todo: made
              ? 'Enter the details of its card in the phone.'
              : 'Make its account, and enter it in the phone.',
          }),
    };
  }
  return ofInvited(phone, known);
}

function ofRegistered(phone: Phone, r: Registration, account: string, { standing, now, zone }: Known): Where {
  const at = registeredAt(r, phone.kind, standing.accounts[account], now);
  const barred = r.outside && !phone.outsideOffice;
  const since = `paired ${momentText(r.pairedAt, zone)}`;
  const problem = barred
    ? 'Used outside, where it may not ring'
    : at.why
      ? `${at.why[0]!.toUpperCase()}${at.why.slice(1)}${at.registered && at.runsOut ? `; calls go to it in vain for ${durationText(at.runsOut - now)} more` : ''}`
      : '';
  const todo = barred
    ? 'Allow it outside, or use it in the office.'
    : at.why === null
      ? ''
      : {
          'its window is closed': 'Open the staff phone page again.',
          'it is switched off': 'Switch it on.',
          'it has no network': 'Look at its network.',
          'it is asleep': 'Wake the computer.',
          'its password is no longer right': 'Enter the new password in the phone.',
        }[at.why];
  return {
    stage: at.registered ? 'registered' : 'paired',
    words: `${at.registered ? 'registered' : 'not registered'} · ${since}`,
    on: at.registered && at.reached && !barred,
    unpaired: false,
    lastSeen: at.lastSeen,
    place: r.outside ? 'outside' : 'in the office',
    version: r.version,
    problem,
    todo,
  };
}

function ofInvited(phone: Phone, { invitations, delivery, now, zone }: Known): Where {
  const last = invitations.filter((i) => i.phoneId === phone.id).sort((a, b) => b.sentAt - a.sentAt)[0];
  const none = { ...nothing, on: false, unpaired: true };
  if (!last || last.state === 'withdrawn')
    return {
      ...none,
      stage: 'not invited',
      words: last ? 'invitation taken back' : 'not invited yet',
      problem: 'It cannot ring',
      todo: 'Send an invitation.',
    };
  const back = delivery(last);
  const words = `invited ${agoText(last.sentAt, now)}`;
  const wrong = (problem: string, todo: string): Where => ({
    ...none,
    stage: 'invited',
    words,
    problem,
    todo,
  });
  if (back.state === 'came back') return wrong('The mail came back', back.words);
  if (last.state === 'locked') return wrong('Code locked after five wrong tries', 'Send another invitation.');
  if (now >= last.expiresAt)
    return wrong(`Code ran out ${momentText(last.expiresAt, zone)}`, 'Send another invitation.');
  return wrong(
    'Not paired yet',
    back.state === 'on its way' ? 'The mail is on its way.' : 'Ask whether the mail was read.',
  );
}
