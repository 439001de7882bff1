/** What callers of Lantern Cove hear, and the mailboxes they come to. */
import { type Command, type Greeting } from '../src/core/system';

const recording = (id: string, name: string, text: string): Command => ({
  do: 'recording.add',
  value: { id, name, text },
});
export const RECORDINGS = [
  recording('welcome', 'Welcome', 'Thank you for calling Lantern Cove Boatworks. One moment, please.'),
  recording(
    'closed',
    'Yard closed',
    'The yard is closed now. If a boat is adrift, call our night watch at 360, 555, 0160.',
  ),
  recording('lunch', 'Lunch', 'The office is at lunch until one.'),
  recording('charter-welcome', 'Charters', 'Lantern Cove boat charters, good day.'),
  recording(
    'front-greeting',
    'Busy on the slip',
    'We are all busy on the slip. Please leave your name, your boat and a number.',
  ),
  recording(
    'workshop-greeting',
    'Workshop greeting',
    'You have reached the workshop. Please leave a message after the tone.',
  ),
  recording(
    'charters-greeting',
    'Charters greeting',
    'The charter desk is not there just now. Tell us your dates and how many you are.',
  ),
  recording(
    'service-menu',
    'Service',
    'For a boat on the slip press 1. For storage and launching press 4. For charters press 7. If you know the extension, dial it; to spell a name press 9. Or stay on the line.',
  ),
  recording('storage-menu', 'Storage', 'To store a boat press 1. For the crane press 5.'),
  recording('please-hold', 'Please hold', 'Thank you for waiting. Somebody will be with you soon.'),
  recording(
    'christmas',
    'Christmas',
    'The yard rests until the second of January. Leave a message; we call back in the new year.',
  ),
  recording('rosa-greeting', 'Rosa is out', 'This is Rosa. I am out in the yard, please leave a message.'),
];

const mailbox = (
  id: string,
  name: string,
  ownerIds: string[],
  greetingId: string | null,
  greetings?: Greeting[],
): Command => ({
  do: 'mailbox.add',
  value: { id, name, ownerIds, greetingId, longest: 180, mailTo: [], ...(greetings ? { greetings } : {}) },
});
export const MAILBOXES = [
  mailbox('front', 'Front desk', ['rosa', 'idris'], 'front-greeting', [
    {
      id: 'front-christmas',
      when: { on: 'dates', from: '2026-12-24', to: '2027-01-01' },
      recordingId: 'christmas',
    },
  ]),
  mailbox('workshop', 'Workshop', ['tomas', 'mei'], 'workshop-greeting'),
  mailbox('charters', 'Charters', ['pia'], 'charters-greeting'),
  mailbox('rosa-box', 'Rosa Delgado', ['rosa'], 'rosa-greeting'),
  mailbox('store', 'Winter store', ['wren'], null),
];
