/** Settings of the whole business that stand on pages of their own: what each is, and where. */
import { writeNumber } from '$core/numbering';
import { slotsOf, type System } from '$core/system';
import { count } from '../format';

export interface Elsewhere {
  name: string;
  is: string;
  href: string;
}

export function elsewhere({ business, sites, recordings }: System): Elsewhere[] {
  const slots = slotsOf(business);
  const abroad = business.callsOut;
  return [
    {
      name: 'Dialling',
      is: `Extensions of ${business.extensionLength} digits; ${business.outsideDigit ? `${business.outsideDigit} for an outside line` : 'outside numbers as they are'}`,
      href: '/numbers/dialling',
    },
    {
      name: 'Number shown',
      is: business.defaultCallerId
        ? writeNumber(business.defaultCallerId, business.country)
        : 'the number each person has',
      href: '/numbers/dialling',
    },
    {
      name: 'Who may call where',
      is: abroad ? 'by rule' : 'everybody everywhere',
      href: '/numbers/dialling',
    },
    { name: 'Recording of calls', is: business.recording ? 'by rule' : 'never', href: '/numbers/dialling' },
    {
      name: 'Parking',
      is: slots.length ? `on ${slots[0]} to ${slots.at(-1)}` : 'nowhere',
      href: '/numbers/dialling',
    },
    {
      name: 'Heard on hold',
      is: business.holdSilent
        ? 'silence'
        : (recordings[business.holdMusicId ?? '']?.name ?? 'music made by code'),
      href: '/numbers/dialling',
    },
    { name: 'Sites', is: count(Object.keys(sites).length, 'site'), href: '/numbers/sites' },
    {
      name: 'Unwanted calls',
      is: business.unwanted ? 'as set' : 'blocked callers are refused',
      href: '/answering/callers',
    },
    {
      name: 'Invitations',
      is: `good for ${count(business.invitation.days, 'day')}`,
      href: '/phones/invitations',
    },
    { name: 'Roles', is: 'who may do what', href: '/people/roles' },
    {
      name: 'Words said wrongly',
      is: count(business.respellings?.length ?? 0, 'word'),
      href: '/messages/recordings',
    },
    { name: 'Where data is', is: 'this browser, copies, files', href: '/data' },
  ];
}
