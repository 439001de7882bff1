export { piecesOf, unansweredCall, type CallAt, type Piece } from './pieces';
export { everyWay, waysOf, type Ways } from './ways';
export { compressed, type Scale } from './scale';
export { coverageRows, secondsUntilRung, secondsUntilVoicemail } from './reach';
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
} from './difference';
export { callersOf, MOST_CALLERS, type Caller, type Callers } from './callers';
export { spansInWords } from './spans';
export { leftInWords, waysInWords } from './words';
export { weekInWords, type WayOfTheWeek } from './week';
