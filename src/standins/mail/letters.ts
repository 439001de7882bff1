/** The letters this product writes. */
import type { Letter } from './compose';

type Words = Pick<Letter, 'subject' | 'text'>;

export interface MessageFacts {
  mailbox: string;
  from: string;
  at: string;
  seconds: number;
  said: string;
  sound: boolean;
  /** There are words, and the mailbox does not send them by mail. */
  withheld?: boolean;
  /** What the caller said and pressed before. */
  notes: readonly { label: string; text: string }[];
}

/** A voicemail message, mailed to whoever hears the mailbox. */
export const messageWords = (f: MessageFacts): Words => ({
  subject: `Message from ${f.from} in ${f.mailbox}`,
  text: `${f.from} left a message of ${f.seconds} s in ${f.mailbox}.
${f.at}
${f.notes.map((n) => `\n${n.label}: ${n.text}`).join('')}
${f.said ? f.said : f.sound ? 'The recording is attached.' : f.withheld ? 'Listen to it in the inbox, or dial in.' : 'No words were recorded.'}
`,
});

export interface EmergencyFacts {
  business: string;
  number: string;
  who: string;
  where: string;
  /** The number help rings back; empty where there is none. */
  callback: string;
  at: string;
}

/** Told at once to the people named for a site when somebody there calls for help (47 CFR §9.16). */
export const emergencyWords = (f: EmergencyFacts): Words => ({
  subject: `Emergency call to ${f.number} from ${f.where}`,
  text: `${f.who} at ${f.business} called ${f.number}.
${f.at}

The address that was given: ${f.where}
${f.callback ? `They ring back ${f.callback}.` : 'No number to ring back was given.'}

Go and see, and meet the help at the door.
`,
});

/** What is sent when a plan notifies by mail. What stands in braces has been filled in. */
export const noticeWords = (plan: string, text: string): Words => ({
  subject: `${plan}: ${text.split('\n')[0]!.slice(0, 80)}`,
  text: `${text}\n`,
});
