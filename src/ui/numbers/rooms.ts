/** The pages about numbers, in the order in which they are needed. */
export const NUMBER_ROOMS: readonly { path: string; name: string }[] = [
  { path: '/numbers', name: 'Held' },
  { path: '/numbers/get', name: 'Get a number' },
  { path: '/numbers/bring', name: 'Bring one over' },
  { path: '/numbers/texting', name: 'Texting' },
  { path: '/numbers/sites', name: 'Sites' },
  { path: '/numbers/dialling', name: 'Dialling' },
  { path: '/numbers/costs', name: 'Costs' },
];
