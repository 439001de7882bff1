/** Ready-made answers: what is filled in, and what is left for a person to see. */
import { expect, it } from 'vitest';
import { fieldsLeft, filled, unknownFields } from './fields';

const facts = {
  contact: { name: 'Ada Ferris', firm: 'Ferris & Co' },
  business: { name: 'Lantern Cove', country: 'US' },
  by: 'Rosa Delgado',
  from: '+13605550142',
};

it('fills in what is known, whatever the case and the spaces', () => {
  expect(filled('{first name} of {Firm}: {  business }. {me}, {number}', facts).text).toBe(
    'Ada of Ferris & Co: Lantern Cove. Rosa, (360) 555-0142',
  );
});
it('leaves what nothing is known for, and what is no field, as it stands', () => {
  expect(filled('Hi {first name}, {boat} is ready', { ...facts, contact: undefined })).toEqual({
    text: 'Hi {first name}, {boat} is ready',
    empty: ['{first name}', '{boat}'],
  });
  expect(unknownFields('Hi {first name}, {boat}')).toEqual(['{boat}']);
  expect(fieldsLeft('Hi {first name}, {boat}')).toEqual(['{first name}']);
});
it('takes what stands after the stroke where nothing is known', () => {
  expect(filled('Hi {first name|there}!', facts).text).toBe('Hi Ada!');
  expect(filled('Hi {first name| there }!', { ...facts, contact: undefined })).toEqual({
    text: 'Hi there!',
    empty: [],
  });
  expect(filled('{firm|}', { ...facts, contact: undefined }).empty).toEqual(['{firm|}']);
});
it('what is filled in is not filled in again', () => {
  const contact = { name: '{business} Ltd' };
  expect(filled('{name}', { ...facts, contact }).text).toBe('{business} Ltd');
});
