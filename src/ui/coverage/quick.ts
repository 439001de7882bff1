import type { System } from '$core/system';

/** So many people and numbers are looked through between two frames; what is about more is worked out off the page. */
const MOST_AT_ONCE = 30;
export const isQuick = ({ people, numbers }: System): boolean =>
  Object.keys(people).length + Object.keys(numbers).length <= MOST_AT_ONCE;
