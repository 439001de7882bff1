/** Everything that is written, by what it is for: how surely it must lie on disk, and what becomes of it when it cannot be stored. */

interface Writing {
  /** What it is, as the frame tells it when it cannot be stored. */
  words: string;
  /** Said to be saved only when it lies on disk (IndexedDB 3.0, durability "strict"), not in the system's cache. */
  strict: boolean;
  /** It waits until it can be stored, and holds back what comes after it; otherwise whoever asked is told at once. */
  waits: boolean;
}

export const ACTS = {
  edit: { words: 'a change of the draft', strict: true, waits: true },
  'put in force': { words: 'put in force', strict: true, waits: true },
  standing: { words: 'a setting that holds at once', strict: true, waits: true },
  messages: { words: 'a change of messages', strict: true, waits: true },
  calls: { words: 'a change of the call log', strict: true, waits: true },
  mail: { words: 'mail', strict: true, waits: true },
  invitations: { words: 'invitations', strict: true, waits: true },
  carrier: { words: 'dealings with the carrier', strict: true, waits: true },
  text: { words: 'a text', strict: true, waits: true },
  clock: { words: 'the clock of the bench', strict: false, waits: true },
  bench: { words: 'what outside phones do', strict: false, waits: true },
  /** The person still has the sound, and is told beside it. */
  sound: { words: 'a sound', strict: true, waits: false },
  file: { words: 'a file', strict: true, waits: false },
  /** The file is still there; the page says what came of it. */
  business: { words: 'a whole business', strict: true, waits: false },
  /** A way on from damaged data. */
  mending: { words: 'the way on', strict: true, waits: false },
  /** Calls in progress: the switch tries again by itself. */
  call: { words: 'a call in progress', strict: false, waits: false },
  /** Nothing anybody entered hangs on it: folding, sweeping, which business opens first. */
  upkeep: { words: 'upkeep', strict: false, waits: false },
} as const satisfies Record<string, Writing>;
export type Act = keyof typeof ACTS;
