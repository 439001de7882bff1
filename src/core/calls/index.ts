export * from './base/request';
export * from './base/trace';
export { drawn, hashOf, spreadAt } from './rules/chance';
export { MEANING } from './base/outcomes';
export { worldOf } from './base/world';
export { CALLER, hears, isHeard, isOurs, MOST_ENDS, partyOf, type End, type Hears } from './base/talk';
export { heldForLine, lineOf } from './rules/line';
export { mayPickUp } from './talks/taking';
export { ownsMailbox, soundEnds } from './talks/listening';
export { CallEngine } from './engine/engine';
export { calledPerson } from './people/people';
export type { Action, CallState, Memory, Phase, Snapshot, Taken, Want } from './base/state';
export { ActionRecord, SnapshotRecord, snapshotRecord } from './engine/snapshot';
export { TraceRecord } from './base/stored-trace';
export { emptyMemory } from './base/state';
export { saidSoFar, type Note } from './words/said';
export { rehearse, rehearseAsNow, simulate, simulateEach } from './engine/rehearse';
export { ending, outcomeInWords, sentence, shownInWords, showing } from './words/summary';
export { numbersToShow, numberShownBy, shownBy, shownOn, type Shown } from './base/shown';
export {
  addressOfHelp,
  emergencyAnywhere,
  emergencyFrom,
  emergencyOfSites,
  helpFor,
  helpTable,
  type Help,
  type HelpFromPhone,
} from './rules/help';
export { traceLines } from './words/lines';
export { noticed, type Noticed } from './words/noticed';
export { ringChart, type Bar, type BarKind, type Lane, type RingChart } from './words/chart';
export { endName, listed, passedTo, phoneName, whoCalls, whoseName } from './base/names';
export { isQuiet } from './people/eligible';
export { ringableNow, supposedOn, type Ringable, type Supposed } from './engine/ringable';
export { awayAt, standInFor } from './rules/away';
export { everybodyAway, silenceMs, USUAL_SILENCE_SECONDS } from './mailbox/voicemail';
export { featureInWords } from './words/feature-words';
export { settingsOf } from './way/features';
export { callBacks, reachedOutside, type CallBack } from './words/callbacks';
export { costOf, metered, rateOf, type Metered } from './rules/meter';
export { centsLeft, isStopped, whyNotOut } from './rules/allowed';
export { timesOf, type CallTimes } from './words/times';
export { asTarget } from './way/extensions';
export { recordedIn } from './words/recorded';
export { asksAnything, isSpoken } from './way/asking/script';
export { meetingIn } from './way/meeting';
export { askedInVain } from './words/in-vain';
export { consentOf } from './talks/recording';
