// Public holidays from the date-holidays library, in a process of its own: its data is large, and ten years take a while.

/** Years ahead for which dates are given. */
const YEARS = 10;

let ready;
const library = () => (ready ??= import('date-holidays').then((m) => m.default));

/** The holidays of a country and region; days off for everybody first. Null where the library has none. */
async function holidaysOf({ country, region, from }) {
  const Holidays = await library();
  const calendar = new Holidays();
  if (!Object.hasOwn(calendar.getCountries(), country)) return null;
  if (region) calendar.init(country, region);
  else calendar.init(country);
  const found = new Map();
  for (let year = from; year < from + YEARS; year++)
    for (const day of calendar.getHolidays(year)) {
      const name = day.name.replace(/ \(substitute day\)$/i, '');
      const known = found.get(`${day.type} ${name}`);
      const dates = datesOf(day);
      if (known) known.dates.push(...dates);
      else found.set(`${day.type} ${name}`, { name, rule: day.rule, kind: day.type, dates });
    }
  for (const holiday of found.values()) holiday.dates = [...new Set(holiday.dates)].sort();
  const holidays = [...found.values()].sort(
    (a, b) =>
      Number(a.kind !== 'public') - Number(b.kind !== 'public') || a.dates[0].localeCompare(b.dates[0]),
  );
  return { holidays, regions: regionsOf(calendar, country) };
}

/** A holiday may last for several days; those given in local time are counted by their length. */
function datesOf({ date, start, end }) {
  const first = Date.parse(`${date.slice(0, 10)}T00:00:00Z`);
  const days = Math.max(1, Math.round((end.getTime() - start.getTime()) / 86_400_000));
  return Array.from({ length: Math.min(days, 14) }, (_, i) =>
    new Date(first + i * 86_400_000).toISOString().slice(0, 10),
  );
}

/** The regions of a country that have holidays of their own, by name. */
const regionsOf = (calendar, country) =>
  Object.entries(calendar.getStates(country) ?? {})
    .map(([code, name]) => ({ code, name }))
    .sort((a, b) => a.name.localeCompare(b.name, 'en'));

process.on('disconnect', () => process.exit());
process.on('message', async (asked) => {
  try {
    process.send({ ok: true, answer: await holidaysOf(asked) });
  } catch (error) {
    const absent = error?.code === 'ERR_MODULE_NOT_FOUND';
    process.send({ ok: false, absent, message: String(error?.message ?? error) });
  }
});
