/** Messages as the telephone system holds them for those who dial in, and what their phones are told. */

export interface Held {
  id: string;
  /** How it is spoken of: a number written, or a name. */
  from: string;
  /** The number to call back, E.164; null where it was hidden. */
  fromNumber: string | null;
  /** Epoch milliseconds. */
  at: number;
  seconds: number;
  heard: boolean;
}

/** What is done to a message by those who see to it. */
export interface MessageChange {
  heard?: boolean;
  note?: string | undefined;
  assignedTo?: string | undefined;
  folder?: 'archive' | 'bin' | 'spam' | undefined;
  /** Epoch milliseconds. */
  binnedAt?: number | undefined;
  answeredAt?: number | undefined;
}

export interface Waiting {
  fresh: number;
  heard: number;
}

/** Messages that lie in the inbox of a mailbox. */
export const waitingIn = (
  messages: readonly { mailboxId: string; heard: boolean; folder?: string | undefined }[],
  mailboxId: string,
): Waiting => {
  const here = messages.filter((m) => m.mailboxId === mailboxId && !m.folder);
  const fresh = here.filter((m) => !m.heard).length;
  return { fresh, heard: here.length - fresh };
};

/**
 * What a phone that subscribes to a mailbox is sent: the light is on while there are new ones.
 * Source: RFC 3842 §3.5 and §5, `application/simple-message-summary`, from memory. Urgent messages there are none.
 * @param account the address of the mailbox, as a SIP URI
 */
export const messageSummary = ({ fresh, heard }: Waiting, account: string): string =>
  [
    `Messages-Waiting: ${fresh > 0 ? 'yes' : 'no'}`,
    `Message-Account: ${account}`,
    `Voice-Message: ${fresh}/${heard} (0/0)`,
    '',
  ].join('\r\n');
