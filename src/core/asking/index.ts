export { hasAny, isSo, readAnswer, type Answer, type AnsweredBy } from './answers';
export { answerFor, finderOf, type Finder, type FoundAnswer } from './find';
export { answeringHelp, asksOfCalendar, readAs, THEIR_CODE } from './kinds';
export { answerInWords } from './words';
export { pointsOf, saysFor, usualTest } from './points';
