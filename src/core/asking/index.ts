export { hasAny, isSo, readAnswer, type Answer, type AnsweredBy } from './answers';
export { answerFor, finderOf, type Finder, type FoundAnswer } from './find';
export { answerInWords } from './words';
export { pointsOf, saysFor, usualTest } from './points';
