export { BrowserSignals, type Signal, type Signals } from './signals';
export { Voice, type TalkNow, type VoiceNow } from './voice';
export { HoldMusic } from './hold-music';
export { tryServer, type Tried } from './servers';
export { waysHere, type Ways } from './ways';
export { KeyListener } from './key-listener';
export { LONGEST_S, type CallSound } from './call-recorder';
