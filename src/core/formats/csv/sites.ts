/** Sites, as rows: new ones are added by name. */
import { addressProblems, readNumber } from '../../numbering';
import { civicAddress, newSite, TimeZone, type Site } from '../../system';
import { addressColumn, addressColumns, readPeople, writePeople } from './cells';
import type { Sheet } from './sheet';

const listed = (cell: string): string[] => cell.split(/[\s,;]+/).filter(Boolean);

export const sitesSheet: Sheet<Site> = {
  columns: [
    { name: 'name', write: (s) => s.name },
    ...addressColumns<Site>(
      (s) => s.address,
      (s, part, text) => ({ ...s, address: { ...s.address, [part]: text } }),
    ),
    {
      name: 'time zone',
      write: (s) => s.timeZone,
      read: (cell, s) =>
        TimeZone.safeParse(cell).success
          ? { ...s, timeZone: cell }
          : `“${cell}” is not a time zone of the IANA list, such as Europe/London.`,
    },
    {
      name: 'rings back',
      write: (s) => s.callback ?? '',
      read: (cell, s, { business, numbers }) => {
        if (!cell) return { ...s, callback: null };
        const read = readNumber(cell, business.country, business.outsideDigit);
        if (!read.ok) return read.message;
        const { e164 } = read.number;
        return Object.values(numbers).some((n) => n.e164 === e164)
          ? { ...s, callback: e164 }
          : 'It is not one of your own numbers: help rings it back.';
      },
    },
    {
      name: 'told',
      write: (s, system) => writePeople(s.notify.personIds, system),
      read: (cell, s, system) => {
        const personIds = readPeople(cell, system);
        return 'wrong' in personIds ? personIds.wrong : { ...s, notify: { ...s.notify, personIds } };
      },
    },
    {
      name: 'told by mail',
      field: 'mailTo',
      write: (s) => s.notify.mailTo.join(' '),
      read: (cell, s) => ({ ...s, notify: { ...s.notify, mailTo: listed(cell) } }),
    },
    {
      name: 'networks',
      write: (s) => s.networks.join(' '),
      read: (cell, s) => ({ ...s, networks: listed(cell) }),
    },
    {
      name: 'check again on',
      field: 'checkAgainOn',
      write: (s) => s.checkAgainOn ?? '',
      read: (cell, s) => ({ ...s, checkAgainOn: cell || null }),
    },
  ],
  items: (system) => Object.values(system.sites),
  finder: ({ sites, business: { country, timeZone } }, freshId) => {
    const known = new Map(Object.values(sites).map((s) => [s.name.toLowerCase(), s]));
    return (name) => {
      if (!name) return 'The name is missing.';
      const item = known.get(name.toLowerCase());
      if (item) return { item, isNew: false };
      const address = civicAddress({ country });
      const fresh = newSite({ id: freshId('site'), name, timeZone, address });
      known.set(name.toLowerCase(), fresh);
      return { item: fresh, isNew: true };
    };
  },
  check: ({ address }) =>
    Object.entries(addressProblems(address)).map(([part, message]) => ({
      column: addressColumn(part),
      message,
    })),
  command: (site, isNew) => {
    if (isNew) return { do: 'site.add', value: site };
    const { id, name: _, ...change } = site;
    return { do: 'site.set', id, change };
  },
};
