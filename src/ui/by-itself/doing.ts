/** What a follow-up does, in words. */
import type { Doing } from '$core/followups';
import { known } from '$core/story';
import { theBusiness } from '../window/session.svelte';

/** "Text from (360) 555-0142: “Sorry…”". */
export function doingInWords(doing: Doing | null): string {
  const { system } = theBusiness();
  switch (doing?.do) {
    case 'text':
      return `Text from ${theBusiness().number(doing.from)}: “${doing.text}”`;
    case 'ask':
      return `Dialogue from ${theBusiness().number(doing.from)}: ${doing.name}`;
    case 'mail':
      return `Mail to ${doing.name}: “${doing.subject}”`;
    case 'task': {
      const whose = doing.personId ? system.people[doing.personId]?.name : undefined;
      return `Task of ${whose ?? 'anybody'}: “${doing.text}”`;
    }
    case 'list':
      return `Put on the call list “${doing.list}”`;
    case 'tag':
      return `Tagged “${doing.tag}”`;
    case 'note':
      return `Note: “${doing.text}”`;
    case 'hook':
      return `Told ${doing.url}`;
    case undefined:
      return 'Nothing';
  }
}

/** Who the other side is: a contact, a number, or nobody. */
export const otherInWords = (other: string | null): string =>
  other
    ? (known(theBusiness().system).contacts.get(other)?.name ?? theBusiness().number(other))
    : 'a hidden number';
