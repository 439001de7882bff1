/** Searching and ranking the carrier's inventory: fast enough to run while somebody types. */
import { closeness, hasPattern, nearness, PROFILES, readPattern, type Pattern } from '../../core/numbering';
import type { Choice, Search, SearchResult } from './carrier';
import { offerOf, SOLD_OUT, stockOf, type Item, type Stock } from './stock';

const MOST_CHOICES = 24;
/** With an open question, so many of one area, so that the list is not all neighbours. */
const MOST_OF_AN_AREA = 6;

interface Ranked {
  items: Item[];
  score: number;
  reasons: string[];
}

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
  const inArea = areaTest(search.where);
  if (search.where && !profile.fiction.some((r) => inArea(r.area, r.places))) {
    const known = profile.areas.find((a) => inArea(a.code, a.places));
    return {
      ok: false,
      refusal: 'no such area',
      message: known
        ? `The carrier sells no numbers in ${known.places[0]} (${known.code}).`
        : `The carrier knows no area or city “${search.where}” in ${profile.name}.`,
    };
  }
  const places = search.where && !/^\d+$/.test(search.where) ? search.where.toLowerCase() : '';
  const taken = new Set([...search.taken, ...search.held.map((h) => h.e164)]);
  const passes = (i: Item): boolean =>
    (search.kind === 'any' || i.range.kind === search.kind) &&
    (!search.where || inArea(i.range.area, i.range.places)) &&
    (!places || i.place.toLowerCase().startsWith(places)) &&
    !taken.has(i.e164) &&
    (!search.like || (i.e164 !== search.like && i.e164.slice(0, -1) === search.like.slice(0, -1)));
  const all = (search.row > 1 ? stock.byNumber : stock.byEase).filter(passes);
  if (!all.length) return nothingLeft(search, profile.fiction, inArea);
  const exact = search.pattern ? all.filter((i) => hasPattern(i.national, i.local, read.pattern)) : all;
  const pool = exact.length ? exact : closestOf(all, read.pattern);
  const ranked = search.row > 1 ? rows(all, new Set(pool), search.row) : best(pool, search, read.pattern);
  if (!ranked.length)
    return {
      ok: false,
      refusal: 'not offered',
      message: `No ${search.row} numbers follow each other here. Ask for fewer, or another area.`,
    };
  for (const r of ranked) {
    const close = closeness(r.items[0]!.e164, search.held);
    r.score += close.score;
    if (close.score) r.reasons = [...close.reasons, ...r.reasons];
  }
  ranked.sort((a, b) => b.score - a.score || (a.items[0]!.e164 < b.items[0]!.e164 ? -1 : 1));
  return {
    ok: true,
    choices: spread(ranked, search.where || search.like ? Infinity : MOST_OF_AN_AREA).map(
      ({ items, score, reasons }): Choice => ({
        offers: items.map((i) => offerOf(i.e164, search.country, i.range)),
        score,
        reasons,
      }),
    ),
    found: search.row > 1 ? ranked.length : pool.length,
    closest: exact.length
      ? null
      : `No number here has ${read.pattern.digits}${spelt(search.pattern)}. These come closest.`,
  };
}

/** Where a wished-for pattern lies after the area code, which everybody in town has, it counts more. */
const IN_LOCAL = 30;

/**
 * The few of a pool, which comes with the easiest first, that can be among those shown: some of each area, and all that
 * are close to a number held.
 */
function best(pool: readonly Item[], search: Search, pattern: Pattern): Ranked[] {
  const most = search.where || search.like ? MOST_CHOICES : MOST_OF_AN_AREA;
  const nearHeld = new Set(
    search.held.flatMap(({ e164 }) => [
      e164.slice(0, -1),
      e164.slice(-4),
      String(Number(e164) + 1),
      String(Number(e164) - 1),
    ]),
  );
  const shown = new Map<string, number>();
  const found: Ranked[] = [];
  for (const item of pool) {
    const { e164, local, ease, range } = item;
    const bonus = pattern.digits && hasPattern(local, local, pattern) ? IN_LOCAL : 0;
    const key = `${range.area} ${bonus}`;
    const n = shown.get(key) ?? 0;
    const close =
      nearHeld.has(e164.slice(0, -1)) || nearHeld.has(e164.slice(-4)) || nearHeld.has(e164.slice(1));
    if (n >= most && !close) continue;
    shown.set(key, n + 1);
    found.push({ items: [item], score: ease.score + bonus, reasons: ease.reasons });
  }
  return found;
}

/** Whether an area is the one asked for, by the beginning of its code or of one of its places. */
function areaTest(where: string): (area: string, places: readonly string[]) => boolean {
  const text = where.toLowerCase();
  if (/^\d+$/.test(text)) return (area) => area.startsWith(text) || area.replace(/^0/, '').startsWith(text);
  return (_, places) => places.some((p) => p.toLowerCase().startsWith(text));
}

function nothingLeft(
  search: Search,
  fiction: { area: string; places: string[]; kind: string }[],
  inArea: ReturnType<typeof areaTest>,
): SearchResult {
  const range = fiction.find((r) => search.where && inArea(r.area, r.places));
  if (range && SOLD_OUT.includes(range.area))
    return {
      ok: false,
      refusal: 'area sold out',
      message: `No numbers are left in ${range.places[0]} (${range.area}). Try a neighbouring area.`,
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
  const best = near.reduce((a, b) => Math.max(a, b), 0);
  return all.filter((_, i) => near[i] === best);
}

/** Blocks of numbers that follow each other, none of them in two blocks. @param all in their order @param wanted one of which each block has */
function rows(all: readonly Item[], wanted: ReadonlySet<Item>, length: number): Ranked[] {
  const blocks: Ranked[] = [];
  let run: Item[] = [];
  for (const item of all) {
    const before = run.at(-1);
    if (before && Number(item.e164) - Number(before.e164) !== 1) run = [];
    run.push(item);
    if (run.length < length) continue;
    if (run.some((i) => wanted.has(i))) {
      const best = run.reduce((a, b) => (b.ease.score > a.ease.score ? b : a));
      const round = run[0]!.e164.endsWith('0') ? 15 : 0;
      blocks.push({
        items: run,
        score: best.ease.score + round,
        reasons: [
          `${length} in a row`,
          ...(round ? [`starts at ${run[0]!.local.slice(-2)}`] : []),
          ...best.ease.reasons.slice(0, 1),
        ],
      });
    }
    run = [];
  }
  return blocks;
}

function spread(ranked: readonly Ranked[], most: number): Ranked[] {
  const shown: Ranked[] = [];
  const of = new Map<string, number>();
  for (const r of ranked) {
    const { area } = r.items[0]!.range;
    const n = (of.get(area) ?? 0) + 1;
    of.set(area, n);
    if (n <= most) shown.push(r);
    if (shown.length === MOST_CHOICES) break;
  }
  return shown;
}
