/** Reading a script of the Call Processing Language (RFC 3880) into the steps of a plan. */
import {
  flatTargets,
  newGroup,
  USUAL_RING_SECONDS,
  type Command,
  type PeriodOfWeek,
  type RingTarget,
  type Step,
  type System,
} from '../../system';
import { readElements, type Element } from './elements';
import { sipOf, telOf, unescaped } from './addresses';
import { isZone, notWeekly, weeklyOf } from './times';

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
    for (const other of cpl.children)
      if (
        !['incoming', 'subaction'].includes(other.name) ||
        (other.name === 'incoming' && other !== incoming)
      )
        reader.left.add(`<${other.name}>`);
    const steps = reader.within(incoming, []);
    return { ok: true, steps, commands: reader.commands, left: [...reader.left] };
  } catch (error) {
    if (error instanceof Unreadable) return { ok: false, message: error.message };
    // Nothing is nested so deep that it cannot be followed, unless somebody made it so.
    if (error instanceof RangeError)
      return { ok: false, message: 'This script is nested too deep to be followed.' };
    throw error;
  }
}

class Reader {
  readonly commands: Command[] = [];
  readonly left = new Set<string>();
  private made = 0;
  private madeGroups = 0;
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

  /** The steps of what an element holds: one node (RFC 3880 §3). */
  within(e: Element | undefined, locations: readonly string[], within: readonly string[] = []): Step[] {
    if (!e) return [];
    const [first, ...more] = e.children;
    for (const other of more)
      this.left.add(`<${other.name}> beside <${first!.name}>: one thing follows another`);
    return this.node(first, locations, within);
  }

  /** The steps of a node. @param locations those the call has been given on the way @param within subactions it stands in */
  node(e: Element | undefined, locations: readonly string[], within: readonly string[] = []): Step[] {
    if (!e) return [];
    switch (e.name) {
      case 'location': {
        const url = e.attributes.url ?? '';
        const kept = e.attributes.clear === 'yes' ? [] : locations;
        if (e.attributes.priority && Number(e.attributes.priority) !== 1)
          this.left.add(`the priority ${e.attributes.priority} of ${url}`);
        return this.within(e, [...kept, url], within);
      }
      case 'remove-location': {
        const url = e.attributes.location ?? e.attributes.url;
        return this.within(e, url === undefined ? [] : locations.filter((l) => l !== url), within);
      }
      case 'proxy':
        return this.proxy(e, locations, within);
      case 'redirect':
        return this.sendTo(locations);
      case 'reject':
        if (e.attributes.reason) this.left.add(`what the caller is told: “${e.attributes.reason}”`);
        if (!['busy', 'reject'].includes(e.attributes.status ?? ''))
          this.left.add(`refusing with “${e.attributes.status ?? 'nothing'}”: the call is ended`);
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
        return this.within(sub, locations, [...within, ref]);
      }
      case 'mail':
        if ((e.attributes.url ?? '').includes('?')) this.left.add('subject and words of a mail');
        return [
          {
            id: this.id(),
            kind: 'notify',
            how: 'mail',
            to: unescaped((e.attributes.url ?? '').replace(/^mailto:/i, '').split('?')[0]!).slice(0, 200),
            text: '{caller} called {number}.',
          },
          ...this.within(e, locations, within),
        ];
      case 'log':
        this.left.add('log: every call is in the call log anyway');
        return this.within(e, locations, within);
      case 'lookup': {
        this.left.add(`lookup of ${e.attributes.source ?? 'locations'}: the phones of the person are rung`);
        const results = e.children;
        for (const other of results)
          if (other.name !== 'success' && other.children.length)
            this.left.add(`what happens when a lookup ends in “${other.name}”`);
        const success = results.find((c) => c.name === 'success');
        return this.within(success, locations, within);
      }
      case 'string-switch':
      case 'language-switch':
      case 'priority-switch': {
        const ways = e.children.filter((c) => c.name !== 'otherwise' && c.name !== 'not-present');
        this.left.add(
          `<${e.name}>${e.attributes.field ? ` on ${e.attributes.field}` : ''}: ${ways.map((w) => Object.values(w.attributes).join(' ')).join(', ')}; taken as otherwise`,
        );
        return this.within(
          e.children.find((c) => c.name === 'otherwise'),
          locations,
          within,
        );
      }
      default:
        this.left.add(`<${e.name}>: nobody here knows what it does`);
        return [];
    }
  }

  private proxy(e: Element, locations: readonly string[], within: readonly string[]): Step[] {
    const output = (name: string) => e.children.find((c) => c.name === name && c.children.length > 0);
    if (output('redirection')) this.left.add('what happens when a phone sends the call elsewhere');
    if (e.attributes.recurse === 'no') this.left.add('that calls are not sent on by the phones');
    if (e.attributes.ordering === 'first-only')
      this.left.add('that only the first of several is rung: all are');
    for (const c of e.children)
      if (!['busy', 'noanswer', 'failure', 'redirection', 'default'].includes(c.name))
        this.left.add(`<${c.name}> of a call that is rung`);
    const timeout = Number(e.attributes.timeout ?? USUAL_RING_SECONDS);
    const seconds = Number.isFinite(timeout)
      ? Math.min(600, Math.max(1, Math.round(timeout)))
      : USUAL_RING_SECONDS;
    if (locations.length === 1 && this.mailboxOf(locations[0]!)) return this.sendTo(locations);
    const targets = locations.flatMap((url) => this.targetOf(url) ?? []);
    const after = (name: string) => this.within(output(name) ?? output('default'), [], within);
    if (!targets.length) return after('failure');
    if (Number.isFinite(timeout) && timeout > 600) this.left.add(`ringing for ${timeout} s: 600 at most`);
    const [busy, failure] = [output('busy'), output('failure')];
    const rest = after('noanswer');
    return [
      {
        id: this.id(),
        kind: 'ring',
        targets: this.fitting(targets),
        pattern: e.attributes.ordering === 'sequential' ? 'in order' : 'together',
        seconds,
        followReach: false,
        ...(busy || failure
          ? {
              branches: [
                ...(busy ? [{ way: 'all on calls' as const, steps: this.within(busy, [], within) }] : []),
                ...(failure
                  ? [{ way: 'nobody could be rung' as const, steps: this.within(failure, [], within) }]
                  : []),
              ],
            }
          : {}),
      },
      ...rest,
    ];
  }

  /** A step rings at most fifty: more are the groups they make up, or a group made for them. */
  private fitting(targets: RingTarget[]): RingTarget[] {
    const most = 50;
    let left = targets.filter((t, i) => targets.findIndex((o) => o.kind === t.kind && o.id === t.id) === i);
    if (left.length <= most) return left;
    const found: RingTarget[] = [];
    const groups = Object.values(this.system.groups)
      .map((g) => ({ id: g.id, members: flatTargets(g.members, this.system) }))
      .sort((a, b) => b.members.length - a.members.length);
    for (const { id, members } of groups) {
      const has = (m: { kind: string; id: string }) => left.some((t) => t.kind === m.kind && t.id === m.id);
      if (members.length < 2 || !members.every(has)) continue;
      found.push({ kind: 'group', id });
      left = left.filter((t) => !members.some((m) => m.kind === t.kind && m.id === t.id));
    }
    if (left.length + found.length <= most) return [...found, ...left];
    const id = this.freshId('group');
    const name = `Group of the script${this.madeGroups++ ? ` ${this.madeGroups}` : ''}`;
    if (left.length > 200)
      throw new Unreadable(`${left.length} phones are rung at once: a group has at most 200.`);
    this.commands.push({ do: 'group.add', value: { ...newGroup({ id, name }), members: left } });
    return [...found, { kind: 'group', id }];
  }

  private sendTo(locations: readonly string[]): Step[] {
    if (locations.length > 1)
      this.left.add(`all but the last of ${locations.length} places a call is sent to`);
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
      const periods = notWeekly(time.attributes) ? undefined : weeklyOf(time.attributes, kind);
      if (!periods) {
        this.left.add(
          `a time from ${time.attributes.dtstart ?? 'nowhere'}, and what happens then: ${notWeekly(time.attributes)}`,
        );
        continue;
      }
      // Where two overlap the first one in the script is taken (RFC 3880 §4.4).
      weekly.push(
        ...periods.filter((p) => !weekly.some((k) => k.day === p.day && k.from < p.to && p.from < k.to)),
      );
      branches.push({ period: kind, steps: this.within(time, locations, within) });
    }
    const otherwise = this.within(
      e.children.find((c) => c.name === 'otherwise'),
      locations,
      within,
    );
    for (const c of e.children)
      if (c.name !== 'time' && c.name !== 'otherwise') this.left.add(`<${c.name}> among times`);
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
      return this.within(
        e.children.find((c) => c.name === 'otherwise'),
        locations,
        within,
      );
    }
    for (const c of e.children) {
      const steps = () => this.within(c, locations, within);
      const given = c.attributes['subdomain-of'] ?? c.attributes.is ?? '';
      const digits = /^[+\d().\s-]+$/.test(given) ? given.replace(/\D/g, '') : '';
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
    const otherwise = this.within(
      e.children.find((c) => c.name === 'otherwise'),
      locations,
      within,
    );
    return [{ id: this.id(), kind: 'caller', branches, otherwise }];
  }

  /** The mailbox an address names: at a host called voicemail, by its id, its name or its owner. */
  private mailboxOf(url: string): string | undefined {
    const sip = sipOf(url);
    if (!sip?.host.includes('voicemail')) return undefined;
    const { user } = sip;
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
    const tel = telOf(url, this.system.business.country);
    if (tel) return { kind: 'outside', id: tel };
    const user = sipOf(url)?.user ?? '';
    const person = user ? this.personOf(user) : undefined;
    if (person) return { kind: 'person', id: person.id };
    const phone = Object.values(this.system.phones).find((p) => p.id.toLowerCase() === user);
    if (phone) return { kind: 'phone', id: phone.id };
    const group = Object.values(this.system.groups).find(
      (g) => g.extension === user || g.id.toLowerCase() === user,
    );
    if (user && group) return { kind: 'group', id: group.id };
    this.left.add(`${url.slice(0, 120) || 'a location without an address'}: nobody here has it`);
    return undefined;
  }
}
