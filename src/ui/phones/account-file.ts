/** Account details as text and as a file. The file is described in docs/formats.md. */
import type { AccountDetails } from '$standins/registrar/accounts';

/** What the card says, line by line. */
export const accountLines = (a: AccountDetails): [string, string][] => [
  ['Server', a.server],
  ['Port', String(a.port)],
  ['Transport', a.transport.toUpperCase()],
  ['User', a.user],
  ['Authentication name', a.authName],
  ['Password', a.password],
  ['Realm', a.realm],
  ['Registers for', `${a.expires} s`],
  ['Codecs, in order', a.codecs.join(', ')],
  ['Digit map', a.digitMap],
];

export const accountText = (a: AccountDetails): string =>
  [`${a.owner}, extension ${a.extension}`, ...accountLines(a).map(([k, v]) => `${k}: ${v}`)].join('\n') +
  '\n';

export const accountFile = (accounts: readonly AccountDetails[]): string =>
  JSON.stringify({ format: 'upper-line-accounts', version: 1, accounts }, null, 2) + '\n';
