/** A follow-up as a sentence. */
import { stepInWords } from '../answering';
import { listed } from '../calls';
import { writeTime } from '../hours';
import {
  allSteps,
  type FollowAfter,
  type FollowIf,
  type FollowThen,
  type FollowUp,
  type FollowWhen,
  type System,
} from '../system';

const quoted = (text: string): string => `“${text}”`;
const days = (n: number): string => (n === 1 ? 'a day' : `${n} days`);
const seconds = (n: number): string =>
  n % 60 === 0 ? (n === 60 ? 'a minute' : `${n / 60} minutes`) : n === 1 ? 'a second' : `${n} seconds`;

/** What a follow-up waits for: "a call came in vain". */
export function whenInWords(when: FollowWhen): string {
  switch (when.is) {
    case 'talked':
      return {
        in: 'a call that came in ends after a talk',
        out: 'a call that you made ends after a talk',
        either: 'a call ends after a talk',
      }[when.way];
    case 'missed':
      return 'a call comes in and reaches nobody';
    case 'waited':
      return `somebody waits in a queue longer than ${seconds(when.seconds)}`;
    case 'message':
      return 'somebody leaves a message';
    case 'recorded':
      return 'a call is recorded';
    case 'text':
      return when.words.length ? `a text comes with ${listed(when.words.map(quoted), 'or')}` : 'a text comes';
    case 'asked':
      return when.label
        ? `a caller answers the question ${quoted(when.label)}`
        : 'a caller answers a question';
    case 'tagged':
      return `a call is tagged ${quoted(when.tag)}`;
    case 'number moved':
      return 'a number has moved to you';
    case 'not paired':
      return `somebody who was invited has paired no phone after ${days(when.days)}`;
  }
}

const ENDS = {
  answered: 'somebody answered',
  message: 'they left a message',
  'gave up': 'they gave up while it rang or they waited',
  closed: 'you were closed',
  otherwise: 'it ended otherwise',
} as const;

/** A condition: "it came to Main line". */
export function ifInWords(condition: FollowIf, system: System): string {
  switch (condition.is) {
    case 'number':
      return `it was about ${listed(
        condition.numberIds.map((id) => system.numbers[id]?.label ?? 'a removed number'),
        'or',
      )}`;
    case 'step': {
      for (const plan of Object.values(system.plans))
        for (const step of allSteps(plan.steps))
          if (step.id === condition.step) {
            const { verb, what } = stepInWords(step, system);
            return `it came by ${quoted(`${verb} ${what}`.trim())} of ${plan.name}`;
          }
      return 'it came by a step that is gone';
    }
    case 'hours': {
      const name =
        (condition.hoursId && system.hours[condition.hoursId]?.name) || 'hours that are not chosen';
      return `${name} were ${condition.open ? 'open' : 'closed'}`;
    }
    case 'contact':
      return condition.known ? 'they are a contact' : 'they are no contact';
    case 'listed':
      return `they are on the list ${(condition.listId && system.lists[condition.listId]?.name) || 'that is not chosen'}`;
    case 'length':
      return `the talk took ${condition.longer ? 'longer than' : 'at most'} ${seconds(condition.seconds)}`;
    case 'end':
      return ENDS[condition.how];
    case 'tagged':
      return `it is ${condition.has ? '' : 'not '}tagged ${quoted(condition.tag)}`;
  }
}

/** What is done: "text them “We will call back”". */
export function thenInWords(then: FollowThen, system: System): string {
  const name = (id: string | null) => (id && system.people[id]?.name) || null;
  switch (then.do) {
    case 'text': {
      const from = then.numberId && system.numbers[then.numberId]?.label;
      return `text them ${quoted(then.text)}${from ? ` from ${from}` : ''}`;
    }
    case 'mail': {
      const to =
        then.to.is === 'contact'
          ? 'them'
          : then.to.is === 'address'
            ? then.to.address
            : (name(then.to.personId) ?? 'nobody yet');
      const file = {
        nothing: '',
        message: ' with the sound of the message',
        record: ' with what happened as a file',
      };
      return `mail ${to} ${quoted(then.subject)}${file[then.with]}`;
    }
    case 'hook':
      return `tell ${then.url}`;
    case 'task': {
      const whose = name(then.personId) ?? 'anybody';
      const what = then.callBack
        ? `the task to call back, ${quoted(then.text)}`
        : `the task ${quoted(then.text)}`;
      return `give ${whose} ${what}${then.days ? `, for ${then.days === 1 ? 'the day after' : `${then.days} days later`}` : ''}`;
    }
    case 'ask':
      return `begin the dialogue ${quoted((then.dialogueId && system.dialogues[then.dialogueId]?.name) || 'that is not chosen')} with them`;
    case 'list':
      return `put them on the call list ${quoted(then.callList ? then.name : 'that is not chosen')}`;
    case 'tag':
      return `tag it ${quoted(then.tag)}`;
    case 'note':
      return `note ${quoted(then.text)}`;
  }
}

export function afterInWords(after: FollowAfter): string {
  switch (after.is) {
    case 'minutes':
      return after.minutes === 0
        ? 'at once'
        : after.minutes === 1
          ? 'after a minute'
          : `after ${after.minutes} minutes`;
    case 'next day':
      return `on the next day at ${writeTime(after.at)}`;
  }
}

/** The whole of it: when, if, then, after, unless, pause. */
export function followUpInWords(followUp: FollowUp, system: System): string {
  const conditions = followUp.if.map((one) => ifInWords(one, system));
  return [
    `When ${whenInWords(followUp.when)}`,
    ...(conditions.length ? [`, and ${listed(conditions)}`] : []),
    `: ${listed(followUp.then.map((one) => thenInWords(one, system)))}, ${afterInWords(followUp.after)}`,
    ...(followUp.unlessTalked ? [', unless they were talked with by then'] : []),
    ...(followUp.pauseDays ? [`. Nobody gets it twice within ${days(followUp.pauseDays)}`] : []),
    '.',
  ].join('');
}
