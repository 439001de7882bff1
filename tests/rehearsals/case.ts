/** A rehearsal case as a file: what it shows, how it changes the small yard, the calls, and what becomes of each. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import {
  Act,
  Behaviour,
  phoneName,
  simulate,
  traceLines,
  type CallRequest,
  type Trace,
} from '../../src/core/calls';
import { momentOf } from '../../src/core/hours';
import { Command, newRegistration, Then, type System } from '../../src/core/system';
import { allOn, edited, MAIN, NIGHT, ROSA_DIRECT, yard } from '../fixtures/yard';

export const folder = join(import.meta.dirname, 'cases');
const NUMBERS: Record<string, string> = { main: MAIN, rosa: ROSA_DIRECT, night: NIGHT };

/** "answers 9", "declines 3", "nothing", "is on a call", "is switched off". */
const ShortAct = z.string().transform((text): Act => {
  const [, does, after] = /^(.*?)(?: (\d+))?$/.exec(text)!;
  return Act.parse(after === undefined ? { does } : { does, after: Number(after) });
});

const Case = z.strictObject({
  shows: z.string(),
  commands: z.array(Command).default([]),
  off: z.array(z.string()).default([]),
  unpaired: z.array(z.string()).default([]),
  outside: z.array(z.string()).default([]),
  asleep: z.array(z.string()).default([]),
  noNetwork: z.array(z.string()).default([]),
  /** A phone registered with a key of somebody else, as "phone/person". */
  keys: z.array(z.string()).default([]),
  dnd: z.array(z.string()).default([]),
  /** Who is logged out of a queue, as "queue/person". */
  loggedOut: z.array(z.string()).default([]),
  /** What holds in place of hours, by set, between two local times. */
  overrides: z
    .record(z.string(), z.strictObject({ kind: z.string().nullable(), from: z.string(), until: z.string() }))
    .default({}),
  calls: z
    .array(
      z.strictObject({
        /** Local time at the yard: "2026-11-24 10:15:00". */
        at: z.string(),
        /** The later of two moments with the same local time. */
        second: z.boolean().default(false),
        to: z.string().optional(),
        dials: z.string().optional(),
        /** The phone it is dialled from rings first. */
        ringsFirst: z.boolean().optional(),
        from: z.string().nullable().default('+12065550187'),
        people: z.record(z.string(), ShortAct).default({}),
        phones: z.record(z.string(), ShortAct).default({}),
        hangsUpAfter: z.number().nullable().default(null),
        talks: z.number().default(60),
        message: z.number().default(12),
        /** After speaking they stay on the line and say nothing. */
        stays: z.boolean().optional(),
        /** "2 207": seconds after it is asked for keys, and the keys. */
        keys: z.array(z.string()).default([]),
        says: z.record(z.string(), z.string()).default({}),
        /** What people do once it is answered. */
        then: z.array(Then).optional(),
        suspected: z.boolean().optional(),
        seed: z.number().optional(),
        choices: z.array(z.number()).optional(),
        /** The whole call in a sentence, with what came of it. */
        becomes: z.string(),
        /** What decided it, line by line, with its second: hours, who calls, chance, why somebody is not rung. */
        because: z.array(z.string()).default([]),
        /** Each phone that is rung: from which second to which, when it sounds, and what came of it. */
        rings: z.array(z.string()).default([]),
      }),
    )
    .min(1),
});

function moment(at: string, second: boolean): number {
  const [date, time] = at.split(' ') as [string, string];
  const [h, m, s] = time.split(':').map(Number) as [number, number, number];
  return momentOf('America/Los_Angeles', date, h * 60 + m, second ? 'later' : 'compatible') + (s ?? 0) * 1000;
}

/** The names of all cases. */
export const names = readdirSync(folder).sort();

/** A case, run. */
export interface Ran {
  shows: string;
  system: System;
  calls: { becomes: string; because: string[]; rings: string[]; trace: Trace }[];
}

export function runCase(name: string): Ran {
  const given = Case.parse(JSON.parse(readFileSync(join(folder, name, 'case.json'), 'utf8')));
  const system = edited(yard(), given.commands);
  const standing = allOn(system);
  for (const id of given.unpaired) delete standing.registrations[id];
  for (const id of given.off) standing.registrations[id]!.online = false;
  for (const id of given.outside) standing.registrations[id]!.outside = true;
  const since = moment('2026-11-24 10:14:00', false);
  for (const id of given.asleep)
    Object.assign(standing.registrations[id]!, { condition: 'asleep', conditionSince: since });
  for (const id of given.noNetwork)
    Object.assign(standing.registrations[id]!, { condition: 'no network', conditionSince: since });
  for (const key of given.keys)
    standing.registrations[key.replace('/', '--')] = newRegistration({ pairedAt: 0, standIn: true });
  for (const id of given.dnd) standing.dnd[id] = { value: true, at: 0, by: id };
  for (const entry of given.loggedOut) {
    const [queue = '', person = ''] = entry.split('/');
    standing.logins[queue] = { ...standing.logins[queue], [person]: { value: false, at: 0, by: person } };
  }
  for (const [id, { kind, from, until }] of Object.entries(given.overrides))
    standing.overrides[id] = {
      value: { kind, from: moment(from, false), until: moment(until, false) },
      at: 0,
      by: 'rosa',
    };
  const requests = given.calls.map(
    (c, i): CallRequest => ({
      id: `call-${i + 1}`,
      at: moment(c.at, c.second),
      from:
        c.dials === undefined ? { kind: 'outside', number: c.from, suspected: c.suspected } : { kind: 'phone', phoneId: c.from ?? 'idris-desk' },
      to:
        c.dials === undefined
          ? { kind: 'number', e164: NUMBERS[c.to!] ?? c.to! }
          : { kind: 'digits', digits: c.dials },
      behaviour: Behaviour.parse({
        people: c.people,
        phones: c.phones,
        caller: {
          hangsUpAfter: c.hangsUpAfter,
          talks: c.talks,
          message: c.message,
          stays: c.stays,
          says: c.says,
          keys: c.keys.map((k) => {
            const [after = '', press = ''] = k.split(' ');
            return { after: Number(after), press };
          }),
        },
        ...(c.then ? { then: c.then } : {}),
      }),
      seed: c.seed,
      ...(c.ringsFirst ? { ringsFirst: true } : {}),
      choices: c.choices,
    }),
  );
  const traces = simulate(system, standing, requests);
  const calls = requests.map((r, i) => {
    const { becomes, because, rings } = given.calls[i]!;
    return { becomes, because, rings, trace: traces.get(r.id)! };
  });
  return { shows: given.shows, system, calls };
}

/** What happens by itself, is told with the phones, or in the sentence. */
const TOLD_ELSEWHERE: readonly Trace[number]['kind'][] = [
  'arrived',
  'step',
  'plan',
  'menu',
  'key',
  'dialled',
  'prompt started',
  'prompt ended',
  'leg offered',
  'leg sounding',
  'leg asked to confirm',
  'leg ended',
  'answered',
  'tone',
  'recording started',
  'recorded',
  'ended',
];

/** What decided a call. */
export const because = (trace: Trace, system: System): string[] =>
  traceLines(trace, system)
    .filter((_, i) => !TOLD_ELSEWHERE.includes(trace[i]!.kind))
    .map((line) => line.trim().replace(/ s {2}/, ' s '));

/** The phones that were rung. */
export function rings(trace: Trace, system: System): string[] {
  const seconds = (t: number) => t / 1000;
  return trace.flatMap((e) => {
    if (e.kind !== 'leg offered') return [];
    const of = (kind: 'leg sounding' | 'leg asked to confirm' | 'leg ended') =>
      trace.find((x) => x.kind === kind && x.leg === e.leg);
    const [sounds, asked, ended] = [of('leg sounding'), of('leg asked to confirm'), of('leg ended')];
    const end = ended?.kind === 'leg ended' ? `${seconds(ended.t)}: ${ended.how}` : 'for ever';
    return [
      [
        `${phoneName(system, e.phone, e.personId)} ${seconds(e.t)}–${end}`,
        sounds ? `sounds ${seconds(sounds.t)}` : 'never sounds',
        ...(e.sees === undefined ? [] : [`sees ${e.sees ?? 'a hidden number'}`]),
        ...(asked ? [`asked for a key ${seconds(asked.t)}`] : []),
      ].join(', '),
    ];
  });
}
