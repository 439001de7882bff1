/** What can stand in each part of a follow-up, with what a new one of it begins as. */
import { FOLLOWED_ENDS, type FollowIf, type FollowThen, type FollowUp, type FollowWhen } from '$core/system';

type Whens = { [K in FollowWhen['is']]: { says: string; fresh: Extract<FollowWhen, { is: K }> } };
export const WHENS: Whens = {
  missed: { says: 'a call comes in and reaches nobody', fresh: { is: 'missed' } },
  talked: { says: 'a call ends after a talk', fresh: { is: 'talked', way: 'in' } },
  waited: { says: 'somebody waits long in a queue', fresh: { is: 'waited', seconds: 60 } },
  message: { says: 'somebody leaves a message', fresh: { is: 'message' } },
  recorded: { says: 'a call is recorded', fresh: { is: 'recorded' } },
  text: { says: 'a text comes', fresh: { is: 'text', words: ['price'] } },
  asked: { says: 'a caller answers a question', fresh: { is: 'asked', label: '' } },
  tagged: { says: 'a call is tagged', fresh: { is: 'tagged', tag: 'urgent' } },
  'number moved': { says: 'a number has moved to you', fresh: { is: 'number moved' } },
  'not paired': { says: 'somebody invited has paired no phone', fresh: { is: 'not paired', days: 3 } },
};

type Ifs = { [K in FollowIf['is']]: { says: string; fresh: Extract<FollowIf, { is: K }> } };
export const IFS: Ifs = {
  number: { says: 'it was about certain numbers', fresh: { is: 'number', numberIds: [] } },
  hours: { says: 'hours were open or closed', fresh: { is: 'hours', hoursId: null, open: false } },
  contact: { says: 'they are a contact, or none', fresh: { is: 'contact', known: false } },
  listed: { says: 'they are on a list', fresh: { is: 'listed', listId: null } },
  length: { says: 'the talk took so long', fresh: { is: 'length', longer: true, seconds: 60 } },
  end: { says: 'it ended in a certain way', fresh: { is: 'end', how: 'gave up' } },
  step: { says: 'it came by a certain step', fresh: { is: 'step', step: 'none' } },
  tagged: { says: 'it is tagged, or not', fresh: { is: 'tagged', tag: 'urgent', has: false } },
};
export const END_WORDS: Record<(typeof FOLLOWED_ENDS)[number], string> = {
  answered: 'somebody answered',
  message: 'they left a message',
  'gave up': 'they gave up while it rang or they waited',
  closed: 'you were closed',
  otherwise: 'it ended otherwise',
};

type Thens = { [K in FollowThen['do']]: { says: string; fresh: Extract<FollowThen, { do: K }> } };
export const THENS: Thens = {
  text: { says: 'text them', fresh: { do: 'text', text: '{business}: ', numberId: null } },
  ask: { says: 'begin a dialogue by text', fresh: { do: 'ask', dialogueId: null, numberId: null } },
  mail: {
    says: 'send a mail',
    fresh: {
      do: 'mail',
      to: { is: 'person', personId: null },
      subject: '{caller}, {when}',
      text: '{caller} called {line} at {when}.',
      with: 'nothing',
    },
  },
  task: {
    says: 'give somebody a task',
    fresh: { do: 'task', personId: null, text: 'See to {caller}', callBack: false, days: 0 },
  },
  list: { says: 'put them on a call list', fresh: { do: 'list', callList: null, name: '' } },
  tag: { says: 'tag the call', fresh: { do: 'tag', tag: 'followed up' } },
  note: { says: 'note something to the call', fresh: { do: 'note', text: 'Followed up, {when}' } },
  hook: { says: 'tell records elsewhere', fresh: { do: 'hook', url: 'https://records.example/calls' } },
};

/** Whether there is another side that can be texted. */
export const isAboutACall = ({ when }: Pick<FollowUp, 'when'>): boolean =>
  when.is !== 'number moved' && when.is !== 'not paired';
