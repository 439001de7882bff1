export {
  CLOCKS,
  CountryCode,
  DATE_ORDERS,
  E164,
  Extension,
  Id,
  Network,
  RingSeconds,
  TimeZone,
} from './shape/primitives';
export * from './shape/places';
export * from './shape/people';
export * from './shape/hours';
export * from './shape/plans';
export * from './shape/queues';
export * from './shape/call-recording';
export * from './shape/calls-out';
export * from './shape/contacts';
export * from './own-contacts';
export * from './shape/keeping';
export * from './shape/voice-servers';
export { RecordsLink, recordsOf } from './records-link';
export * from './shape/shortcuts';
export { behindCode, leadsTo, shortcutsOf, type Leads } from './shortcuts';
export * from './shape/wordings';
export * from './shape/follow-ups';
export * from './shape/asking';
export * from './shape/buttons';
export * from './shape/rooms';
export * from './shape/dialogues';
export * from './shape/calendars';
export * from './shape/behaviour';
export * from './shape/promises';
export * from './shape/greetings';
export * from './shape/recordings';
export * from './shape/schema';
export * from './defaults';
export { newStep, usualStep } from './new-steps';
export { takenIn, type Bought } from './bought';
export * from './steps';
export { linesOn, type LinesOn } from './lines';
export { Command, Edit } from './edits/commands';
export { applyEdit, patchSystem, type Applied } from './edits/apply';
export type { Problem } from './edits/rules';
export { brokenRule } from './edits/valid';
export * from './standing/own';
export * from './standing/stamped';
export * from './standing/settings';
export {
  Pin,
  Standing,
  asPaired,
  type PairedStanding,
  emptyStanding,
  hasArrived,
  isBlockedNumber,
  isProved,
} from './standing/standing';
export { asAllPaired, notPairedYet } from './standing/all-paired';
export * from './standing/registration';
export * from './namespace';
export * from './zone';
export {
  COLLECTIONS,
  KIND_WORDS,
  letGoWithin,
  pointersIn,
  pointersTo,
  usersOf,
  type Kind,
} from './edits/references';
export {
  everybodyIn,
  flatTargets,
  type FlatTarget,
  groupsOf,
  groupsWithin,
  servingOf,
  targetName,
} from './groups';
export { upgradePatches, upgradeStanding, upgradeSystem } from './upgrade';
