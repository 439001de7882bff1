export { decodeUlaw, encodeUlaw, RATE } from './g711';
export { loudness } from './loudness';
export { LOUDNESS, NoSound, toTelephone, type Stage, type TelephoneSound } from './telephone';
export { holdMusic } from './music';
export { peaksOf } from './peaks';
export { eraseKeys, KeyReceiver, keysIn, tone, tonesOf } from './tones';
export { hasUnspoken, speakable, voiceOf } from './speech';
export { CODEC, opinion, rating, soundsLike, type Connection } from './emodel';
export { writeStereo, writeWav } from './wav';
