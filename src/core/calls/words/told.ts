/**
 * Where each happening is told besides its line: drawn in the ring chart, noticed by somebody (it decides whether two calls
 * differ), said in the sentence of a call. Whoever tells them handles every kind that is told there, or does not compile.
 */
import type { Happening, TraceEvent } from '../base/trace';

type Telling = 'drawn' | 'noticed' | 'said';

const TOLD = {
  arrived: [],
  step: [],
  hours: [],
  caller: [],
  shared: [],
  drawn: [],
  plan: [],
  menu: ['drawn', 'noticed', 'said'],
  shown: ['noticed'],
  key: ['noticed', 'said'],
  'wrong key': ['noticed'],
  'no key': ['noticed'],
  dialled: ['noticed', 'said'],
  'spell a name': ['drawn', 'noticed'],
  'found by name': ['drawn', 'noticed'],
  asked: ['drawn', 'noticed', 'said'],
  noted: ['noticed'],
  told: ['drawn', 'noticed'],
  notified: ['noticed'],
  queued: ['drawn', 'noticed', 'said'],
  'nobody free': [],
  'came first': [],
  'left for last': [],
  paused: [],
  credit: ['noticed'],
  stopped: ['noticed'],
  comfort: ['noticed'],
  'left queue': ['drawn', 'said'],
  'call back asked': ['noticed'],
  'prompt started': ['drawn', 'noticed', 'said'],
  'prompt ended': [],
  'not rung': ['drawn'],
  'leg offered': ['drawn', 'noticed'],
  'leg sounding': ['drawn', 'noticed'],
  'leg asked to confirm': ['drawn', 'noticed'],
  'leg ended': ['drawn', 'noticed'],
  'ringing over': [],
  redirected: ['said'],
  'stand-in': [],
  group: [],
  'on duty': [],
  'forward skipped': [],
  answered: ['drawn', 'noticed', 'said'],
  'greeting started': ['drawn', 'noticed'],
  tone: ['drawn', 'noticed'],
  says: ['drawn', 'noticed'],
  pin: [],
  plays: ['drawn'],
  marked: [],
  'recording started': ['drawn', 'noticed'],
  recorded: ['noticed'],
  'not kept': ['noticed'],
  'no mailbox': [],
  emergency: ['noticed'],
  'goes out': ['noticed', 'said'],
  machine: ['noticed', 'said'],
  held: ['drawn', 'noticed'],
  'hold reminder': [],
  'taken back': ['drawn', 'noticed'],
  'passed on': ['drawn', 'noticed', 'said'],
  'comes back': ['noticed', 'said'],
  joins: ['drawn', 'noticed', 'said'],
  leaves: ['drawn', 'noticed'],
  parked: ['drawn', 'noticed', 'said'],
  fetched: ['noticed', 'said'],
  'picked up': ['noticed', 'said'],
  'keys sent': ['noticed'],
  'phone gone': ['drawn', 'noticed', 'said'],
  'phone there again': ['drawn', 'noticed'],
  'not done': [],
  ended: ['drawn', 'noticed'],
} as const satisfies Record<Happening['kind'], readonly Telling[]>;

/** Happenings that are told somewhere. */
export type ToldIn<W extends Telling> = Extract<
  TraceEvent,
  { kind: { [K in keyof typeof TOLD]: W extends (typeof TOLD)[K][number] ? K : never }[keyof typeof TOLD] }
>;

export const isTold = <W extends Telling>(event: TraceEvent, where: W): event is ToldIn<W> =>
  (TOLD[event.kind] as readonly Telling[]).includes(where);
