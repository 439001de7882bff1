export * from './profile';
export { knownProfile, PROFILES, profileOf } from './profiles';
export { fictionRangeOf, numbersOf } from './fiction';
export { readNumber, readNumbers, writeNumber, type NumberResult, type ReadNumber } from './numbers';
export {
  checkExtension,
  ExtensionIndex,
  hidesService,
  hundredOf,
  nextFreeExtension,
  renumber,
  reservedFor,
  type MapCell,
  type Numbering,
  type Renumbered,
  type Taken,
} from './extensions';
export { SENDS_ON, sortDialled, type Dialled, type Dialler, type FeatureTarget } from './dialled';
export { keypadDigits, wordIn } from './keypad';
export { closeness, easeOf, type Ease, type Known } from './choosing/memorable';
export { inOrder, type Item, type Stock } from './choosing/offered';
export { rankRows, rankSingles, spread } from './choosing/ranking';
export { nearness, patternTest, readPattern, type Pattern, type Where } from './choosing/pattern';
export { DigitMap, type Dialling } from './digitmap';
export {
  dialClashes,
  dialGroups,
  digitMapOf,
  handDialled,
  PARTIAL_SECONDS,
  type DialGroup,
  type DialPlan,
  type HandDialled,
} from './dialplan';
export { addressForm, addressLine, addressProblems } from './places';
export { classOf, countryName, type NumberClass } from './classes';
export { regionsMeant, regionsOf } from './regions';
export { whereaboutsOf, zoneOfArea, type Whereabouts } from './zones';
export { consentAt, CONSENT_TABLE, placeOf, type Consent } from './consent';
