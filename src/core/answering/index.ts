export { recordingSeconds, spokenSeconds } from './spoken';
export { layOut, waysOn, type Route, type Stop } from './route';
export {
  branchInWords,
  explainPlan,
  PATTERN_WORDS,
  planInWords,
  ringNames,
  stepInWords,
  testInWords,
} from './sentences';
export { arrivalTimes } from './arrival';
export { OCCASION_WORDS, greetingAt, greetingWhenInWords, type Moment } from './greetings';
export { replaceCommands, usesOf, type Use } from './recordings';
export { plansFrom } from './plans-from';
export { assignNumber } from './starters';
export { BEGINNINGS, type Beginning } from './beginnings';
