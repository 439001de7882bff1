export { callerHears, takesKeys, takesWords } from './caller';
export { heardInWords, heardNow, type Heard, type Playable } from './heard';
export { talkSound, type TalkSound } from './talk';
export { visitorCall, type VisitorCall, type VisitorSound } from './visitor';
