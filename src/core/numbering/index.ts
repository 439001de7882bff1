export * from './profile';
export { PROFILES, profileOf } from './profiles';
export { fictionRangeOf, numbersOf } from './fiction';
export { readNumber, writeNumber, type NumberResult, type ReadNumber } from './numbers';
export { checkExtension, nextFreeExtension } from './extensions';
export { sortDialled, type Dialled } from './dialled';
