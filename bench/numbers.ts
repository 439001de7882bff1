/** Searching while somebody types, the extension check, and the preview of a file. */
import {
  easeOf,
  ExtensionIndex,
  checkExtension,
  inOrder,
  type Item,
  type Taken,
} from '../src/core/numbering';
import { previewCsv } from '../src/core/formats/csv';
import { Search } from '../src/standins/carrier/carrier';
import { searchStock } from '../src/standins/carrier/search';
import { stockOf } from '../src/standins/carrier/stock';
import { demoSystem } from '../demo/lantern-cove';
import { ms, spread } from './measure';

const NUMBERS = 50_000;
const EXTENSIONS = 5000;

// Australia has the most numbers kept for fiction; the rest is filled up with further digits of the same kind.
const own = stockOf('AU').byNumber;
const items: Item[] = Array.from({ length: NUMBERS }, (_, i) => {
  const item = own[i % own.length]!;
  if (i < own.length) return item;
  const local = `7011${String(i - own.length).padStart(4, '0')}`;
  const national = `2${local}`;
  const e164 = `+61${national}`;
  return { ...item, national, local, e164, value: Number(e164), ease: easeOf(local) };
});
const stock = inOrder(items);
const held = Array.from({ length: 20 }, (_, i) => ({
  e164: `+6125550${String(1000 + i * 37)}`,
  label: `Line ${i}`,
}));
const words = ['Lantern', 'Cove', 'Boatworks'];
/** Keys as they come: nothing, then a pattern letter by letter, then a place, then several in a row. */
const typed = [
  '',
  '5',
  '55',
  '555',
  '5550',
  '5550-B',
  '5550-BO',
  '5550-BOA',
  '5550-BOAT',
  '42',
  '4?2',
  '1??1',
  '99',
];
const asked: Search[] = [
  ...typed.map((pattern) => Search.parse({ country: 'AU', where: '', pattern, held, words })),
  ...typed.map((pattern) =>
    Search.parse({ country: 'AU', where: '', pattern, patternAt: 'end', held, words }),
  ),
  ...['S', 'Sy', 'Syd', 'Sydney', '0', '02', '03'].map((where) =>
    Search.parse({ country: 'AU', where, held }),
  ),
  ...[2, 5, 10].map((row) => Search.parse({ country: 'AU', where: '', row, held })),
];
for (const search of asked) searchStock(search, stock);
const search = spread(asked.length * 10, (i) => void searchStock(asked[i % asked.length]!, stock));
console.log(
  `searching and ranking ${NUMBERS.toLocaleString('en')} numbers, one key: median ${ms(search.p50)}, p95 ${ms(search.p95)} (aim under 50 ms)`,
);

const taken: Taken[] = Array.from({ length: EXTENSIONS }, (_, i) => ({
  extension: String(20_000 + i * 7),
  who: `Person ${i}`,
}));
const business = { country: 'US', extensionLength: 5, outsideDigit: '9' };
const clash = spread(200, (i) => {
  const index = new ExtensionIndex(taken);
  checkExtension(String(20_000 + i), index, business);
});
const all = spread(20, () => {
  const index = new ExtensionIndex(taken);
  for (const t of taken) checkExtension(t.extension.slice(0, 4), index, business);
});
console.log(
  `one extension against ${EXTENSIONS.toLocaleString('en')}, index made anew: median ${ms(clash.p50)}, p95 ${ms(clash.p95)} (aim under 10 ms)`,
);
console.log(
  `all ${EXTENSIONS.toLocaleString('en')} against each other: median ${ms(all.p50)}, p95 ${ms(all.p95)}`,
);

const system = demoSystem();
const rows = Array.from(
  { length: EXTENSIONS },
  (_, i) => `Site ${i},${i},Quay Street,Port Ansel,WA,98300,US`,
);
const file = `name,house number,street,city,state,postal code,country\r\n${rows.join('\r\n')}`;
let made = 0;
const preview = spread(3, () => void previewCsv('sites', file, system, (kind) => `${kind}-${++made}`));
console.log(
  `preview of a CSV file of ${rows.length.toLocaleString('en')} new sites: median ${ms(preview.p50)}`,
);
