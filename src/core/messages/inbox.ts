/** The inbox: messages found by what is in them, where they lie and whose they are. */

/** Where a message lies. */
export type Folder = 'inbox' | 'archive' | 'bin' | 'spam';

/** What of a message the inbox goes by. */
export interface Message {
  id: string;
  mailboxId: string;
  /** Epoch milliseconds. */
  at: number;
  from: string;
  fromNumber: string | null;
  /** What the caller said, as far as it is known in words. */
  said: string;
  heard: boolean;
  notes?: { label: string; text: string }[] | undefined;
  /** What a colleague wrote to it. */
  note?: string | undefined;
  /** Who is to see to it. */
  assignedTo?: string | undefined;
  /** Absent is the inbox. */
  folder?: Exclude<Folder, 'inbox'> | undefined;
  /** When it was put in the bin. */
  binnedAt?: number | undefined;
  /** When somebody called or texted back, or said that it is done. */
  answeredAt?: number | undefined;
}

export interface InboxQuestion {
  folder: Folder;
  /** Empty is every mailbox. */
  mailboxId: string;
  /** Empty is everybody's; '-' is nobody's. */
  assignedTo: string;
  onlyNew: boolean;
  /** Words that must all be found, in any order; digits find numbers. */
  text: string;
}
export const ALL_MESSAGES: InboxQuestion = {
  folder: 'inbox',
  mailboxId: '',
  assignedTo: '',
  onlyNew: false,
  text: '',
};

/** All that can be searched of a message, once for each; a message that is changed is another object. */
const searchable = new WeakMap<Message, string>();
function textOf(m: Message): string {
  let text = searchable.get(m);
  if (text === undefined) {
    const notes = (m.notes ?? []).map((n) => `${n.label} ${n.text}`);
    text = [m.from, m.fromNumber ?? '', m.said, m.note ?? '', ...notes].join(' ').toLowerCase();
    searchable.set(m, text);
  }
  return text;
}

/** The messages a question leaves, the newest first. */
export function inbox<M extends Message>(messages: readonly M[], question: InboxQuestion): M[] {
  const words = question.text.toLowerCase().split(/\s+/).filter(Boolean);
  return messages
    .filter(
      (m) =>
        (m.folder ?? 'inbox') === question.folder &&
        (!question.mailboxId || m.mailboxId === question.mailboxId) &&
        (!question.assignedTo || (m.assignedTo ?? '-') === question.assignedTo) &&
        (!question.onlyNew || !m.heard) &&
        words.every((w) => textOf(m).includes(w) || (/^\d{3,}$/.test(w) && digitsOf(m).includes(w))),
    )
    .sort((a, b) => b.at - a.at);
}
const digitsOf = (m: Message): string => (m.fromNumber ?? '').replace(/\D/g, '');

/** Days a message lies in the bin before it is gone. */
export const BIN_DAYS = 30;
const DAY_MS = 86_400_000;

/**
 * Messages whose time is over: older than their mailbox keeps them, or long enough in the bin.
 * @param keepDays by mailbox; absent is for ever @param now epoch milliseconds
 */
export const overdue = <M extends Message>(
  messages: readonly M[],
  keepDays: ReadonlyMap<string, number>,
  now: number,
): M[] =>
  messages.filter((m) => {
    const days = keepDays.get(m.mailboxId);
    const binned = m.folder === 'bin' && m.binnedAt !== undefined && now - m.binnedAt > BIN_DAYS * DAY_MS;
    return binned || (days !== undefined && now - m.at > days * DAY_MS);
  });
