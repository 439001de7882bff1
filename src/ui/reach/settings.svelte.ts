/** Settings that hold at once, made from a page or a phone of this browser. */
import type { OwnValues, Setting } from '$core/system';
import { byWhom } from '../format';
import { here, session, theBusiness } from '../window/session.svelte';

/** Carries out changes. @param words what they do, for the notice that offers to take them back */
export type Send = (words: string, settings: Setting[]) => Promise<void>;

/** Sends changes from a page of the administration: whoever looks makes them. */
export const sendFromHere: Send = (words, settings) => send(words, settings, byWhom(theBusiness().actorName));

/** Carries out changes now. @param by who makes them, and where */
export async function send(words: string, settings: Setting[], by: string): Promise<void> {
  const stayed = await here().deeds.set(words, settings, by);
  if (stayed.length) tellStayed(stayed);
}

/** Says that newer settings were left as they are. */
export function tellStayed(stayed: { what: string; by: string }[]): void {
  session.say({
    kind: 'info',
    title: 'Not set: it was set again later',
    detail: stayed.map((s) => `${nameOf(s.what)} stays as ${s.by} set it.`).join(' '),
  });
}

const NAMES: Record<string, string> = {
  always: 'Forwarding always',
  steps: 'The order of ringing',
  onBusy: 'Forwarding when busy',
  alwaysUntil: 'Until when all is forwarded',
  onDeclined: 'Forwarding when declined',
  onUndisturbed: 'Forwarding while not to be disturbed',
  onNotAnswered: 'Forwarding when nobody answers',
  onUnreachable: 'Forwarding when no phone can ring',
  quiet: 'Quiet hours',
  away: 'Days away',
  exceptions: 'Who gets through',
  screening: 'Saying a name first',
  hidden: 'Hidden callers',
  mobileSeenBy: 'Who sees their own mobile',
  shows: 'What the linked phone shows',
  confirmByKey: 'The key to press',
  resting: 'This phone',
  blocked: 'The block list',
  'do not disturb': 'Do not disturb',
  'logged in': 'Who serves the queue',
  paused: 'The pause',
  credit: 'The credit',
  'allowed again': 'What was stopped',
  'own word': 'The word of their own',
  'own shortcuts': 'Their shortcuts',
};
const nameOf = (what: string): string => NAMES[what] ?? what;

/** Settings of a person in words: “the order of ringing, quiet hours”. */
export const settingsInWords = (values: OwnValues): string =>
  Object.keys(values)
    .map((field) => nameOf(field))
    .map((name) => name.charAt(0).toLowerCase() + name.slice(1))
    .join(', ');
