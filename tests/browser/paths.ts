/** Where the pages of the demonstration are. A page that is added stands here, and is held to what all keep to. */
export const PAGES = [
  '/',
  '/numbers',
  '/numbers/get',
  '/numbers/bring',
  '/numbers/texting',
  '/numbers/sites',
  '/numbers/dialling',
  '/numbers/costs',
  '/hours',
  '/answering',
  '/people',
  '/people/rosa',
  '/people/rosa/leaving',
  '/people/list',
  '/people/groups',
  '/people/directory',
  '/people/roles',
  '/phones',
  '/phones/rosa-desk',
  '/phones/invitations',
  '/phones/desk',
  '/messages',
  '/changes',
];

/** The windows of phones, which are 390 wide. */
export const PHONES = ['/phone', '/bench/phone?business=lantern-cove'];
