/** Numbers whose callers get the same: what is worked out for one holds for the others. */
import type { NumberHeld, Standing, System } from '../system';
import { once } from '../once';
import { quoted, quotedIn, text } from './texts';

/** What a number is called, where it is and what it costs decides nothing of its calls. */
const ASIDE: readonly (keyof NumberHeld)[] = [
  'id',
  'e164',
  'label',
  'place',
  'notes',
  'monthlyCents',
  'currency',
];
const decidesOf = (number: NumberHeld): string =>
  JSON.stringify(number, (key, value: unknown) =>
    ASIDE.includes(key as keyof NumberHeld) ? undefined : value,
  );

/**
 * The same text for numbers of a system whose calls go alike but for the number itself, which may be shown to whoever a call
 * is sent on to; null where anything else of the business names the number, so that its calls can be apart from all others.
 */
export function likenessOf(system: System, standing: Standing, number: NumberHeld): string | null {
  if (standing.intercepts[number.e164]) return null;
  const named = namedIn(system);
  return named.has(number.id) || named.has(number.e164) ? null : decidesOf(number);
}

/** Everything that anything but promises names. */
const namedIn = once((system: System): ReadonlySet<string> => {
  const { numbers, promises: _, business, ...sections } = system;
  const named = quotedIn(text(business));
  for (const objects of Object.values(sections))
    for (const object of Object.values<object>(objects)) for (const one of quoted(object)) named.add(one);
  for (const number of Object.values(numbers)) for (const one of quotedIn(decidesOf(number))) named.add(one);
  return named;
});
