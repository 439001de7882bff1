/** What a member of staff gets who dials some digits on one of the system's phones. */
import { fitsService } from './extensions';
import { readNumber, writeNumber } from './numbers';
import type { StarCode } from './star-codes';
import { knownProfile, profileOf } from './profiles';

/** What decides how dialled digits are understood. */
export interface Dialler {
  country: string;
  extensionLength: number;
  outsideDigit: string;
  starCodes: readonly StarCode[];
  /** Numbers that summon help where it is dialled; absent is those of the country. */
  emergency?: readonly string[];
}

export const emergencyOf = ({ country, emergency }: Dialler): readonly string[] =>
  emergency ?? knownProfile(country)?.emergency ?? [];

export type Dialled =
  | { kind: 'emergency'; number: string }
  | { kind: 'extension'; extension: string }
  | { kind: 'service'; number: string }
  /** `to` is what was dialled behind the code: where calls are to go. */
  | { kind: 'feature'; code: string; does: StarCode['does']; to?: FeatureTarget }
  /** `callerId`: hidden or shown for this call by a star code in front. */
  | { kind: 'outside'; e164: string; callerId?: 'hidden' | 'shown' }
  | { kind: 'nothing'; message: string };

/** Where calls are sent on to, as it is dialled. */
export type FeatureTarget = { kind: 'extension'; extension: string } | { kind: 'outside'; e164: string };

/** Star codes that send calls on, and which calls of whoever dials them. */
export const SENDS_ON: Partial<Record<StarCode['does'], 'always' | 'onBusy' | 'onNotAnswered'>> = {
  'forwarding on': 'always',
  'forwarding when busy on': 'onBusy',
  'forwarding when not answered on': 'onNotAnswered',
};

/** Star codes that may be followed at once by where calls are to go. */
export const takesTarget = (does: StarCode['does']): boolean => does in SENDS_ON;

/** Star codes that are dialled in front of a number and hold for that call. Others are dialled by themselves. */
export const FOR_ONE_CALL: Partial<Record<StarCode['does'], 'hidden' | 'shown'>> = {
  'hide caller ID': 'hidden',
  'show caller ID': 'shown',
};

/**
 * Sorts dialled digits. An emergency number goes straight out, with or without the outside-line digit in front
 * (47 CFR §9.16: no prefix may be needed).
 * @param isExtension whether somebody has this extension
 * @param how as one whole, such as from a list of contacts, where the outside-line digit may be missing; or by hand on a
 * desk phone, where it may not
 */
export function sortDialled(
  digits: string,
  business: Dialler,
  isExtension: (extension: string) => boolean,
  how: 'whole' | 'by hand' = 'whole',
): Dialled {
  const clean = digits.replace(/[^\d+*#]/g, '');
  const outside = business.outsideDigit;
  const before = business.starCodes.find((s) => FOR_ONE_CALL[s.does] && clean.startsWith(s.code));
  if (before) return afterStarCode(before, clean.slice(before.code.length), business, how);
  const { dialling } = profileOf(business.country);
  // The square that sends what was dialled at once is not part of it.
  const help = clean.replace(/#$/, '');
  for (const number of emergencyOf(business))
    if (help === number || (outside && help === outside + number)) return { kind: 'emergency', number };
  if (isExtension(clean)) return { kind: 'extension', extension: clean };
  const star = business.starCodes.find((s) => s.code === clean);
  if (star) return { kind: 'feature', ...star };
  const sent = business.starCodes.find((s) => takesTarget(s.does) && clean.startsWith(s.code));
  if (sent) return withTarget(sent, clean.slice(sent.code.length), business, isExtension, how);
  const service = dialling.services.find((s) => fitsService(clean.slice(outside.length), s));
  if (service && clean.startsWith(outside)) return { kind: 'service', number: clean.slice(outside.length) };
  const nothing: Dialled = {
    kind: 'nothing',
    message: `Nobody has ${digits}, and it is not a whole telephone number.`,
  };
  if (how === 'by hand' && !clean.startsWith(outside)) return nothing;
  if (how === 'by hand') return dialledByHand(clean.slice(outside.length), business.country) ?? nothing;
  const read = readNumber(clean, business.country, outside);
  return read.ok ? { kind: 'outside', e164: read.number.e164 } : nothing;
}

/** What stands behind a code that sends calls on: an extension or an outside number. */
function withTarget(
  star: StarCode,
  rest: string,
  business: Dialler,
  isExtension: (extension: string) => boolean,
  how: 'whole' | 'by hand',
): Dialled {
  const got = sortDialled(rest.replace(/#$/, ''), { ...business, starCodes: [] }, isExtension, how);
  if (got.kind === 'extension') return { kind: 'feature', ...star, to: got };
  if (got.kind === 'outside') return { kind: 'feature', ...star, to: { kind: 'outside', e164: got.e164 } };
  return {
    kind: 'nothing',
    message: `Behind ${star.code} comes an extension or an outside number${got.kind === 'emergency' ? ', and never an emergency number' : ''}.`,
  };
}

/** What stands behind a code that holds for one call: an outside number, or an emergency number, which it never hides. */
function afterStarCode(
  { code, does }: StarCode,
  rest: string,
  business: Dialler,
  how: 'whole' | 'by hand',
): Dialled {
  const got = sortDialled(rest, { ...business, starCodes: [] }, () => false, how);
  if (got.kind === 'emergency') return got;
  const callerId = FOR_ONE_CALL[does];
  if (got.kind === 'outside') return { ...got, ...(callerId ? { callerId } : {}) };
  return {
    kind: 'nothing',
    message: `${code} (${does}) goes in front of an outside number and holds for that call.`,
  };
}

/** A number as it is dialled in a country: in its national format, or behind the prefix for abroad. */
function dialledByHand(digits: string, country: string): Dialled | undefined {
  const read = readNumber(digits, country);
  if (!read.ok || !/^\d+$/.test(digits)) return undefined;
  const { callingCode, dialling } = profileOf(country);
  const { e164 } = read.number;
  const home = e164.startsWith('+' + callingCode);
  const national = writeNumber(e164, country).replace(/\D/g, '');
  // North America: 1 before the area code may be dialled or not.
  const whole = home && (digits === national || (callingCode === '1' && digits === '1' + national));
  const abroad = digits.startsWith(dialling.international.replace('x.T', ''));
  return whole || abroad ? { kind: 'outside', e164 } : undefined;
}
