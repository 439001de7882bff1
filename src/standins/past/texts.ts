/** Texts of an invented past: somebody asks, and most are answered. */
import { localTime, momentOf } from '../../core/hours';
import type { System } from '../../core/system';
import { carriesTexts } from '../carrier/texting';
import { chanceOf, pastId, picker } from './drawn';

export interface PastText {
  id: string;
  businessId: string;
  way: 'in' | 'out';
  from: string;
  to: string;
  text: string;
  at: number;
  by?: string;
  fate?: { after: number; failed?: 'landline' };
}

/** What is asked, and what is answered to it. */
const TALKS: readonly (readonly [string, string])[] = [
  ['Is she ready yet?', 'She goes back in tomorrow.'],
  ['What does a new bilge pump cost?', 'About two hundred with fitting. Shall we order one?'],
  ['Can I come by at three?', 'Yes, somebody is in the shed until five.'],
  ['Thank you for the quick help!', 'Gladly. Fair winds.'],
  ['Is there a berth free in the first week of the month?', 'Two of them. I put one aside for you.'],
  ['Please send the bill once more.', 'It is in your mail.'],
];
const MINUTE_MS = 60_000;

/** @param others who write, E.164 */
export function textsOf(
  businessId: string,
  system: System,
  date: string,
  others: readonly string[],
): PastText[] {
  const zone = system.business.timeZone;
  const lines = Object.values(system.numbers).filter(carriesTexts);
  const people = Object.values(system.people).filter((p) => p.role !== 'shared room');
  if (!lines.length || !people.length || !others.length) return [];
  const drawn = chanceOf(date, 1);
  const pick = picker(drawn);
  const weekend = localTime(zone, momentOf(zone, date, 720)).day > 5;
  const texts: PastText[] = [];
  const n = Math.round((weekend ? 2 : 6) * (0.6 + 0.8 * drawn()));
  for (let i = 0; i < n; i++) {
    const [ours, theirs] = [drawn() < 0.7 ? lines[0]! : pick(lines), pick(others)];
    const at = Math.round(momentOf(zone, date, 480) + drawn() * 570 * MINUTE_MS);
    const [asks, answers] = pick(TALKS);
    const base = { businessId, at };
    texts.push({
      ...base,
      id: pastId(date, `text-${i}`),
      way: 'in',
      from: theirs,
      to: ours.e164,
      text: asks,
    });
    const later = Math.round((2 + drawn() * 40) * MINUTE_MS);
    const landline = drawn() < 0.03;
    const by = pick(people).name;
    if (drawn() < 0.92)
      texts.push({
        ...base,
        id: pastId(date, `text-${i}-answer`),
        way: 'out',
        from: ours.e164,
        to: theirs,
        text: answers,
        at: at + later,
        by,
        fate: { after: 2500, ...(landline ? { failed: 'landline' as const } : {}) },
      });
  }
  return texts;
}
