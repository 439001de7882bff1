/** The exchange moves to another machine: what the one that gives and the one that takes say to each other, sealed. */
import { z } from 'zod';

/** Both must mean the same version before the first word. */
export const PROLOGUE = new TextEncoder().encode('upper-line moving 1') as Uint8Array<ArrayBuffer>;
/** So much of the file goes at a time; the next when that has arrived. In bytes. */
export const PART = 1_000_000;

export const Asks = z.object({ secret: z.string().max(60), kind: z.string().max(120) });
export type Asks = z.infer<typeof Asks>;

/** The first answer: whether the link is right, and of whom it is. */
export type Answer = { ok: true; business: string } | { ok: false; why: string };

/** What stands around a business in its browser: how it is shown, its boards, the clock of the bench. */
export type Around = { key: string; value: unknown }[];

export type FromGiver =
  | { is: 'begin'; size: number }
  | { is: 'part'; bytes: Uint8Array }
  /** @property calls those in progress, as they are stored; null is none */
  | { is: 'end'; calls: unknown; around: Around }
  /** That it is taken was heard: both know it. */
  | { is: 'known' }
  | { is: 'not now'; why: string };

export const FromTaker = z.discriminatedUnion('is', [
  z.object({ is: z.literal('ready') }),
  z.object({ is: z.literal('got') }),
  /** It is stored there, and goes on there. */
  z.object({ is: z.literal('taken') }),
  z.object({ is: z.literal('failed'), why: z.string().max(500) }),
]);
export type FromTaker = z.infer<typeof FromTaker>;

/** The link that moves it: address at the relay, key, secret. */
export interface MoveLink {
  address: string;
  publicKey: string;
  secret: string;
}
export const writeMove = ({ address, publicKey, secret }: MoveLink): string =>
  `move=${[address, publicKey, secret].join('.')}`;
/** @returns undefined for anything else */
export function readMove(fragment: string): MoveLink | undefined {
  const match = /^#?move=([\w-]{22})\.([\w-]{43})\.([\w-]{43})$/.exec(fragment);
  if (!match) return undefined;
  const [, address, publicKey, secret] = match as unknown as [string, string, string, string];
  return { address, publicKey, secret };
}
