export { entriesOf } from './begin';
export { CallList, Entry, MOST_ENTRIES, Outcome, usualOutcomes } from './kept';
export {
  closedBecause,
  ended,
  isFree,
  neverCalled,
  NEVER_YEARS,
  nextOf,
  REGISTRY_DAYS,
  tallyOf,
  TAKEN_MS,
  type Came,
  type Next,
  type Sight,
  type Tally,
} from './next';
