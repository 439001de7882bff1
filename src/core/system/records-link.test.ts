/** A link to what is kept elsewhere: nothing that is filled in becomes more than a part of it. */
import { expect, it } from 'vitest';
import { RecordsLink, recordsOf } from './records-link';

const says = (t: string) => RecordsLink.safeParse(t).error?.issues[0]?.message ?? 'taken';

it.each([
  ['https://records.example/?phone={number}', 'taken'],
  ['https://records.example/{digits}/{name}', 'taken'],
  ['https://records.example/', 'Put {number} or {digits} where the number goes.'],
  ['javascript:alert({number})', 'It begins with https:// and the name of a site.'],
  ['https://{number}.example/', 'It begins with https:// and the name of a site.'],
  ['https://records.example/{boat}/{number}', 'In braces stands number, digits or name.'],
])('%s: %s', (template, what) => expect(says(template)).toBe(what));

it('fills in what is known, as a part of the address and no more (RFC 3986, 2.1)', () => {
  expect(recordsOf('https://r.example/?p={number}&d={digits}&n={name}', '+12065550101', 'A&b=c /"<y>')).toBe(
    'https://r.example/?p=%2B12065550101&d=12065550101&n=A%26b%3Dc%20%2F%22%3Cy%3E',
  );
  expect(recordsOf(undefined, '+12065550101', 'Ada')).toBeUndefined();
});
