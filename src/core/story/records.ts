/** What the story of dealings is made of, as far as it goes by it: records of storage pass as they are. */
import type { CallRequest, Trace } from '../calls';

/** What one of ours wrote down to a call or a message, afterwards. */
export interface Remark {
  /** Epoch milliseconds. */
  at: number;
  /** By name; whoever runs the system where that is empty. */
  by: string;
  text: string;
}
export interface CallKept {
  id: string;
  /** Epoch milliseconds. */
  at: number;
  request: CallRequest;
  trace: Trace;
  /** What happened, in a sentence. */
  words: string;
  /** When somebody said that calling back is done. */
  answeredAt?: number | undefined;
  /** Who is to see to it. */
  assignedTo?: string | undefined;
  /** Words it is found and counted by. */
  tags?: readonly string[] | undefined;
  /** What those who talked wrote down meanwhile. */
  note?: string | undefined;
  /** The oldest first. */
  remarks?: readonly Remark[] | undefined;
  /** What was recorded of it, with what was typed while it was. */
  recordings?: readonly { said?: readonly { text: string }[] | undefined }[] | undefined;
}
export interface MessageKept {
  /** That of the call it was left in. */
  id: string;
  mailboxId: string;
  at: number;
  from: string;
  fromNumber: string | null;
  said: string;
  notes?: readonly { label: string; text: string }[] | undefined;
  note?: string | undefined;
  remarks?: readonly Remark[] | undefined;
  folder?: string | undefined;
  answeredAt?: number | undefined;
  assignedTo?: string | undefined;
}
export interface TextKept {
  id: string;
  way: 'in' | 'out';
  /** E.164. */
  from: string;
  to: string;
  text: string;
  at: number;
  by?: string | undefined;
  /** Answered without a person. */
  byItself?: boolean | undefined;
  /** It has not gone yet: it is to go then. */
  sendAt?: number | undefined;
  files?: readonly { name: string; type: string; size: number; hash: string }[] | undefined;
}
export interface FaxKept {
  id: string;
  way: 'in' | 'out';
  from: string;
  to: string;
  at: number;
  by?: string | undefined;
  pages: number;
  file: { name: string; type: string; size: number; hash: string };
  mailboxId?: string | undefined;
  note?: string | undefined;
  folder?: string | undefined;
  answeredAt?: number | undefined;
  assignedTo?: string | undefined;
}
/** What is done to a fax by those who see to it. */
export interface FaxChange {
  seen?: boolean;
  turned?: 90 | 180 | 270 | undefined;
  assignedTo?: string | undefined;
  note?: string | undefined;
  answeredAt?: number | undefined;
  folder?: 'archive' | 'bin' | undefined;
}
/** What ours do about a conversation besides writing. */
export interface ThreadKept {
  /** See `conversationKey`. */
  id: string;
  assignedTo?: string | undefined;
  /** Since when nothing is to be done. */
  closedAt?: number | undefined;
}
