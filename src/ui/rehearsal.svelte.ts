/** The rehearsal that the strip shows: what call, when, and how people behave. */
import {
  NEW_CALLER,
  outcomeInWords,
  rehearse,
  ringChart,
  type Act,
  type Behaviour,
  type CallRequest,
} from '$core/calls';
import { spansOf } from '$core/booking';
import type { System, PairedStanding } from '$core/system';
import { asLink, freshQuestion } from './rehearse/question';
import { subjectOf } from './rehearse/subject';
import { Remembered } from './remembered.svelte';
import { supposed } from './supposed/supposed.svelte';
import { theBusiness } from './window/session.svelte';

/** What is kept of a calendar. */
export const taken = (calendarId: string) => spansOf(theBusiness().view.bookings, calendarId);

/** What the strip lets people do. */
export const DOINGS = ['answers', 'declines', 'is on a call', 'is switched off'] as const;
type Doing = (typeof DOINGS)[number];

export interface Question {
  numberId: string | null;
  hidden: boolean;
  at: number | null;
  personId: string | null;
  does: Doing;
  after: number;
}

class Rehearsal {
  /** `at`: moment of the call, or null for now. `after`: seconds of ringing before somebody acts. */
  private asked = new Remembered<Question>('rehearsal', {
    numberId: null,
    hidden: false,
    at: null,
    personId: null,
    does: 'answers',
    after: 9,
  });

  get question(): Question {
    return this.asked.value;
  }
  /** Asks something else. */
  ask(change: Partial<Question>): void {
    this.asked.value = { ...this.asked.value, ...change };
  }

  /** Who behaves in a way of their own, as long as they are in this business. */
  readonly personId = $derived(
    this.question.personId && theBusiness().system.people[this.question.personId]
      ? this.question.personId
      : null,
  );

  /** The number or plan asked about, or the first there is. */
  readonly subject = $derived(subjectOf(theBusiness().system, this.question.numberId));
  readonly number = $derived(this.subject.number);
  /** With the number that a plan is tried with. */
  readonly system = $derived(this.subject.system);

  /** The minute asked about: a rehearsal of "now" need not be drawn anew every second. */
  readonly moment = $derived(this.question.at ?? Math.floor(theBusiness().now / 60_000) * 60_000);

  readonly behaviour: Behaviour = $derived({
    people: this.personId ? { [this.personId]: this.act() } : {},
    phones: {},
    otherwise: { does: 'nothing' },
    caller: { hangsUpAfter: null, talks: 60, message: 12 },
  });

  readonly request: CallRequest | null = $derived(
    this.number
      ? {
          id: 'rehearsal',
          at: this.moment,
          from: { kind: 'outside', number: this.question.hidden ? null : NEW_CALLER },
          to: { kind: 'number', e164: this.number.e164 },
          behaviour: this.behaviour,
        }
      : null,
  );

  /** The part of an address that asks the same on the page for rehearsals. */
  readonly link = $derived(
    asLink({
      ...freshQuestion(this.question.hidden ? '' : NEW_CALLER),
      numberId: this.subject.id,
      at: this.moment,
      people: this.behaviour.people,
    }),
  );

  /** As if everybody had paired, or as it is. */
  readonly standing = $derived(supposed.paired('rehearsal', theBusiness().system, theBusiness().standing));

  readonly trace = $derived(this.request ? rehearse(this.system, this.standing, this.request, taken) : null);
  readonly chart = $derived(this.trace ? ringChart(this.trace, this.system) : null);
  readonly outcome = $derived(this.trace ? outcomeInWords(this.trace, this.system) : '');

  /** Those this call can ring, for the choice of who behaves how. */
  readonly people = $derived.by(() => {
    if (!this.request) return [];
    const rung = peopleIn(this.system, this.standing, this.request);
    return this.personId && !rung.includes(this.personId) ? [...rung, this.personId] : rung;
  });

  private act(): Act {
    if (this.question.does === 'answers' || this.question.does === 'declines')
      return { does: this.question.does, after: this.question.after };
    return { does: this.question.does };
  }
}

/** Everybody offered or passed over when nobody answers, in the order they come. */
function peopleIn(system: System, standing: PairedStanding, request: CallRequest): string[] {
  const nobody: Behaviour = { ...request.behaviour!, people: {} };
  const seen = new Set<string>();
  for (const e of rehearse(system, standing, { ...request, behaviour: nobody }))
    if ((e.kind === 'leg offered' || e.kind === 'not rung') && e.personId) seen.add(e.personId);
  return [...seen];
}

export const rehearsal = new Rehearsal();
