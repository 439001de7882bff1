/** What a phone on another machine asks is read, not believed: each kind of request and setting has a shape here or does not compile. */
import { z } from 'zod';
import { ActionRecord } from '../../calls';
import {
  CivicAddress,
  E164,
  Id,
  OwnContact,
  PersonOwn,
  PhoneOwn,
  Shortcut,
  type OwnValues,
  type Setting,
} from '../../system';
import type { PhoneRequest } from './requests';

const Moment = z.number();
const Ids = z.array(Id).max(500);
const Hash = z.string().max(80);
const Words = z.string().max(20_000);
const Bytes = z.instanceof(Uint8Array<ArrayBufferLike>);

/** The values alone of what is kept with who set it and when. */
const valuesOf = (shape: Record<string, z.ZodOptional<z.ZodObject<{ value: z.ZodType }>>>) =>
  z
    .strictObject(
      Object.fromEntries(Object.entries(shape).map(([field, set]) => [field, set.unwrap().shape.value])),
    )
    .partial();
const Values = valuesOf(PersonOwn.shape) as unknown as z.ZodType<OwnValues>;
const PhoneValues = valuesOf(PhoneOwn.shape) as unknown as z.ZodType<
  Extract<Setting, { kind: 'phone' }>['values']
>;

const SettingAsked = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('person'), personId: Id, values: Values }),
  z.object({ kind: z.literal('phone'), phoneId: Id, values: PhoneValues }),
  z.object({
    kind: z.literal('do not disturb'),
    personId: Id,
    on: z.boolean(),
    until: Moment.nullable(),
  }),
  z.object({ kind: z.literal('resting'), phoneId: Id, on: z.boolean(), until: Moment.nullable() }),
  z.object({ kind: z.literal('blocked'), number: E164, on: z.boolean() }),
  z.object({ kind: z.literal('logged in'), queueId: Id, personId: Id, on: z.boolean() }),
  z.object({ kind: z.literal('paused'), personId: Id, reason: z.string().max(60).nullable() }),
  z.object({ kind: z.literal('credit'), cents: z.number().int().min(0).nullable() }),
  z.object({ kind: z.literal('allowed again'), country: z.string().max(8) }),
  z.object({ kind: z.literal('own shortcuts'), personId: Id, shortcuts: z.array(Shortcut).max(100) }),
  z.object({
    kind: z.literal('own word'),
    personId: Id,
    words: z.string().max(60),
    until: Moment.nullable(),
  }),
]);
true satisfies [Exclude<Setting['kind'], z.infer<typeof SettingAsked>['kind']>] extends [never]
  ? true
  : false;

const FileNamed = z.object({
  hash: Hash,
  name: z.string().max(300),
  type: z.string().max(200),
  size: z.number().min(0),
});
const kept = {
  assignedTo: Id.optional(),
  note: z.string().max(2000).optional(),
  answeredAt: Moment.optional(),
};
const MessageChanged = z.strictObject({
  ...kept,
  heard: z.boolean().optional(),
  folder: z.enum(['archive', 'bin', 'spam']).optional(),
  binnedAt: Moment.optional(),
});
const FaxChanged = z.strictObject({
  ...kept,
  seen: z.boolean().optional(),
  turned: z.union([z.literal(90), z.literal(180), z.literal(270)]).optional(),
  folder: z.enum(['archive', 'bin']).optional(),
});
const ThreadChanged = z.discriminatedUnion('does', [
  z.object({ does: z.literal('give'), to: Id.optional(), seen: Id.optional() }),
  z.object({ does: z.literal('close') }),
  z.object({ does: z.literal('open') }),
]);

const Asked = z.discriminatedUnion('do', [
  z.object({ do: z.literal('act'), action: ActionRecord }),
  z.object({
    do: z.literal('set'),
    settings: z.array(SettingAsked).max(100),
    by: z.string().max(80),
    at: Moment.nullable(),
  }),
  z.object({ do: z.literal('if called'), values: Values.nullable(), supposed: z.boolean() }),
  z.object({ do: z.literal('effect'), values: Values.nullable() }),
  z.object({ do: z.literal('change messages'), ids: Ids, to: MessageChanged }),
  z.object({ do: z.literal('change faxes'), ids: Ids, to: FaxChanged }),
  z.object({
    do: z.literal('recorded'),
    callId: Id,
    at: Moment,
    seconds: z.number().min(0),
    ours: Bytes,
    theirs: Bytes,
    cut: z.boolean(),
    said: z.array(z.object({ from: z.string().max(80), text: z.string().max(2000) })).max(500),
  }),
  z.object({ do: z.literal('delete recording'), callId: Id, at: Moment }),
  z.object({ do: z.literal('note'), callId: Id, text: Words }),
  z.object({ do: z.literal('quality'), callId: Id, rating: z.number() }),
  z.object({ do: z.literal('take back'), of: Id }),
  z.object({
    do: z.literal('text'),
    from: z.string().max(40),
    to: z.string().max(60),
    text: Words,
    files: z.array(FileNamed).max(20).optional(),
    sendAt: Moment.optional(),
  }),
  z.object({ do: z.literal('call off text'), id: Id }),
  z.object({
    do: z.literal('conversation'),
    ours: z.string().max(40),
    theirs: z.string().max(40),
    change: ThreadChanged,
  }),
  z.object({ do: z.literal('wish'), number: z.string().max(60), does: z.enum(['stop', 'lift']) }),
  z.object({
    do: z.literal('write'),
    to: z.union([
      z.strictObject({ circleId: Id }),
      z.strictObject({ with: Ids, name: z.string().max(200).optional() }),
      z.strictObject({ groupId: Id }),
    ]),
    text: Words,
    files: z.array(FileNamed).max(20).optional(),
    about: z
      .object({ is: z.enum(['call', 'message', 'contact']), id: Id, words: z.string().max(500) })
      .optional(),
  }),
  z.object({ do: z.literal('seen'), circleId: Id, at: Moment }),
  z.object({ do: z.literal('own contact'), contact: OwnContact }),
  z.object({ do: z.literal('drop own contact'), id: Id }),
  z.object({ do: z.literal('keep file'), name: z.string().max(300), bytes: Bytes }),
  z.object({ do: z.literal('file'), hash: Hash }),
  z.object({ do: z.literal('sound'), of: z.enum(['recording', 'message']), id: z.string().max(100) }),
  z.object({ do: z.literal('call sound'), callId: Id, hash: Hash }),
  z.object({ do: z.literal('address'), address: CivicAddress }),
  z.object({
    do: z.literal('be'),
    address: z.string().max(100).optional(),
    condition: z.enum(['in reach', 'no network']).optional(),
  }),
  z.object({ do: z.literal('sign out') }),
]);
true satisfies [Exclude<PhoneRequest['do'], z.infer<typeof Asked>['do']>] extends [never] ? true : false;

/** @returns the request, or undefined for what is none; what a field may hold beyond its shape is judged by `mayAsk` */
export function readRequest(said: unknown): { id: string; request: PhoneRequest } | undefined {
  const read = z.object({ id: Id, request: Asked }).safeParse(said);
  return read.success ? (read.data as { id: string; request: PhoneRequest }) : undefined;
}
