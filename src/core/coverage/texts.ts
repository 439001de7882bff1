/** Objects as texts, to be held against each other. They are never changed in place, so each is written once. */
import { once } from '../once';

const written = once((object: object): string => JSON.stringify(object));
/** A value as text. */
export const text = (value: unknown): string =>
  typeof value !== 'object' || value === null ? (JSON.stringify(value) ?? '') : written(value);
/** Whether two values say the same. */
export const same = (a: unknown, b: unknown): boolean => a === b || text(a) === text(b);

/** Everything that stands between quotes in a text: ids among it, which have nothing in them that is written otherwise there. */
export const quotedIn = (text: string): Set<string> => new Set(text.match(/(?<=")[^"\\]*(?=")/g));
/** The same of an object. */
export const quoted = once((object: object): ReadonlySet<string> => quotedIn(text(object)));
