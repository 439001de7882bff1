/** How windows that talk find each other: what they say to each other before sound flows. */
import { z } from 'zod';

export type Body =
  /** It is in the talk and would connect. */
  | { kind: 'here' }
  /** @property of which offer it is, or answers: where they cross, what is of another is not taken */
  | { kind: 'description'; description: RTCSessionDescriptionInit; of: string }
  | { kind: 'candidate'; candidate: RTCIceCandidateInit; of: string }
  /** Typed instead of spoken. */
  | { kind: 'words'; text: string };

/** From one end of a call to another. */
export type Signal = { callId: string; from: string; to: string } & Body;

export interface Signals {
  send(signal: Signal): void;
  /** @returns how to stop */
  listen(heard: (signal: Signal) => void): () => void;
  close(): void;
}

/** The channel of a browser on which its windows say it to each other. */
export const VOICE_CHANNEL = 'upper-line:voice';

const ends = { callId: z.string().max(120), from: z.string().max(120), to: z.string().max(120) };
const Said = z.discriminatedUnion('kind', [
  z.object({ ...ends, kind: z.literal('here') }),
  z.object({
    ...ends,
    kind: z.literal('description'),
    of: z.string().max(40),
    description: z.object({
      type: z.enum(['offer', 'answer', 'pranswer', 'rollback']),
      sdp: z.string().max(100_000).optional(),
    }),
  }),
  z.object({
    ...ends,
    kind: z.literal('candidate'),
    of: z.string().max(40),
    candidate: z.object({
      candidate: z.string().max(2000).optional(),
      sdpMid: z.string().max(100).nullable().optional(),
      sdpMLineIndex: z.number().nullable().optional(),
      usernameFragment: z.string().max(300).nullable().optional(),
    }),
  }),
  z.object({ ...ends, kind: z.literal('words'), text: z.string().max(5000) }),
]);
/** One that came from another machine. @returns undefined for what is none */
export const readSignal = (said: unknown): Signal | undefined =>
  Said.safeParse(said).data as Signal | undefined;
