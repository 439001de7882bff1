/** Who works at Lantern Cove, on which phones, in which groups. */
import {
  newGroup,
  newPerson,
  newPhone,
  PHONE_NAMES,
  type Command,
  type PhoneKind,
  type Role,
} from '../src/core/system';

export interface Who {
  id: string;
  name: string;
  extension: string;
  role?: Role;
  site?: string;
  phones: PhoneKind[];
}

export const PEOPLE: Who[] = [
  { id: 'rosa', name: 'Rosa Delgado', extension: '201', role: 'owner', phones: ['desk', 'mobile app'] },
  { id: 'idris', name: 'Idris Okafor', extension: '202', role: 'administrator', phones: ['desk', 'browser'] },
  { id: 'pia', name: 'Pia Lindqvist', extension: '203', phones: ['mobile app'] },
  { id: 'tomas', name: 'Tomas Brandt', extension: '204', phones: ['desk'] },
  { id: 'mei', name: 'Mei Tanaka', extension: '205', phones: ['desk', 'mobile app'] },
  { id: 'anselm', name: 'Anselm Frey', extension: '206', phones: ['desk'] },
  { id: 'noor', name: 'Noor Haddad', extension: '207', phones: ['computer'] },
  { id: 'callum', name: 'Callum Reyes', extension: '208', phones: ['mobile app'] },
  { id: 'ines', name: 'Ines Morel', extension: '209', phones: ['desk'] },
  { id: 'dov', name: 'Dov Petrenko', extension: '210', phones: ['linked mobile'] },
  { id: 'wren', name: 'Wren Halloran', extension: '211', site: 'store', phones: ['desk'] },
  { id: 'jonah', name: 'Jonah Achterberg', extension: '212', site: 'store', phones: ['browser'] },
  { id: 'slipway', name: 'Slipway shed', extension: '220', role: 'shared room', phones: ['desk'] },
];

/** Phones whose invitation nobody has taken up yet. */
export const UNPAIRED = ['idris-browser', 'jonah-browser'];
export const phoneId = (who: string, kind: PhoneKind): string => `${who}-${kind.replace(' ', '-')}`;

export const person = ({ id, name, extension, role = 'staff', site: siteId = 'yard' }: Who): Command => ({
  do: 'person.add',
  value: newPerson({
    id,
    name,
    extension,
    role,
    siteId,
    email: role === 'shared room' ? '' : `${name.toLowerCase().replace(' ', '.')}@lanterncove.example`,
  }),
});
export const phone = (who: Who, kind: PhoneKind): Command => ({
  do: 'phone.add',
  value: newPhone({
    id: phoneId(who.id, kind),
    name: PHONE_NAMES[kind],
    kind,
    personId: who.id,
    outsideOffice: kind === 'mobile app',
    number: kind === 'linked mobile' ? '+13605550188' : null,
  }),
});

const group = (id: string, name: string, extension: string, people: string[]): Command => ({
  do: 'group.add',
  value: newGroup({ id, name, extension, members: people.map((p) => ({ kind: 'person', id: p })) }),
});
export const GROUPS = [
  group('front-office', 'Front office', '230', ['rosa', 'idris', 'ines']),
  group('workshop-crew', 'Workshop crew', '231', ['tomas', 'mei', 'anselm']),
  group('charter-desk', 'Charter desk', '232', ['pia', 'callum']),
];
