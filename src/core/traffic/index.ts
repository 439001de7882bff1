export { asked, type Wanted } from './asked';
export { DEFINITIONS, MEASURES, type Measure, type Unit } from './definitions';
export { ENOUGH, inTimeOf, quantile, shareOf, tally, type Figure, type Tally } from './figures';
export {
  BECAME,
  becameOf,
  EVERYTHING,
  judged,
  MISSED,
  OFFERED,
  passes,
  USUAL_RULES,
  type Became,
  type Filter,
  type Judged,
  type Rules,
} from './judged';
export {
  Bins,
  QUESTIONS,
  reportOf,
  type Asked,
  type Cell,
  type Chart,
  type Report,
  type ReportId,
  type Table,
  type WeekMap,
} from './reports';
export {
  comparedWith,
  COMPARISONS,
  grainOf,
  GRAINS,
  HOURS_A_WEEK,
  hoursThatWere,
  lengthOf,
  momentsOf,
  partOf,
  partsOf,
  Span,
  weekHour,
  type Comparison,
  type Grain,
} from './span';
export { todayOf, type SoFar, type Today } from './today';
export { changeText, valueText } from './words';
export { NAMED_SPANS, spanOf, type NamedSpan } from './named-spans';
export { Board, Boards, filterOf, mailDue, MOST_BOARDS, MOST_TILES, movedTile, SHOWS, Tile } from './boards';
export { whoseFigures } from './whose';
export { quantileOf } from './quantiles';
