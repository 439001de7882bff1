/** Something the checks found: where, in plain words, and its fix where one edit can do it. Data alone: a worker hands it over. */
import type { Verdict } from '../promises';
import type { Edit, Standing, System } from '../system';

export type Severity = 'stops' | 'warning' | 'hint';

export type Place =
  | {
      kind:
        | 'number'
        | 'person'
        | 'phone'
        | 'group'
        | 'queue'
        | 'rota'
        | 'hours'
        | 'mailbox'
        | 'site'
        | 'follow-up'
        | 'dialogue'
        | 'calendar'
        | 'own answer'
        | 'call button'
        | 'meeting room';
      id: string;
    }
  | { kind: 'dialling' }
  | { kind: 'plan'; id: string; stepId?: string };

export interface Finding {
  /** The same as long as the same thing is wrong at the same place. */
  id: string;
  severity: Severity;
  place: Place;
  /** What is wrong. */
  title: string;
  /** Why it matters to a caller, or what to do. */
  detail: string;
  fix?: { label: string; edit: Edit };
  /** What it asks to be corrected, where typing it is the fix. */
  correct?: Correction;
}

/** Somebody's e-mail address, to be typed. */
export interface Correction {
  label: string;
  value: string;
  personId: string;
  words: string;
}
/** The edit that gives what was typed. */
export const corrected = ({ personId, words }: Correction, text: string): Edit => ({
  words,
  commands: [{ do: 'person.set', id: personId, change: { email: text } }],
});

/** What a check sees. `freshId` makes ids for what a fix adds. */
export interface Sight {
  /** As people have set it: their own settings stand over the document. */
  system: System;
  /** The document alone, which fixes are edits of. */
  document: System;
  standing: Standing;
  /** The day in the business's time zone, ISO. */
  today: string;
  /** Epoch milliseconds, to the minute. */
  now?: number;
  /** E-mail addresses whose last letter came back, with why. */
  cameBack?: Readonly<Record<string, string>>;
  /** What follow-ups could not do lately, by follow-up. */
  troubled?: Readonly<Record<string, { n: number; why: string }>>;
  /** Promises that a worker found broken, or could not follow to the end. */
  broken?: readonly Extract<Verdict, { is: 'broken' | 'not followed' }>[];
  freshId: (kind: string) => string;
}
export type Check = (sight: Sight) => Finding[];
/** What the checks are asked with. */
export type Asked = Omit<Sight, 'document'>;
