export { spokenSeconds } from './spoken';
export { layOut, type Route, type Stop } from './route';
export { planInWords, ringNames, stepInWords } from './sentences';
export { arrivalTimes } from './arrival';
export { assignNumber } from './starters';
