export { decodeUlaw, encodeUlaw, RATE } from './g711';
export { loudness } from './loudness';
export {
  LONGEST_S,
  LOUDNESS,
  MOST_CHANNELS,
  NoSound,
  STAGES,
  toTelephone,
  type Stage,
  type TelephoneSound,
} from './telephone';
export { holdMusic } from './music';
export { keysIn, tone, tonesOf } from './tones';
export { hasUnspoken, speakable, voiceOf } from './speech';
export { withoutSilence } from './silence';
export { readWav, writeWav } from './wav';
