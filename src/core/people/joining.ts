/** Somebody who joins: themselves, a phone, and a mailbox of their own. */
import {
  newMailbox,
  newPerson,
  newPhone,
  PHONE_NAMES,
  type Command,
  type Person,
  type PhoneKind,
} from '../system';

export interface Joining {
  /** A person, or a room that a shared phone serves: that has a desk phone, and no mailbox. */
  what: 'person' | 'room';
  name: string;
  email: string;
  extension: string;
  siteId: string | null;
}

/** The commands of one edit that adds somebody. @param id theirs */
export function joiningCommands(
  id: string,
  { what, name, email, extension, siteId }: Joining,
  freshId: (kind: string) => string,
): Command[] {
  const room = what === 'room';
  const kind: PhoneKind = room ? 'desk' : 'browser';
  const role: Person['role'] = room ? 'shared room' : 'staff';
  const mailboxId = freshId('mailbox');
  return [
    {
      do: 'person.add',
      value: newPerson({ id, name, email: room ? '' : email.trim(), extension, siteId, role }),
    },
    {
      do: 'phone.add',
      value: newPhone({
        id: freshId('phone'),
        name: PHONE_NAMES[kind],
        kind,
        personId: id,
        outsideOffice: !room,
      }),
    },
    ...(room
      ? []
      : ([
          {
            do: 'mailbox.add',
            // A name that is missing is said at the person, not here.
            value: newMailbox({ id: mailboxId, name: name.trim() || '-', ownerIds: [id] }),
          },
          { do: 'person.set', id, change: { mailboxId } },
        ] satisfies Command[])),
  ];
}
