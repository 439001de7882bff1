/** Searching the carrier's inventory: fast enough to run while somebody types. */
import {
  nearness,
  patternTest,
  PROFILES,
  rankRows,
  rankSingles,
  readPattern,
  regionsMeant,
  spread,
  type FictionRange,
  type Item,
  type Pattern,
  type Profile,
  type Stock,
} from '../../core/numbering';
import type { Choice, Search, SearchResult } from './carrier';
import { offerOf, SOLD_OUT, stockOf } from './stock';

/** @param stock what is on sale; the country's inventory unless a test or benchmark gives its own */
export function searchStock(search: Search, stock: Stock = stockOf(search.country)): SearchResult {
  const read = readPattern(search.pattern, search.patternAt);
  if (!read.ok) return { ok: false, refusal: 'not understood', message: read.message };
  const profile = PROFILES.find((p) => p.country === search.country);
  if (!profile?.fiction.length)
    return {
      ok: false,
      refusal: 'not offered',
      message: `The carrier sells no numbers in ${profile?.name ?? search.country}. You can bring yours over.`,
    };
  const inArea = areaTest(search.where, profile);
  if (search.where && !profile.fiction.some(inArea)) {
    const known = profile.areas.find((a) => inArea({ area: a.code, places: a.places }));
    return {
      ok: false,
      refusal: 'no such area',
      message: known
        ? `The carrier sells no numbers in ${known.places[0]} (${known.code}).`
        : `The carrier knows no area or city “${search.where}” in ${profile.name}.`,
    };
  }
  const all = (search.row > 1 ? stock.byNumber : stock.byEase).filter(filterOf(search, inArea));
  if (!all.length) return nothingLeft(search, profile.fiction, inArea, stock);
  const fits = patternTest(read.pattern);
  const exact = search.pattern ? all.filter((i) => fits(i.national, i.local)) : all;
  const pool = exact.length ? exact : closestOf(all, read.pattern);
  const ranked =
    search.row > 1 ? rankRows(all, pool, search) : rankSingles(pool, search, read.pattern, stock);
  if (!ranked.length)
    return {
      ok: false,
      refusal: 'not offered',
      message: `No ${search.row} numbers follow each other here. Ask for fewer, or another area.`,
    };
  return {
    ok: true,
    choices: spread(ranked, search).map(({ items, score, reasons }): Choice => ({
      offers: items.map((i) => offerOf(i.e164, search.country, i.range)),
      score,
      reasons,
    })),
    found: search.row > 1 ? ranked.length : pool.length,
    closest: exact.length
      ? null
      : `No number here has ${read.pattern.digits}${spelt(search.pattern)}. These come closest.`,
  };
}

type InArea = (range: Pick<FictionRange, 'area' | 'places'>) => boolean;

/** Whether an area is the one asked for, by the beginning of its code or of one of its places, or by its state or province. */
function areaTest(where: string, { country, areas }: Profile): InArea {
  const text = where.toLowerCase();
  if (/^\d+$/.test(text))
    return ({ area }) => area.startsWith(text) || area.replace(/^0/, '').startsWith(text);
  const meant = new Set(regionsMeant(country, where));
  const inRegion = new Set(areas.filter((a) => meant.has(a.region)).map((a) => a.code));
  return ({ area, places }) => places.some((p) => p.toLowerCase().startsWith(text)) || inRegion.has(area);
}

/** Whether an item may be offered for a search at all. What depends on its range only is asked once a range. */
function filterOf(search: Search, inArea: InArea): (item: Item) => boolean {
  const byPlace =
    search.where && !/^\d+$/.test(search.where) && !regionsMeant(search.country, search.where).length;
  const place = byPlace ? search.where.toLowerCase() : '';
  const taken = new Set([...search.taken, ...search.held.map((h) => h.e164)]);
  const head = search.like?.slice(0, -1);
  const known = new Map<FictionRange, boolean>();
  const inRange = (range: FictionRange): boolean => {
    let fits = known.get(range);
    if (fits === undefined) {
      fits = (search.kind === 'any' || range.kind === search.kind) && (!search.where || inArea(range));
      known.set(range, fits);
    }
    return fits;
  };
  return (i) =>
    inRange(i.range) &&
    (!place || i.place.toLowerCase().startsWith(place)) &&
    !taken.has(i.e164) &&
    (head === undefined || (i.e164 !== search.like && i.e164.slice(0, -1) === head));
}

/** Which of the wishes, taken away, would leave something: each by itself. */
function loosened(search: Search, inArea: InArea, stock: Stock): string[] {
  const count = (without: Partial<Search>, area = inArea): number =>
    stock.byNumber.filter(filterOf({ ...search, ...without }, area)).length;
  const wishes: [string, number][] = [
    ...(search.where
      ? [[`without the area “${search.where}”`, count({ where: '' }, () => true)] as [string, number]]
      : []),
    ...(search.kind === 'any'
      ? []
      : [[`of any kind instead of ${search.kind}`, count({ kind: 'any' })] as [string, number]]),
  ];
  return wishes
    .filter(([, n]) => n > 0)
    .map(([words, n]) => `${words} there are ${n.toLocaleString('en-US')}`);
}

function nothingLeft(
  search: Search,
  fiction: readonly FictionRange[],
  inArea: InArea,
  stock: Stock,
): SearchResult {
  const range = fiction.find((r) => search.where && inArea(r));
  if (range && SOLD_OUT.includes(range.area))
    return {
      ok: false,
      refusal: 'area sold out',
      message: `No numbers are left in ${range.places[0]} (${range.area}). Try a neighbouring area.`,
    };
  const ways = search.like ? [] : loosened(search, inArea, stock);
  if (ways.length)
    return {
      ok: false,
      refusal: 'not offered',
      message: `These wishes exclude each other: ${ways.join('; ')}. Loosen one of them.`,
    };
  return {
    ok: false,
    refusal: 'not offered',
    message: search.like
      ? 'None that differs from it in the last digit only is free.'
      : 'The carrier has nothing like that here. Ask for less.',
  };
}

const spelt = (pattern: string): string => (/[a-z]/i.test(pattern) ? ` (“${pattern.trim()}”)` : '');

/** Those that share most digits with the pattern. */
function closestOf(all: readonly Item[], pattern: Pattern): Item[] {
  const near = all.map((i) => nearness(pattern.where === 'start' ? i.local : i.national, pattern));
  const most = near.reduce((a, b) => Math.max(a, b), 0);
  return all.filter((_, i) => near[i] === most);
}
