/** Numbers held, as rows. Reading changes what they are for; it neither buys nor gives back. */
import { addressProblems, readNumber } from '../../numbering';
import { civicAddress, NumberHeld } from '../../system';
import { addressColumn, addressColumns, namedColumn, readPeople, textColumn, writePeople } from './cells';
import { fromPower, wholeNumber } from './decode';
import type { Sheet } from './sheet';

const USES = NumberHeld.shape.use.options;
const OWN_ADDRESS = 'emergency ';

export const numbersSheet: Sheet<NumberHeld> = {
  columns: [
    { name: 'number', write: (n) => n.e164 },
    textColumn(
      'label',
      (n) => n.label,
      (n, label) => ({ ...n, label }),
    ),
    {
      name: 'use',
      write: (n) => n.use,
      read: (cell, n) => {
        const use = USES.find((u) => u === cell.toLowerCase());
        return use ? { ...n, use } : `“${cell}” is not ${USES.slice(0, -1).join(', ')} or ${USES.at(-1)}.`;
      },
    },
    namedColumn(
      'site',
      (s) => s.sites,
      (n) => n.siteId,
      (n, siteId) => ({ ...n, siteId }),
    ),
    namedColumn(
      'plan',
      (s) => s.plans,
      (n) => n.planId,
      (n, planId) => ({ ...n, planId }),
    ),
    {
      name: 'shown by',
      write: (n, system) =>
        n.callerIdFor === 'everybody'
          ? 'everybody'
          : n.callerIdFor.length
            ? writePeople(n.callerIdFor, system)
            : 'nobody',
      read: (cell, n, system) => {
        if (/^everybody$/i.test(cell)) return { ...n, callerIdFor: 'everybody' };
        if (/^nobody$/i.test(cell)) return { ...n, callerIdFor: [] };
        const people = readPeople(cell, system);
        return 'wrong' in people ? people.wrong : { ...n, callerIdFor: people };
      },
      keeps: true,
    },
    {
      name: 'caller name',
      field: 'callerName',
      write: (n) => n.callerName,
      read: (cell, n) => ({ ...n, callerName: cell }),
    },
    textColumn(
      'notes',
      (n) => n.notes,
      (n, notes) => ({ ...n, notes }),
    ),
    ...addressColumns<NumberHeld>(
      (n) => n.address,
      (n, part, text) => {
        const address = { ...(n.address ?? civicAddress({ country: n.country })), [part]: text };
        const { country: _, ...rest } = address;
        return { ...n, address: Object.values(rest).some(Boolean) ? address : null };
      },
      OWN_ADDRESS,
    ),
    { name: 'kind', write: (n) => n.kind },
    { name: 'place', write: (n) => n.place },
    { name: 'monthly price', write: (n) => `${(n.monthlyCents / 100).toFixed(2)} ${n.currency}` },
  ],
  items: (system) => Object.values(system.numbers),
  finder: ({ numbers, business }) => {
    const held = new Map(Object.values(numbers).map((n) => [n.e164, n]));
    return (key) => {
      const power = fromPower(key);
      if (power && 'wrong' in power) return power.wrong;
      const read = readNumber(power?.digits ?? wholeNumber(key), business.country, business.outsideDigit);
      if (!read.ok) return read.message;
      const item = held.get(read.number.e164);
      return item ? { item, isNew: false } : 'You do not hold this number. Get it, or bring it over, first.';
    };
  },
  check: ({ address }) =>
    Object.entries(address ? addressProblems(address) : {}).map(([part, message]) => ({
      column: addressColumn(part, OWN_ADDRESS),
      message,
    })),
  command: ({ id, label, use, siteId, planId, callerIdFor, callerName, notes, address }) => ({
    do: 'number.set',
    id,
    change: { label, use, siteId, planId, callerIdFor, callerName, notes, address },
  }),
};
