/** Reading a script of the Call Processing Language (RFC 3880) into the steps of a plan. */
import {
  USUAL_RING_SECONDS,
  type Command,
  type PeriodOfWeek,
  type RingTarget,
  type Step,
  type System,
} from '../../system';
import { readElements, type Element } from './elements';
import { isZone, weeklyOf } from './times';

/** A script larger than this is not read, in characters. */
export const LARGEST_SCRIPT = 500_000;
/** So many steps may come of a script. */
const MOST_STEPS = 200;

export type CplRead =
  | {
      ok: true;
      steps: Step[];
      /** What the steps need that the business does not have: hours. */
      commands: Command[];
      /** What of the script could not be taken over, in words. */
      left: string[];
    }
  | { ok: false; message: string };

class Unreadable extends Error {}

/**
 * Reads a script. Outside entities and document types are refused: a script has no use for them.
 * @param freshId makes the ids of steps and of hours
 */
export function readCpl(xml: string, system: System, freshId: (kind: string) => string): CplRead {
  if (xml.length > LARGEST_SCRIPT) return { ok: false, message: 'This file is too large for a CPL script.' };
  const read = readElements(xml);
  if (!read.ok) return read;
  const { root } = read;
  const cpl = root.find((e) => e.name === 'cpl');
  const incoming = cpl?.children.find((e) => e.name === 'incoming');
  if (!cpl || !incoming)
    return { ok: false, message: 'There is no script for incoming calls in it (no <cpl> with <incoming>).' };
  try {
    const reader = new Reader(cpl, system, freshId);
    const steps = reader.node(incoming.children[0], []);
    return { ok: true, steps, commands: reader.commands, left: [...reader.left] };
  } catch (error) {
    if (error instanceof Unreadable) return { ok: false, message: error.message };
    throw error;
  }
}

class Reader {
  readonly commands: Command[] = [];
  readonly left = new Set<string>();
  private made = 0;
  constructor(
    private cpl: Element,
    private system: System,
    private freshId: (kind: string) => string,
  ) {}

  private id(): string {
    if (++this.made > MOST_STEPS)
      throw new Unreadable(`More than ${MOST_STEPS} steps would come of this script.`);
    return this.freshId('step');
  }

  /** The steps of a node. @param locations those the call has been given on the way @param within subactions it stands in */
  node(e: Element | undefined, locations: readonly string[], within: readonly string[] = []): Step[] {
    if (!e) return [];
    switch (e.name) {
      case 'location': {
        const url = e.attributes.url ?? '';
        const kept = e.attributes.clear === 'yes' ? [] : locations;
        return this.node(e.children[0], [...kept, url], within);
      }
      case 'proxy':
        return this.proxy(e, locations, within);
      case 'redirect':
        return this.sendTo(locations);
      case 'reject':
        return [{ id: this.id(), kind: 'end', how: e.attributes.status === 'busy' ? 'busy' : 'plain' }];
      case 'time-switch':
        return this.timeSwitch(e, locations, within);
      case 'address-switch':
        return this.addressSwitch(e, locations, within);
      case 'sub': {
        const ref = e.attributes.ref ?? '';
        if (within.includes(ref)) throw new Unreadable(`The subaction “${ref}” refers to itself.`);
        const sub = this.cpl.children.find((c) => c.name === 'subaction' && c.attributes.id === ref);
        if (!sub) throw new Unreadable(`There is no subaction “${ref}”.`);
        return this.node(sub.children[0], locations, [...within, ref]);
      }
      case 'mail':
        return [
          {
            id: this.id(),
            kind: 'notify',
            how: 'mail',
            to: (e.attributes.url ?? '')
              .replace(/^mailto:/i, '')
              .split('?')[0]!
              .slice(0, 200),
            text: '{caller} called {number}.',
          },
          ...this.node(e.children[0], locations, within),
        ];
      case 'log':
        this.left.add('log: every call is in the call log anyway');
        return this.node(e.children[0], locations, within);
      case 'lookup': {
        this.left.add(`lookup of ${e.attributes.source ?? 'locations'}: the phones of the person are rung`);
        const success = e.children.find((c) => c.name === 'success');
        return this.node(success?.children[0] ?? e.children[0], locations, within);
      }
      default:
        this.left.add(`${e.name}: left out, its first way is taken`);
        return this.node(e.children[0]?.children[0], locations, within);
    }
  }

  private proxy(e: Element, locations: readonly string[], within: readonly string[]): Step[] {
    const output = (name: string) => e.children.find((c) => c.name === name)?.children[0];
    const timeout = Number(e.attributes.timeout ?? USUAL_RING_SECONDS);
    const seconds = Number.isFinite(timeout)
      ? Math.min(600, Math.max(1, Math.round(timeout)))
      : USUAL_RING_SECONDS;
    if (locations.length === 1 && this.mailboxOf(locations[0]!)) return this.sendTo(locations);
    const targets = locations.flatMap((url) => this.targetOf(url) ?? []);
    const after = (name: string) => this.node(output(name) ?? output('default'), [], within);
    if (!targets.length) return after('failure');
    const [busy, failure] = [output('busy'), output('failure')];
    const rest = after('noanswer');
    return [
      {
        id: this.id(),
        kind: 'ring',
        targets,
        pattern: e.attributes.ordering === 'sequential' ? 'in order' : 'together',
        seconds,
        followReach: false,
        ...(busy || failure
          ? {
              branches: [
                ...(busy ? [{ way: 'all on calls' as const, steps: this.node(busy, [], within) }] : []),
                ...(failure
                  ? [{ way: 'nobody could be rung' as const, steps: this.node(failure, [], within) }]
                  : []),
              ],
            }
          : {}),
      },
      ...rest,
    ];
  }

  private sendTo(locations: readonly string[]): Step[] {
    const url = locations.at(-1) ?? '';
    const mailboxId = this.mailboxOf(url);
    if (mailboxId) return [{ id: this.id(), kind: 'voicemail', mailboxId }];
    const target = this.targetOf(url);
    if (!target) return [];
    if (target.kind === 'outside')
      return [
        { id: this.id(), kind: 'forward', number: target.id, shows: 'caller', confirm: false, seconds: 60 },
      ];
    return [
      {
        id: this.id(),
        kind: 'ring',
        targets: [target],
        pattern: 'together',
        seconds: 60,
        followReach: false,
      },
    ];
  }

  private timeSwitch(e: Element, locations: readonly string[], within: readonly string[]): Step[] {
    const weekly: PeriodOfWeek[] = [];
    const branches: { period: string; steps: Step[] }[] = [];
    for (const [i, time] of e.children.filter((c) => c.name === 'time').entries()) {
      const kind = i === 0 ? 'Open' : `Time ${i + 1}`;
      const periods = weeklyOf(time.attributes, kind);
      if (!periods) {
        this.left.add(
          `a time that is not weekly (${time.attributes.freq ?? 'once'} from ${time.attributes.dtstart ?? ''})`,
        );
        continue;
      }
      // Where two overlap the first one in the script is taken (RFC 3880 §4.4).
      weekly.push(
        ...periods.filter((p) => !weekly.some((k) => k.day === p.day && k.from < p.to && p.from < k.to)),
      );
      branches.push({ period: kind, steps: this.node(time.children[0], locations, within) });
    }
    const otherwise = this.node(
      e.children.find((c) => c.name === 'otherwise')?.children[0],
      locations,
      within,
    );
    const zone = e.attributes.tzid ?? '';
    const known = isZone(zone);
    if (zone && !known) this.left.add(`the time zone ${zone}: the business's is taken`);
    const hoursId = this.freshId('hours');
    this.commands.push({
      do: 'hours.add',
      value: {
        id: hoursId,
        name: `Hours of the script${this.commands.length ? ` ${this.commands.length + 1}` : ''}`,
        timeZone: known && zone !== this.system.business.timeZone ? zone : null,
        weekly,
      },
    });
    return [{ id: this.id(), kind: 'hours', hoursId, branches, otherwise }];
  }

  private addressSwitch(e: Element, locations: readonly string[], within: readonly string[]): Step[] {
    const branches: Extract<Step, { kind: 'caller' }>['branches'] = [];
    if (e.attributes.field && e.attributes.field !== 'origin') {
      this.left.add(`an address switch on “${e.attributes.field}”`);
      return this.node(e.children.find((c) => c.name === 'otherwise')?.children[0], locations, within);
    }
    for (const c of e.children) {
      const steps = () => this.node(c.children[0], locations, within);
      const digits = (c.attributes['subdomain-of'] ?? c.attributes.is ?? '').replace(/\D/g, '');
      if (c.name === 'not-present' || c.attributes.is === 'anonymous')
        branches.push({ test: { is: 'hidden' }, steps: steps() });
      else if (c.name === 'address' && digits && e.attributes.subfield === 'tel')
        branches.push({ test: { is: 'from', prefix: `+${digits.slice(0, 15)}` }, steps: steps() });
      else if (c.name === 'address')
        this.left.add(
          `callers whose address ${Object.entries(c.attributes)
            .map(([k, v]) => `${k} ${v}`)
            .join(', ')}`,
        );
    }
    const otherwise = this.node(
      e.children.find((c) => c.name === 'otherwise')?.children[0],
      locations,
      within,
    );
    return [{ id: this.id(), kind: 'caller', branches, otherwise }];
  }

  /** The mailbox an address names: at a host called voicemail, by its id, its name or its owner. */
  private mailboxOf(url: string): string | undefined {
    const match = /^sips?:([^@;?]+)@([^;?]+)/i.exec(url);
    if (!match || !/voicemail/i.test(match[2]!)) return undefined;
    const user = decodeURIComponent(match[1]!).toLowerCase();
    const boxes = Object.values(this.system.mailboxes);
    const own = this.personOf(user)?.mailboxId;
    const found = boxes.find((m) => m.id.toLowerCase() === user || m.name.toLowerCase() === user)?.id ?? own;
    if (!found) this.left.add(`voicemail of “${user}”: there is no such mailbox`);
    return found ?? undefined;
  }

  private personOf(user: string) {
    return Object.values(this.system.people).find(
      (p) =>
        p.extension === user ||
        p.id.toLowerCase() === user ||
        p.email.split('@')[0]!.toLowerCase() === user ||
        p.name.toLowerCase().split(' ').includes(user),
    );
  }

  private targetOf(url: string): RingTarget | undefined {
    const tel = /^tel:(\+[1-9]\d{1,14})/i.exec(url)?.[1];
    if (tel) return { kind: 'outside', id: tel };
    const user = decodeURIComponent(/^sips?:([^@;?]+)@/i.exec(url)?.[1] ?? '').toLowerCase();
    const person = user ? this.personOf(user) : undefined;
    if (person) return { kind: 'person', id: person.id };
    if (user && this.system.phones[user]) return { kind: 'phone', id: user };
    this.left.add(`${url || 'a location without an address'}: nobody here has it`);
    return undefined;
  }
}
