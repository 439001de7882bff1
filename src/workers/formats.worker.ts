/** Reads files that others made, off the page: whatever they hold, the page stays alive and the reading can be stopped. */
import { expose } from 'comlink';
import { nanoid } from 'nanoid';
import {
  fromJCards,
  isJson,
  previewCards,
  readCards,
  readContactTable,
  type CardRow,
} from '../core/formats/contacts';
import { decodeCsv } from '../core/formats/csv';
import { isVcards } from '../core/formats/people';
import { readCpl, readReachCpl, type CplRead, type ReachRead } from '../core/formats/cpl';
import { readCalendar, type CalendarRead } from '../core/formats/ical';
import { readPlan, type PlanRead } from '../core/formats/plan';
import type { Person, System } from '../core/system';
import { kindOf } from '../workspace/texting/files';
import { readPairing, type Pairing } from './pairing';

export type CardsRead = { ok: true; rows: CardRow[] } | { ok: false; message: string };
const freshId = (kind: string) => `${kind}-${nanoid(12)}`;
/** Bytes as text; what is no UTF-8 is read as far as it can be. */
const text = (bytes: Uint8Array): string => new TextDecoder().decode(bytes);

const formats = {
  /** @param progress is told how many events of how many are done */
  calendar: (
    file: Uint8Array,
    zone: string,
    from: string,
    to: string,
    progress: (done: number, of: number) => void,
  ): CalendarRead => readCalendar(file, zone, from, to, progress),
  /** A plan as JSON or as a script. @param name what a plan that has none is called */
  plan(file: Uint8Array, name: string, system: System): PlanRead {
    const content = text(file);
    if (!/^\s*(\uFEFF\s*)?</.test(content)) return readPlan(content, system, freshId);
    const script: CplRead = readCpl(content, system, freshId);
    if (!script.ok) return script;
    const planId = freshId('plan');
    const add = { do: 'plan.add' as const, value: { id: planId, name, steps: script.steps } };
    return { ok: true, commands: [...script.commands, add], planId, left: script.left };
  },
  /** Contacts as vCards or as a list of cells, held against those that are known. */
  async cards(file: Uint8Array, system: System): Promise<CardsRead> {
    const { country } = system.business;
    const decoded = decodeCsv(file).text;
    const text = isJson(decoded) ? fromJCards(decoded) : decoded;
    if (typeof text !== 'string') return { ok: false, message: text.message };
    const cards =
      text !== decoded
        ? readCards(text, country)
        : isVcards(text)
          ? readCards(file, country)
          : readContactTable(text, country);
    if ('message' in cards) return { ok: false, message: cards.message };
    for (const card of cards) {
      if (!card.picture) continue;
      const type = await kindOf(card.picture);
      if (type?.startsWith('image/') && type !== 'image/svg+xml') continue;
      // What it is, is told by its bytes alone.
      delete card.picture;
      card.noPicture = 'its picture is none';
    }
    return { ok: true, rows: previewCards(cards, system, freshId) };
  },
  pairing: (file: File): Promise<Pairing> => readPairing(file),
  reach: (file: Uint8Array, person: Person, system: System): ReachRead =>
    readReachCpl(text(file), person, system),
};
export type FormatsWorker = typeof formats;
expose(formats);
