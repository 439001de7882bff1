/** What happens by itself in the demonstration. */
import { starters } from '../src/core/followups';
import type { Command } from '../src/core/system';

const [sorry, , waited, thanks] = starters('mei');
export const FOLLOW_UPS: readonly Command[] = [
  {
    do: 'follow-up.add',
    value: { ...sorry!, id: 'sorry', if: [{ is: 'number', numberIds: ['n-main', 'n-workshop'] }] },
  },
  { do: 'follow-up.add', value: { ...waited!, id: 'waited' } },
  { do: 'follow-up.add', value: { ...thanks!, id: 'thanks', rests: true } },
];
