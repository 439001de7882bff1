export { whyNotFree } from './busy';
export { ANSWERS, changed, Guest, heard, Meeting, type Heard, type Reply } from './meeting';
