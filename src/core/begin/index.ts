export { beginAs, type Begun } from './beginning';
export { usualAnswer, type Answers, type Question } from './answers';
export { KINDS, type Kind } from './kinds';
export { nextOf, WORK, workOf, type Around, type Entry, type Task } from './work';
