export { estimated, logged, usedBy, WEEKS_A_MONTH, type Tariff, type Used } from './costs';
export {
  billOf,
  fixedLines,
  LOG_CALLS,
  LOG_DAYS,
  minutesOf,
  totals,
  type BillLine,
  type Minutes,
  type Sum,
} from './bill';
export { AHEAD_DAYS, LOOKED_AT_DAYS, recordingRoom, type RecordingRoom } from './room';
export { spentOn, type Spent, type SpentBy } from './spent';
