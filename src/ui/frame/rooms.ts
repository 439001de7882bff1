/** Pages that belong together, in the order in which they are needed. */
export interface Room {
  path: string;
  name: string;
}

export const BEGIN_ROOMS: readonly Room[] = [
  { path: '/begin', name: 'Order of the work' },
  { path: '/begin/kind', name: 'Begin as' },
  { path: '/begin/business', name: 'The business' },
];

export const NUMBER_ROOMS: readonly Room[] = [
  { path: '/numbers', name: 'Held' },
  { path: '/numbers/get', name: 'Get a number' },
  { path: '/numbers/bring', name: 'Bring one over' },
  { path: '/numbers/texting', name: 'Texting' },
  { path: '/numbers/sites', name: 'Sites' },
  { path: '/numbers/dialling', name: 'Dialling' },
  { path: '/numbers/costs', name: 'Costs' },
];

export const PEOPLE_ROOMS: readonly Room[] = [
  { path: '/people', name: 'Everybody' },
  { path: '/people/list', name: 'Read a list' },
  { path: '/people/groups', name: 'Groups' },
  { path: '/people/directory', name: 'Directory' },
  { path: '/people/roles', name: 'Roles' },
];

export const PHONE_ROOMS: readonly Room[] = [
  { path: '/phones', name: 'Where they stand' },
  { path: '/phones/invitations', name: 'Invitations' },
  { path: '/phones/desk', name: 'Desk phones' },
  { path: '/phones/devices', name: 'On other machines' },
];

export const HOURS_ROOMS: readonly Room[] = [
  { path: '/hours', name: 'Weeks' },
  { path: '/hours/year', name: 'Year and exceptions' },
  { path: '/hours/rotas', name: 'Rotas' },
];

export const ANSWERING_ROOMS: readonly Room[] = [
  { path: '/answering', name: 'Plans' },
  { path: '/answering/queues', name: 'Queues' },
  { path: '/answering/answers', name: 'Own answers' },
  { path: '/answering/rooms', name: 'Meeting rooms' },
  { path: '/answering/callers', name: 'Callers' },
  { path: '/answering/promises', name: 'Promises' },
  { path: '/answering/rehearsal', name: 'Rehearsal' },
];

export const MESSAGE_ROOMS: readonly Room[] = [
  { path: '/messages', name: 'Inbox' },
  { path: '/messages/log', name: 'Log' },
  { path: '/messages/texts', name: 'Texts' },
  { path: '/messages/faxes', name: 'Faxes' },
  { path: '/messages/contacts', name: 'Contacts' },
  { path: '/messages/call-back', name: 'To answer' },
  { path: '/messages/mailboxes', name: 'Mailboxes' },
  { path: '/messages/recordings', name: 'Recordings' },
  { path: '/messages/script', name: 'Read in one go' },
];

export const BY_ITSELF_ROOMS: readonly Room[] = [
  { path: '/by-itself', name: 'Follow-ups' },
  { path: '/by-itself/dialogues', name: 'Dialogues by text' },
  { path: '/by-itself/answers', name: 'Answers' },
  { path: '/by-itself/rounds', name: 'Texts to many' },
  { path: '/by-itself/lists', name: 'Call lists' },
  { path: '/by-itself/bookings', name: 'Appointments' },
  { path: '/by-itself/buttons', name: 'Call buttons' },
  { path: '/by-itself/done', name: 'What was done' },
  { path: '/by-itself/tasks', name: 'Tasks' },
];

export const FIGURE_ROOMS: readonly Room[] = [
  { path: '/figures', name: 'Now' },
  { path: '/figures/questions', name: 'Questions' },
  { path: '/figures/boards', name: 'Boards' },
  { path: '/figures/people', name: 'Enough people?' },
  { path: '/figures/formulas', name: 'Formulas' },
];

export const ALL_ROOMS: readonly Room[] = [
  ...BEGIN_ROOMS,
  ...NUMBER_ROOMS,
  ...HOURS_ROOMS,
  ...ANSWERING_ROOMS,
  ...PEOPLE_ROOMS,
  ...PHONE_ROOMS,
  ...MESSAGE_ROOMS,
  ...BY_ITSELF_ROOMS,
  ...FIGURE_ROOMS,
];
