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
export { spentOn, type Spent, type SpentBy } from './spent';
