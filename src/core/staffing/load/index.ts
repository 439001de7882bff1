export { busyOf, changeOf, countOf, linesNeeded, loadOf, ratioOf, type Hours } from './answers';
export { formulaBeside, meanOfLengths, type Beside } from './beside';
export { Typed, typedTraffic } from './typed';
export { COUNTS, runWeek, type Count, type Week } from './run';
export {
  liftsOf,
  patienceOf,
  QUARTERS,
  stillThere,
  trafficOf,
  USUAL,
  type Lengths,
  type Line,
  type Patience,
  type Seen,
  type Traffic,
} from './traffic';
export { changed, desksOf, usualMonday, type Change, type Desk } from './variants';
export { dayFactor, lengthBy, weekOf } from './week';
export {
  ALL_HOURS,
  deskOf,
  hoursOf,
  shareInWords,
  tooFewAt,
  USUAL_GOAL,
  windowInWords,
  windowSaid,
  type Goal,
  type Tried,
  type Window,
} from './windows';
export { daysOfPromises, hoursOfPromise, loadPromiseInWords, verdictOf, type LoadVerdict } from './promise';
export { LoadPromise, LoadPromises, MOST_LOAD_PROMISES } from './promised';
