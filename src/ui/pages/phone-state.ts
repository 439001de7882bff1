/** Where a phone stands, in words. */
import { isLinked, isProved, type Phone, type Standing } from '$core/system';
import type { Invitation } from '$workspace';
import { momentText } from '../format';

export interface PhoneState {
  words: string;
  /** Whether it can ring now. */
  on: boolean;
  /** Whether an invitation is the way on. */
  unpaired: boolean;
}

/** @param now bench time, epoch milliseconds */
export function phoneState(
  phone: Phone,
  standing: Standing,
  invitations: readonly Invitation[],
  now: number,
  zone: string,
): PhoneState {
  if (isLinked(phone)) {
    const proved = isProved(standing, phone);
    const words = proved ? 'linked, rung over the outside line' : 'linked, but not proved: it is not rung';
    return { words, on: proved, unpaired: false };
  }
  const registration = standing.registrations[phone.id];
  if (registration) {
    const since = `paired ${momentText(registration.pairedAt, zone)}`;
    return {
      words: registration.online ? `on · ${since}` : `off: its window is closed · ${since}`,
      on: registration.online,
      unpaired: false,
    };
  }
  const last = invitations.filter((i) => i.phoneId === phone.id).sort((a, b) => b.sentAt - a.sentAt)[0];
  if (!last || last.state === 'withdrawn') return { words: 'not invited yet', on: false, unpaired: true };
  const sent = momentText(last.sentAt, zone);
  if (last.state === 'locked')
    return { words: `code locked after five wrong tries · invited ${sent}`, on: false, unpaired: true };
  if (now >= last.expiresAt) return { words: `code expired · invited ${sent}`, on: false, unpaired: true };
  return { words: `invited ${sent}, not paired yet`, on: false, unpaired: true };
}
