/** What an exchange and a phone on another machine say to each other, sealed: the relay between them reads none of it. */
import { z } from 'zod';
import type { Signal } from '../../channel/voice';
import type { FromPhone, ToPhone } from '../phones/protocol';
import type { FromVisit, ToVisit } from '../visits/words';

/** Both must mean the same version before the first word. */
export const PROLOGUE = new TextEncoder().encode('upper-line devices 1') as Uint8Array<ArrayBuffer>;

/**
 * The first word of a device. @property join what the link said, where it comes by one for the first time
 * @property visits the call button of a site that it comes by: it is no phone then, and is known by nothing
 */
export const Greeting = z.object({
  version: z.string().max(40),
  join: z
    .object({
      invitationId: z.string().max(60),
      secret: z.string().max(60),
      name: z.string().max(80),
      kind: z.string().max(120),
    })
    .optional(),
  visits: z.string().max(60).optional(),
});
export type Greeting = z.infer<typeof Greeting>;

/** How it stands with a device. */
export type Standing =
  /** Somebody is still to say that it is theirs. */
  | { is: 'asks'; business: string }
  | { is: 'suspended'; why: string }
  /** @property who whose phone it is, and which */
  | { is: 'paired'; business: string; businessId: string; phoneId: string; who: string }
  /** It is a visitor of a site. */
  | { is: 'visit' }
  /** Never again: what it kept is to be erased. */
  | { is: 'shut out' }
  /** By its link or its key it is nobody. */
  | { is: 'refused'; why: string };

export type ToDevice =
  | { is: 'standing'; standing: Standing }
  | { is: 'phone'; message: ToPhone }
  | { is: 'visit'; message: ToVisit }
  | { is: 'signal'; signal: Signal };

export type FromDevice =
  /** The answer was understood: only whoever made the greeting can say so. */
  | { is: 'ready' }
  | { is: 'phone'; message: FromPhone }
  | { is: 'visit'; message: FromVisit }
  | { is: 'signal'; signal: Signal };
