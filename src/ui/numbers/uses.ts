import type { NumberHeld } from '$core/system';

/** What a number can be for, with its words in a list. */
export const USES: readonly { value: NumberHeld['use']; text: string }[] = [
  { value: 'main', text: 'main line' },
  { value: 'direct', text: 'direct to a person' },
  { value: 'department', text: 'a department' },
  { value: '24-hour', text: '24-hour line' },
  { value: 'shared', text: 'shared by several' },
];
