export * from './request';
export * from './trace';
export { worldOf } from './world';
export { CallEngine } from './engine';
export { calledPerson } from './people';
export type { Action, CallState, Phase, Snapshot } from './state';
export { SnapshotRecord } from './snapshot';
export { emptyMemory } from './state';
export { saidSoFar, type Note } from './said';
export { rehearse, simulate } from './rehearse';
export { ending, outcomeInWords, sentence, shownInWords, showing } from './summary';
export { numberShownBy, shownBy, type Shown } from './shown';
export {
  addressOfHelp,
  emergencyAnywhere,
  emergencyFrom,
  helpFor,
  helpTable,
  type Help,
  type HelpFromPhone,
} from './help';
export { traceLines } from './lines';
export { noticed, type Noticed } from './noticed';
export { ringChart, type Bar, type BarKind, type Lane, type RingChart } from './chart';
export { listed, phoneName, whoCalls, whoseName } from './names';
export { isQuiet } from './eligible';
export { ringableNow, type Ringable } from './ringable';
export { awayAt, standInFor } from './away';
export { everybodyAway, silenceMs, USUAL_SILENCE_SECONDS } from './voicemail';
export { featureInWords, settingsOf } from './features';
export { callBacks, type CallBack } from './callbacks';
