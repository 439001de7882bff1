/** What a staff phone has besides the call it is on. */
export const SECTIONS = {
  call: 'Call',
  recent: 'Recent',
  messages: 'Messages',
  texts: 'Texts',
  people: 'People',
  me: 'Me',
} as const;
export type Section = keyof typeof SECTIONS;
