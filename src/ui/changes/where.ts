/** Where what changed stands: the page on which it is edited. */
import type { Part } from '$core/changes';

/** What parts are called as a heading. */
export const PART_HEADINGS: Record<Part, string> = {
  number: 'Numbers',
  plan: 'Plans',
  hours: 'Hours',
  rota: 'Rotas',
  person: 'People',
  phone: 'Phones',
  group: 'Groups',
  queue: 'Queues',
  mailbox: 'Mailboxes',
  recording: 'Recordings',
  business: 'The business',
  site: 'Sites',
  contact: 'Contacts',
  list: 'Lists of contacts',
  shortcut: 'Shortcuts',
  wording: 'Ready-made answers',
  'follow-up': 'Follow-ups',
  dialogue: 'Dialogues by text',
  calendar: 'Calendars',
  'own answer': 'Own answers',
  'call button': 'Call buttons',
  'meeting room': 'Meeting rooms',
  promise: 'Promises',
};

/** @returns null where there is no page of its own */
export function pageOf(part: Part, id: string): string | null {
  switch (part) {
    case 'number':
      return `/numbers#${id}`;
    case 'plan':
      return `/answering/${id}`;
    case 'hours':
      return `/hours#${id}`;
    case 'rota':
      return `/hours/rotas#${id}`;
    case 'person':
      return `/people/${id}`;
    case 'phone':
      return `/phones/${id}`;
    case 'group':
      return `/people/groups#${id}`;
    case 'queue':
      return `/answering/queues#${id}`;
    case 'mailbox':
      return `/messages/mailboxes#${id}`;
    case 'recording':
      return `/messages/recordings?of=${id}`;
    case 'business':
      return null;
    case 'site':
      return `/numbers/sites#${id}`;
    case 'contact':
      return `/answering/callers#${id}`;
    case 'list':
      return '/answering/callers';
    case 'shortcut':
    case 'wording':
      return null;
    case 'meeting room':
      return `/answering/rooms#${id}`;
    case 'call button':
      return `/by-itself/buttons#${id}`;
    case 'own answer':
      return `/answering/answers#${id}`;
    case 'calendar':
      return `/by-itself/bookings#${id}`;
    case 'dialogue':
      return `/by-itself/dialogues#${id}`;
    case 'follow-up':
      return `/by-itself#${id}`;
    case 'promise':
      return `/answering/promises#${id}`;
  }
}
