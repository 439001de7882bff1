/** The cells of a row that name numbers and phones. */
import { readNumber } from '../../numbering';
import { isLinked, PhoneKind, type Person, type System } from '../../system';
import { fromPower, wholeNumber } from '../csv/decode';
import type { Field } from './columns';
import { lower, type Known } from './known';
import { LONGEST_LIST, readList } from './lists';

/** The text of a row in a field; undefined where the list has no such column. */
export type Cell = (field: Field) => string | undefined;
/** Takes down what is wrong with a cell. */
export type Wrong = (field: Field | '', message: string) => void;

/** Words that stand for a kind of phone. */
const KINDS: Record<string, PhoneKind> = {
  app: 'mobile app',
  'browser softphone': 'browser',
  'computer softphone': 'computer',
  softphone: 'computer',
  'desk phone': 'desk',
  'own mobile': 'linked mobile',
  'own landline': 'linked landline',
};

/** The direct number and the private mobile of a row, as E.164. */
export function readNumbers(
  cell: Cell,
  known: Person | undefined,
  wrong: Wrong,
  there: Known,
  system: System,
): { direct: string | undefined; mobile: string | undefined } {
  const { country, outsideDigit } = system.business;
  const read = (field: 'direct number' | 'mobile'): string | undefined => {
    const text = cell(field);
    if (!text) return undefined;
    const power = fromPower(text);
    if (power && 'wrong' in power) return void wrong(field, power.wrong);
    const result = readNumber(power?.digits ?? wholeNumber(text), country, outsideDigit);
    if (result.ok) return result.number.e164;
    wrong(field, result.message);
    return undefined;
  };
  const [direct, mobile] = [read('direct number'), read('mobile')];
  const held = direct ? there.numbers.get(direct) : undefined;
  if (direct && !held)
    wrong('direct number', 'You do not hold this number. Get it, or bring it over, first.');
  const own = mobile ? there.numbers.get(mobile) : undefined;
  if (own) wrong('mobile', `That is your own ${own.label}: calls would come back to it.`);
  const linkedBy = mobile ? there.linked.get(mobile) : undefined;
  if (linkedBy && linkedBy !== known?.id)
    wrong(
      'mobile',
      `${system.people[linkedBy]?.name ?? 'Somebody in this list'} has linked this phone already.`,
    );
  return { direct, mobile };
}

/** Kinds of phones somebody gets that they do not have yet. */
export function readPhones(
  cell: Cell,
  known: Person | undefined,
  mobile: string | undefined,
  wrong: Wrong,
  there: Known,
  usual: readonly PhoneKind[],
): PhoneKind[] {
  const text = cell('phones');
  const wanted: PhoneKind[] = text || known ? [] : [...usual];
  if (text && text.length > LONGEST_LIST) wrong('phones', 'This cell is too long for a list of phones.');
  for (const word of readList(text ?? '')) {
    const kind = PhoneKind.safeParse(
      (Object.hasOwn(KINDS, lower(word)) && KINDS[lower(word)]) || lower(word),
    );
    if (kind.success) wanted.push(kind.data);
    else wrong('phones', `“${word}” is not ${PhoneKind.options.join(', ')}.`);
  }
  const own = known ? (there.phonesOf.get(known.id) ?? []) : [];
  const isLink = (kind: PhoneKind) => kind === 'linked mobile' || kind === 'linked landline';
  const hasLinked = own.some((x) => isLinked(x) && x.number === mobile);
  if (mobile && !hasLinked && !wanted.some(isLink)) wanted.push('linked mobile');
  if (!mobile && wanted.some(isLink) && !own.some(isLinked))
    wrong('mobile', 'A linked phone needs its number.');
  // Two of a kind are two phones; those there are already count.
  const left = own.map((x) => x.kind);
  return wanted.filter((kind) => {
    if (isLink(kind) && hasLinked) return false;
    const i = left.indexOf(kind);
    if (i >= 0) left.splice(i, 1);
    return i < 0;
  });
}
