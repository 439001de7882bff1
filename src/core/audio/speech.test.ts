/** Words as they are given to a voice. */
import { expect, it } from 'vitest';
import { newBusiness } from '../system';
import { hasUnspoken, speakable, voiceOf } from '.';

it('markup is words without its signs, never markup', () => {
  expect(speakable('Hello <break time="9s"/> & [[x]] you')).toBe('Hello break time="9s"/ and x you');
  expect(hasUnspoken('Hello <b>')).toBe(true);
  expect(hasUnspoken('Hello, “you” & me: 8–17!')).toBe(false);
});
it('words are respelt whole, whatever their case, the longer before the shorter', () => {
  const respellings = [
    { word: 'Ansel', say: 'ann sell' },
    { word: 'Port Ansel', say: 'port ann-sell' },
    { word: 'C.O.D.', say: 'cash $& on delivery' },
  ];
  expect(speakable('ANSEL of port ansel, Anselm, C.O.D.', respellings)).toBe(
    'ann sell of port ann-sell, Anselm, cash $& on delivery',
  );
});
it('callers are spoken to in the language of their country, or as the business says', () => {
  const business = newBusiness({ name: 'B', country: 'DE', timeZone: 'Europe/Berlin', extensionLength: 3 });
  expect(voiceOf(business)).toEqual({ language: 'de', speed: 1 });
  expect(voiceOf({ ...business, country: 'ZZ' }).language).toBe('en-us');
  expect(voiceOf({ ...business, voice: { language: 'sv', speed: 0.8 } })).toEqual({
    language: 'sv',
    speed: 0.8,
  });
});
