/** What can be done, found by the words people use for it, and where it is done. */
import type { System } from '$core/system';
import { asLink, freshQuestion } from '../rehearse/question';

/** Where something is done: on a page, with the part of it that takes the cursor; or by the frame itself. */
export type Doing =
  | { href: string; part?: Part }
  | { act: 'bench' | 'own business' | 'undo' | 'redo' | 'keys' | 'save as a file' };

/** Parts of pages that are led to, by the value of their `data-part`. */
export type Part = 'add a person' | 'close now' | 'block a number';

export interface ToDo {
  title: string;
  doing: Doing;
  /** The key that does it from anywhere. */
  key?: string;
}
interface Known extends ToDo {
  /** Other words people have for it. */
  words: string;
}

const KNOWN: readonly Known[] = [
  {
    title: 'Add a person',
    words: 'new employee colleague staff extension',
    doing: { href: '/people', part: 'add a person' },
  },
  { title: 'Read a list of people', words: 'import csv spreadsheet many', doing: { href: '/people/list' } },
  { title: 'Get a number', words: 'new buy order local toll-free', doing: { href: '/numbers/get' } },
  {
    title: 'Bring a number over',
    words: 'port transfer move keep provider carrier',
    doing: { href: '/numbers/bring' },
  },
  {
    title: 'Name, time zone and clock of the business',
    words: 'settings rename country dates 12-hour 24-hour language preferences',
    doing: { href: '/begin/business' },
  },
  {
    title: 'What is done, and what is next',
    words: 'begin start order of the work checklist set up first steps',
    doing: { href: '/begin' },
  },
  {
    title: 'Begin as a kind of business',
    words: 'template example shop office trades one person sites',
    doing: { href: '/begin/kind' },
  },
  { title: 'Start with your own business', words: 'new begin empty', doing: { act: 'own business' } },
  {
    title: 'Close now until…',
    words: 'closed shut early leave today',
    doing: { href: '/hours', part: 'close now' },
  },
  { title: 'Stay open until…', words: 'open longer late now', doing: { href: '/hours', part: 'close now' } },
  { title: 'Opening hours of the week', words: 'times lunch saturday business', doing: { href: '/hours' } },
  {
    title: 'Holidays and days off',
    words: 'public holiday vacation christmas closed calendar',
    doing: { href: '/hours/year' },
  },
  { title: 'Who is on duty', words: 'rota on-call duty roster shift swap', doing: { href: '/hours/rotas' } },
  {
    title: 'Block a number',
    words: 'spam unwanted caller nuisance reject',
    doing: { href: '/answering/callers', part: 'block a number' },
  },
  {
    title: 'Menus and plans',
    words: 'menu keys press greeting answering flow',
    doing: { href: '/answering' },
  },
  {
    title: 'Meeting rooms: meet by telephone',
    words: 'conference bridge pin host mute lock room call together',
    doing: { href: '/answering/rooms' },
  },
  {
    title: 'Call button for your site',
    words: 'website web snippet html embed link widget call back visitor',
    doing: { href: '/by-itself/buttons' },
  },
  {
    title: 'Own answers: what callers ask, answered by itself',
    words: 'faq question answer knowledge script robot assistant',
    doing: { href: '/answering/answers' },
  },
  { title: 'Queues: who serves, waiting', words: 'hold line wait', doing: { href: '/answering/queues' } },
  { title: 'Log somebody in or out of a queue', words: 'pause live board', doing: { href: '/figures' } },
  { title: 'PIN of a mailbox', words: 'voicemail password code', doing: { href: '/messages/mailboxes' } },
  {
    title: 'Greeting of a mailbox',
    words: 'voicemail announcement message',
    doing: { href: '/messages/mailboxes' },
  },
  {
    title: 'Recordings that callers hear',
    words: 'announcement record voice sound music welcome',
    doing: { href: '/messages/recordings' },
  },
  {
    title: 'Missed calls and who waits for an answer',
    words: 'call back missed return',
    doing: { href: '/messages/call-back' },
  },
  {
    title: 'Every call, message and text',
    words: 'log history search recent',
    doing: { href: '/messages/log' },
  },
  { title: 'Contacts', words: 'address book customers cards vcard', doing: { href: '/messages/contacts' } },
  {
    title: 'Invite somebody to pair a phone',
    words: 'pair app softphone mobile mail code',
    doing: { href: '/phones/invitations' },
  },
  {
    title: 'Keep this machine as the exchange',
    words: 'always on awake server switch window',
    doing: { href: '/exchange' },
  },
  {
    title: 'Shut out a lost phone',
    words: 'device stolen tablet other machine block',
    doing: { href: '/phones/devices' },
  },
  {
    title: 'Voice between networks',
    words: 'stun turn server nat firewall no sound outside ice',
    doing: { href: '/phones/devices' },
  },
  { title: 'Set up a desk phone', words: 'sip register handset account', doing: { href: '/phones/desk' } },
  { title: 'Emergency addresses', words: '911 112 999 help site address', doing: { href: '/numbers/sites' } },
  {
    title: 'Caller ID and dialling',
    words: 'shown outside line star code parking abroad international record',
    doing: { href: '/numbers/dialling' },
  },
  { title: 'What it costs', words: 'price bill credit month money', doing: { href: '/numbers/costs' } },
  {
    title: 'Roles: who may do what',
    words: 'permission rights administrator look as',
    doing: { href: '/people/roles' },
  },
  {
    title: 'Promise what callers get',
    words: 'test guarantee check',
    doing: { href: '/answering/promises' },
  },
  {
    title: 'Follow-ups: what happens by itself after a call',
    words: 'automatic missed call text back automation rule when then hook webhook',
    doing: { href: '/by-itself' },
  },
  {
    title: 'Answer texts by their words, and ask questions by text',
    words: 'keyword reply auto responder survey rating dialogue satisfaction',
    doing: { href: '/by-itself/dialogues' },
  },
  {
    title: 'What was answered to surveys',
    words: 'results satisfaction rating score',
    doing: { href: '/by-itself/answers' },
  },
  {
    title: 'Text many people',
    words: 'mass bulk campaign newsletter blast round consent',
    doing: { href: '/by-itself/rounds' },
  },
  {
    title: 'Call lists: call many people one after the other',
    words: 'dialler campaign outbound telephone sales do not call',
    doing: { href: '/by-itself/lists' },
  },
  {
    title: 'Appointments: free times and who has one',
    words: 'booking calendar schedule slot reserve',
    doing: { href: '/by-itself/bookings' },
  },
  { title: 'Tasks', words: 'to do todo reminder', doing: { href: '/by-itself/tasks' } },
  {
    title: 'What was done by itself, and what failed',
    words: 'sent automatic errors retry web hook secret',
    doing: { href: '/by-itself/done' },
  },
  {
    title: 'Are there enough people?',
    words: 'staffing ill erlang wait',
    doing: { href: '/figures/people' },
  },
  {
    title: 'Look at what changes, and put it in force',
    words: 'review publish apply save draft go live',
    doing: { href: '/changes' },
  },
  { title: 'Where your data is', words: 'copy backup storage export restore', doing: { href: '/data' } },
  { title: 'Save everything as a file', words: 'copy backup export', doing: { act: 'save as a file' } },
  {
    title: 'Open or close the bench',
    words: 'outside phone mail clock carrier try',
    doing: { act: 'bench' },
    key: 'B',
  },
  { title: 'Undo the last change', words: 'back', doing: { act: 'undo' }, key: 'Ctrl Z' },
  { title: 'Do it again', words: 'redo', doing: { act: 'redo' }, key: 'Ctrl Shift Z' },
  { title: 'All keys', words: 'keyboard shortcuts help', doing: { act: 'keys' }, key: '?' },
];

const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^\p{L}\p{N}-]+/u)
    .filter(Boolean);
/** Words that say nothing of what is meant. */
const IDLE = new Set(['a', 'an', 'the', 'of', 'to', 'for', 'as', 'my', 'how', 'do', 'i', 'is', 'in', 'on']);
const meant = (query: string): string[] => {
  const words = wordsOf(query);
  const said = words.filter((w) => !IDLE.has(w));
  return said.length ? said : words;
};
const begins = (words: readonly string[], typed: string): boolean => words.some((w) => w.startsWith(typed));

/** What is done to one person or number: each needs words of its own, and the rest of what is typed names whom. */
const OF_PEOPLE: readonly { title: (name: string) => string; words: string; at: (id: string) => string }[] = [
  {
    title: (n) => `Forward calls of ${n}`,
    words: 'forward divert redirect send calls',
    at: (id) => `/people/${id}/reach`,
  },
  {
    title: (n) => `Do not disturb: ${n}`,
    words: 'disturb dnd silent quiet busy',
    at: (id) => `/people/${id}/reach`,
  },
  {
    title: (n) => `${n} is away`,
    words: 'away absence leave holiday vacation sick ill',
    at: (id) => `/people/${id}`,
  },
  {
    title: (n) => `${n} leaves`,
    words: 'leaves remove delete fire quit',
    at: (id) => `/people/${id}/leaving`,
  },
];
const REHEARSE = 'call rehearse test try ring';

/** Those whose title or words begin with every word that is typed, those whose title does first. */
export function thingsToDo(system: System, query: string): ToDo[] {
  const typed = meant(query);
  // A letter alone begins everything.
  if (typed.every((word) => word.length < 2)) return [];
  const found = KNOWN.flatMap((known) => {
    const title = wordsOf(known.title);
    const all = [...title, ...wordsOf(known.words)];
    if (!typed.every((word) => begins(all, word))) return [];
    return [{ known, first: typed.filter((word) => begins(title, word)).length }];
  }).sort((a, b) => b.first - a.first);
  /** What is left of the query when the words for an act are taken away; null where none of them is there. */
  const whom = (words: string): string[] | null => {
    const own = wordsOf(words);
    const rest = typed.filter((word) => word.length < 3 || !begins(own, word));
    return rest.length < typed.length ? rest : null;
  };
  const named = <T>(of: Record<string, T>, nameOf: (one: T) => string, rest: readonly string[]): T[] =>
    Object.values(of).filter((one) => rest.every((word) => begins(wordsOf(nameOf(one)), word)));
  const ofPeople = OF_PEOPLE.flatMap(({ title, words, at }): ToDo[] => {
    const rest = whom(words);
    if (!rest) return [];
    // Without a name it is done from the list of people.
    if (!rest.length) return [{ title: title('somebody'), doing: { href: '/people' } }];
    return named(system.people, (p) => p.name, rest).map((p) => ({
      title: title(p.name),
      doing: { href: at(p.id) },
    }));
  });
  const rest = whom(REHEARSE);
  const ofNumbers = rest
    ? named(system.numbers, (n) => n.label, rest).map((n): ToDo => ({
        title: `Rehearse a call to ${n.label}`,
        doing: { href: `/answering/rehearsal${asLink({ ...freshQuestion(''), numberId: n.id })}` },
      }))
    : [];
  return [...found.map(({ known: { words: _, ...todo } }) => todo), ...ofPeople, ...ofNumbers];
}
