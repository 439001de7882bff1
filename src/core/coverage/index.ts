export { piecesOf, unansweredCall, type CallAt, type Piece } from './pieces';
export { everyWay, waysOf, type Ways } from './ways';
export { compressed, type Scale } from './board/scale';
export {
  callersFor,
  NO_FILTER,
  numbersFor,
  rowsOf,
  tableOf,
  type Filter,
  type Row,
  type Shown,
} from './board/lanes';
export { GLANCES, yearsOf, type Day, type Year } from './board/year';
export { endsWell, firstOf, firstRung, worstEnd, type Glance } from './first';
export {
  differenceOf,
  effectOf,
  differencesOf,
  differing,
  type Difference,
  type Differences,
  type DifferencesSoFar,
  type Differing,
} from './differing/difference';
export { likenessOf } from './alike';
export { callersOf, MOST_CALLERS, type Caller, type Callers } from './callers';
export { spansInWords } from './spans';
export { leftInWords, waysInWords } from './words';
export { weekInWords, type WayOfTheWeek } from './board/week';
