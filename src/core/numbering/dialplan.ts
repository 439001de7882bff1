/** The dial plan of a business as a digit map, and what somebody gets who dials on a desk phone digit by digit. */
import { canGoOn, DigitMap } from './digitmap';
import { emergencyOf, FOR_ONE_CALL, sortDialled, takesTarget, type Dialled, type Dialler } from './dialled';
import { profileOf } from './profiles';

export interface DialPlan extends Dialler {
  digitSeconds: number;
}

/**
 * Seconds a phone waits for more digits where what was dialled is nothing yet, before it gives the error tone.
 * Source: the partial dial timer of RFC 3435, 16 s, from memory.
 */
export const PARTIAL_SECONDS = 16;

/** Entries of a digit map that belong together, with what they are for. */
export interface DialGroup {
  what:
    | 'emergency'
    | 'extensions'
    | 'star codes'
    | 'forwarding to'
    | 'services'
    | 'outside'
    | 'outside, behind a star code';
  entries: string[];
}

/**
 * What can be dialled, as entries of a digit map in their order: emergency numbers first and always at once, then
 * extensions, star codes and outside numbers. An entry that is the beginning of another waits for the timer.
 * @param extensions all extensions in use
 */
export function dialGroups(business: DialPlan, extensions: Iterable<string>): DialGroup[] {
  const groups = entriesOf(business, extensions);
  const of = (...which: DialGroup['what'][]) =>
    groups.filter((g) => which.includes(g.what)).flatMap((g) => g.entries);
  const inside = of('extensions', 'star codes');
  const others = groups.filter((g) => g.what !== 'emergency').flatMap((g) => g.entries);
  const timed = (entry: string, against: readonly string[]): string =>
    !entry.endsWith('T') && against.some((o) => o !== entry && canGoOn(entry, o)) ? entry + 'T' : entry;
  return groups
    .filter((g) => g.entries.length)
    .map(({ what, entries }) => ({
      what,
      entries:
        what === 'emergency' ? entries : entries.map((e) => timed(e, what === 'services' ? inside : others)),
    }));
}

/** The digit map that desk phones get (RFC 3435). @param extensions all extensions in use */
export const digitMapOf = (business: DialPlan, extensions: Iterable<string>): DigitMap =>
  DigitMap.parse(
    `(${dialGroups(business, extensions)
      .flatMap((g) => g.entries)
      .join('|')})`,
  );

/** The same before it is settled which of them wait. */
function entriesOf(business: DialPlan, extensions: Iterable<string>): DialGroup[] {
  const { dialling } = profileOf(business.country);
  const emergency = emergencyOf(business);
  const out = business.outsideDigit;
  const lengths = new Set([business.extensionLength]);
  let zero = false;
  for (const e of extensions) {
    lengths.add(e.length);
    zero ||= e.startsWith('0');
  }
  const first = keyRange([...'0123456789'].filter((d) => d !== out && (d !== '0' || zero)));
  const urgent = [...new Set(emergency.flatMap((e) => (out ? [e, out + e] : [e])))];
  const outside = [...dialling.national, dialling.international].map((e) => out + e);
  const [inFront, alone] = [true, false].map((one) =>
    business.starCodes.filter((s) => s.does in FOR_ONE_CALL === one).map((s) => s.code),
  ) as [string[], string[]];
  const inside = [...lengths].sort((a, b) => a - b).map((n) => `${first}${'x'.repeat(n - 1)}`);
  const sending = business.starCodes.filter((s) => takesTarget(s.does)).map((s) => s.code);
  const behind = (entries: readonly string[]) => inFront.flatMap((code) => entries.map((e) => code + e));
  return [
    { what: 'emergency', entries: [...urgent, ...behind(urgent)] },
    { what: 'extensions', entries: inside },
    { what: 'star codes', entries: alone },
    {
      what: 'forwarding to',
      entries: sending.flatMap((code) => [...inside, ...outside].map((e) => code + e)),
    },
    { what: 'services', entries: dialling.services.map((s) => out + s) },
    { what: 'outside', entries: outside },
    { what: 'outside, behind a star code', entries: behind(outside) },
  ];
}

/** Keys in the words of a digit map: "[1-8]", "[1-79]". @param digits ascending */
function keyRange(digits: readonly string[]): string {
  const runs = digits.reduce<string[]>((all, d) => {
    const last = all.at(-1);
    return last && Number(d) - Number(last.at(-1)) === 1 ? [...all.slice(0, -1), last + d] : [...all, d];
  }, []);
  return `[${runs.map((r) => (r.length > 2 ? `${r[0]}-${r.at(-1)}` : r)).join('')}]`;
}

/** Outside calls that cannot be dialled digit by digit because an emergency number is their beginning, in words. */
export function dialClashes(business: DialPlan): string[] {
  const groups = entriesOf({ ...business, starCodes: [] }, []);
  const of = (what: DialGroup['what']) => groups.find((g) => g.what === what)!.entries;
  return of('outside').flatMap((entry) =>
    of('emergency')
      .filter((u) => canGoOn(u, entry))
      .map(
        (u) =>
          `Outside numbers dialled as ${entry} begin with the emergency number ${u}, which goes out at once.`,
      ),
  );
}

export interface HandDialled {
  /** Digits the phone sends, or those after which it gave up. */
  sent: string;
  /** Digits that came too late: the phone had sent or given up by then. */
  unheard: string;
  /** Seconds from the last digit used until the call goes out or the error tone comes. */
  after: number;
  got: Dialled;
  /** What happened, for people. */
  why: string;
}

/** What somebody gets who dials digits on a desk phone, one by one, and then waits. */
export function handDialled(
  keys: string,
  business: DialPlan,
  isExtension: (extension: string) => boolean,
  map: DigitMap,
): HandDialled {
  const { used, at } = map.feed(keys);
  const unheard = keys.slice(used.length);
  const digits = (n: number) => `${n} ${n === 1 ? 'digit' : 'digits'}`;
  if (at.state === 'nothing')
    return {
      sent: used,
      unheard,
      after: 0,
      got: { kind: 'nothing', message: 'Error tone.' },
      why: `Nothing that can be dialled begins with ${used}.`,
    };
  const inFront = business.starCodes.find((s) => s.does in FOR_ONE_CALL && used.startsWith(s.code));
  if (at.state === 'more')
    return {
      sent: used,
      unheard,
      after: PARTIAL_SECONDS,
      got: { kind: 'nothing', message: 'Error tone.' },
      why: `${inFront ? `${inFront.code} goes in front of an outside number. ` : ''}The phone waits for more digits, and gives up after ${PARTIAL_SECONDS} s.`,
    };
  const got = sortDialled(used, business, isExtension, 'by hand');
  const entry = `It fits ${at.entry} of the digit map`;
  return at.state === 'whole'
    ? {
        sent: used,
        unheard,
        after: 0,
        got,
        why: `${entry}, and nothing longer does: sent at once after ${digits(used.length)}.`,
      }
    : {
        sent: used,
        unheard,
        after: business.digitSeconds,
        got,
        why: `${entry}, but could go on: sent when no other digit comes for ${business.digitSeconds} s.`,
      };
}
