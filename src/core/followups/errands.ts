/** What a follow-up wants done for one happening: each thing once, with all that it needs filled in. */
import { z } from 'zod';
import { addDays, localTime } from '../hours';
import { ENTRY_KINDS, partiesOf } from '../story';
import { E164, Id, type FollowThen, type FollowUp, type System } from '../system';
import { MOST_PARTS, partsOf } from '../texting';
import { filledFor } from './fields';
import { dueAt, keyOf, overAt, rowOf, type Happening } from './happenings';

/** One thing to do, as it will be done. */
export const Doing = z.discriminatedUnion('do', [
  z.object({ do: z.literal('text'), from: E164, to: E164, text: z.string().max(5000) }),
  z.object({
    do: z.literal('mail'),
    to: z.string().max(320),
    name: z.string().max(320),
    /** It goes to the other side, not to one of ours. */
    outside: z.boolean(),
    subject: z.string().max(2000),
    text: z.string().max(20_000),
    with: z.enum(['nothing', 'message', 'record']),
  }),
  z.object({ do: z.literal('ask'), from: E164, to: E164, dialogueId: Id, name: z.string().max(80) }),
  z.object({ do: z.literal('hook'), url: z.string().max(500) }),
  z.object({
    do: z.literal('task'),
    personId: Id.nullable(),
    text: z.string().max(5000),
    callBack: z.boolean(),
    by: z.iso.date(),
  }),
  z.object({
    do: z.literal('list'),
    listId: Id,
    list: z.string().max(80),
    number: E164,
    name: z.string().max(200),
  }),
  z.object({ do: z.literal('tag'), tag: z.string().max(30) }),
  z.object({ do: z.literal('note'), text: z.string().max(5000) }),
]);
export type Doing = z.infer<typeof Doing>;

export const Errand = z.object({
  /** Of the follow-up, what set it off, and which of the things it does: the same is never done twice. */
  id: z.string().min(1).max(400),
  followUpId: Id,
  /** What the follow-up was called. */
  name: z.string().max(80),
  /** The entry of the log it is about. */
  about: z.object({ kind: z.enum(ENTRY_KINDS), id: z.string().max(60) }).nullable(),
  /** The other side, E.164. */
  other: E164.nullable(),
  /** When what set it off was over, epoch milliseconds. */
  over: z.number(),
  /** When it was to be done. */
  due: z.number(),
  doing: Doing.nullable(),
  /** Why it cannot be done at all: `doing` is null then. */
  lacks: z.string().max(500).nullable(),
  unlessTalked: z.boolean(),
  pauseDays: z.number().int().min(0),
  /** It is one of very many: what fails of it is counted, and no task for anybody. */
  quiet: z.boolean().optional(),
});
export type Errand = z.infer<typeof Errand>;

/** Where it would go out from: the number named, the one that was called, or any that the business shows. */
const fromOf = (numberId: string | null, happening: Happening, system: System): string | null => {
  const row = rowOf(happening);
  const line = numberId ? system.numbers[numberId] : row ? partiesOf(row, system).line : undefined;
  return line?.e164 ?? system.business.defaultCallerId ?? Object.values(system.numbers)[0]?.e164 ?? null;
};

/** Longer is nothing that is sent, or written down for somebody. */
const MOST_LETTERS = 2000;

function doingOf(then: FollowThen, happening: Happening, system: System): Doing | string {
  const row = rowOf(happening);
  const other = row?.facts.other ?? null;
  const words = (text: string, from: string | null = null): { text: string } | string => {
    const { text: done, empty } = filledFor(text, happening, from, system);
    if (empty.length) return `Nothing is known for ${empty.join(', ')}.`.slice(0, 500);
    return done.length > MOST_LETTERS
      ? `What is filled in makes it longer than ${MOST_LETTERS} letters.`
      : { text: done };
  };
  switch (then.do) {
    case 'text':
    case 'ask': {
      if (!other) return 'The number was hidden: there is nobody to text.';
      if (Object.values(system.phones).some((p) => p.number === other))
        return 'It is the phone of a colleague: they are not texted.';
      const from = fromOf(then.numberId, happening, system);
      if (!from) return 'There is no number of yours to text from.';
      if (then.do === 'ask') {
        const dialogue = then.dialogueId ? system.dialogues[then.dialogueId] : undefined;
        if (!dialogue) return 'No dialogue is chosen.';
        return { do: 'ask', from, to: other, dialogueId: dialogue.id, name: dialogue.name };
      }
      const made = words(then.text, from);
      if (typeof made === 'string') return made;
      return made.text.length > 1600 || partsOf(made.text).parts.length > MOST_PARTS
        ? `What is filled in makes it more than ${MOST_PARTS} parts.`
        : { do: 'text', from, to: other, text: made.text };
    }
    case 'mail': {
      const to = addressOf(then.to, happening, system);
      if (typeof to === 'string') return to;
      const [subject, text] = [words(then.subject), words(then.text)];
      if (typeof subject === 'string') return subject;
      if (typeof text === 'string') return text;
      const outside = then.to.is === 'contact';
      return { do: 'mail', ...to, outside, subject: subject.text, text: text.text, with: then.with };
    }
    case 'hook':
      return { do: 'hook', url: then.url };
    case 'task': {
      const made = words(then.text);
      const day = localTime(system.business.timeZone, overAt(happening)).date;
      const { personId, callBack } = then;
      return typeof made === 'string'
        ? made
        : { do: 'task', personId, text: made.text, callBack, by: addDays(day, then.days) };
    }
    case 'list': {
      if (!then.callList) return 'No call list is chosen.';
      if (!row || !other) return 'The number was hidden: there is nobody to call.';
      const name = partiesOf(row, system).contact?.name ?? '';
      return { do: 'list', listId: then.callList, list: then.name, number: other, name };
    }
    case 'tag':
      return row ? { do: 'tag', tag: then.tag } : 'There is no call to put it on.';
    case 'note': {
      const made = words(then.text);
      if (!row) return 'There is no call to put it on.';
      return typeof made === 'string' ? made : { do: 'note', text: made.text };
    }
  }
}

function addressOf(
  to: Extract<FollowThen, { do: 'mail' }>['to'],
  happening: Happening,
  system: System,
): { to: string; name: string } | string {
  switch (to.is) {
    case 'address':
      return { to: to.address, name: to.address };
    case 'person': {
      const person = to.personId ? system.people[to.personId] : undefined;
      if (!person) return 'Nobody is named to whom it goes.';
      return person.email ? { to: person.email, name: person.name } : `${person.name} has no e-mail address.`;
    }
    case 'contact': {
      const row = rowOf(happening);
      const contact = row ? partiesOf(row, system).contact : undefined;
      if (!contact) return 'The other side is no contact: no e-mail address is known.';
      const address = contact.emails?.[0];
      return address ? { to: address, name: contact.name } : `${contact.name} has no e-mail address.`;
    }
  }
}

/** Everything a follow-up wants done for a happening that it applies to; two of the same to one receiver are one. */
export function errandsOf(followUp: FollowUp, happening: Happening, system: System): Errand[] {
  const over = overAt(happening);
  const row = rowOf(happening);
  const due = dueAt(followUp, over, system.business.timeZone);
  return followUp.then.map((then, i) => {
    const doing = doingOf(then, happening, system);
    return {
      id: `${followUp.id} ${keyOf(happening)} ${i}`,
      followUpId: followUp.id,
      name: followUp.name,
      about: row && { kind: row.kind, id: row.id },
      other: row?.facts.other ?? null,
      over,
      due,
      doing: typeof doing === 'string' ? null : doing,
      lacks: typeof doing === 'string' ? doing : null,
      unlessTalked: followUp.unlessTalked,
      pauseDays: followUp.pauseDays,
    };
  });
}

/** Who outside gets it: a number, or an address. Null is that it stays among ours. */
export const receiverOf = (doing: Doing): string | null => {
  switch (doing.do) {
    case 'text':
    case 'ask':
      return doing.to;
    case 'mail':
      return doing.outside ? doing.to : null;
    case 'hook':
    case 'task':
    case 'list':
    case 'tag':
    case 'note':
      return null;
  }
};

/** What one of them says, to tell whether two are the same. */
export const sameAs = (doing: Doing): string => JSON.stringify(doing);
