/** Answers what is asked of a long log, off the page: from rows that are kept ready, with the records of what is shown. */
import { expose } from 'comlink';
import { known as knownOf, type Question, type Row, type Settled } from '../core/story';
import { whereaboutsOf } from '../core/numbering';
import type { WishEntered } from '../core/texting';
import { writeAs, writingOf } from '../core/hours';
import type { Rates, System } from '../core/system';
import {
  asked as askedOf,
  comparedWith,
  reportOf,
  type Bins,
  type Comparison,
  type Report,
  type ReportId,
  type Rules,
  type Span,
  type Today,
  todayOf,
  type Wanted,
} from '../core/traffic';
import { countsOf, happeningsOf, tryOn, type Got, type Happening } from '../core/followups';
import { trafficOf } from '../core/staffing/load/traffic';
import { Changes, KeptLog, LOGGED, openDatabase, type EntryRecords } from '../workspace';

/** So long it looks before it listens again, in milliseconds. */
const SLICE_MS = 12;
/** Rows that differ are stored when nothing has come for so long. */
const SAVE_MS = 3000;
/** What was worked out of the records is stored sooner: whoever leaves before that waits for it again. */
const SAVE_ALL_MS = 300;

/** What a follow-up would have done. */
export interface TriedHere {
  /** Happenings of the kind it waits for, and those it would have applied to. */
  about: number;
  applied: number;
  /** How often each condition was the first that did not hold. */
  notSo: number[];
  counts: ReturnType<typeof countsOf>;
  /** The newest of those it applied to. */
  lines: { happening: Happening; got: Got[] }[];
}

/** An entry with its records, and what settled it. */
export interface Shown extends EntryRecords {
  kind: Row['kind'];
  id: string;
  settled: Settled | undefined;
}
export interface Found {
  shown: Shown[];
  /** How many there are; null while they are still counted. */
  total: number | null;
}
/** How far the log has been gone through. */
export interface State {
  entries: number;
  whole: boolean;
  /** Stored entries that cannot be read. */
  unread: number;
  /** Why what came last is not in it, in words; empty where it is. */
  behind: string;
}

/** What a report is asked of. */
export interface ReportAsked extends Omit<Wanted, 'people'> {
  id: ReportId;
  compare: Comparison;
  /** To whose calls it is narrowed; null is everybody's. */
  people: string[] | null;
  rates: Rates;
  /** Epoch milliseconds. */
  now: number;
  /** Besides what is looked at: it takes nothing's place, and no calls are asked for behind it. */
  alone?: boolean;
}

let kept: KeptLog | undefined;
/** When all of it has been gone through. */
let isWhole = (): void => {};
const whole = new Promise<void>((resolve) => (isWhole = resolve));
/** The calls behind the figures of the last report. */
let bins: Bins | undefined;
/** The number of the last report: one that is older is given up. */
let reported = 0;
let system: System | undefined;
let told: (state: State) => void = () => {};
/** The number of the last question: one that is older is given up. */
let asked = 0;
let last: Row[] = [];
let saving: ReturnType<typeof setTimeout> | undefined;

const breathe = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));
const tell = (): void => told({ entries: kept!.log.size, whole: kept!.whole, unread: kept!.unread, behind });
/** Why what came last could not be taken up. */
let behind = '';
function saveSoon(ms = SAVE_MS): void {
  clearTimeout(saving);
  saving = setTimeout(() => void kept?.save(), ms);
}

async function shown(rows: readonly Row[]): Promise<Shown[]> {
  const all = await Promise.all(
    rows.map(async ({ kind, id, ...row }): Promise<Shown | undefined> => {
      const records = await kept!.records({ kind, id });
      return records && { kind, id, ...records, settled: kept!.log.settledBy({ kind, id, ...row }) };
    }),
  );
  // What went meanwhile is told by what comes next.
  return all.filter((entry) => entry !== undefined);
}

function reportFor({ id, compare, people, rates, now, ...wanted }: Omit<ReportAsked, 'alone'>) {
  const of = (span: Wanted['span']) =>
    askedOf(kept!.log, { ...wanted, span, people: people && new Set(people) }, system!, rates, now);
  const before = comparedWith(wanted.span, compare);
  const all = of(wanted.span);
  return { report: reportOf(id, all, before && of(before)), bins: all.bins };
}

const reader = {
  /** @param onState is told how far it is, at first and with every change */
  async open(businessId: string, onState: (state: State) => void): Promise<void> {
    told = onState;
    kept = new KeptLog(await openDatabase({ patient: false }), businessId);
    let running: Promise<unknown> = kept.load(async () => {
      tell();
      await breathe();
    });
    new Changes().listen(({ what, businessId: whose }) => {
      if (!Object.hasOwn(LOGGED, what) || (whose !== null && whose !== businessId)) return;
      // One after the other: what comes while one is taken up is in the journal by then.
      running = running
        .then(async () => {
          const differs = await kept!.catchUp();
          if (!differs && !behind) return;
          behind = '';
          tell();
          saveSoon();
        })
        // It is told, and the next change tries again: what was missed is still in the journal.
        .catch((error: unknown) => {
          behind = error instanceof Error ? error.message : String(error);
          tell();
        });
    });
    await running;
    isWhole();
    saveSoon(SAVE_ALL_MS);
  },
  /** What people, contacts and lines are called. */
  names(now: System): void {
    writeAs(writingOf(now.business));
    system = now;
  },
  /**
   * @param days the moments the first and the last day asked for begin and end, epoch milliseconds
   * @param most so many are shown @param found is told the first of them at once, and how many there are at the end
   */
  async ask(
    question: Question,
    days: Record<string, readonly [number, number]>,
    most: number,
    found: (found: Found) => void,
  ): Promise<void> {
    const mine = ++asked;
    if (!kept || !system) return;
    const rows: Row[] = [];
    let first = false;
    let until = performance.now() + SLICE_MS;
    for (const some of kept.log.find(question, system, (iso) => days[iso]!)) {
      for (const row of some) rows.push(row);
      if (!first && rows.length >= most) {
        first = true;
        const entries = await shown(rows.slice(0, most));
        if (mine !== asked) return;
        found({ shown: entries, total: null });
        until = performance.now() + SLICE_MS;
      } else if (performance.now() >= until) {
        await breathe();
        if (mine !== asked) return;
        until = performance.now() + SLICE_MS;
      }
    }
    last = rows;
    const entries = await shown(rows.slice(0, most));
    if (mine === asked) found({ shown: entries, total: rows.length });
  },
  /** @returns null where a later one was asked, or nothing is known of the business yet */
  async report({ alone, ...what }: ReportAsked): Promise<Report | null> {
    if (alone) {
      await whole;
      return system ? reportFor(what).report : null;
    }
    const mine = ++reported;
    await whole;
    // Another may have been asked while the log was gone through.
    await breathe();
    if (mine !== reported || !kept || !system) return null;
    const made = reportFor(what);
    bins = made.bins;
    return made.report;
  },
  /** Today so far. @param people to whose calls it is narrowed; null is everybody's @param now epoch milliseconds */
  async today(rules: Rules, people: string[] | null, now: number): Promise<Today | null> {
    await whole;
    return kept && system ? todayOf(kept.log, system, rules, now, people && new Set(people)) : null;
  },
  /** The traffic of days of the log. @param numberIds of these lines; empty is all @returns null where nobody called */
  async traffic(span: Span, numberIds: string[]): Promise<ReturnType<typeof trafficOf>> {
    await whole;
    return kept && system ? trafficOf(kept.log, span, system, numberIds) : null;
  },
  /**
   * A follow-up tried on the days up to now, together with all others of the system that is worked on.
   * @param wishes stops as people entered them @param now epoch milliseconds @param most so many of those it applied to are shown
   * @returns null where nothing is known of the business yet, or there is no such follow-up
   */
  async tried(
    id: string,
    wishes: WishEntered[],
    days: number,
    now: number,
    most: number,
  ): Promise<TriedHere | null> {
    await whole;
    if (!kept || !system) return null;
    const { log } = kept;
    const { business, followUps } = system;
    const { contacts } = knownOf(system);
    const tried = tryOn(
      Object.values(followUps),
      {
        happenings: happeningsOf(log.between(now - days * 86_400_000, now)),
        settling: log.settling,
        textsOf: (number) => log.of(number).filter((r) => r.kind === 'text' && r.facts.way === 'in'),
        wishes,
        where: (number) =>
          whereaboutsOf(
            number,
            business.country,
            business.timeZone,
            contacts.get(number)?.timeZone ?? undefined,
          ),
      },
      { system, tagsOf: (row) => row.tags ?? [] },
    ).get(id);
    if (!tried) return null;
    return {
      about: tried.about,
      applied: tried.lines.length,
      notSo: [...tried.notSo],
      counts: countsOf(tried.lines),
      lines: tried.lines.slice(0, most).map(({ happening, got }) => ({ happening, got: [...got] })),
    };
  },
  /** The calls behind a figure of the last report. @param most so many of them with their records */
  async behind(key: string, most: number): Promise<Found> {
    last = bins?.get(key) ?? [];
    return { shown: await shown(last.slice(0, most)), total: last.length };
  },
  /** More of what was found last, in batches. */
  more: (from: number, to: number): Promise<Shown[]> => shown(last.slice(from, to)),
  /** Everything with some numbers, as far as it is there. @param most so many of them with their records */
  async with(numbers: string[], most: number): Promise<Found> {
    if (!kept) return { shown: [], total: 0 };
    const rows = kept.log.with(numbers);
    return { shown: await shown(rows.slice(0, most)), total: rows.length };
  },
};
export type LogReader = typeof reader;
expose(reader);
