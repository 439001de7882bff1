export { checkPromise, checkPromises, DAYS_AHEAD, promisedCall, type Verdict } from './check';
export { keyPromise } from './key';
export { promiseOf } from './keep';
export { brokenBy, expectationInWords, promiseInWords, promiseTimeInWords, verdictsInWords } from './expect';
