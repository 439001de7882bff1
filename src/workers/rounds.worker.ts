/** Makes a round of texts ready, off the page: thousands of lines are filled in, cut into parts and given an hour. */
import { expose } from 'comlink';
import { writeAs, writingOf } from '../core/hours';
import { whereaboutsOf } from '../core/numbering';
import { contactsOn, prepare, readReceivers, type Prepared } from '../core/rounds';
import type { System } from '../core/system';
import { PACE_MS } from '../standins/carrier/texting';

/** Whom it is for. */
export type Source = { from: 'contacts'; listIds: string[] } | { from: 'file'; text: string };
export interface Wanted {
  text: string;
  /** E.164. */
  from: string;
  /** Epoch milliseconds. */
  start: number;
  source: Source;
  consent: string;
  stopped: string[];
}
export interface Made extends Prepared {
  /** Columns of the file, besides number and name: fields that can stand in braces. */
  columns: string[];
  /** Lines that were not read, because there are too many. */
  left: number;
}

const maker = {
  make({ source, stopped, ...asked }: Wanted, system: System): Made {
    writeAs(writingOf(system.business));
    const { receivers, columns, left } =
      source.from === 'contacts'
        ? { receivers: contactsOn(system, source.listIds), columns: [], left: 0 }
        : readReceivers(source.text, system);
    const { country, timeZone } = system.business;
    const zones = new Map(
      receivers.flatMap((r) =>
        r.number && r.contact?.timeZone ? [[r.number, r.contact.timeZone] as const] : [],
      ),
    );
    const made = prepare(
      { ...asked, receivers },
      {
        system,
        stopped: new Set(stopped),
        where: (number) => whereaboutsOf(number, country, timeZone, zones.get(number)),
        paceMs: PACE_MS,
      },
    );
    return { ...made, columns, left };
  },
};
export type RoundMaker = typeof maker;

expose(maker);
