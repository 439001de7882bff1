/** Reading a list of people: what it would change, row by row and cell by cell. Nothing is changed by it. */
import { assignNumber } from '../../answering';
import { ExtensionProposer, familyOf, type ExtensionRule } from '../../people';
import {
  newGroup,
  newMailbox,
  newPerson,
  newPhone,
  Person,
  PHONE_NAMES,
  type PhoneKind,
  Role,
  type Command,
  type Group,
  type System,
} from '../../system';
import type { Field } from './columns';
import { Known, lower } from './known';
import { wholeNumber } from '../csv/decode';
import { LONGEST_LIST, readList } from './lists';
import { readNumbers, readPhones, type Cell, type Wrong } from './phones';

export interface PeopleOptions {
  rule: ExtensionRule;
  /** Groups named in the list that do not exist are made. */
  makeGroups: boolean;
  /** Phones of somebody new whose row names none. */
  phones: PhoneKind[];
  /** Kinds of new phones that may be used outside the office. */
  outside: PhoneKind[];
}

export interface PersonRow {
  /** Index of the row in the table. */
  row: number;
  name: string;
  does: 'new' | 'changes' | 'same' | 'wrong';
  /** The extension they have or get. */
  extension: string;
  /** It was proposed by the rule. */
  proposed: boolean;
  changes: { field: string; from: string; to: string }[];
  problems: { field: Field | ''; message: string }[];
}

export interface PeoplePreview {
  rows: PersonRow[];
  commands: Command[];
  /** Groups that are named and do not exist. */
  missingGroups: string[];
}

/** Words that stand for a role. */
const ROLES: Record<string, Role> = {
  admin: 'administrator',
  room: 'shared room',
  employee: 'staff',
  user: 'staff',
};
const Name = Person.shape.name;
const Email = Person.shape.email;
const message = (result: {
  success: boolean;
  error?: { issues: { message: string }[] };
}): string | undefined => result.error?.issues[0]?.message;

/** Progress is told after so many rows. */
const TELL_EVERY = 100;

/**
 * What reading a table would change. People are known by their e-mail address, else by their extension, else by their
 * whole name; rows that are wrong are left out of the commands.
 * @param freshId makes ids for what is new
 */
export function previewPeople(
  rows: readonly string[][],
  fields: readonly (Field | null)[],
  faults: Readonly<Record<number, string>>,
  options: PeopleOptions,
  system: System,
  freshId: (kind: string) => string,
  progress: (done: number, of: number) => void = () => {},
): PeoplePreview {
  const reader = new Reader(system, options, freshId);
  const read = rows.map((cells, row) => {
    if (row % TELL_EVERY === 0) progress(row, rows.length);
    const cell = (field: Field): string | undefined => {
      const i = fields.indexOf(field);
      return i < 0 ? undefined : (cells[i] ?? '').trim();
    };
    return reader.read(row, cell, faults[row]);
  });
  return { rows: read, commands: reader.commands(), missingGroups: reader.missing };
}

class Reader {
  missing: string[] = [];
  private made: Command[] = [];
  private joins = new Map<string, string[]>();
  private newGroups: Group[] = [];
  private proposer: ExtensionProposer;
  private known: Known;
  /** Who a row of this list is, or has as address or number: rows must not say the same twice. */
  private seen = new Map<string, number>();

  constructor(
    private system: System,
    private options: PeopleOptions,
    private freshId: (kind: string) => string,
  ) {
    this.proposer = new ExtensionProposer(system, options.rule);
    this.known = new Known(system);
  }

  /** All commands: people and what they have, then the groups with their new members. */
  commands(): Command[] {
    const groups = this.newGroups.map((g): Command => ({
      do: 'group.add',
      value: { ...g, members: (this.joins.get(g.id) ?? []).map((id) => ({ kind: 'person', id })) },
    }));
    const joined = Object.values(this.system.groups).flatMap((g): Command[] => {
      const ids = this.joins.get(g.id);
      return ids
        ? [
            {
              do: 'group.set',
              id: g.id,
              change: { members: [...g.members, ...ids.map((id) => ({ kind: 'person' as const, id }))] },
            },
          ]
        : [];
    });
    return [...this.made, ...groups, ...joined];
  }

  read(row: number, cell: Cell, fault: string | undefined): PersonRow {
    const problems: PersonRow['problems'] = [];
    const wrong = (field: Field | '', text: string) => void problems.push({ field, message: text });
    if (fault) wrong('', fault);
    const [given, family] = [cell('given name') ?? '', cell('family name')];
    const name = cell('name') ?? `${given} ${family ?? ''}`.trim();
    const email = cell('e-mail');
    const typed = cell('extension') === undefined ? undefined : wholeNumber(cell('extension')!);
    const was = this.known.find(name, email, typed);
    if (was === 'several')
      wrong('name', 'Two are called so. Give the e-mail address or the extension as well.');
    const known = was === 'several' ? undefined : was;
    const nameWrong = message(Name.safeParse(name || (known?.name ?? '')));
    if (nameWrong) wrong('name', nameWrong);
    const familyWrong = message(Person.shape.familyName.safeParse(family ?? ''));
    if (familyWrong) wrong('family name', familyWrong);
    const emailWrong = email === undefined ? undefined : message(Email.safeParse(email));
    if (emailWrong) wrong('e-mail', emailWrong);
    const owner = email ? this.known.byEmail.get(lower(email)) : undefined;
    if (owner && owner !== known) wrong('e-mail', `${owner.name} has this e-mail address already.`);
    this.once(row, email && `e-mail ${lower(email)}`, () => 'e-mail', wrong);
    if (known) this.once(row, `person ${known.id}`, () => (email ? 'e-mail' : 'name'), wrong);

    const change: Partial<Person> = {};
    const role = cell('role');
    if (role) {
      const read = Role.safeParse((Object.hasOwn(ROLES, lower(role)) && ROLES[lower(role)]) || lower(role));
      if (read.success) change.role = read.data;
      else wrong('role', `“${role}” is not owner, administrator, staff or shared room.`);
    }
    const named = <T extends { id: string }>(
      field: 'site' | 'working hours',
      items: Map<string, T>,
      what: string,
    ) => {
      const text = cell(field);
      const found = text ? items.get(lower(text)) : undefined;
      if (text && !found) wrong(field, `There is no ${what} “${text}”.`);
      return text === undefined ? undefined : (found?.id ?? null);
    };
    const siteId = named('site', this.known.sites, 'site');
    const hoursId = named('working hours', this.known.hours, 'set of hours');
    const seenBy = cell('mobile seen by');
    if (seenBy) {
      const read = Person.shape.mobileSeenBy.safeParse(lower(seenBy));
      if (read.success) change.mobileSeenBy = read.data;
      else wrong('mobile seen by', `“${seenBy}” is not everybody, their groups or administrators.`);
    }
    if (name) change.name = name;
    // An empty cell takes no name away: cards and lists of others often have none. Nor is a name set that is sorted by anyway.
    if (family && !(known && familyOf(known) === family)) change.familyName = family;
    // An empty cell of an address that is there leaves it: nobody loses an address to a gap in a list.
    if (email) change.email = email;
    if (siteId !== undefined) change.siteId = siteId;
    if (hoursId !== undefined) change.hoursId = hoursId;

    const numbers = readNumbers(cell, known, wrong, this.known, this.system);
    this.once(row, numbers.direct && `number ${numbers.direct}`, () => 'direct number', wrong);
    const kinds = readPhones(cell, known, numbers.mobile, wrong, this.known, this.options.phones);
    const groups = this.groupsOf(cell, wrong);
    const extension = this.extension(
      typed,
      known,
      siteId ?? known?.siteId ?? null,
      numbers.direct,
      problems,
      wrong,
    );
    if (extension.value) change.extension = extension.value;

    const told: PersonRow['changes'] = [];
    const done = (does: PersonRow['does']): PersonRow => ({
      row,
      name: name || (known?.name ?? ''),
      does,
      extension: extension.value ?? '',
      proposed: extension.proposed,
      changes: told,
      problems,
    });
    if (problems.length) return done('wrong');
    this.proposer.take(extension.value!, name);
    const id = known?.id ?? this.freshId('person');
    const say = (field: string, from: string, to: string) => void told.push({ field, from, to });
    if (known) this.tell(known, change, say);
    const commands = known ? this.change(known, change) : this.add(id, change, say);
    for (const kind of kinds) {
      say('phone', '', PHONE_NAMES[kind]);
      commands.push(this.phone(id, kind, numbers.mobile));
    }
    for (const g of groups) {
      if (this.known.groupsWith.get(id)?.has(g.id)) continue;
      say('group', '', g.name);
      this.joins.set(g.id, [...(this.joins.get(g.id) ?? []), id]);
    }
    this.made.push(...commands);
    if (numbers.direct && !this.known.direct.get(id)?.includes(numbers.direct)) {
      say('direct number', '', numbers.direct);
      this.made.push(...this.assign(numbers.direct, id, change.name ?? known!.name, known?.mailboxId));
    }
    return done(known ? (told.length ? 'changes' : 'same') : 'new');
  }

  /** Refuses what an earlier row of the list says too. */
  private once(row: number, what: string | undefined, field: () => Field, wrong: Wrong): void {
    if (!what) return;
    const before = this.seen.get(what);
    if (before !== undefined && before !== row)
      wrong(field(), `is the same as in row ${before + 1} of the list`);
    else this.seen.set(what, row);
  }

  private extension(
    typed: string | undefined,
    known: Person | undefined,
    siteId: string | null,
    direct: string | undefined,
    problems: readonly unknown[],
    wrong: Wrong,
  ): { value: string | undefined; proposed: boolean } {
    if (typed) {
      const clash = this.proposer.wrong(typed, known?.extension);
      if (clash) wrong('extension', clash);
      else if (known && known.extension !== typed) this.proposer.free(known.extension);
      return { value: typed, proposed: false };
    }
    if (known) return { value: known.extension, proposed: false };
    // A row that is left out anyway takes none away from the next.
    if (problems.length) return { value: undefined, proposed: false };
    const value = this.proposer.propose(siteId, direct ?? '');
    if (!value) wrong('extension', 'No extension is free any more: make them longer first.');
    return { value, proposed: true };
  }

  private groupsOf(cell: Cell, wrong: Wrong): Group[] {
    const text = cell('groups') ?? '';
    if (text.length > LONGEST_LIST) wrong('groups', 'This cell is too long for a list of groups.');
    return readList(text).flatMap((name) => {
      const found = this.known.groups.get(lower(name));
      if (found) return found;
      const nameWrong = message(Name.safeParse(name));
      if (nameWrong) {
        wrong('groups', `“${name.slice(0, 40)}…”: ${nameWrong}`);
        return [];
      }
      if (!this.missing.includes(name)) this.missing.push(name);
      if (!this.options.makeGroups) {
        wrong('groups', `There is no group “${name}”.`);
        return [];
      }
      const group = newGroup({ id: this.freshId('group'), name });
      this.known.groups.set(lower(name), group);
      this.newGroups.push(group);
      return group;
    });
  }

  private phone(personId: string, kind: PhoneKind, mobile: string | undefined): Command {
    const linked = kind === 'linked mobile' || kind === 'linked landline';
    if (linked && mobile) this.known.linked.set(mobile, personId);
    return {
      do: 'phone.add',
      value: newPhone({
        id: this.freshId('phone'),
        name: PHONE_NAMES[kind],
        kind,
        personId,
        number: linked ? (mobile ?? null) : null,
        outsideOffice: this.options.outside.includes(kind),
      }),
    };
  }

  private tell(
    known: Person,
    change: Partial<Person>,
    say: (f: string, from: string, to: string) => void,
  ): void {
    const { sites, hours } = this.system;
    const written: Partial<Record<keyof Person, [string, (p: Partial<Person>) => string]>> = {
      name: ['name', (p) => p.name ?? ''],
      familyName: ['family name', (p) => p.familyName ?? ''],
      email: ['e-mail', (p) => p.email ?? ''],
      extension: ['extension', (p) => p.extension ?? ''],
      role: ['role', (p) => p.role ?? ''],
      siteId: ['site', (p) => sites[p.siteId ?? '']?.name ?? ''],
      hoursId: ['working hours', (p) => hours[p.hoursId ?? '']?.name ?? ''],
      mobileSeenBy: ['mobile seen by', (p) => p.mobileSeenBy ?? ''],
    };
    for (const [key, [field, write]] of Object.entries(written))
      if (key in change && change[key as keyof Person] !== known[key as keyof Person])
        say(field, write(known), write(change));
  }

  private change(known: Person, change: Partial<Person>): Command[] {
    const differs = Object.entries(change).some(([key, value]) => known[key as keyof Person] !== value);
    return differs ? [{ do: 'person.set', id: known.id, change }] : [];
  }

  private add(
    id: string,
    change: Partial<Person>,
    say: (f: string, from: string, to: string) => void,
  ): Command[] {
    const { name = '', extension = '' } = change;
    say('extension', '', extension);
    const mailboxId = this.freshId('mailbox');
    const person = newPerson({ ...change, id, name, extension });
    if (person.role === 'shared room') return [{ do: 'person.add', value: person }];
    return [
      { do: 'person.add', value: person },
      { do: 'mailbox.add', value: newMailbox({ id: mailboxId, name, ownerIds: [id] }) },
      { do: 'person.set', id, change: { mailboxId } },
    ];
  }

  /** The number rings them alone from now on. */
  private assign(e164: string, id: string, name: string, mailboxId: string | null | undefined): Command[] {
    const number = this.known.numbers.get(e164)!;
    const own = this.made.findLast((c) => c.do === 'person.set' && c.id === id && c.change.mailboxId);
    const box = own?.do === 'person.set' ? own.change.mailboxId : mailboxId;
    // Only this person and their mailbox are looked at beyond what is there.
    const person = newPerson({ id, name, extension: '00', mailboxId: box ?? null });
    return assignNumber({ ...this.system, people: { [id]: person } }, number.id, [id], this.freshId);
  }
}
