export { afterCall, type AfterCall } from './after-call';
export { resultsOf, wilson, type Result, type Share } from './results';
export { answer, begin, isOpen, Run, type Context, type Turn } from './run';
export { dialogueStarters } from './starters';
export { beginsInWords, stepSays, testInWords } from './words';
export { beganBy, wrongWords } from './which';
export { rehearsed, type Line } from './rehearse';
export { valuesOf } from './values';
